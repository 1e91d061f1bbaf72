import { useQuery } from "@tanstack/react-query";
import { Redo2, Undo2 } from "lucide-react";
import { useEffect, useReducer, useState } from "react";
import { Link, useLocation, useParams } from "wouter";
import { answer, api, type Look, type LookItem, type Reference } from "../../api/client";
import { centreOf, looksQuery, referenceQuery, sizeOf } from "../../api/queries";
import { Choice } from "../../ui/Choice";
import { begun, history, type History, type HistoryAct } from "../../ui/history";
import { ErrorNote, FieldNote, Waiting } from "../../ui/notes";
import { putBy } from "../../ui/putBy";
import { useUndoKeys } from "../../ui/useUndoKeys";
import { codeOf, useKeep } from "../../ui/useKeep";
import { useTally } from "../order/useTally";
import { designOf, orderOf, type Change } from "./designed";
import { saveFile } from "./files";
import { LookEditor } from "./LookEditor";
import { PhotoRow } from "../photos/PhotoRow";
import { TrialBatch } from "./TrialBatch";
import { listed, say } from "../../wording/say";

/** A look of the library, or a new one handed on from where it was begun. */
export function LookPage() {
  const { code = "" } = useParams();
  const looks = useQuery(looksQuery);
  const reference = useQuery(referenceQuery);
  const error = looks.error ?? reference.error;
  if (error) return <ErrorNote error={error} retry={() => void looks.refetch()} />;
  if (!looks.data || !reference.data) return <Waiting />;
  const stored = storedLook(code);
  const item = looks.data.find((l) => l.look.code === code);
  const look = stored ?? item?.look;
  if (!look) return <ErrorNote error={new Error(say("looks.look-not-found-see-all"))} />;
  return <LookDesk key={code} look={look} item={item} all={looks.data} reference={reference.data} />;
}

function LookDesk(props: { look: Look; item: LookItem | undefined; all: LookItem[]; reference: Reference }) {
  const { item, reference } = props;
  const [, navigate] = useLocation();
  const [state, dispatch] = useReducer<History<Look>, [HistoryAct<Look>]>(history, begun(props.look));
  const look = state.draft;
  const [trying, setTrying] = useState(false);
  const order = orderOf(designOf(look), 1);
  const { tally } = useTally(order);
  const line = tally?.lines[0];
  // Saved, the server may write the same look with fields that were left out here.
  const [savedAs, setSavedAs] = useState("");
  const written = JSON.stringify(look);
  const changed = written !== JSON.stringify(item?.look) && written !== savedAs;
  const edit = (field: string, part: Partial<Look>) =>
    dispatch({ kind: "edit", field, change: (draft) => ({ ...draft, ...part }) });
  const undo = state.past.length > 0 ? () => dispatch({ kind: "undo" }) : undefined;
  const redo = state.future.length > 0 ? () => dispatch({ kind: "redo" }) : undefined;
  useUndoKeys(undo, redo);
  useEffect(() => {
    document.title = say("ui.kondiba", { name: look.name || say("looks.look-2") });
  }, [look.name]);

  // What is not kept yet survives a reload here.
  useEffect(() => {
    if (changed) storeLook(look);
    else forgetLook(look.code);
  }, [changed, look]);

  const keep = useKeep(
    (body: Look) => answer(api.PUT("/api/looks", { body })),
    () => forgetLook(look.code),
    ["looks"],
  );
  const remove = useKeep(
    (code: string) => answer(api.DELETE("/api/looks/{code}", { params: { path: { code } } })),
    () => {
      forgetLook(look.code);
      navigate("/looks", { state: { removed: item?.look } });
    },
    ["looks"],
  );
  const centre = centreOf(reference, look.centre);
  const size = sizeOf(reference, look.centre, look.size);

  return (
    <div className="mx-auto max-w-7xl px-4 sm:px-7">
      <header className="desk-head bg-ground sticky top-14 z-[5] flex flex-wrap items-baseline gap-x-5 gap-y-1 pt-4 pb-3 max-lg:static">
        <h1 className="sr-only">{look.name}</h1>
        <input
          aria-label={say("looks.name-look")}
          aria-describedby="note-name"
          className="quiet field-sizing-content min-w-32 font-serif text-[34px] leading-tight"
          value={look.name}
          onChange={(e) => edit("name", { name: e.target.value })}
        />
        <span className="text-ink2">
          {centre?.name}
          {centre && centre.sizes.length > 1 && (
            <>
              {", "}
              <Choice
                label={say("ui.size")}
                value={look.size}
                options={centre.sizes.map((s) => ({ value: s.code, label: s.name }))}
                onChange={(size) => edit("size", { size })}
              >
                {size?.name}
              </Choice>
            </>
          )}
          {item && item.usedIn.length > 0 && say("looks.used", { usedIn: listed(item.usedIn) })}
        </span>
        <span className="ml-auto flex flex-wrap items-center gap-x-5 gap-y-1 print:hidden">
          <button aria-label={say("ui.undo")} className="text-ink2 disabled:opacity-40" disabled={!undo} onClick={undo}>
            <Undo2 size={18} />
          </button>
          <button aria-label={say("ui.redo")} className="text-ink2 disabled:opacity-40" disabled={!redo} onClick={redo}>
            <Redo2 size={18} />
          </button>
          <button className="text-act font-semibold" onClick={() => setTrying(true)}>
            {say("ui.make-2-first")}
          </button>
          <button className="text-act font-semibold" onClick={() => savePicture(look.name)}>
            {say("looks.save-as-svg")}
          </button>
          {item && !changed && (
            <Link className="text-act font-semibold" to={`/looks/${item.look.code}/card`}>
              {say("looks.design-card")}
            </Link>
          )}
          {item && (
            <button className="text-ink2 font-semibold" onClick={() => remove.mutate(look.code)}>
              {say("ui.remove-2")}
            </button>
          )}
          {changed ? (
            <button
              className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold disabled:opacity-55"
              disabled={keep.isPending}
              onClick={() => keep.mutate({ ...look, name: look.name.trim() }, { onSuccess: () => setSavedAs(written) })}
            >
              {say("ui.save")}
            </button>
          ) : (
            <span role="status" className="text-go font-bold">
              {say("ui.saved")}
            </span>
          )}
        </span>
      </header>
      <FieldNote id="note-name" text={keep.errorOf("name")} />
      {keep.error && !keep.errorOf("name") && (
        <p role="alert" className="border-mind bg-mind-ground mb-3 border-l-4 px-3 py-1.5">
          {say("looks.fix-highlighted-fields", { message: keep.error.message })}
        </p>
      )}
      <LookEditor
        design={designOf(look)}
        tally={line}
        problems={tally?.problems ?? []}
        reference={reference}
        change={edit as Change}
      />
      {item && <PhotoRow subject="looks" of={look.code} name={look.name} />}
      {trying && <TrialBatch order={order} reference={reference} close={() => setTrying(false)} />}
    </div>
  );
}

function savePicture(name: string) {
  const drawn = document.querySelector("[data-testid=large-piece]");
  if (!drawn) return;
  const copy = drawn.cloneNode(true) as SVGElement;
  copy.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  copy.querySelectorAll("text, g.max-sm\\:hidden").forEach((label) => label.remove());
  copy.removeAttribute("class");
  saveFile(`${codeOf(name, [])}.svg`, "image/svg+xml", new XMLSerializer().serializeToString(copy));
}

const putByKey = (code: string) => `look.${code}`;
const storedLook = (code: string) => putBy.read(putByKey(code)) as Look | undefined;

/** Puts a look by that is not kept yet. */
export const storeLook = (look: Look) => putBy.write(putByKey(look.code), look);
const forgetLook = (code: string) => putBy.forget(putByKey(code));

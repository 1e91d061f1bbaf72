import { EmptyTray } from "../../ui/EmptyTray";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Link } from "wouter";
import { useHistoryState } from "wouter/use-browser-location";
import { answer, api, ApiError, type Look, type LookItem, type LookLibrary, type Reference } from "../../api/client";
import { centreOf, colourOf, looksQuery, referenceQuery, sizeOf } from "../../api/queries";
import { TextField } from "../../ui/fields";
import { hasAll } from "../../ui/hasAll";
import { ErrorNote, Waiting } from "../../ui/notes";
import { Removed } from "../kitchen/parts";
import { useKeep } from "../../ui/useKeep";
import { useTally } from "../order/useTally";
import { PiecePicture } from "../piece/PiecePicture";
import { pieceOf } from "../piece/points";
import { designOf, orderOf } from "./designed";
import { saveFile } from "./files";
import { listed, say } from "../../wording/say";

/** The library: every look as it comes out, on parchment. */
export function LooksPage() {
  const looks = useQuery(looksQuery);
  const reference = useQuery(referenceQuery);
  const removed = useHistoryState<{ removed?: Look } | null>()?.removed;
  const [back, setBack] = useState(false);
  const keep = useKeep(
    (body: Look) => answer(api.PUT("/api/looks", { body })),
    () => setBack(true),
    ["looks"],
  );
  useEffect(() => {
    document.title = say("looks.looks-kondiba");
  }, []);
  const error = looks.error ?? reference.error;
  if (error) return <ErrorNote error={error} retry={() => void looks.refetch()} />;
  if (!looks.data || !reference.data) return <Waiting />;
  return (
    <div className="mx-auto max-w-7xl px-4 pt-3 sm:px-10">
      <header className="flex flex-wrap items-baseline gap-x-6 gap-y-2">
        <h1 className="font-serif text-[38px] leading-tight">{say("ui.looks")}</h1>
        <p className="text-ink2">{say("looks.designs-use-orders-lines")}</p>
        <span className="ml-auto flex items-center gap-5">
          <Import />
          {looks.data.length > 0 && (
            <button className="text-act font-semibold" onClick={() => void exportAll()}>
              {say("ui.export")}
            </button>
          )}
          <Link className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold" to="/looks/new">
            {say("looks.new-look")}
          </Link>
        </span>
      </header>
      <Removed name={back ? undefined : removed?.name} putBack={() => removed && keep.mutate(removed)} />
      {looks.data.length === 0 ? (
        <div className="mt-5">
          <EmptyTray title={say("looks.no-looks-yet")}>{say("looks.start-with-pattern-one-your")}</EmptyTray>
        </div>
      ) : (
        <Shelf looks={looks.data} reference={reference.data} />
      )}
    </div>
  );
}

/** What a look can be found by: its own name, and what it is made of. */
function wordsOf({ look, usedIn }: LookItem, reference: Reference): string {
  const colours = [look, ...look.decor.dips, ...look.decor.patterns].map(
    (part) => colourOf(reference, part.coating, part.colour)?.name,
  );
  const decor = [...look.decor.sprinkles, ...look.decor.parts].map(
    ({ kind }) => [...reference.decor.sprinkles, ...reference.decor.parts].find((k) => k.code === kind)?.name,
  );
  const size = sizeOf(reference, look.centre, look.size)?.name;
  const centre = centreOf(reference, look.centre);
  return [look.name, centre?.name, centre?.plural, size, ...colours, ...decor, ...usedIn].join(" ");
}

/** All looks in one computation, so that they are drawn from the same geometry as everywhere. */
function Shelf({ looks, reference }: { looks: LookItem[]; reference: Reference }) {
  const [find, setFind] = useState("");
  const { tally } = useTally({
    ...orderOf(designOf(looks[0]?.look as Look), 1),
    lines: looks.map(({ look }) => ({ ...designOf(look), amount: 1, countedIn: "pieces" })),
  });
  const sought = hasAll(find);
  const found = looks.map((item) => sought(wordsOf(item, reference)));
  return (
    <>
      <TextField label={say("looks.find")} value={find} onChange={setFind} className="mt-3 max-w-sm" />
      {!found.includes(true) && <p className="text-ink2 mt-4">{say("looks.nothing-found", { find })}</p>}
      <ul className="mt-5 grid grid-cols-2 gap-x-5 gap-y-6 sm:grid-cols-3 lg:grid-cols-5" data-testid="library">
        {looks.map(({ look, usedIn }, i) => {
          if (!found[i]) return null;
          const piece = pieceOf(
            reference,
            look,
            tally?.lines.find((l) => l.line === i),
          );
          const size = sizeOf(reference, look.centre, look.size)?.name;
          return (
            <li key={look.code}>
              <Link to={`/looks/${look.code}`} className="group block">
                <span className="border-rim bg-parchment block h-44 rounded-lg border-[6px] p-2">
                  {piece && <PiecePicture look={piece} seed={i} className="size-full" />}
                </span>
                <b className="group-hover:text-act mt-1.5 block leading-snug">{look.name}</b>
                <span className="text-ink2 block text-[15px] leading-snug">
                  {[centreOf(reference, look.centre)?.name, size].filter(Boolean).join(", ")}
                  {usedIn.length > 0 && (
                    <span className="block">{say("looks.used-2", { usedIn: listed(usedIn) })}</span>
                  )}
                </span>
              </Link>
            </li>
          );
        })}
      </ul>
    </>
  );
}

async function exportAll() {
  const library = await answer(api.GET("/api/looks/library"));
  saveFile("looks.json", "application/json", `${JSON.stringify(library, null, 2)}\n`);
}

/** Takes in a file of looks, and says what keeps it from being taken in. */
function Import() {
  const input = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<{ text: string; bad: boolean }>();
  const take = useKeep((body: LookLibrary) => answer(api.POST("/api/looks/library", { body })), undefined, ["looks"]);
  const read = async (file: File) => {
    try {
      const library = JSON.parse(await file.text()) as LookLibrary;
      await take.mutateAsync(library);
      const count = library.looks.length;
      setSaid({ text: say("looks.look-imported", { count }), bad: false });
    } catch (error) {
      const why =
        error instanceof ApiError
          ? [error.message, ...Object.values(error.errors).flat().slice(0, 3)].join(" ")
          : say("looks.this-isnt-file-looks-choose");
      setSaid({ text: why, bad: true });
    }
  };
  return (
    <>
      {said && (
        <span role="status" className={said.bad ? "text-mind max-w-md text-[15px]" : "text-go"}>
          {said.text}
        </span>
      )}
      <input
        ref={input}
        type="file"
        accept="application/json,.json"
        aria-label={say("looks.file-looks")}
        className="sr-only"
        tabIndex={-1}
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) void read(file);
          e.target.value = "";
        }}
      />
      <button className="text-act font-semibold" onClick={() => input.current?.click()}>
        {say("ui.import")}
      </button>
    </>
  );
}

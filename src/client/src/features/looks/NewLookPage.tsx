import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { useLocation, useSearchParams } from "wouter";
import type { Centre, Look, Reference } from "../../api/client";
import { looksQuery, referenceQuery } from "../../api/queries";
import { PickField } from "../../ui/fields";
import { ErrorNote, Waiting } from "../../ui/notes";
import { codeOf } from "../../ui/useKeep";
import { useTally } from "../order/useTally";
import { PiecePicture } from "../piece/PiecePicture";
import { pieceOf } from "../piece/points";
import { orderOf, patternOf, plain, type Designed } from "./designed";
import { storeLook } from "./LookPage";
import { capital, say } from "../../wording/say";

const every = "every";

/** Where a look begins: every pattern on a centre, or on all of them. */
export function NewLookPage() {
  const reference = useQuery(referenceQuery);
  const looks = useQuery(looksQuery);
  const [search, setSearch] = useSearchParams();
  useEffect(() => {
    document.title = say("looks.new-look-kondiba");
  }, []);
  const error = looks.error ?? reference.error;
  if (error) return <ErrorNote error={error} retry={() => void reference.refetch()} />;
  if (!reference.data || !looks.data) return <Waiting />;
  const centres = reference.data.centres;
  const chosen = search.get("centre") ?? centres[0]?.code ?? "";
  const taken = looks.data.map((l) => l.look.code);
  return (
    <div className="mx-auto max-w-7xl px-4 pt-3 sm:px-10">
      <header className="flex flex-wrap items-end gap-x-8 gap-y-2">
        <h1 className="font-serif text-[38px] leading-tight">{say("looks.new-look")}</h1>
        <PickField
          label={say("looks.for")}
          value={chosen}
          options={[
            ...centres.map((c) => ({ value: c.code, label: c.plural })),
            { value: every, label: say("looks.every-centre") },
          ]}
          onChange={(centre) => setSearch({ centre }, { replace: true })}
          className="w-56"
        />
        <p className="text-ink2">{say("looks.choose-starting-point-you-can")}</p>
      </header>
      {centres
        .filter((c) => chosen === every || c.code === chosen)
        .map((centre) => (
          <Patterns
            key={centre.code}
            centre={centre}
            reference={reference.data}
            taken={taken}
            dense={chosen === every}
          />
        ))}
    </div>
  );
}

function Patterns(props: { centre: Centre; reference: Reference; taken: string[]; dense: boolean }) {
  const { centre, reference, dense } = props;
  const [, navigate] = useLocation();
  const size = centre.sizes.at(-1);
  const coating = reference.usualCoating;
  const colours = reference.colours.filter((c) => c.coating === coating);
  const white = colours.find((c) => c.code === "white")?.code ?? colours.at(-1)?.code ?? "";
  const base: Designed = {
    centre: centre.code,
    size: size?.code ?? "",
    coating,
    colour: colours[0]?.code ?? "",
    depth: centre.usualDepth,
    coats: centre.leastCoats,
    atOnce: false,
    upright: null,
    decor: plain,
  };
  const begun = [
    { name: say("looks.plain"), design: base },
    ...reference.decor.patterns.map((kind) => ({
      name: kind.name,
      design: { ...base, decor: { ...plain, patterns: [patternOf(kind, coating, white)] } },
    })),
  ];
  const { tally } = useTally({
    ...orderOf(base, 1),
    lines: begun.map(({ design }) => ({ ...design, amount: 1, countedIn: "pieces" })),
  });
  const begin = (name: string, design: Designed) => {
    const title = `${name} ${centre.name}`;
    const look = {
      ...design,
      name: capital(title),
      code: codeOf(title, props.taken),
    } as Look;
    storeLook(look);
    navigate(`/looks/${look.code}`);
  };
  return (
    <section aria-label={centre.plural} className="mt-5">
      {dense && <h2 className="font-serif text-xl">{capital(centre.plural)}</h2>}
      <ul
        className={`grid gap-3 ${dense ? "grid-cols-7 lg:grid-cols-13" : "grid-cols-2 sm:grid-cols-4 lg:grid-cols-5"}`}
      >
        {begun.map(({ name, design }, i) => {
          const piece = pieceOf(
            reference,
            design,
            tally?.lines.find((l) => l.line === i),
          );
          return (
            <li key={name}>
              <button className="group block w-full" onClick={() => begin(name, design)}>
                <span
                  className={`border-rim bg-parchment block rounded-lg ${dense ? "h-24 border-4 p-1" : "h-44 border-[6px] p-2"}`}
                >
                  {piece && <PiecePicture look={piece} seed={i} className="size-full" />}
                </span>
                <span className={`group-hover:text-act mt-1 block font-semibold ${dense ? "text-[13px]" : ""}`}>
                  {name}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

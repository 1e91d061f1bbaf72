import { useMemo } from "react";
import type { Centre, FigurePart, Making, MouldDraft, MouldTally, OrderLine, Reference } from "../../api/client";
import { colourOf, pieceName, sizeOf } from "../../api/queries";
import { Choice, colourOptions, Dot } from "../../ui/Choice";
import { How } from "../../ui/How";
import { FieldNote } from "../../ui/notes";
import { useWording } from "../../ui/units";
import { FigurePicture } from "../piece/FigurePicture";
import { pieceOf } from "../piece/points";
import { changeLine, type Edit } from "./draft";

const bought = "bought";
const none = "";
const noStick = "none";

interface Props {
  index: number;
  line: OrderLine;
  what: string;
  centre: Centre | undefined;
  reference: Reference;
  moulded: MouldTally | undefined;
  notes: Record<string, string>;
  edit: Edit;
}

/** How the pieces of a line come to be, where there is a choice: by a recipe, in a mould, put together from parts. */
export function LineMaking(props: Props) {
  const { line, centre, reference, edit, index } = props;
  const change = (field: string, part: Partial<Making>) =>
    edit(`${line.id}.making.${field}`, changeLine(line.id, { making: { ...line.making, ...part } }));
  const at = `lines[${index}].making`;
  const notes = Object.entries(props.notes).filter(([field]) => field.startsWith(at));
  const recipes = reference.fillings.filter((f) => f.makes === line.centre);
  return (
    <>
      {recipes.length > 0 && <Recipe {...props} recipes={recipes} change={change} />}
      {centre?.holding === "mould" && centre.shape === "cavity" && <InMould {...props} change={change} />}
      {centre && centre.holding !== "mould" && !centre.figure && <PutOn {...props} centre={centre} change={change} />}
      {centre?.figure && <Parts {...props} change={change} />}
      {notes.map(([field, text]) => (
        <FieldNote key={field} id={`note-${field}`} text={text} />
      ))}
    </>
  );
}

type Change = (field: string, part: Partial<Making>) => void;

function Recipe({ line, what, recipes, change }: Props & { recipes: Reference["fillings"]; change: Change }) {
  const wording = useWording();
  const chosen = line.making?.filling ?? recipes[0]?.code ?? bought;
  const recipe = recipes.find((r) => r.code === chosen);
  const usual = recipe?.portion ?? 0;
  const portion = line.making?.portion ?? null;
  // By scoop, where it is scooped; the usual portion and the one chosen are among them.
  const scoops = (recipe?.scoops ?? []).map((s) => ({ value: Math.round(s.portion * 10) / 10, name: s.name }));
  const portions = [
    ...(scoops.length > 0 ? scoops.map((s) => s.value) : [usual / 2, usual * 2]),
    usual,
    portion ?? usual,
  ]
    .map((g) => Math.round(g * 10) / 10)
    .sort((a, b) => a - b);
  const nameOf = (g: number) => scoops.find((s) => Math.abs(s.value - g) < 0.2)?.name;
  return (
    <p className="text-ink2 text-[15px]">
      <Choice
        label={`How ${what} are made`}
        value={chosen}
        options={[
          ...recipes.map((r) => ({ value: r.code, label: `of ${r.name}` })),
          { value: bought, label: "bought ready" },
        ]}
        onChange={(filling) => change("filling", { filling, portion: null, shares: null })}
      >
        {recipe ? `of ${recipe.name}` : "bought ready"}
      </Choice>
      {recipe && usual > 0 && (
        <>
          {", "}
          <Choice
            label={`Portion of ${what}`}
            value={portion ?? usual}
            options={[...new Set(portions)].map((g) => ({
              value: g,
              label: wording.mass(g),
              hint: [nameOf(g), g === usual && "usual"].filter(Boolean).join(", ") || undefined,
            }))}
            onChange={(g) => change("portion", { portion: g === usual ? null : g })}
          >
            {wording.mass(portion ?? usual)} each
          </Choice>
        </>
      )}
    </p>
  );
}

const disc = "disc";

/** The stick that pieces are put on, and the piped disc that they are set on. */
function PutOn({ line, what, centre, reference, change }: Props & { centre: Centre; change: Change }) {
  const wording = useWording();
  const sticks = centre.dippedEndUp ? [] : reference.supplies.filter((s) => s.long !== null);
  const on = line.making?.on ?? null;
  const under = line.making?.disc ?? null;
  const wide = sizeOf(reference, line.centre, line.size)?.width ?? 40;
  // A rim of a finger's width shows round the piece; a little less or more is offered besides.
  const usual = Math.ceil((wide + 10) / 5) * 5;
  const widths = [...new Set([usual - 5, usual, usual + 5, usual + 10, usual + 20, under?.across ?? usual])].sort(
    (a, b) => a - b,
  );
  const usualStick = centre.holding === "stick" ? "on their usual sticks" : "on no stick";
  const stick = sticks.find((s) => s.code === on);
  const options = [
    { value: none, label: usualStick },
    ...(centre.holding === "stick" ? [{ value: noStick, label: "on no stick" }] : []),
    ...sticks.map((s) => ({ value: s.code, label: `on ${s.name}` })),
    ...(under ? [] : [{ value: disc, label: "set on piped discs" }]),
  ];
  return (
    <p className="text-ink2 text-[15px]">
      <Choice
        label={`What ${what} are put on`}
        value={on ?? none}
        options={options}
        onChange={(chosen) => {
          if (chosen === disc) change("disc", { disc: { across: usual, coating: line.coating, colour: line.colour } });
          else change("on", { on: chosen === none ? null : chosen });
        }}
      >
        {stick ? `on ${stick.name}` : on === noStick ? "on no stick" : under ? "add a stick" : "add a stick or a disc"}
      </Choice>
      {under && (
        <>
          <br />
          <Choice
            label={`Disc under ${what}`}
            value={under.colour ?? none}
            options={[
              { value: none, label: "on no disc" },
              ...colourOptions(
                reference.colours.filter((c) => c.coating === (under.coating ?? line.coating)),
                (name) => `on a disc in ${name}`,
              ),
            ]}
            onChange={(colour) => change("disc", { disc: colour === none ? null : { ...under, colour } })}
          >
            <Dot srgb={colourOf(reference, under.coating, under.colour)?.srgb} />
            on a disc in {colourOf(reference, under.coating, under.colour)?.name ?? under.colour}
          </Choice>
          {", "}
          <Choice
            label={`Width of the disc under ${what}`}
            value={under.across}
            options={widths.map((mm) => ({ value: mm, label: wording.value(mm, "mm") }))}
            onChange={(across) => change("disc", { disc: { ...under, across } })}
          >
            {wording.value(under.across, "mm")} wide
          </Choice>
        </>
      )}
    </p>
  );
}

function InMould({ line, what, reference, moulded, index, change }: Props & { change: Change }) {
  const wording = useWording();
  const draft = line.making?.mould ?? null;
  const mould = reference.moulds.find((m) => m.code === draft?.mould);
  const set = (part: Partial<MouldDraft> | null) =>
    change("mould", {
      mould: part && {
        ...{ mould: null, insert: null, insertSize: null, accent: null, features: null, broken: null },
        ...draft,
        ...part,
      },
    });
  const inserts = useMemo(
    () =>
      reference.centres
        .filter((c) => c.holding !== "mould" && !c.figure)
        .flatMap((c) =>
          c.sizes.map((s) => ({
            value: `${c.code}.${s.code}`,
            label: pieceName(reference, c.code, s.code),
            hint: s.length > longestWhole ? "broken" : undefined,
          })),
        ),
    [reference],
  );
  const insert = draft?.insert ? `${draft.insert}.${draft.insertSize}` : none;
  const accent = draft?.accent ? colourOf(reference, draft.accent.coating, draft.accent.colour) : undefined;
  return (
    <>
      <p className="text-ink2 text-[15px]">
        <Choice
          label={`Mould of ${what}`}
          value={draft?.mould ?? none}
          options={[
            { value: none, label: "any cavity of that size" },
            ...reference.moulds.map((m) => ({
              value: m.code,
              label: m.name,
              hint: `${m.trays} × ${m.cavities}, ${wording.value(m.deep, "mm")} deep`,
            })),
          ]}
          onChange={(code) => set(code === none ? null : { mould: code })}
        >
          {mould ? `in the ${mould.name}` : "any cavity of that size"}
        </Choice>
        {mould && (
          <>
            <br />
            <Choice
              label={`Insert of ${what}`}
              value={insert}
              options={[{ value: none, label: "solid, no insert" }, ...inserts]}
              onChange={(key) => {
                const [centre = "", size = ""] = key.split(".");
                set(
                  key === none
                    ? { insert: null, insertSize: null, broken: null }
                    : {
                        ...{ insert: centre, insertSize: size },
                        broken: inserts.some((i) => i.value === key && i.hint) ? usualBroken : null,
                      },
                );
              }}
            >
              {inserts.find((i) => i.value === insert)?.label ?? "solid, no insert"}
            </Choice>
            {insert !== none && (
              <>
                {", "}
                <Choice
                  label={`How the insert of ${what} goes in`}
                  value={draft?.broken ?? 0}
                  options={[0, ...shares].map((share) => ({ value: share, label: wholeOrBroken(share) }))}
                  onChange={(share) => set({ broken: share === 0 ? null : share })}
                >
                  {wholeOrBroken(draft?.broken ?? 0)}
                </Choice>
              </>
            )}
            <br />
            <Features what={what} line={line} reference={reference} draft={draft} set={set} />
            <Choice
              label={`First layer of ${what}`}
              value={draft?.accent?.colour ?? none}
              options={[
                { value: none, label: "one colour" },
                ...colourOptions(
                  reference.colours.filter((c) => c.coating === line.coating && c.code !== line.colour),
                  (name) => `${name} first`,
                ),
              ]}
              onChange={(colour) =>
                set({
                  accent:
                    colour === none ? null : { coating: line.coating, colour, share: draft?.accent?.share ?? 0.2 },
                })
              }
            >
              {draft?.accent ? (
                <>
                  <Dot srgb={accent?.srgb} />
                  {accent?.name ?? draft.accent.colour} first
                </>
              ) : (
                "one colour"
              )}
            </Choice>
          </>
        )}
      </p>
      {moulded && (
        <p className="text-ink2 text-[15px]">
          <How what={`coating in a cavity for ${what}`} of={`lines[${index}].moulded.coating`}>
            {wording.value(moulded.coating.value, "mL")} a cavity
          </How>
          <br />
          <How what={`dry wafers in a cavity for ${what}`} of={`lines[${index}].moulded.dryWafers`}>
            {moulded.ruleAgrees ? "as" : "not as"} heaped wafers say ({wording.value(moulded.dryWafers.value, "mL")})
          </How>
          <br />
          <How what={`rounds of ${what}`} of={`lines[${index}].moulded.rounds`}>
            {moulded.rounds.value} {moulded.rounds.value === 1 ? "round" : "rounds"} of {moulded.atOnce}
          </How>
        </p>
      )}
    </>
  );
}

// Longer than any mould here: it goes in broken.
const longestWhole = 70;
const usualBroken = 0.3;
const shares = [0.2, usualBroken, 0.4, 0.5];
const wholeOrBroken = (share: number) =>
  share === 0 ? "pressed in whole" : `broken, ${Math.round(share * 100)}% of the cavity`;

const brushed = 0.03;

/** Details brushed into a cavity before anything else. */
function Features(props: {
  what: string;
  line: OrderLine;
  reference: Reference;
  draft: MouldDraft | null;
  set: (part: Partial<MouldDraft>) => void;
}) {
  const { what, line, reference, draft, set } = props;
  const features = draft?.features ?? [];
  const colours = reference.colours.filter((c) => c.coating === line.coating);
  const brush = (at: number, colour: string) => {
    if (colour === none) set({ features: features.filter((_, i) => i !== at) });
    else if (at === features.length)
      set({ features: [...features, { coating: line.coating, colour, share: brushed }] });
    else set({ features: features.map((f, i) => (i === at ? { ...f, colour } : f)) });
  };
  return [...features, null].map((feature, i) => (
    <span key={i}>
      <Choice
        label={feature ? `Feature ${i + 1} of ${what}` : `One more feature of ${what}`}
        value={feature?.colour ?? none}
        options={[
          { value: none, label: feature ? "no such feature" : "no more features" },
          ...colourOptions(colours, (name) => `features in ${name}`),
        ]}
        onChange={(colour) => brush(i, colour)}
      >
        {feature ? (
          <>
            <Dot srgb={colourOf(reference, feature.coating, feature.colour)?.srgb} />
            features in {colourOf(reference, feature.coating, feature.colour)?.name ?? feature.colour}
          </>
        ) : (
          "brush a feature in"
        )}
      </Choice>
      <br />
    </span>
  ));
}

function Parts({ line, what, centre, reference, change }: Props & { change: Change }) {
  const figure = centre?.figure;
  const size = sizeOf(reference, line.centre, line.size);
  const body = pieceOf(reference, line, { coat: 2, dipLine: size?.length ?? 40, look: null, seen: null });
  if (!figure || !body) return null;
  const colours = line.making?.colours ?? {};
  const chosen = (part: FigurePart) => colours[part.code] ?? part.colour ?? line.colour;
  const srgbOf = (part: FigurePart) =>
    (colourOf(reference, line.coating, chosen(part)) ?? colourOf(reference, line.coating, line.colour))?.srgb ??
    "#888888";
  const own = (part: FigurePart) => colourOf(reference, line.coating, colours[part.code] ?? part.colour)?.name;
  return (
    <div className="my-1">
      <FigurePicture
        figure={figure}
        body={body}
        srgbOf={srgbOf}
        label={`${centre.name}, put together`}
        className="bg-parchment my-2 h-32 w-full rounded-lg p-2"
      />
      <ul className="text-ink2 text-[15px]">
        {figure.parts.map((part) => (
          <li key={part.code}>
            {part.places.length > 1 && `${part.places.length} `}
            {part.name}{" "}
            <Choice
              label={`Colour of the ${part.name} of ${what}`}
              value={colours[part.code] ?? none}
              options={[
                { value: none, label: part.colour ? "as usual" : "as the body" },
                ...colourOptions(reference.colours.filter((c) => c.coating === line.coating)),
              ]}
              onChange={(colour) => {
                const others = Object.entries(colours).filter(([code]) => code !== part.code);
                change(`colours.${part.code}`, {
                  colours: Object.fromEntries(colour === none ? others : [...others, [part.code, colour]]),
                });
              }}
            >
              <Dot srgb={srgbOf(part)} />
              {own(part) ?? "as the body"}
            </Choice>
          </li>
        ))}
      </ul>
    </div>
  );
}

import type { Centre, FigurePart, Making, Reference } from "../../api/client";
import { colourOf, sizeOf } from "../../api/queries";
import { Choice, colourOptions, Dot } from "../../ui/Choice";
import { FieldNote } from "../../ui/notes";
import { later } from "../../ui/later";
import { useWording } from "../../ui/units";
import { FigurePicture } from "../piece/FigurePicture";
import { pieceOf } from "../piece/points";
import { changeLine } from "./draft";
import type { ChangeMaking, MakingProps } from "./making";
import { say } from "../../wording/say";

const InMould = later(() => import("./LineMould"), "InMould");

const bought = "bought";
const none = "";
const noStick = "none";

/** How the pieces of a line come to be, where there is a choice: by a recipe, in a mould, put together from parts. */
export function LineMaking(props: MakingProps) {
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

function Recipe({
  line,
  what,
  recipes,
  change,
}: MakingProps & { recipes: Reference["fillings"]; change: ChangeMaking }) {
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
        label={say("order.how-made", { what })}
        value={chosen}
        options={[
          ...recipes.map((r) => ({ value: r.code, label: say("ui.of-name", { name: r.name }) })),
          { value: bought, label: say("order.bought-ready") },
        ]}
        onChange={(filling) => change("filling", { filling, portion: null, shares: null })}
      >
        {recipe ? say("ui.of-name", { name: recipe.name }) : say("order.bought-ready")}
      </Choice>
      {recipe && usual > 0 && (
        <>
          {", "}
          <Choice
            label={say("order.portion", { what })}
            value={portion ?? usual}
            options={[...new Set(portions)].map((g) => ({
              value: g,
              label: wording.mass(g),
              hint: [nameOf(g), g === usual && "usual"].filter(Boolean).join(", ") || undefined,
            }))}
            onChange={(g) => change("portion", { portion: g === usual ? null : g })}
          >
            {say("order.each", { portion: wording.mass(portion ?? usual) })}
          </Choice>
        </>
      )}
    </p>
  );
}

const disc = "disc";

/** The stick that pieces are put on, and the piped disc that they are set on. */
function PutOn({ line, what, centre, reference, change }: MakingProps & { centre: Centre; change: ChangeMaking }) {
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
  const usualStick = centre.holding === "stick" ? say("order.their-usual-sticks") : say("order.no-stick");
  const stick = sticks.find((s) => s.code === on);
  const options = [
    { value: none, label: usualStick },
    ...(centre.holding === "stick" ? [{ value: noStick, label: say("order.no-stick") }] : []),
    ...sticks.map((s) => ({ value: s.code, label: say("order.on-name", { name: s.name }) })),
    ...(under ? [] : [{ value: disc, label: say("order.set-piped-discs") }]),
  ];
  return (
    <p className="text-ink2 text-[15px]">
      <Choice
        label={say("order.what-put", { what })}
        value={on ?? none}
        options={options}
        onChange={(chosen) => {
          if (chosen === disc) change("disc", { disc: { across: usual, coating: line.coating, colour: line.colour } });
          else change("on", { on: chosen === none ? null : chosen });
        }}
      >
        {stick
          ? say("order.on-name", { name: stick.name })
          : on === noStick
            ? say("order.no-stick")
            : under
              ? say("order.add-stick")
              : say("order.add-stick-or-disc")}
      </Choice>
      {under && (
        <>
          <br />
          <Choice
            label={say("order.disc-under", { what })}
            value={under.colour ?? none}
            options={[
              { value: none, label: say("order.no-disc") },
              ...colourOptions(
                reference.colours.filter((c) => c.coating === (under.coating ?? line.coating)),
                (name) => say("order.disc", { name }),
              ),
            ]}
            onChange={(colour) => change("disc", { disc: colour === none ? null : { ...under, colour } })}
          >
            <Dot srgb={colourOf(reference, under.coating, under.colour)?.srgb} />
            {say("order.disc-2")} {colourOf(reference, under.coating, under.colour)?.name ?? under.colour}
          </Choice>
          {", "}
          <Choice
            label={say("order.width-disc-under", { what })}
            value={under.across}
            options={widths.map((mm) => ({ value: mm, label: wording.value(mm, "mm") }))}
            onChange={(across) => change("disc", { disc: { ...under, across } })}
          >
            {say("order.wide", { across: wording.value(under.across, "mm") })}
          </Choice>
        </>
      )}
    </p>
  );
}

function Parts({ line, what, centre, reference, change }: MakingProps & { change: ChangeMaking }) {
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
        label={say("ui.put-together", { name: centre.name })}
        className="bg-parchment my-2 h-32 w-full rounded-lg p-2"
      />
      <ul className="text-ink2 text-[15px]">
        {figure.parts.map((part) => (
          <li key={part.code}>
            {part.places.length > 1 && `${part.places.length} `}
            {part.name}{" "}
            <Choice
              label={say("order.colour", { name: part.name, what })}
              value={colours[part.code] ?? none}
              options={[
                { value: none, label: part.colour ? say("order.as-usual") : say("ui.as-body") },
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
              {own(part) ?? say("ui.as-body")}
            </Choice>
          </li>
        ))}
      </ul>
    </div>
  );
}

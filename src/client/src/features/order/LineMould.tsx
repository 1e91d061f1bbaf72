import { useMemo } from "react";
import type { MouldDraft, OrderLine, Reference } from "../../api/client";
import { colourOf, pieceName } from "../../api/queries";
import { Choice, colourOptions, Dot } from "../../ui/Choice";
import { How } from "../../ui/How";
import { useWording } from "../../ui/units";
import { say } from "../../wording/say";
import type { ChangeMaking, MakingProps } from "./making";

const none = "";

// Longer than any mould here: it goes in broken.
const longestWhole = 70;
const usualBroken = 0.3;
const shares = [0.2, usualBroken, 0.4, 0.5];
const wholeOrBroken = (share: number) =>
  share === 0 ? say("order.pressed-whole") : say("order.broken-cavity", { share: Math.round(share * 100) });

const brushed = 0.03;

/** In which mould, round what, in which layers. */
export function InMould({ line, what, reference, moulded, index, change }: MakingProps & { change: ChangeMaking }) {
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
            hint: s.length > longestWhole ? say("order.broken") : undefined,
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
          label={say("order.mould", { what })}
          value={draft?.mould ?? none}
          options={[
            { value: none, label: say("order.any-cavity-size") },
            ...reference.moulds.map((m) => ({
              value: m.code,
              label: m.name,
              hint: say("order.deep", { trays: m.trays, cavities: m.cavities, deep: wording.value(m.deep, "mm") }),
            })),
          ]}
          onChange={(code) => set(code === none ? null : { mould: code })}
        >
          {mould ? say("order.in-the-name", { name: mould.name }) : say("order.any-cavity-size")}
        </Choice>
        {mould && (
          <>
            <br />
            <Choice
              label={say("order.insert", { what })}
              value={insert}
              options={[{ value: none, label: say("order.solid-no-insert") }, ...inserts]}
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
              {inserts.find((i) => i.value === insert)?.label ?? say("order.solid-no-insert")}
            </Choice>
            {insert !== none && (
              <>
                {", "}
                <Choice
                  label={say("order.how-insert-goes", { what })}
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
              label={say("order.first-layer", { what })}
              value={draft?.accent?.colour ?? none}
              options={[
                { value: none, label: say("order.one-colour") },
                ...colourOptions(
                  reference.colours.filter((c) => c.coating === line.coating && c.code !== line.colour),
                  (name) => say("order.first", { name }),
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
                  {accent?.name ?? draft.accent.colour} {say("order.first-2")}
                </>
              ) : (
                say("order.one-colour")
              )}
            </Choice>
          </>
        )}
      </p>
      {moulded && (
        <p className="text-ink2 text-[15px]">
          <How what={say("order.coating-cavity", { what })} of={`lines[${index}].moulded.coating`}>
            {say("order.cavity", { coating: wording.value(moulded.coating.value, "mL") })}
          </How>
          <br />
          <How what={say("order.dry-wafers-cavity", { what })} of={`lines[${index}].moulded.dryWafers`}>
            {say("order.heaped-wafers-suggest", {
              ruleAgrees: moulded.ruleAgrees ? say("order.as") : say("order.not-as"),
              dryWafers: wording.value(moulded.dryWafers.value, "mL"),
            })}
          </How>
          <br />
          <How what={say("order.rounds", { what })} of={`lines[${index}].moulded.rounds`}>
            {say("order.round", { rounds: moulded.rounds.value, atOnce: moulded.atOnce })}
          </How>
        </p>
      )}
    </>
  );
}

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
        label={feature ? say("order.feature", { number: i + 1, what }) : say("order.one-more-feature", { what })}
        value={feature?.colour ?? none}
        options={[
          { value: none, label: feature ? say("order.no-such-feature") : say("order.no-more-features") },
          ...colourOptions(colours, (name) => say("order.features", { name })),
        ]}
        onChange={(colour) => brush(i, colour)}
      >
        {feature ? (
          <>
            <Dot srgb={colourOf(reference, feature.coating, feature.colour)?.srgb} />
            {say("order.features-2")} {colourOf(reference, feature.coating, feature.colour)?.name ?? feature.colour}
          </>
        ) : (
          say("order.add-brushed-feature")
        )}
      </Choice>
      <br />
    </span>
  ));
}

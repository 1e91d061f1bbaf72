import { useState } from "react";
import type { OwnFigure, Reference } from "../../api/client";
import { centreOf, pieceName } from "../../api/queries";
import { useKeep } from "../../ui/useKeep";
import { FigurePicture } from "../piece/FigurePicture";
import { bodyOf, FigureForm, keepFigure, partSrgb } from "./FigureForm";
import type { Room } from "./KitchenPage";
import { AddNew, Item, Removed } from "./parts";
import { say } from "../../wording/say";

/** Treats put together from several centres: the shipped ones, and the maker's own. */
export function Figures({ things, reference }: Room) {
  const [removed, setRemoved] = useState<OwnFigure>();
  const keep = useKeep(keepFigure, () => setRemoved(undefined));
  const form = (figure: OwnFigure | undefined, close: () => void) => (
    <FigureForm item={figure} things={things} reference={reference} close={close} onRemoved={setRemoved} />
  );
  return (
    <>
      <AddNew label={say("kitchen.add-my-own-figure")} form={(close) => form(undefined, close)} />
      <Removed name={removed?.name} putBack={() => removed && keep.mutate(removed)} />
      <ul>
        {things.figures.map((figure) => (
          <Item
            key={figure.code}
            name={figure.plural}
            own={things.own.includes(figure.code)}
            picture={<Picture figure={figure} reference={reference} />}
            change={say("kitchen.change-2", { plural: figure.plural })}
            facts={madeOf(figure, reference)}
            form={(close) => form(figure, close)}
          />
        ))}
      </ul>
    </>
  );
}

/** What one is made of, in words. */
function madeOf(figure: OwnFigure, reference: Reference): string {
  const parts = figure.parts.map((p) => {
    const from = pieceName(reference, p.centre, p.size);
    return `${p.name} × ${p.places.length} (${p.kept < 1 ? say("kitchen.kept-of", { kept: Math.round(p.kept * 100) }) : ""}${from})`;
  });
  const stuck = figure.stuck.map((s) => {
    const kind = reference.decor.parts.find((p) => p.code === s.part);
    return `${kind?.plural ?? s.part} × ${s.places.length}`;
  });
  return [
    say("kitchen.body-2", { pieceName: pieceName(reference, figure.body, figure.bodySize) }),
    ...parts,
    ...stuck,
  ].join("; ");
}

function Picture({ figure, reference }: { figure: OwnFigure; reference: Reference }) {
  const drawn = centreOf(reference, figure.code)?.figure;
  const body = bodyOf(reference, figure);
  if (!drawn || !body) return null;
  return (
    <FigurePicture
      figure={drawn}
      body={body}
      srgbOf={(part) => partSrgb(reference, part.colour)}
      label={say("ui.put-together", { name: figure.name })}
      className="size-24 shrink-0"
    />
  );
}

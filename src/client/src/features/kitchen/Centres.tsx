import { useState } from "react";
import { answer, api, type OwnCentre, type Reference } from "../../api/client";
import { PiecePicture } from "../piece/PiecePicture";
import { useWording, depthName } from "../../ui/units";
import { CentreForm } from "./CentreForm";
import type { Room } from "./KitchenPage";
import { AddNew, Item, Removed } from "./parts";
import { useKeep } from "../../ui/useKeep";
import { allergenWords } from "../../ui/AllergenFields";
import { say } from "../../wording/say";

/** What is dipped here: the trade's centres and the maker's own. */
export function Centres({ things, reference }: Room) {
  const wording = useWording();
  const [removed, setRemoved] = useState<OwnCentre>();
  const keep = useKeep(
    (body: OwnCentre) => answer(api.PUT("/api/kitchen/centres", { body })),
    () => setRemoved(undefined),
  );
  const codes = things.centres.map((c) => c.code);
  const form = (centre: OwnCentre | undefined, close: () => void) => (
    <CentreForm
      centre={centre}
      shapes={reference.shapes}
      allergens={reference.allergens}
      taken={codes}
      own={!!centre && things.own.includes(centre.code)}
      shipped={!!centre && things.shipped.includes(centre.code)}
      close={close}
      onRemoved={setRemoved}
    />
  );
  return (
    <>
      <AddNew label={say("kitchen.add-my-own-centre")} form={(close) => form(undefined, close)} />
      <Removed name={removed?.name} putBack={() => removed && keep.mutate(removed)} />
      <ul>
        {things.centres.map((centre) => (
          <Item
            key={centre.code}
            name={centre.plural}
            own={things.own.includes(centre.code)}
            picture={<Silhouette centre={centre} reference={reference} />}
            change={say("kitchen.change-2", { plural: centre.plural })}
            facts={
              <>
                <p>
                  {say("kitchen.usually-held", {
                    sizes: centre.sizes
                      .map((s) => `${s.name} ${s.mass > 0 ? wording.mass(s.mass) : ""}`.trim())
                      .join(", "),
                    usualDepth: depthName(centre.usualDepth),
                    held: held[centre.holding],
                    allergenWords: `; ${allergenWords(centre.allergens, centre.mayContain)}`,
                  })}
                </p>
                <p className="mt-0.5 text-[15px]">{centre.prep.join(" ")}</p>
              </>
            }
            form={(close) => form(centre, close)}
          />
        ))}
      </ul>
    </>
  );
}

const held: Record<OwnCentre["holding"], string> = {
  "by hand": say("kitchen.by-its-end"),
  stick: say("kitchen.stick"),
  fork: say("kitchen.fork"),
  mould: say("kitchen.mould"),
};

/** A piece of it, half way in midnight or dark, as large as the list allows. */
function Silhouette({ centre, reference }: { centre: OwnCentre; reference: Reference }) {
  const known = reference.centres.find((c) => c.code === centre.code);
  const size = known?.sizes.at(-1);
  if (!known || !size) return null;
  return (
    <PiecePicture
      look={{
        centre: known,
        size,
        stick: known.holding === "stick" ? 15 : 0,
        disc: undefined,
        coats: [
          {
            srgb: reference.colours[0]?.srgb ?? "#4a2616",
            film: 2,
            angle: 0,
            upTo: size.length * centre.usualDepth,
          },
        ],
        patterns: [],
        sprinkles: [],
        parts: [],
        lustre: undefined,
      }}
      className="size-16 shrink-0"
    />
  );
}

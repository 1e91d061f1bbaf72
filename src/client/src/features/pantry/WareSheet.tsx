import { useState } from "react";
import { Link } from "wouter";
import { answer, api, type OwnWare, type Ware } from "../../api/client";
import { useOwner } from "../../api/queries";
import { NumberField } from "../../ui/fields";
import { Sheet } from "../../ui/Sheet";
import { amountIn, useWording } from "../../ui/units";
import { KeepButtons, TextButton } from "../../ui/buttons";
import { useKeep } from "../../ui/useKeep";
import { BoxFields } from "./BoxFields";
import { say } from "../../wording/say";

/** A ware: the packs it is bought in, what they cost, and the mark below which it runs low. */
export function WareSheet({ ware, close }: { ware: Ware; close: () => void }) {
  const owner = useOwner();
  const wording = useWording();
  const coating = ware.code.startsWith("coating.");
  const [low, setLow] = useState<number | null>(ware.low || null);
  const [box, setBox] = useState(ware.box);
  const [packs, setPacks] = useState(ware.packs.map((p) => ({ holds: p.holds, price: p.price })));
  const keep = useKeep((body: OwnWare) => answer(api.PUT("/api/kitchen/wares", { body })), close, ["pantry"]);
  const change = (i: number, part: Partial<(typeof packs)[number]>) =>
    setPacks(packs.map((p, j) => (i === j ? { ...p, ...part } : p)));
  const unit = ware.unit === "pieces" ? "" : ware.unit;
  if (!owner)
    return (
      <Sheet open close={close} title={ware.name}>
        <p className="mt-4">
          {say("pantry.kitchens-owner-sets-packs-reorder", {
            low:
              ware.low > 0
                ? say("pantry.reorder", { low: amountIn(wording, ware.low, ware.unit) })
                : say("pantry.no-reorder-level"),
          })}
        </p>
      </Sheet>
    );
  return (
    <Sheet open close={close} title={ware.name}>
      <form
        className="mt-4 grid gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          keep.mutate({
            code: ware.code,
            name: ware.name,
            unit: ware.unit,
            packs: coating ? null : packs,
            low: low ?? 0,
            box,
          });
        }}
      >
        <NumberField
          label={say("pantry.reorder-below-optional")}
          unit={unit}
          value={low}
          onChange={setLow}
          error={keep.errorOf("low")}
        />
        {box && (
          <>
            <h3 className="font-serif text-xl">{say("pantry.box")}</h3>
            <BoxFields box={box} change={setBox} errorOf={keep.errorOf} />
          </>
        )}
        <h3 className="font-serif text-xl">{say("pantry.bought-packs")}</h3>
        {coating ? (
          <p>
            {ware.packs
              .map((p) =>
                say("pantry.holds-for-price", {
                  holds: amountIn(wording, p.holds, ware.unit),
                  price: wording.money(p.price),
                }),
              )
              .join(", ")}
            .{" "}
            <Link className="text-act font-semibold" to="/kitchen/coatings">
              {say("pantry.packs-coupons-coating-entered-with")}
            </Link>
          </p>
        ) : (
          <>
            {packs.map((pack, i) => (
              <div key={i} className="grid grid-cols-[1fr_1fr_auto] items-end gap-4">
                <NumberField
                  label={say("pantry.pack-holds")}
                  unit={unit}
                  value={pack.holds}
                  onChange={(holds) => change(i, { holds: holds ?? 0 })}
                  error={keep.errorOf(`packs[${i}].holds`)}
                />
                <NumberField
                  label={say("pantry.costs")}
                  unit="money"
                  value={pack.price}
                  onChange={(price) => change(i, { price: price ?? 0 })}
                  error={keep.errorOf(`packs[${i}].price`)}
                />
                <TextButton
                  label={say("pantry.remove-pack", { number: i + 1 })}
                  onClick={() => setPacks(packs.filter((_, j) => j !== i))}
                >
                  {say("ui.remove-2")}
                </TextButton>
              </div>
            ))}
            <p>
              <TextButton onClick={() => setPacks([...packs, { holds: 100, price: 2 }])}>
                {say("ui.add-pack-size")}
              </TextButton>
            </p>
            {ware.packs[0] && <p className="text-ink2 text-[14px]">{ware.packs[0].source.text}</p>}
          </>
        )}
        <KeepButtons pending={keep.isPending} error={keep.error} cancel={close} />
      </form>
    </Sheet>
  );
}

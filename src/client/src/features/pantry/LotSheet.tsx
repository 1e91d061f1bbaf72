import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Lot, type LotChange, type Movement, type Ware } from "../../api/client";
import { newId, sentAs } from "../../api/newId";
import { referenceQuery, useOwner } from "../../api/queries";
import { Covers } from "../order/Covers";
import { NumberField, TextField } from "../../ui/fields";
import { Sheet } from "../../ui/Sheet";
import { amountIn, dayName, useWording } from "../../ui/units";
import { KeepButtons } from "../../ui/buttons";
import { useKeep } from "../../ui/useKeep";
import { Words } from "../../ui/Words";
import { say } from "../../wording/say";

const did: Record<Movement["kind"], string> = {
  received: say("pantry.came"),
  used: say("ui.used"),
  returned: say("pantry.came-back"),
  corrected: say("pantry.corrected"),
  thrown: say("pantry.thrown-away"),
};

/** What some coating makes, where the ware is one. */
function OfCoating({ ware, grams }: { ware: Ware; grams: number }) {
  const reference = useQuery(referenceQuery).data;
  const [kind, coating, colour] = ware.code.split(".");
  if (kind !== "coating" || !coating || !colour || !reference) return null;
  return <Covers coating={coating} colour={colour} grams={grams} reference={reference} />;
}

/** A lot: take some of it, put right what is left, and what happened to it. */
export function LotSheet(props: {
  lot: Lot;
  ware: Ware | undefined;
  close: () => void;
  done: (movement: string, says: string) => void;
}) {
  const { lot, ware } = props;
  const unit = ware?.unit ?? "pieces";
  const wording = useWording();
  const owner = useOwner();
  const [kind, setKind] = useState<LotChange["kind"]>("used");
  const [amount, setAmount] = useState<number | null>(null);
  const [note, setNote] = useState("");
  const [key] = useState(newId);
  const history = useQuery({
    queryKey: ["pantry", "movements", lot.id],
    queryFn: () => answer(api.GET("/api/pantry/lots/{id}/movements", { params: { path: { id: lot.id } } })),
  }).data;
  const keep = useKeep(
    async (body: LotChange) => {
      const movement = await answer(
        api.POST("/api/pantry/lots/{id}/movements", {
          params: { path: { id: lot.id }, header: sentAs(key) },
          body,
        }),
      );
      props.done(
        movement.id,
        `${ware?.name ?? say("pantry.it")}: ${amountIn(wording, Math.abs(movement.amount), unit)} ${did[movement.kind]}.`,
      );
    },
    props.close,
    ["pantry"],
  );
  return (
    <Sheet open close={props.close} title={ware?.name ?? lot.ware}>
      <p className="text-ink2 mt-1">
        {say("pantry.left", { amount: amountIn(wording, lot.amount, unit) })}
        {lot.pack && say("pantry.packs", { pack: amountIn(wording, lot.pack, unit) })}
        {owner && lot.price !== null && say("pantry.paid", { price: wording.money(lot.price) })}
        {lot.place && `, ${lot.place}`}
      </p>
      {ware && <OfCoating ware={ware} grams={lot.amount} />}
      <form
        className="mt-4 grid gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          keep.mutate({ kind, amount: amount ?? 0, note });
        }}
      >
        <Words<LotChange["kind"]>
          label={say("pantry.what-happened")}
          value={kind}
          options={[
            { value: "used", label: say("pantry.some-was-used") },
            { value: "corrected", label: say("pantry.there-this-much") },
            { value: "thrown", label: say("pantry.some-was-thrown-away") },
          ]}
          onChange={setKind}
        />
        <NumberField
          label={kind === "corrected" ? say("pantry.what-left") : say("ui.how-much")}
          unit={unit === "pieces" ? "" : unit}
          value={amount}
          onChange={setAmount}
          error={keep.errorOf("amount")}
        />
        <TextField label={say("pantry.note")} value={note} onChange={setNote} error={keep.errorOf("note")} />
        <KeepButtons pending={keep.isPending} error={keep.error} cancel={props.close} />
      </form>
      <h3 className="mt-8 font-serif text-xl">{say("pantry.what-happened-2")}</h3>
      <ol className="mt-1">
        {history?.map((m) => (
          <li key={m.id} className="border-line grid grid-cols-[6rem_1fr_auto] gap-x-3 border-t border-dashed py-1.5">
            <span className="text-ink2">{dayName(m.at)}</span>
            <span>
              {did[m.kind]}
              {m.note && <span className="text-ink2"> · {m.note}</span>}
            </span>
            <b>
              {m.amount > 0 ? "+" : "−"}
              {amountIn(wording, Math.abs(m.amount), unit)}
            </b>
          </li>
        ))}
      </ol>
    </Sheet>
  );
}

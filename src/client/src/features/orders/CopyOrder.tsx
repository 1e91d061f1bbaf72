import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { ApiError, answer, api, type OrderSummary } from "../../api/client";
import { newId, sentAs } from "../../api/newId";
import { DateField, NumberField, TextField, Tick } from "../../ui/fields";
import { Sheet } from "../../ui/Sheet";
import { KeepButtons } from "../../ui/buttons";

/** The same again: another day, more or fewer pieces, or as a template. */
export function CopyOrder({ order, close }: { order: OrderSummary; close: () => void }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [name, setName] = useState(order.name);
  const [day, setDay] = useState<string | null>(null);
  const [pieces, setPieces] = useState<number | null>(order.pieces || null);
  const [template, setTemplate] = useState(false);
  const [key] = useState(newId);
  const copy = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/orders/{id}/copies", {
          params: { path: { id: order.id }, header: sentAs(key) },
          body: { name, pickup: day && `${day}T${order.pickup.slice(11, 19)}`, pieces, template },
        }),
      ),
    onSuccess: async (made) => {
      void queries.invalidateQueries({ queryKey: ["shelf"] });
      void queries.invalidateQueries({ queryKey: ["orders"] });
      await navigate(`/orders/${made.id}`);
    },
  });
  const errors = copy.error instanceof ApiError ? copy.error.errors : {};
  return (
    <Sheet open close={close} title={`${order.name}, again`}>
      <form
        className="mt-4 grid gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          copy.mutate();
        }}
      >
        <TextField label="Name" value={name} onChange={setName} error={errors.name?.join(" ")} />
        <NumberField label="Pieces in all" value={pieces} onChange={setPieces} error={errors.pieces?.join(" ")} />
        {!template && (
          <DateField
            label="Pickup day; empty for a week from now"
            value={day}
            onChange={setDay}
            error={errors.pickup?.join(" ")}
          />
        )}
        <Tick label="keep it as a template, off the shelf" checked={template} onChange={setTemplate} />
        <p className="text-ink2 text-[15px]">
          Every line is scaled in proportion, to whole pieces; looks, pots, packing, client and price come along.
        </p>
        <KeepButtons pending={copy.isPending} error={copy.error} cancel={close} />
      </form>
    </Sheet>
  );
}

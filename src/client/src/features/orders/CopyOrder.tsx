import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useLocation } from "wouter";
import { ApiError, answer, api, type OrderSummary } from "../../api/client";
import { newId, sentAs } from "../../api/newId";
import { DateField, NumberField, TextField, Tick } from "../../ui/fields";
import { Sheet } from "../../ui/Sheet";
import { KeepButtons } from "../../ui/buttons";
import { say } from "../../wording/say";

/** The same order again, at its end in a list. */
export function OrderAgain({ order, className = "" }: { order: OrderSummary; className?: string }) {
  const [asked, setAsked] = useState(false);
  return (
    <>
      <button
        className={`text-act font-semibold ${className}`}
        aria-label={say("orders.again-2", { name: order.name })}
        onClick={() => setAsked(true)}
      >
        {say("orders.order-again")}
      </button>
      {asked && <CopyOrder order={order} close={() => setAsked(false)} />}
    </>
  );
}

/** The same again: another day, more or fewer pieces, or as a template. */
function CopyOrder({ order, close }: { order: OrderSummary; close: () => void }) {
  const [, navigate] = useLocation();
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
    onSuccess: (made) => {
      void queries.invalidateQueries({ queryKey: ["shelf"] });
      void queries.invalidateQueries({ queryKey: ["orders"] });
      navigate(`/orders/${made.id}`);
    },
  });
  const errors = copy.error instanceof ApiError ? copy.error.errors : {};
  return (
    <Sheet open close={close} title={say("orders.again", { name: order.name })}>
      <form
        className="mt-4 grid gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          copy.mutate();
        }}
      >
        <TextField label={say("ui.name")} value={name} onChange={setName} error={errors.name?.join(" ")} />
        <NumberField
          label={say("orders.total-pieces")}
          value={pieces}
          onChange={setPieces}
          error={errors.pieces?.join(" ")}
        />
        {!template && (
          <DateField
            label={say("orders.pickup-day-blank-week-from")}
            value={day}
            onChange={setDay}
            error={errors.pickup?.join(" ")}
          />
        )}
        <Tick label={say("orders.save-as-template-not-shelf")} checked={template} onChange={setTemplate} />
        <p className="text-ink2 text-[15px]">{say("orders.every-line-scaled-proportion-whole")}</p>
        <KeepButtons pending={copy.isPending} error={copy.error} cancel={close} />
      </form>
    </Sheet>
  );
}

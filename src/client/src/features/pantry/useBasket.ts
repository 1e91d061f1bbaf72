import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useState } from "react";
import { ApiError, answer, api, type Receipt, type ShoppingLine } from "../../api/client";
import { newId } from "../order/draft";
import { receiptOf } from "./PantryPage";

/** Something ticked off: what goes into the pantry for it, and how much of that is there already. */
export interface Bought {
  ware: string;
  name: string;
  unit: ShoppingLine["ware"]["unit"];
  amount: number;
  receipts: Receipt[];
  sent: boolean;
  refused?: string;
}

const key = "kondiba.basket.1";
const retry = 2000;

function stored(): Bought[] {
  try {
    return (JSON.parse(localStorage.getItem(key) ?? "[]") as Bought[] | null) ?? [];
  } catch {
    return [];
  }
}

/**
 * What was ticked off in the shop. A tick is put by in the browser at once and goes into the pantry as soon as the server can be
 * reached; each receipt has an id of its own, so that sending it twice puts it there once.
 */
export function useBasket() {
  const queries = useQueryClient();
  const [basket, setBasket] = useState(stored);
  const [away, setAway] = useState(false);
  useEffect(() => localStorage.setItem(key, JSON.stringify(basket)), [basket]);

  const change = (ware: string, part: Partial<Bought>) =>
    setBasket((all) => all.map((b) => (b.ware === ware ? { ...b, ...part } : b)));
  const waiting = basket.find((b) => !b.sent && !b.refused);

  useEffect(() => {
    if (!waiting) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let over = false;
    const send = async () => {
      try {
        for (const body of waiting.receipts) await answer(api.POST("/api/pantry/lots", { body }));
        setAway(false);
        change(waiting.ware, { sent: true });
        await Promise.all([
          queries.invalidateQueries({ queryKey: ["shopping"] }),
          queries.invalidateQueries({ queryKey: ["pantry"] }),
        ]);
      } catch (error) {
        if (error instanceof ApiError && error.status < 500) change(waiting.ware, { refused: error.message });
        else {
          setAway(true);
          if (!over) timer = setTimeout(() => void send(), retry);
        }
      }
    };
    void send();
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, [waiting, queries]);

  const tick = useCallback((line: ShoppingLine) => {
    const { ware, cover } = line;
    const receipts: Receipt[] =
      cover.packs.length > 0
        ? cover.packs.map((p) => ({
            id: newId(),
            ware: ware.code,
            amount: p.holds * p.count,
            pack: p.holds,
            price: p.price || null,
            bestBefore: null,
            place: "",
          }))
        : [{ id: newId(), ware: ware.code, amount: line.toBuy, pack: null, price: null, bestBefore: null, place: "" }];
    setBasket((all) => [
      ...all.filter((b) => b.ware !== ware.code),
      { ware: ware.code, name: ware.name, unit: ware.unit, amount: line.toBuy, receipts, sent: false },
    ]);
  }, []);

  const untick = async (bought: Bought) => {
    setBasket((all) => all.filter((b) => b.ware !== bought.ware));
    if (!bought.sent) return;
    for (const receipt of bought.receipts) {
      const id = await receiptOf(receipt.id);
      if (id) await answer(api.DELETE("/api/pantry/movements/{id}", { params: { path: { id } } }));
    }
    await Promise.all([
      queries.invalidateQueries({ queryKey: ["shopping"] }),
      queries.invalidateQueries({ queryKey: ["pantry"] }),
    ]);
  };

  return { basket, away, tick, untick, clear: () => setBasket((all) => all.filter((b) => !b.sent)) };
}

import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useState } from "react";
import { ApiError, answer, api, type Receipt, type ShoppingLine } from "../../api/client";
import { newId } from "../../api/newId";
import { putBy } from "../../ui/putBy";
import { takeBack } from "./receiptOf";

/** Something ticked off: what goes into the pantry for it, and how far that is. */
export interface Bought {
  ware: string;
  name: string;
  unit: ShoppingLine["ware"]["unit"];
  amount: number;
  receipts: Receipt[];
  stands: "ticked" | "stored" | "returning";
  refused?: string;
}

const key = "basket";
const retry = 2000;

/**
 * What was ticked off in the shop. A tick is put by in the browser at once, for this person of this kitchen, and goes into the pantry as soon as the server can be
 * reached; each receipt has an id of its own, so that sending it twice puts it there once. Taking it back waits likewise.
 */
export function useBasket() {
  const queries = useQueryClient();
  const [basket, setBasket] = useState(() => (putBy.read(key) as Bought[] | undefined) ?? []);
  const [away, setAway] = useState(false);
  useEffect(() => putBy.write(key, basket), [basket]);
  const waiting = basket.find((b) => b.stands !== "stored" && !b.refused);

  useEffect(() => {
    if (!waiting) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let over = false;
    const { ware, receipts, stands } = waiting;
    const change = (part: Partial<Bought>) =>
      setBasket((all) => all.map((b) => (b.ware === ware ? { ...b, ...part } : b)));
    const send = async () => {
      try {
        if (stands === "ticked") {
          for (const body of receipts) await answer(api.POST("/api/pantry/lots", { body }));
          change({ stands: "stored" });
        } else {
          for (const receipt of receipts) await takeBack(receipt.id);
          setBasket((all) => all.filter((b) => b.ware !== ware));
        }
        setAway(false);
        await Promise.all([
          queries.invalidateQueries({ queryKey: ["shopping"] }),
          queries.invalidateQueries({ queryKey: ["pantry"] }),
        ]);
      } catch (error) {
        if (error instanceof ApiError && error.status < 500) change({ refused: error.message });
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
    const receipt = (amount: number, pack: number | null, price: number | null): Receipt => ({
      id: newId(),
      ware: ware.code,
      amount,
      pack,
      price,
      bestBefore: null,
      place: "",
    });
    const receipts =
      cover.packs.length > 0
        ? cover.packs.map((p) => receipt(p.holds * p.count, p.holds, p.price || null))
        : [receipt(line.toBuy, null, null)];
    setBasket((all) => [
      ...all.filter((b) => b.ware !== ware.code),
      { ware: ware.code, name: ware.name, unit: ware.unit, amount: line.toBuy, receipts, stands: "ticked" },
    ]);
  }, []);

  const untick = (bought: Bought) =>
    setBasket((all) =>
      bought.refused
        ? all.filter((b) => b.ware !== bought.ware)
        : all.map((b) => (b.ware === bought.ware ? { ...b, stands: "returning" } : b)),
    );

  return {
    basket,
    away,
    tick,
    untick,
    clear: () => setBasket((all) => all.filter((b) => b.stands !== "stored")),
  };
}

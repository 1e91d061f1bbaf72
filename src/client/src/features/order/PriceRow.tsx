import { Link } from "wouter";
import { usePrice } from "../price/usePrice";
import { useWording } from "../../ui/units";
import type { Draft } from "./draft";
import { say } from "../../wording/say";

/** What to ask, as the order stands, and the way to what it is made of. */
export function PriceRow({ id, draft }: { id: string; draft: Draft }) {
  const wording = useWording();
  const costing = usePrice(draft);
  if (draft.lines.length === 0 || !costing) return null;
  const short = costing.problems.some((p) => p.field === "price.value");
  return (
    <p className="mt-1 flex items-baseline justify-between">
      <Link className="text-act font-semibold" to={`/orders/${id}/price`}>
        {say("order.price-quote")}
      </Link>
      <span className={`text-xl font-extrabold ${short ? "text-mind" : ""}`} data-testid="price">
        {wording.money(costing.price.value)}
      </span>
    </p>
  );
}

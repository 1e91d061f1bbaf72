import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../../api/client";
import { Sheet } from "../../ui/Sheet";
import { amountIn, useWording } from "../../ui/units";
import { say } from "../../wording/say";

/** What a made order took out of the pantry. */
export function UsedNote({ id, kept }: { id: string; kept: boolean }) {
  const [open, setOpen] = useState(false);
  const wording = useWording();
  const used = useQuery({
    queryKey: ["used", id],
    queryFn: () => answer(api.GET("/api/orders/{id}/used", { params: { path: { id } } })),
    enabled: kept,
    gcTime: 0,
  }).data;
  if (!used) return null;
  const short = used.filter((u) => u.short > 0).length;
  return (
    <>
      <button className="text-go text-left text-[15px] font-semibold" onClick={() => setOpen(true)}>
        {short === used.length ? say("order.not-pantry") : say("order.taken-out-pantry")}
        {short > 0 && short < used.length && <span className="text-mind"> {say("order.not-there", { short })}</span>}
      </button>
      <Sheet open={open} close={() => setOpen(false)} title={say("order.out-pantry")}>
        <ul className="mt-4">
          {used.map((u) => (
            <li key={u.ware} className="border-line grid grid-cols-[1fr_auto] gap-x-4 border-t border-dashed py-2">
              <span>{u.name}</span>
              <b>{amountIn(wording, u.used, u.unit)}</b>
              {u.short > 0 && (
                <span className="text-mind col-span-2 text-[14px]">
                  {say("order.more-was-used-than-pantry", { short: amountIn(wording, u.short, u.unit) })}
                </span>
              )}
            </li>
          ))}
        </ul>
        <p className="text-ink2 mt-4 text-[15px]">{say("order.what-stays-pots-sprinkles-did")}</p>
      </Sheet>
    </>
  );
}

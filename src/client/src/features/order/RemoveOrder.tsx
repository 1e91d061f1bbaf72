import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useLocation } from "wouter";
import { answer, api, type Order } from "../../api/client";
import { forgetDraft } from "./draft";
import { say } from "../../wording/say";

/** Takes the order off the shelf; the shelf offers to put it back. */
export function RemoveOrder({ order, name }: { order: Order; name: string }) {
  const [, navigate] = useLocation();
  const queries = useQueryClient();
  const remove = useMutation({
    mutationFn: () => answer(api.DELETE("/api/orders/{id}", { params: { path: { id: order.id } } })),
    onSuccess: async () => {
      forgetDraft(order.id);
      await queries.invalidateQueries({ queryKey: ["shelf"] });
      navigate("/", { state: { removed: { id: order.id, name } } });
    },
  });
  return (
    <button
      className="text-ink2 hover:text-act ml-auto font-semibold"
      disabled={remove.isPending}
      onClick={() => remove.mutate()}
    >
      {say("ui.remove-2")}
    </button>
  );
}

import { useCallback, useEffect, useReducer, useState } from "react";
import type { Order } from "../../api/client";
import { begun, history, type History, type HistoryAct } from "../../ui/history";
import { clock } from "../../api/clock";
import { settle } from "../../api/settling";
import { draftOf, forgetDraft, storeDraft, storedDraft, type Draft, type Edit } from "./draft";
import { Keeper, server, type Keeping } from "./Keeper";

/** An order being edited, with its undo, kept on the server as it changes. */
export function useDraft(order: Order) {
  const [stored] = useState(() => storedDraft(order.id));
  const [state, dispatch] = useReducer<History<Draft>, [HistoryAct<Draft>]>(
    history,
    begun(stored?.draft ?? draftOf(order)),
  );
  const [keeping, setKeeping] = useState<Keeping>("kept");
  const [number, setNumber] = useState(order.number);
  const [keeper] = useState(
    () =>
      new Keeper(order.id, order.version, draftOf(order), stored, {
        keep: server,
        clock,
        putBy: (unkept) => (unkept ? storeDraft(order.id, unkept) : forgetDraft(order.id)),
        tell: setKeeping,
        created: (created) => setNumber(created.number),
      }),
  );
  const { draft } = state;

  const edit: Edit = useCallback((field, change) => dispatch({ kind: "edit", field, change }), []);

  useEffect(() => keeper.want(draft), [keeper, draft]);
  useEffect(() => () => void settle(order.id, keeper.keep()), [keeper, order.id]);

  return {
    draft,
    keeping,
    /** 0 until it is saved. */
    number,
    edit,
    undo: state.past.length > 0 ? () => dispatch({ kind: "undo" }) : undefined,
    redo: state.future.length > 0 ? () => dispatch({ kind: "redo" }) : undefined,
    takeTheirs: async () => dispatch({ kind: "take", draft: await keeper.theirs() }),
    keepMine: async () => {
      await keeper.theirs();
      await keeper.keep();
    },
  };
}

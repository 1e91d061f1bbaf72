export interface History<T> {
  draft: T;
  past: T[];
  future: T[];
  /** The field that changed last, so that typing on in it makes one step of undo. */
  field: string;
}

export type HistoryAct<T> =
  | { kind: "edit"; field: string; change: (draft: T) => T }
  | { kind: "undo" }
  | { kind: "redo" }
  | { kind: "take"; draft: T };

/** Something being edited, with what it was before. */
export function history<T>(state: History<T>, act: HistoryAct<T>): History<T> {
  switch (act.kind) {
    case "edit": {
      const same = act.field === state.field && state.past.length > 0;
      return {
        draft: act.change(state.draft),
        past: same ? state.past : [...state.past, state.draft],
        future: [],
        field: act.field,
      };
    }
    case "undo": {
      const before = state.past.at(-1);
      if (!before) return state;
      return { draft: before, past: state.past.slice(0, -1), future: [state.draft, ...state.future], field: "" };
    }
    case "redo": {
      const [after, ...rest] = state.future;
      if (!after) return state;
      return { draft: after, past: [...state.past, state.draft], future: rest, field: "" };
    }
    case "take":
      return { draft: act.draft, past: [], future: [], field: "" };
  }
}

/** A new history that starts from something. */
export const begun = <T>(draft: T): History<T> => ({ draft, past: [], future: [], field: "" });

import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError } from "../api/client";

/** Keeps or removes something of the kitchen; all that was computed with the old kitchen is asked for again. */
export function useKeep<T>(send: (thing: T) => Promise<unknown>, done?: () => void, also?: readonly string[]) {
  const queries = useQueryClient();
  const keep = useMutation({
    mutationFn: send,
    onSuccess: async () => {
      await Promise.all([
        queries.invalidateQueries({ queryKey: ["kitchen", "things"] }),
        queries.invalidateQueries({ queryKey: ["reference"] }),
        queries.invalidateQueries({ queryKey: ["fillings"] }),
        also && queries.invalidateQueries({ queryKey: also }),
      ]);
      queries.removeQueries({ queryKey: ["tally"] });
      queries.removeQueries({ queryKey: ["entry"] });
      done?.();
    },
  });
  const errors = keep.error instanceof ApiError ? keep.error.errors : {};
  return { ...keep, errorOf: (field: string) => errors[field]?.join(" ") };
}

/** A form that stands on its page and is kept whole, again and again. */
export function useKeptForm<T extends object>(
  before: T,
  send: (form: T) => Promise<unknown>,
  also?: readonly string[],
) {
  const [form, setForm] = useState(before);
  const [kept, setKept] = useState(false);
  const keep = useKeep(send, () => setKept(true), also);
  const change = (part: Partial<T>) => {
    setKept(false);
    setForm((f) => ({ ...f, ...part }));
  };
  return { form, change, keep, kept };
}

/** A code from a name: small letters, digits and hyphens. */
export function codeOf(name: string, taken: string[]): string {
  const code =
    name
      .toLowerCase()
      .normalize("NFKD")
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-+|-+$/g, "")
      .slice(0, 50) || "own";
  for (let i = 1; ; i++) {
    const tried = i === 1 ? code : `${code}-${i}`;
    if (!taken.includes(tried)) return tried;
  }
}

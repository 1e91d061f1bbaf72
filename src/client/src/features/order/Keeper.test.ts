import fc from "fast-check";
import { expect, test } from "vitest";
import { ApiError, type Order } from "../../api/client";
import { handClock, quiet } from "../../api/handClock";
import type { Draft, Stored } from "./draft";
import { Keeper, type Keep, type Keeping } from "./Keeper";

const named = (name: string) => ({ name, lines: [], pots: {} }) as unknown as Draft;
const nameOf = (draft: Draft | undefined) => draft?.name;

type Behaviour = "answers" | "away" | "fails" | "loses";
const behaviours = fc.array(fc.constantFrom<Behaviour>("answers", "away", "fails", "loses"), { maxLength: 15 });

/** A server that keeps one order, and does with a request what it is told to, then answers well. */
function world(does: readonly Behaviour[]) {
  let kept: { name: string; version: number } | undefined;
  const coming = [...does];
  const request = <T>(work: () => T): Promise<T> => {
    const now = coming.shift() ?? "answers";
    if (now === "away") return Promise.reject(new TypeError("no network"));
    if (now === "fails") return Promise.reject(new ApiError(500, undefined));
    try {
      const done = work();
      return now === "loses" ? Promise.reject(new TypeError("the answer was lost")) : Promise.resolve(done);
    } catch (error) {
      return Promise.reject(error instanceof Error ? error : new Error(String(error)));
    }
  };
  const order = () =>
    ({ ...named(kept?.name ?? ""), id: "1", number: 7, version: kept?.version, tally: null }) as unknown as Order;
  const keep: Keep = {
    create: (_, draft) =>
      request(() => {
        kept ??= { name: draft.name ?? "", version: 1 };
        return order();
      }),
    change: (_, draft, version) =>
      request(() => {
        const name = draft.name ?? "";
        if (kept?.version !== version) throw new ApiError(409, undefined);
        kept = { name, version: version + 1 };
        return kept.version;
      }),
    read: () => request(order),
  };
  const heard: Keeping[] = [];
  let stored: Stored | undefined;
  const open = () => {
    const hand = handClock();
    const keeper = new Keeper("1", kept?.version ?? 0, named(kept?.name ?? ""), stored && structuredClone(stored), {
      keep,
      clock: hand.clock,
      putBy: (unkept) => {
        if (page.keeper === keeper) stored = structuredClone(unkept);
      },
      tell: (state) => {
        if (page.keeper !== keeper) return;
        heard.push(state);
        if (state === "kept") expect(kept?.name ?? "").toBe(wanted);
      },
      created: () => undefined,
    });
    return { keeper, hand };
  };
  let wanted = "";
  let page = open();
  return {
    heard,
    next: () => page.hand.next(),
    want: (name: string) => {
      wanted = name;
      page.keeper.want(named(name));
    },
    /** Closes the page and opens it again, as what it asked of the server may still be on its way. */
    reopen: () => {
      page = open();
      page.keeper.want(stored?.draft ?? named(kept?.name ?? ""));
    },
    wanted: () => wanted,
    kept: () => kept?.name,
    stored: () => stored,
  };
}

test("whatever the network does, the last that was typed is kept, is never called kept before it is, and is put by until then", () =>
  fc.assert(
    fc.asyncProperty(
      behaviours,
      fc.array(
        fc.oneof(
          fc.record({ types: fc.string({ minLength: 1, maxLength: 3 }) }),
          fc.constantFrom("waits" as const, "is opened again" as const),
        ),
        {
          minLength: 1,
          maxLength: 15,
        },
      ),
      async (does, happens) => {
        const w = world(does);
        for (const happening of happens) {
          if (happening === "waits") await w.next();
          else if (happening === "is opened again") w.reopen();
          else w.want(happening.types);
          // Closed now, the page would open with it again.
          expect(nameOf(w.stored()?.draft) ?? w.kept() ?? "").toBe(w.wanted());
        }
        do await quiet();
        while (await w.next());
        expect([w.kept() ?? "", w.stored()]).toEqual([w.wanted(), undefined]);
        if (w.heard.length > 0) expect(w.heard.at(-1)).toBe("kept");
      },
    ),
    { numRuns: 300 },
  ));

test.each([
  [401, "signedOut"],
  [400, "wrong"],
  [404, "gone"],
  [409, "conflict"],
  [503, "serverError"],
] as const)("an answer of %i is told as %s, and what was typed stays put by", async (status, state) => {
  const hand = handClock();
  const heard: Keeping[] = [];
  let stored: Stored | undefined;
  const fails = () => Promise.reject(new ApiError(status, undefined));
  const keeper = new Keeper("1", 3, named("before"), undefined, {
    keep: { create: fails, change: fails, read: fails },
    clock: hand.clock,
    putBy: (unkept) => (stored = unkept),
    tell: (state) => heard.push(state),
    created: () => undefined,
  });
  keeper.want(named("after"));
  await hand.next();
  expect([heard, nameOf(stored?.draft), stored?.version]).toEqual([["keeping", state], "after", 3]);
  // Only what may mend itself is tried again.
  expect(hand.wakesIn().length > 0).toBe(state === "serverError");
});

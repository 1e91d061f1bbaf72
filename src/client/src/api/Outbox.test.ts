import fc from "fast-check";
import { expect, test } from "vitest";
import { ApiError } from "./client";
import { handClock, quiet } from "./handClock";
import { Outbox } from "./Outbox";

interface Act {
  id: string;
}

const refused = (act: Act) => act.id.endsWith("!");

/** A server that counts each act once, and does with a request what it is told to, then answers well. */
function world(does: readonly Behaviour[]) {
  const storage = new Map<string, Act>();
  const counted: string[] = [];
  const coming = [...does];
  const hand = handClock();
  let pages = 0;
  const never = new Promise<never>(() => undefined);
  const send = (acts: readonly Act[]) => {
    const now = coming.shift() ?? "answers";
    if (now === "away") return Promise.reject(new TypeError("no network"));
    if (now === "fails") return Promise.reject(new ApiError(503, undefined));
    if (acts.some(refused)) return Promise.reject(new ApiError(400, { title: "There is no such step." }));
    for (const act of acts) if (!counted.includes(act.id)) counted.push(act.id);
    return now === "loses" ? Promise.reject(new TypeError("the answer was lost")) : Promise.resolve();
  };
  const open = () => {
    // What a page that was closed asked for may still be done, but it hears no answer.
    const own = ++pages;
    const outbox = new Outbox<Act>({
      read: () => [...storage.values()].sort((a, b) => (a.id < b.id ? -1 : 1)),
      put: (act) => void storage.set(act.id, act),
      forget: (act) => void storage.delete(act.id),
      send: async (acts) => {
        const asked = own === pages ? send(acts) : never;
        await asked.finally(() => (own === pages ? undefined : never));
      },
      most: 3,
      clock: hand.clock,
    });
    outbox.open();
    return outbox;
  };
  return { storage, counted, hand, open };
}

type Behaviour = "answers" | "away" | "fails" | "loses";
type Happening = "ticks" | "ticks what is refused" | "waits" | "closes the page" | "comes back";

test("whatever the network does and whenever the page is closed, each act arrives once, in its order, and none is lost", () =>
  fc.assert(
    fc.asyncProperty(
      fc.array(fc.constantFrom<Behaviour>("answers", "away", "fails", "loses"), { maxLength: 20 }),
      fc.array(
        fc.constantFrom<Happening>("ticks", "ticks", "ticks what is refused", "waits", "closes the page", "comes back"),
        { maxLength: 30 },
      ),
      async (does, happens) => {
        const { storage, counted, hand, open } = world(does);
        const told: string[] = [];
        let outbox = open();
        const turned = new Set<string>();
        const see = () => outbox.now().turned.forEach((t) => turned.add(t.act.id));
        for (const [i, happening] of happens.entries()) {
          if (happening.startsWith("ticks")) {
            const id = `${String(i).padStart(2, "0")}${happening === "ticks" ? "" : "!"}`;
            told.push(id);
            outbox.add({ id });
          } else if (happening === "closes the page") {
            see();
            outbox = open();
          } else if (happening === "comes back") void outbox.flush();
          else await hand.next();
          if (i % 2 === 0) await quiet();
        }
        do await quiet();
        while (await hand.next());
        see();
        expect(counted).toEqual(told.filter((id) => !refused({ id })));
        expect(turned).toEqual(new Set(told.filter((id) => refused({ id }))));
        expect([outbox.now().acts, storage.size, outbox.now().standing]).toEqual([[], 0, undefined]);
      },
    ),
    { numRuns: 300 },
  ));

test("it is tried again after one second, then two, then four, at most a minute apart, and never all at once", async () => {
  const { hand, open } = world(Array.from({ length: 9 }, () => "away"));
  open().add({ id: "1" });
  await quiet();
  const waits: number[] = [];
  do waits.push(...hand.wakesIn());
  while (await hand.next());
  expect(waits.map((w) => w / 0.75)).toEqual([1, 2, 4, 8, 16, 32, 60, 60, 60].map((s) => s * 1000));
});

test("why it waits is told: away, a fault of the server, or nobody signed in, which no trying mends", async () => {
  const { hand, open } = world(["away", "fails"]);
  const outbox = open();
  outbox.add({ id: "1" });
  await quiet();
  expect(outbox.now().standing).toBe("away");
  await hand.next();
  expect(outbox.now().standing).toBe("serverError");
  await hand.next();
  expect(outbox.now().standing).toBeUndefined();

  const asked: string[] = [];
  const out = new Outbox<Act>({
    read: () => [],
    put: () => undefined,
    forget: () => undefined,
    send: (acts) => {
      asked.push(...acts.map((a) => a.id));
      return Promise.reject(new ApiError(401, undefined));
    },
    most: 3,
    clock: hand.clock,
  });
  out.add({ id: "1" });
  await quiet();
  expect([out.now().standing, await hand.next(), asked]).toEqual(["signedOut", false, ["1"]]);
});

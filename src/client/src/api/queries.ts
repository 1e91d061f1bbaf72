import { queryOptions, useQuery } from "@tanstack/react-query";
import { answer, api, setForm, type Reference } from "./client";
import { dayOutbox } from "./dayOutbox";
import { lastKnown, lastKnownOfMine } from "./lastKnown";
import { putBy } from "../ui/putBy";
import { settled } from "./settling";
import { writeFor } from "../wording/reader";

export const sessionQuery = queryOptions({
  queryKey: ["session"],
  queryFn: async () => {
    const session = await lastKnown("session", () => answer(api.GET("/api/session")));
    setForm(session.form);
    putBy.open(session.putBy);
    if (session.signedIn) writeFor(session.reader);
    dayOutbox.open();
    return session;
  },
});

/** Whether who is signed in sees prices. */
export const useOwner = () => useQuery(sessionQuery).data?.role !== "helper";

export const pantryQuery = queryOptions({ queryKey: ["pantry"], queryFn: () => answer(api.GET("/api/pantry")) });

export const kitchenQuery = queryOptions({
  queryKey: ["kitchen"],
  queryFn: () => lastKnownOfMine("kitchen", () => answer(api.GET("/api/kitchen"))),
});

export const referenceQuery = queryOptions({
  queryKey: ["reference"],
  queryFn: () => lastKnownOfMine("reference", () => answer(api.GET("/api/reference"))),
  staleTime: Infinity,
});

export const thingsQuery = queryOptions({
  queryKey: ["kitchen", "things"],
  queryFn: () => answer(api.GET("/api/kitchen/things")),
});

/** Of everything that can be bought. */
export const priceListQuery = queryOptions({
  queryKey: ["kitchen", "things", "prices"],
  queryFn: () => answer(api.GET("/api/prices/list")),
});

export const fillingsQuery = queryOptions({ queryKey: ["fillings"], queryFn: () => answer(api.GET("/api/fillings")) });

export const looksQuery = queryOptions({ queryKey: ["looks"], queryFn: () => answer(api.GET("/api/looks")) });

export const devicesQuery = queryOptions({ queryKey: ["devices"], queryFn: () => answer(api.GET("/api/devices")) });

/** A pot at the bench as its probe and scale tell it; only while one is in it. */
export const potQuery = (melt: string) =>
  queryOptions({
    queryKey: ["pot", melt],
    queryFn: () => answer(api.GET("/api/bench/pots/{melt}", { params: { path: { melt } } })),
    retry: false,
    // What goes silent sends no notice of it.
    refetchInterval: 10_000,
  });

export const exercisesQuery = queryOptions({
  queryKey: ["practice"],
  queryFn: () => answer(api.GET("/api/practice")),
});

export const logbookQuery = queryOptions({ queryKey: ["logbook"], queryFn: () => answer(api.GET("/api/logbook")) });

export const signsQuery = queryOptions({ queryKey: ["signs"], queryFn: () => answer(api.GET("/api/troubles")) });

/** What may go wrong with an order, in the room as it usually is or in the air that is told. */
export const risksQuery = (id: string, air: number | null, humidity: number | null) =>
  queryOptions({
    queryKey: ["risks", id, air, humidity],
    queryFn: () =>
      answer(
        api.GET("/api/orders/{id}/risks", {
          params: { path: { id }, query: { ...(air !== null && { air }), ...(humidity !== null && { humidity }) } },
        }),
      ),
    retry: false,
  });

export const shelfQuery = (from: string | undefined) =>
  queryOptions({
    queryKey: ["shelf", from],
    queryFn: () =>
      lastKnownOfMine(`shelf.${from ?? ""}`, () => answer(api.GET("/api/shelf", { params: { query: { from } } }))),
  });

export const sharedQuery = (day: string, order?: string) =>
  queryOptions({
    queryKey: order ? ["shared", day, order] : ["shared", day],
    queryFn: () =>
      answer(api.GET("/api/days/{day}/shared", { params: { path: { day }, query: order ? { order } : {} } })),
  });

/** An order to be edited on a page; every page reads it for itself, after the page before has kept it. */
export const orderQuery = (id: string, page: "order" | "packing" | "paper" | "price" | "prep") =>
  queryOptions({
    queryKey: ["order", id, page],
    queryFn: async () => {
      await settled(id);
      return answer(api.GET("/api/orders/{id}", { params: { path: { id } } }));
    },
    staleTime: 0,
    gcTime: 0,
  });

/** Who has ordered. */
export const customersQuery = queryOptions({
  queryKey: ["customers"],
  queryFn: () => answer(api.GET("/api/customers")),
});

/** What somebody ordered. */
export const historyQuery = (name: string) =>
  queryOptions({
    queryKey: ["customers", name],
    queryFn: () => answer(api.GET("/api/customers/history", { params: { query: { name } } })),
  });

export const useKitchen = () => useQuery(kitchenQuery);

export const centreOf = (reference: Reference, code: string | null) => reference.centres.find((c) => c.code === code);
export const sizeOf = (reference: Reference, centre: string | null, size: string | null) =>
  centreOf(reference, centre)?.sizes.find((s) => s.code === size);
export const colourOf = (reference: Reference, coating: string | null, code: string | null) =>
  reference.colours.find((c) => c.coating === coating && c.code === code);
export const vesselOf = (reference: Reference, code: string | null) => reference.vessels.find((v) => v.code === code);
export const wayOf = (reference: Reference, code: string | null) => reference.dippingWays.find((w) => w.code === code);

/** Key of a pot. */
export const potKey = (coating: string | null, colour: string | null) => `${coating}.${colour}`;

/** The colour of a pot, by its key. */
export const colourOfPot = (reference: Reference, pot: string | undefined) =>
  reference.colours.find((c) => potKey(c.coating, c.code) === pot);

/** What a centre in a size is called: "large strawberry". */
export const pieceName = (reference: Reference, centre: string, size: string) =>
  `${sizeOf(reference, centre, size)?.name ?? ""} ${centreOf(reference, centre)?.name ?? centre}`.trim();

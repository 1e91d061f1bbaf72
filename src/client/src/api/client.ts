import createClient from "openapi-fetch";
import type { components, paths } from "./schema";

type Schemas = components["schemas"];
export type Reference = Schemas["ReferenceView"];
export type Centre = Schemas["CentreView"];
export type CentreSize = Schemas["SizeView"];
export type Colour = Schemas["ColourView"];
export type Vessel = Schemas["VesselView"];
export type Kitchen = Schemas["KitchenView"];
export type Order = Schemas["OrderView"];
export type OrderDraft = Schemas["OrderDraft"];
export type OrderInput = Schemas["OrderInput"];
export type OrderLine = Schemas["OrderLineInput"];
export type Tally = Schemas["CoatingTally"];
export type LineTally = Schemas["LineTally"];
export type Pot = Schemas["Pot"];
export type Tray = Schemas["Tray"];
export type Problem = Schemas["Problem"];
export type WorkingLine = Schemas["WorkingLine"];
export type Shelf = Schemas["ShelfView"];
export type ShelfOrder = Schemas["ShelfOrder"];

/** What the server said instead of an answer. */
export class ApiError extends Error {
  readonly status: number;

  constructor(status: number, problem: { title?: string | null; detail?: string | null } | undefined) {
    super([problem?.title, problem?.detail].filter(Boolean).join(" ") || `The server answered ${status}.`);
    this.status = status;
  }
}

export const api = createClient<paths>();

/** The data of an answer; anything but success is thrown. */
export async function answer<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  const { data, error, response } = await call;
  if (!response.ok) throw new ApiError(response.status, error as ConstructorParameters<typeof ApiError>[1]);
  return data as T;
}

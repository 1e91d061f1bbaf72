import createClient from "openapi-fetch";
import type { components, paths } from "./schema";
import { say } from "../wording/say";

type Schemas = components["schemas"];
export type Reference = Schemas["ReferenceView"];
export type Centre = Schemas["CentreView"];
export type CentreSize = Schemas["SizeView"];
export type Colour = Schemas["ColourView"];
export type Vessel = Schemas["VesselView"];
export type Coating = Schemas["CoatingView"];
export type Kind = Schemas["KindView"];
export type Measure = Schemas["Measure"];
export type KitchenThings = Schemas["KitchenThingsView"];
export type Ways = Schemas["Ways"];
export type OwnCentre = Schemas["OwnCentre"];
export type OwnCoating = Schemas["OwnCoating"];
export type OwnVessel = Schemas["OwnVessel"];
export type OwnTint = Schemas["OwnTint"];
export type Rates = Schemas["Rates"];
export type OwnWare = Schemas["OwnWare"];
export type Pantry = Schemas["PantryView"];
export type Ware = Schemas["WareView"];
export type Lot = Schemas["LotView"];
export type Receipt = Schemas["Receipt"];
export type LotChange = Schemas["LotChange"];
export type Movement = Schemas["MovementView"];
export type Shopping = Schemas["ShoppingView"];
export type ShoppingLine = Schemas["ShoppingLine"];
export type DeletedView = Schemas["DeletedView"];
export type Costing = Schemas["Costing"];
export type Payment = Schemas["Payment"];
export type CustomerHistory = Schemas["CustomerHistory"];
export type Customer = Schemas["Customer"];
export type PriceItem = Schemas["PriceItem"];
export type PackPrice = Schemas["PackPrice"];
export type PriceDraft = Schemas["PriceDraft"];
export type Quote = Schemas["Quote"];
export type SharedQuote = Schemas["SharedQuote"];
export type Day = Schemas["DayView"];
export type Plan = Schemas["Plan"];
export type DayTask = Schemas["DayTask"];
export type DayTray = Schemas["DayTray"];
export type DayMelt = Schemas["DayMelt"];
export type DayOrder = Schemas["DayOrder"];
export type Logbook = Schemas["LogbookView"];
export type LoggedBatch = Schemas["BatchView"];
export type Batch = Schemas["Batch"];
export type BatchPieces = Schemas["BatchPieces"];
export type HandValue = Schemas["HandValue"];
export type LearningChoice = Schemas["LearningChoice"];
export type Suggestion = Schemas["Suggestion"];
export type Trouble = Schemas["TroubleView"];
export type Cause = Schemas["CauseView"];
export type Device = Schemas["DeviceView"];
export type PotNow = Schemas["PotView"];
export type CurvePoint = Schemas["CurvePoint"];
export type Exercise = Schemas["ExerciseView"];
export type Practice = Schemas["PracticeView"];
export type Move = Schemas["Move"];
export type Arrangements = Schemas["Arrangements"];
export type TaskMark = Schemas["TaskMark"];
export type TaskTold = Schemas["TaskTold"];
export type DayHours = Schemas["DayHours"];
export type Remedy = Schemas["Remedy"];
export type Working = Schemas["Working"];
export type OwnPlace = Schemas["OwnPlace"];
export type SettingIn = Schemas["SettingIn"];
export type PrepList = Schemas["PrepList"];
export type PrepStep = Schemas["PrepStep"];
export type BoxPlan = Schemas["BoxPlan"];
export type Making = Schemas["Making"];
export type MouldDraft = Schemas["MouldDraft"];
export type MouldTally = Schemas["MouldTally"];
export type Figure = Schemas["FigureView"];
export type FigurePart = Schemas["FigurePartView"];
export type Filling = Schemas["FillingView"];
export type Fillings = Schemas["FillingsView"];
export type FillingScale = Schemas["FillingScale"];
export type FillingScaled = Schemas["FillingScaled"];
export type FillingAmount = Schemas["FillingAmount"];
export type OwnFigure = Schemas["OwnFigure"];
export type OwnFilling = Schemas["OwnFilling"];
export type OwnMould = Schemas["OwnMould"];
export type RecipeRead = Schemas["RecipeRead"];
export type School = Schemas["School"];
export type Source = Schemas["Source"];
export type OrderState = Schemas["OrderState"];
export type OrderSummary = Schemas["OrderSummary"];
export type Session = Schemas["SessionView"];
export type Entry = Schemas["Entry"];
export type EntryLine = Schemas["EntryLine"];
export type Chip = Schemas["Chip"];
export type StockUse = Schemas["StockUse"];
export type PackingDraft = Schemas["PackingDraft"];
export type PackingPlan = Schemas["PackingPlan"];
export type Package = Schemas["Package"];
export type Label = Schemas["Label"];
export type HandbookSection = Schemas["HandbookSection"];
export type HandbookEntry = Schemas["HandbookEntry"];
export type SafetyNote = Schemas["SafetyNote"];
export type Leftovers = Schemas["LeftoversView"];
export type SetDownMap = Schemas["SetDownMap"];
export type LabelSheet = Schemas["LabelSheet"];
export type LabelSettings = Schemas["LabelSettings"];
export type LabelStock = Schemas["LabelStock"];
export type Ingredients = Schemas["IngredientsView"];
export type Kitchen = Schemas["KitchenView"];
export type Order = Schemas["OrderView"];
export type OrderDraft = Schemas["OrderDraft"];
export type OrderInput = Schemas["OrderInput"];
export type OrderLine = Schemas["OrderLineInput"];
export type Tally = Schemas["CoatingTally"];
export type LineTally = Schemas["LineTally"];
export type Pot = Schemas["Pot"];
export type PotDraft = Schemas["PotDraft"];
export type CountedIn = Schemas["CountedIn"];
export type SharedPot = Schemas["SharedPot"];
export type Tray = Schemas["Tray"];
export type Problem = Schemas["Problem"];
export type Mix = Schemas["Mix"];
export type MixDraft = Schemas["MixDraft"];
export type Recipe = Schemas["Recipe"];
export type Tint = Schemas["TintView"];
export type WorkingLine = Schemas["WorkingLine"];
export type Decor = Schemas["Decor"];
export type OverDip = Schemas["OverDip"];
export type PatternDraft = Schemas["PatternDraft"];
export type SprinkleDraft = Schemas["SprinkleDraft"];
export type PartDraft = Schemas["PartDraft"];
export type PaintDraft = Schemas["PaintDraft"];
export type PatternKind = Schemas["PatternKind"];
export type Sprinkle = Schemas["Sprinkle"];
export type Part = Schemas["Part"];
export type Look = Schemas["Look"];
export type LookItem = Schemas["LookItem"];
export type LookLibrary = Schemas["LookLibrary"];
export type LookTally = Schemas["LookTally"];
export type Palette = Schemas["Palette"];
/** What a piece is, on a line or as a look. */
export type PieceLine = Pick<OrderLine, "centre" | "size" | "coating" | "colour">;
export type Shelf = Schemas["ShelfView"];
export type ShelfOrder = Schemas["ShelfOrder"];

interface ProblemDetails {
  title?: string | null;
  detail?: string | null;
  errors?: Record<string, string[]>;
}

/** What the server said instead of an answer. */
export class ApiError extends Error {
  readonly status: number;
  /** What is wrong, by field path. */
  readonly errors: Record<string, string[]>;

  constructor(status: number, problem: ProblemDetails | undefined) {
    super([problem?.title, problem?.detail].filter(Boolean).join(" ") || say("api.server-answered", { status }));
    this.status = status;
    this.errors = problem?.errors ?? {};
  }
}

const formHeader = "X-Kondiba-Form";
let form = "";

/** What the session gave out, to be sent back with every write. */
export const setForm = (given: string) => {
  form = given;
};

/** Sends a request; where there is no answer it is said in our words, and not in the browser's. */
async function reach(request: Request): Promise<Response> {
  try {
    return await fetch(request);
  } catch (error) {
    throw error instanceof TypeError ? new TypeError(say("api.youre-offline-try-again-when")) : error;
  }
}

/** Sends a write with the session's form; one that has gone stale is asked for anew, once. */
async function withForm(request: Request): Promise<Response> {
  if (request.method === "GET") return reach(request);
  const again = request.clone();
  request.headers.set(formHeader, form);
  const answer = await reach(request);
  if (answer.headers.get(formHeader) !== "stale") return answer;
  setForm(((await (await fetch("/api/session")).json()) as Schemas["SessionView"]).form);
  again.headers.set(formHeader, form);
  return reach(again);
}

export const api = createClient<paths>({ fetch: withForm });

/** Nobody is signed in. */
export const unauthorized = 401;
let signedOut = () => {};

/** Does something whenever the server says that nobody is signed in. */
export const whenSignedOut = (act: () => void) => {
  signedOut = act;
};

/** The data of an answer; anything but success is thrown. */
export async function answer<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  const { data, error, response } = await call;
  if (response.status === unauthorized) signedOut();
  if (!response.ok) throw new ApiError(response.status, error as ProblemDetails | undefined);
  return data as T;
}

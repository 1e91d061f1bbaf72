import { ApiError, unauthorized } from "./client";

/** Why a request came to nothing: nobody is signed in, the server will not do it, it could not, or it was not reached. */
export type Standing = "signedOut" | "refused" | "serverError" | "away";

const [tooLong, tooMany] = [408, 429];

export function standingOf(error: unknown): Standing {
  if (!(error instanceof ApiError)) return "away";
  if (error.status === unauthorized) return "signedOut";
  return error.status >= 500 || error.status === tooLong || error.status === tooMany ? "serverError" : "refused";
}

/** Whether it may be otherwise when it is tried again. */
export const mayMend = (standing: string) => standing === "serverError" || standing === "away";

const [first, longest] = [1_000, 60_000];

/**
 * How long to wait before a request is sent again: twice as long after every failure, up to a minute, and not all at once.
 * @param failures one after the other, at least one
 * @param chance from 0 to 1
 * @returns milliseconds
 */
export const waitAfter = (failures: number, chance: number) =>
  Math.min(longest, first * 2 ** (failures - 1)) * (0.5 + chance / 2);

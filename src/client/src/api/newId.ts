import { v7 } from "uuid";

/** What something new is known by: time first, then chance. */
export const newId = (): string => v7();

/** A request that makes something new is known by its key: sent again, as its answer was lost, it makes nothing more. */
export const sentAs = (key: string) => ({ "Idempotency-Key": key });

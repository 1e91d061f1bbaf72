import { answer, api } from "../../api/client";

/** The movement by which a lot came in. */
export async function receiptOf(lot: string): Promise<string | undefined> {
  const movements = await answer(api.GET("/api/pantry/lots/{id}/movements", { params: { path: { id: lot } } }));
  return movements.at(-1)?.id;
}

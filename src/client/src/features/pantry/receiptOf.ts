import { answer, api, ApiError } from "../../api/client";

/** The movement by which a lot came in. */
export async function receiptOf(lot: string): Promise<string | undefined> {
  const movements = await answer(api.GET("/api/pantry/lots/{id}/movements", { params: { path: { id: lot } } }));
  return movements.at(-1)?.id;
}

/** Takes a receipt back; one that never arrived, or is gone already, is taken back. */
export async function takeBack(lot: string) {
  try {
    const id = await receiptOf(lot);
    if (id) await answer(api.DELETE("/api/pantry/movements/{id}", { params: { path: { id } } }));
  } catch (error) {
    if (!(error instanceof ApiError && error.status === 404)) throw error;
  }
}

import { useMutation, useQueryClient } from "@tanstack/react-query";
import { answer, api, type LearningChoice } from "../../api/client";

/** Keeps what of the batches is learned; everything that was computed is computed anew. */
export function useLearning(learning: LearningChoice) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (part: Partial<LearningChoice>) =>
      answer(api.PUT("/api/logbook/learning", { body: { ...learning, ...part } })),
    onSuccess: () => queries.invalidateQueries(),
  });
}

import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../../api/client";
import { Drip } from "../../ui/Drip";

/** The way in for who comes without the printed address. */
export function Door({ hasSample }: { hasSample: boolean }) {
  const [key, setKey] = useState("");
  const queries = useQueryClient();
  const enter = useMutation({
    mutationFn: (key: string | null) => answer(api.POST("/api/session", { body: { key } })),
    onSuccess: () => queries.invalidateQueries(),
  });
  return (
    <>
      <Drip tall />
      <main className="mx-auto max-w-md px-6 py-12">
        <h1 className="font-serif text-5xl">Kondiba</h1>
        <p className="text-ink2 mt-3 text-lg">Dipped treats, measured and in time.</p>
        {hasSample && (
          <button
            className="bg-act text-on-act mt-8 rounded-full px-6 py-3 text-lg font-bold"
            onClick={() => enter.mutate(null)}
          >
            Open the sample kitchen
          </button>
        )}
        <form
          className="border-line mt-10 border-t border-dashed pt-6"
          onSubmit={(e) => {
            e.preventDefault();
            enter.mutate(key.includes("key=") ? key.slice(key.indexOf("key=") + 4).trim() : key.trim());
          }}
        >
          <label className="block font-semibold" htmlFor="key">
            Address or key that ./start printed
          </label>
          <div className="mt-2 flex gap-3">
            <input
              id="key"
              className="border-ink2 min-w-0 flex-1 border-b bg-transparent py-1"
              value={key}
              autoComplete="off"
              onChange={(e) => setKey(e.target.value)}
            />
            <button className="text-act font-bold">Open</button>
          </div>
          {enter.isError && (
            <p role="alert" className="text-mind mt-3">
              {enter.error.message}
            </p>
          )}
        </form>
      </main>
    </>
  );
}

import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, answer, api } from "../../api/client";
import { Drip } from "../../ui/Drip";
import { TextField } from "../../ui/fields";
import { Words } from "../../ui/Words";
import { Credentials } from "./Credentials";

type Way = "known" | "new" | "key";

/** The way in. */
export function Door({ hasSample }: { hasSample: boolean }) {
  const [way, setWay] = useState<Way>("known");
  const [key, setKey] = useState("");
  const [kitchen, setKitchen] = useState("");
  const queries = useQueryClient();
  const inside = { onSuccess: () => queries.invalidateQueries() };
  const enter = useMutation({
    mutationFn: (body: { key?: string; name?: string; password?: string }) =>
      answer(
        api.POST("/api/session", {
          body: { key: body.key ?? null, name: body.name ?? null, password: body.password ?? null },
        }),
      ),
    ...inside,
  });
  const start = useMutation({
    mutationFn: (body: { name: string; password: string }) =>
      answer(api.POST("/api/session/kitchen", { body: { ...body, kitchen } })),
    ...inside,
  });
  const startErrors = start.error instanceof ApiError ? start.error.errors : {};
  return (
    <>
      <Drip tall />
      <main className="mx-auto max-w-md px-6 py-12">
        <h1 className="font-serif text-5xl">Kondiba</h1>
        <p className="text-ink2 mt-3 text-lg">Dipped treats, measured and in time.</p>
        {hasSample && (
          <button
            className="bg-act text-on-act mt-8 rounded-full px-6 py-3 text-lg font-bold"
            onClick={() => enter.mutate({})}
          >
            Open the sample kitchen
          </button>
        )}
        <div className="border-line mt-10 border-t border-dashed pt-6">
          <Words<Way>
            label="Way in"
            value={way}
            options={[
              { value: "known", label: "sign in" },
              { value: "new", label: "start a kitchen" },
              { value: "key", label: "by key" },
            ]}
            onChange={setWay}
          />
          {way === "known" && <Credentials key="known" act="Sign in" known send={enter} />}
          {way === "new" && (
            <Credentials key="new" act="Start it" send={start}>
              <TextField
                label="Name of the kitchen"
                value={kitchen}
                onChange={setKitchen}
                error={startErrors.kitchen?.join(" ")}
              />
            </Credentials>
          )}
          {way === "key" && (
            <form
              className="mt-5"
              onSubmit={(e) => {
                e.preventDefault();
                enter.mutate({ key: key.includes("key=") ? key.slice(key.indexOf("key=") + 4).trim() : key.trim() });
              }}
            >
              <TextField label="Address or key that ./start printed" value={key} onChange={setKey} />
              {enter.isError && (
                <p role="alert" className="text-mind mt-3">
                  {enter.error.message}
                </p>
              )}
              <p className="mt-3">
                <button className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold">Open</button>
              </p>
            </form>
          )}
        </div>
      </main>
    </>
  );
}

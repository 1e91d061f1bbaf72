import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, answer, api } from "../../api/client";
import { Drip } from "../../ui/Drip";
import { TextField } from "../../ui/fields";
import { Words } from "../../ui/Words";
import { Credentials } from "./Credentials";
import { say } from "../../wording/say";
import { useLocation } from "wouter";

type Way = "known" | "new" | "key";

/** The way in. */
export function SignInPage({ hasSample }: { hasSample: boolean }) {
  const [way, setWay] = useState<Way>("known");
  const [key, setKey] = useState("");
  const [kitchen, setKitchen] = useState("");
  const queries = useQueryClient();
  const [, navigate] = useLocation();
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
    onSuccess: async () => {
      await queries.invalidateQueries();
      navigate("/welcome");
    },
  });
  const startErrors = start.error instanceof ApiError ? start.error.errors : {};
  return (
    <>
      <Drip tall />
      <main className="mx-auto max-w-md px-6 py-12">
        <h1 className="font-serif text-5xl">Kondiba</h1>
        <p className="text-ink2 mt-3 text-lg">{say("session.know-what-melt-buy-do")}</p>
        {hasSample && (
          <button
            className="bg-act text-on-act mt-8 rounded-full px-6 py-3 text-lg font-bold"
            onClick={() => enter.mutate({})}
          >
            {say("session.open-sample-kitchen")}
          </button>
        )}
        <div className="border-line mt-10 border-t border-dashed pt-6">
          <Words<Way>
            label={say("session.how-sign")}
            value={way}
            options={[
              { value: "known", label: say("session.sign") },
              { value: "new", label: say("session.create-kitchen") },
              { value: "key", label: say("session.use-access-key") },
            ]}
            onChange={setWay}
          />
          {way === "known" && <Credentials key="known" act={say("session.sign")} known send={enter} />}
          {way === "new" && (
            <Credentials key="new" act={say("session.create-kitchen-2")} send={start}>
              <TextField
                label={say("session.name-kitchen")}
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
              <TextField label={say("session.address-or-access-key-start")} value={key} onChange={setKey} />
              {enter.isError && (
                <p role="alert" className="text-mind mt-3">
                  {enter.error.message}
                </p>
              )}
              <p className="mt-3">
                <button className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold">{say("session.open")}</button>
              </p>
            </form>
          )}
        </div>
      </main>
    </>
  );
}

import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import currencies from "../../../../Kondiba.Core/Wording/currencies.json";
import locales from "../../../../Kondiba.Core/Wording/locales.json";
import { answer, api, ApiError, type Kitchen } from "../../api/client";
import { forgetAll } from "../../api/lastKnown";
import { kitchenQuery, sessionQuery, useKitchen, useOwner } from "../../api/queries";
import { KeepButtons } from "../../ui/buttons";
import { Confirm } from "../../ui/Confirm";
import { PickField, TextField } from "../../ui/fields";
import { ErrorNote, Waiting } from "../../ui/notes";
import { useKeptForm } from "../../ui/useKeep";
import { say } from "../../wording/say";

/** What the kitchen is called, how it writes and what it is paid in; and its end. */
export function SetupForm() {
  const kitchen = useKitchen().data;
  const owner = useOwner();
  if (!kitchen) return <Waiting />;
  if (!owner) return <p className="text-ink2">{say("kitchen.setup-for-owner")}</p>;
  return (
    <>
      <Writing kitchen={kitchen} />
      <p className="mt-8">
        <Link to="/deleted" className="text-act font-semibold">
          {say("ui.deleted-items")}
        </Link>
      </p>
      {kitchen.isSample ? <Reset /> : <End name={kitchen.name} />}
    </>
  );
}

/** What the kitchen is called, and how it writes. */
export function Writing({ kitchen }: { kitchen: Kitchen }) {
  const queries = useQueryClient();
  const { name, locale, currency, language, units } = kitchen;
  const before = { name, locale, currency, language, units };
  const { form, change, keep, kept } = useKeptForm(
    before,
    async (body: typeof before) => {
      await answer(api.PATCH("/api/kitchen", { body }));
      // The page is written anew where it writes otherwise now.
      await queries.invalidateQueries({ queryKey: sessionQuery.queryKey });
    },
    kitchenQuery.queryKey,
  );
  return (
    <form
      className="max-w-2xl"
      onSubmit={(e) => {
        e.preventDefault();
        keep.mutate(form);
      }}
    >
      <div className="grid gap-5 sm:grid-cols-2">
        <TextField
          label={say("kitchen.kitchen-name-as-quote")}
          value={form.name}
          onChange={(name) => change({ name })}
          error={keep.errorOf("name")}
        />
        <PickField
          label={say("kitchen.where-you-are")}
          value={form.locale}
          options={locales.map((l) => ({ value: l.code, label: l.name }))}
          onChange={(locale) => change({ locale })}
          error={keep.errorOf("locale")}
        />
        <PickField
          label={say("kitchen.currency")}
          value={form.currency}
          options={currencies.map((c) => ({ value: c.code, label: `${c.sign} ${c.name}` }))}
          onChange={(currency) => change({ currency })}
          error={keep.errorOf("currency")}
        />
        <PickField
          label={say("kitchen.spelling")}
          value={form.language}
          options={[
            { value: "British", label: say("kitchen.british") },
            { value: "American", label: say("kitchen.american") },
          ]}
          onChange={(language) => change({ language })}
        />
        <PickField
          label={say("kitchen.units-for-quotes")}
          value={form.units}
          options={[
            { value: "metric", label: say("kitchen.metric") },
            { value: "us", label: say("kitchen.customary") },
          ]}
          onChange={(units) => change({ units })}
        />
      </div>
      <p className="text-ink2 mt-4">{say("kitchen.how-place-is-used")}</p>
      <KeepButtons pending={keep.isPending} error={keep.error} cancel={() => change(before)} kept={kept} />
    </form>
  );
}

function Reset() {
  const queries = useQueryClient();
  const reset = useMutation({
    mutationFn: async () => {
      const before = await answer<string>(api.GET("/api/files/kitchen.json", { parseAs: "text" }));
      await answer(api.POST("/api/kitchen/reset"));
      return before;
    },
    onSuccess: () => queries.invalidateQueries(),
  });
  const undo = useMutation({
    mutationFn: (text: string) =>
      answer(api.POST("/api/files/kitchen", { params: { query: { apply: true } }, body: { text } })),
    onSuccess: async () => {
      reset.reset();
      await queries.invalidateQueries();
    },
  });
  const failed = reset.error ?? undo.error;
  return (
    <section className="mt-8 max-w-2xl">
      <h2 className="font-serif text-[22px]">{say("kitchen.sample-kitchen")}</h2>
      <p className="text-ink2">{say("kitchen.everything-invented-change-what-you")}</p>
      {failed && <ErrorNote error={failed} />}
      <p className="mt-2">
        {reset.isSuccess ? (
          <span role="status">
            <span className="text-go font-semibold">{say("kitchen.was-reset")}</span>{" "}
            <button
              type="button"
              className="text-act ml-3 font-semibold"
              disabled={undo.isPending}
              onClick={() => undo.mutate(reset.data)}
            >
              {say("kitchen.undo-reset")}
            </button>
          </span>
        ) : (
          <Confirm
            asks={say("kitchen.reset-asks")}
            act={say("kitchen.reset-act")}
            pending={reset.isPending}
            onConfirm={() => reset.mutate()}
          >
            {say("kitchen.reset-sample-kitchen")}
          </Confirm>
        )}
      </p>
    </section>
  );
}

function End({ name }: { name: string }) {
  const [typed, setTyped] = useState("");
  const end = useMutation({
    mutationFn: () => answer(api.POST("/api/kitchen/deletion", { body: { name: typed } })),
    onSuccess: async () => {
      await forgetAll();
      location.assign("/");
    },
  });
  const errors = end.error instanceof ApiError ? end.error.errors : {};
  return (
    <section className="mt-8 max-w-2xl">
      <h2 className="font-serif text-[22px]">{say("kitchen.delete-kitchen")}</h2>
      <p className="text-ink2">{say("kitchen.what-deleting-means")}</p>
      <p className="mt-1">
        <Link to="/kitchen/files" className="text-act font-semibold">
          {say("kitchen.export-first")}
        </Link>
      </p>
      <form
        className="mt-3"
        onSubmit={(e) => {
          e.preventDefault();
          end.mutate();
        }}
      >
        <TextField
          label={say("kitchen.type-name-to-delete", { name })}
          value={typed}
          onChange={setTyped}
          error={errors.name?.join(" ")}
          className="max-w-sm"
        />
        <button
          className="bg-act text-on-act mt-3 rounded-full px-5 py-1.5 font-bold disabled:opacity-60"
          disabled={typed.trim() !== name || end.isPending}
        >
          {say("kitchen.delete-kitchen")}
        </button>
      </form>
    </section>
  );
}

import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, answer, api } from "../../api/client";
import { forgetAll } from "../../api/lastKnown";
import { sessionQuery } from "../../api/queries";
import { TextField } from "../../ui/fields";
import { ErrorNote, Waiting } from "../../ui/notes";
import { dayName } from "../../ui/units";
import { KeepButtons, TextButton } from "../../ui/buttons";
import { Credentials } from "../session/Credentials";
import { say } from "../../wording/say";

/** Who works in this kitchen. */
export function People() {
  const queries = useQueryClient();
  const session = useQuery(sessionQuery).data;
  const people = useQuery({ queryKey: ["people"], queryFn: () => answer(api.GET("/api/people")), retry: false });
  const invite = useMutation({ mutationFn: () => answer(api.POST("/api/people/invitations")) });
  const remove = useMutation({
    mutationFn: (id: string) => answer(api.DELETE("/api/people/{id}", { params: { path: { id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["people"] }),
  });
  const add = useMutation({
    mutationFn: (body: { name: string; password: string }) => answer(api.POST("/api/people", { body })),
    onSuccess: () => queries.invalidateQueries(),
  });
  if (session?.role === "helper") return <Mine name={session.name} />;
  if (people.isError) return <ErrorNote error={people.error} />;
  if (!people.data) return <Waiting />;
  return (
    <div className="max-w-2xl">
      {people.data.length === 0 ? (
        <p className="text-ink2">{say("people.this-kitchen-opened-with-access")}</p>
      ) : (
        <ul>
          {people.data.map((p) => (
            <li key={p.id} className="border-line flex items-baseline gap-4 border-t border-dashed py-2.5">
              <b className="grow text-lg">
                {p.name} {p.you && <span className="text-go text-[13px]">{say("people.you")}</span>}
              </b>
              <span className="text-ink2">
                {p.role === "owner" ? say("people.owner") : say("people.helper-sees-no-prices")}
              </span>
              {!p.you && (
                <TextButton label={say("ui.remove-3", { name: p.name })} onClick={() => remove.mutate(p.id)}>
                  {say("ui.remove-2")}
                </TextButton>
              )}
            </li>
          ))}
        </ul>
      )}
      {remove.isError && <ErrorNote error={remove.error} />}
      <h2 className="mt-6 font-serif text-[22px]">{say("people.invite-helper")}</h2>
      <p className="text-ink2">{say("people.helper-works-with-orders-looks")}</p>
      <p className="mt-2">
        <button className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold" onClick={() => invite.mutate()}>
          {say("people.create-invitation")}
        </button>
      </p>
      {invite.data && (
        <p className="mt-2">
          <span data-testid="invitation" className="text-act wrap-anywhere underline">
            {new URL(invite.data.path, location.href).href}
          </span>{" "}
          <span className="text-ink2">
            {say("people.valid-until-one-person-copy", { until: dayName(invite.data.until) })}
          </span>
        </p>
      )}
      {session && !session.name && (
        <section className="max-w-md">
          <h2 className="mt-8 font-serif text-[22px]">{say("people.add-named-owner")}</h2>
          <Credentials act={say("people.add-sign")} send={add} />
        </section>
      )}
      {session?.name && <Mine name={session.name} />}
    </div>
  );
}

function Mine({ name }: { name: string | null }) {
  const queries = useQueryClient();
  const [before, setBefore] = useState("");
  const [after, setAfter] = useState("");
  const [done, setDone] = useState(false);
  const change = useMutation({
    mutationFn: () => answer(api.PUT("/api/session/password", { body: { old: before, new: after } })),
    onSuccess: () => {
      setDone(true);
      setBefore("");
      setAfter("");
      return queries.invalidateQueries({ queryKey: ["session"] });
    },
  });
  const out = useMutation({
    mutationFn: () => answer(api.DELETE("/api/session")),
    onSuccess: async () => {
      queries.clear();
      await forgetAll();
      location.assign("/");
    },
  });
  const errors = change.error instanceof ApiError ? change.error.errors : {};
  return (
    <section className="max-w-md">
      <h2 className="mt-8 font-serif text-[22px]">{name}</h2>
      <form
        className="mt-2 grid gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          change.mutate();
        }}
      >
        <TextField
          label={say("people.current-password")}
          type="password"
          autoComplete="current-password"
          value={before}
          onChange={setBefore}
        />
        <TextField
          label={say("people.new-password")}
          type="password"
          autoComplete="new-password"
          value={after}
          onChange={setAfter}
          error={errors.password?.join(" ")}
        />
        <KeepButtons pending={change.isPending} error={change.error} cancel={() => setAfter("")}>
          {done && <span className="text-go font-semibold">{say("people.changed-other-browsers-signed-out")}</span>}
        </KeepButtons>
      </form>
      <p className="mt-4">
        <TextButton onClick={() => out.mutate()}>{say("people.sign-out")}</TextButton>
      </p>
    </section>
  );
}

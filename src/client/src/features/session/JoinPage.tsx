import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useLocation, useParams } from "wouter";
import { answer, api } from "../../api/client";
import { Drip } from "../../ui/Drip";
import { Credentials } from "./Credentials";
import { say } from "../../wording/say";

/** A helper comes in by an invitation. */
export function JoinPage() {
  const { secret = "" } = useParams();
  const [, navigate] = useLocation();
  const queries = useQueryClient();
  const join = useMutation({
    mutationFn: (body: { name: string; password: string }) =>
      answer(api.POST("/api/session/join/{secret}", { params: { path: { secret } }, body })),
    onSuccess: async () => {
      await queries.invalidateQueries();
      navigate("/");
    },
  });
  return (
    <>
      <Drip tall />
      <main className="mx-auto max-w-md px-6 py-12">
        <h1 className="font-serif text-4xl">{say("session.join-kitchen")}</h1>
        <p className="text-ink2 mt-3">{say("session.you-were-invited-help-choose")}</p>
        <Credentials act={say("session.join")} send={join} gone={say("session.this-invitation-has-been-used")} />
      </main>
    </>
  );
}

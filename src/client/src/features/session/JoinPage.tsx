import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate, useParams } from "react-router";
import { answer, api } from "../../api/client";
import { Drip } from "../../ui/Drip";
import { Credentials } from "./Credentials";

/** A helper comes in by an invitation. */
export function JoinPage() {
  const { secret = "" } = useParams();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const join = useMutation({
    mutationFn: (body: { name: string; password: string }) =>
      answer(api.POST("/api/session/join/{secret}", { params: { path: { secret } }, body })),
    onSuccess: async () => {
      await queries.invalidateQueries();
      await navigate("/");
    },
  });
  return (
    <>
      <Drip tall />
      <main className="mx-auto max-w-md px-6 py-12">
        <h1 className="font-serif text-4xl">Help in a kitchen</h1>
        <p className="text-ink2 mt-3">You were asked to help. Choose a name and a password to come in with.</p>
        <Credentials act="Come in" send={join} gone="This invitation was used, or is too old. Ask for a new one." />
      </main>
    </>
  );
}

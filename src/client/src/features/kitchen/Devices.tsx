import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, ApiError, api, type Device } from "../../api/client";
import { newId, sentAs } from "../../api/newId";
import { devicesQuery, useOwner } from "../../api/queries";
import { TextButton } from "../../ui/buttons";
import { TextField } from "../../ui/fields";
import { ErrorNote, Waiting } from "../../ui/notes";
import { useWording, type Wording } from "../../ui/units";

const when = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" });

const why: Record<string, string> = {
  unit: "in no unit of it",
  range: "beyond any pot",
  future: "ahead of the clock",
  old: "more than a day old",
};

/** What a device last read, and what of it was not believed. */
function saysOf({ kind, last, lastAt, apart, apartWhy }: Device, wording: Wording) {
  const reads =
    last === null || lastAt === null
      ? "has not read yet"
      : `${kind === "probe" ? wording.temperature(last) : wording.mass(last)}, ${when.format(new Date(lastAt))}`;
  return apart === 0 ? reads : `${reads} · ${apart} set apart, the last ${why[apartWhy ?? ""] ?? "not believed"}`;
}

/** The kitchen's probes and scales: made known here, put into a pot at the bench. */
export function Devices() {
  const queries = useQueryClient();
  const owner = useOwner();
  const wording = useWording();
  const devices = useQuery(devicesQuery);
  const [name, setName] = useState("");
  const [key, setKey] = useState(newId);
  const settle = () => queries.invalidateQueries({ queryKey: devicesQuery.queryKey });
  const make = useMutation({
    mutationFn: (kind: Device["kind"]) =>
      answer(api.POST("/api/devices", { params: { header: sentAs(key) }, body: { kind, name } })),
    onSuccess: async () => {
      setKey(newId());
      setName("");
      await settle();
    },
  });
  const revoke = useMutation({
    mutationFn: (id: string) => answer(api.DELETE("/api/devices/{id}", { params: { path: { id } } })),
    onSuccess: settle,
  });
  if (devices.error) return <ErrorNote error={devices.error} retry={() => void devices.refetch()} />;
  if (!devices.data) return <Waiting />;
  return (
    <>
      <p className="max-w-[42em]">
        A thermometer in the pot and a scale under it tell the bench when to dip, when to warm, and for how many pieces
        there is enough. Each sends what it reads with a token of its own.
      </p>
      <ul className="mt-4 max-w-2xl">
        {devices.data.length === 0 && <li className="text-ink2">No probe and no scale yet.</li>}
        {devices.data.map((d) => (
          <li key={d.id} className="border-line flex flex-wrap justify-between gap-x-4 border-t border-dashed py-2">
            <span>
              <b>{d.name}</b> <span className="text-ink2">{d.kind}</span>
              <span className="text-ink2 block text-[15px]">{saysOf(d, wording)}</span>
            </span>
            {owner && (
              <TextButton onClick={() => revoke.mutate(d.id)} label={`take back ${d.name}`}>
                take back
              </TextButton>
            )}
          </li>
        ))}
      </ul>
      {make.data && (
        <p role="status" className="border-go bg-panel mt-3 max-w-2xl border-l-4 px-4 py-2">
          Its token, shown once. Send readings with it to <code>{window.location.origin}/api/readings</code>:
          <code className="bg-parchment text-parchment-ink mt-1 block px-1.5 py-1 text-[13px] break-all">
            {make.data.token}
          </code>
        </p>
      )}
      {owner && (
        <form className="mt-5 flex max-w-2xl flex-wrap items-end gap-4" onSubmit={(e) => e.preventDefault()}>
          <TextField
            label="What you call it"
            value={name}
            onChange={setName}
            className="w-64"
            error={make.error instanceof ApiError ? make.error.errors.name?.join(" ") : undefined}
          />
          {(["probe", "scale"] as const).map((kind) => (
            <button
              key={kind}
              type="button"
              className="bg-act text-on-act rounded-full px-5 py-1.5 font-bold disabled:opacity-60"
              disabled={make.isPending}
              onClick={() => make.mutate(kind)}
            >
              Add a {kind}
            </button>
          ))}
        </form>
      )}
    </>
  );
}

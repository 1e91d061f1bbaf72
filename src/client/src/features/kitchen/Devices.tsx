import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, ApiError, api, type Device } from "../../api/client";
import { newId, sentAs } from "../../api/newId";
import { devicesQuery, useOwner } from "../../api/queries";
import { TextButton } from "../../ui/buttons";
import { TextField } from "../../ui/fields";
import { ErrorNote, Waiting } from "../../ui/notes";
import { dates, useWording, type Wording } from "../../ui/units";
import { say } from "../../wording/say";
import { locale } from "../../wording/reader";

const when = dates({ day: "numeric", month: "short", hour: "numeric", minute: "2-digit", hour12: locale.hours === 12 });

const why: Record<string, string> = {
  unit: say("kitchen.without-valid-unit"),
  range: say("kitchen.beyond-any-pot"),
  future: say("kitchen.ahead-clock"),
  old: say("kitchen.more-than-day-old"),
};

/** What a device last read, and what of it was not believed. */
function saysOf({ kind, last, lastAt, apart, apartWhy }: Device, wording: Wording) {
  const reads =
    last === null || lastAt === null
      ? say("kitchen.has-not-read-yet")
      : `${kind === "probe" ? wording.temperature(last) : wording.mass(last)}, ${when.format(new Date(lastAt))}`;
  return apart === 0
    ? reads
    : say("kitchen.ignored-last", { reads, apart, why: why[apartWhy ?? ""] ?? say("kitchen.not-believed") });
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
      <p className="max-w-[42em]">{say("kitchen.thermometer-pot-scale-under-tell")}</p>
      <ul className="mt-4 max-w-2xl">
        {devices.data.length === 0 && <li className="text-ink2">{say("kitchen.no-probe-no-scale-yet")}</li>}
        {devices.data.map((d) => (
          <li key={d.id} className="border-line flex flex-wrap justify-between gap-x-4 border-t border-dashed py-2">
            <span>
              <b>{d.name}</b> <span className="text-ink2">{d.kind}</span>
              <span className="text-ink2 block text-[15px]">{saysOf(d, wording)}</span>
            </span>
            {owner && (
              <TextButton onClick={() => revoke.mutate(d.id)} label={say("kitchen.remove", { name: d.name })}>
                {say("ui.remove")}
              </TextButton>
            )}
          </li>
        ))}
      </ul>
      {make.data && (
        <p role="status" className="border-go bg-panel mt-3 max-w-2xl border-l-4 px-4 py-2">
          {say("kitchen.copy-its-token-now-wont")}{" "}
          <code>{say("kitchen.api-readings", { origin: window.location.origin })}</code>:
          <code className="bg-parchment text-parchment-ink mt-1 block px-1.5 py-1 text-[13px] break-all">
            {make.data.token}
          </code>
        </p>
      )}
      {owner && (
        <form className="mt-5 flex max-w-2xl flex-wrap items-end gap-4" onSubmit={(e) => e.preventDefault()}>
          <TextField
            label={say("kitchen.what-you-call")}
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
              {say("kitchen.add", { kind })}
            </button>
          ))}
        </form>
      )}
    </>
  );
}

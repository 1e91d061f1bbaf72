import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../../api/client";
import { newId, sentAs } from "../../api/newId";
import { useOwner } from "../../api/queries";
import { TextButton } from "../../ui/buttons";
import { say } from "../../wording/say";
import { dates } from "../../ui/units";

const day = dates({ day: "numeric", month: "long" });

/** Prints the page; in large type it can be read from the other end of the counter. */
function print(large: boolean) {
  document.documentElement.toggleAttribute("data-large-print", large);
  window.print();
}

/** The plan for a calendar program: as a file, or under a private address that can be taken back. */
export function CalendarCorner() {
  const owner = useOwner();
  return (
    <section aria-labelledby="calendar" className="print:hidden">
      <h2 id="calendar" className="mb-1 font-serif text-[20px]">
        {say("day.print-or-add-calendar")}
      </h2>
      <p className="flex flex-wrap gap-x-4 gap-y-1">
        <TextButton onClick={() => print(false)}>{say("day.print-this-day")}</TextButton>
        <TextButton onClick={() => print(true)}>{say("day.print-large-type")}</TextButton>
        <a className="text-act font-semibold" href="/api/day/calendar.ics" download>
          {say("day.calendar-file")}
        </a>
      </p>
      {owner && <Feeds />}
    </section>
  );
}

function Feeds() {
  const queries = useQueryClient();
  const [made, setMade] = useState<string>();
  const feeds = useQuery({ queryKey: ["feeds"], queryFn: () => answer(api.GET("/api/day/feeds")) });
  const settle = () => queries.invalidateQueries({ queryKey: ["feeds"] });
  const [key, setKey] = useState(newId);
  const make = useMutation({
    mutationFn: () => answer(api.POST("/api/day/feeds", { params: { header: sentAs(key) } })),
    onSuccess: async (link) => {
      setKey(newId());
      setMade(`${window.location.origin}${link.path}`);
      await settle();
    },
  });
  const revoke = useMutation({
    mutationFn: (id: string) => answer(api.DELETE("/api/day/feeds/{id}", { params: { path: { id } } })),
    onSuccess: async () => {
      setMade(undefined);
      await settle();
    },
  });
  return (
    <>
      <ul>
        {feeds.data?.map((f) => (
          <li key={f.id} className="border-line flex justify-between gap-3 border-t border-dashed py-1.5">
            <span>{say("day.private-link-created", { text: day.format(new Date(f.madeAt)) })}</span>
            <TextButton onClick={() => revoke.mutate(f.id)} label={say("day.remove-private-link")}>
              {say("ui.remove")}
            </TextButton>
          </li>
        ))}
      </ul>
      {made ? (
        <p role="status" className="mt-1 text-[15px]">
          {say("day.add-this-address-your-calendar")}{" "}
          <code className="bg-parchment text-parchment-ink block px-1.5 py-1 text-[12px] break-all">{made}</code>
        </p>
      ) : (
        <p className="mt-1">
          <TextButton onClick={() => make.mutate()}>{say("day.private-link-my-calendar")}</TextButton>
        </p>
      )}
    </>
  );
}

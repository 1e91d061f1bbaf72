import { Tab, TabGroup, TabList, TabPanel, TabPanels } from "@headlessui/react";
import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { useNavigate, useParams } from "react-router";
import type { KitchenThings, Reference } from "../../api/client";
import { Fillings } from "../fillings/Fillings";
import { Files } from "../files/Files";
import { People } from "../people/People";
import { referenceQuery, thingsQuery } from "../../api/queries";
import { ErrorNote, Waiting } from "../../ui/notes";
import { Centres } from "./Centres";
import { Figures } from "./Figures";
import { Coatings } from "./Coatings";
import { Devices } from "./Devices";
import { Hours } from "./Hours";
import { Moulds } from "./Moulds";
import { RatesForm } from "./RatesForm";
import { OwnWords } from "./OwnWords";
import { Tints } from "./Tints";
import { Toppings } from "./Toppings";
import { Vessels } from "./Vessels";
import { WaysForm } from "./WaysForm";

export interface Room {
  things: KitchenThings;
  reference: Reference;
}

const corners: [path: string, name: string, view: (room: Room) => React.ReactNode][] = [
  ["ways", "How we do it", (room) => <WaysForm {...room} />],
  ["centres", "Centres", (room) => <Centres {...room} />],
  ["figures", "Figures", (room) => <Figures {...room} />],
  ["coatings", "Coatings", (room) => <Coatings {...room} />],
  ["colours", "Colours", (room) => <Tints {...room} />],
  ["toppings", "Toppings", (room) => <Toppings {...room} />],
  ["fillings", "Fillings", () => <Fillings />],
  ["moulds", "Moulds", (room) => <Moulds {...room} />],
  ["vessels", "Vessels", (room) => <Vessels {...room} />],
  ["words", "Words", (room) => <OwnWords {...room} />],
  ["hours", "Hours and places", (room) => <Hours {...room} />],
  ["devices", "Probes and scales", () => <Devices />],
  ["rates", "Prices", (room) => <RatesForm {...room} />],
  ["people", "People", () => <People />],
  ["files", "Files", () => <Files />],
];

/** What the product knows of this kitchen, to be told better. */
export function KitchenPage() {
  const { corner } = useParams();
  const navigate = useNavigate();
  const things = useQuery(thingsQuery);
  const reference = useQuery(referenceQuery);
  useEffect(() => {
    document.title = "The kitchen · Kondiba";
  }, []);
  const error = things.error ?? reference.error;
  if (error) return <ErrorNote error={error} retry={() => void things.refetch()} />;
  if (!things.data || !reference.data) return <Waiting />;
  const room = { things: things.data, reference: reference.data };
  const at = Math.max(
    0,
    corners.findIndex(([path]) => path === corner),
  );

  return (
    <div className="mx-auto max-w-5xl px-4 pt-3 sm:px-10">
      <h1 className="font-serif text-[38px] leading-tight">The kitchen</h1>
      <TabGroup
        selectedIndex={at}
        onChange={(i) => void navigate(`/kitchen/${corners[i]?.[0] ?? ""}`, { replace: true })}
      >
        <TabList className="border-line mt-3 flex flex-wrap gap-x-[18px] gap-y-1 border-b">
          {corners.map(([path, name]) => (
            <Tab
              key={path}
              className="text-ink2 data-selected:border-act data-selected:text-ink -mb-px border-b-[3px] border-transparent pb-2 font-semibold"
            >
              {name}
            </Tab>
          ))}
        </TabList>
        <TabPanels className="mt-6">
          {corners.map(([path, , view]) => (
            <TabPanel key={path} tabIndex={-1} className="outline-none">
              {view(room)}
            </TabPanel>
          ))}
        </TabPanels>
      </TabGroup>
    </div>
  );
}

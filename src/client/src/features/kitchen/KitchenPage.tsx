import { Tab, TabGroup, TabList, TabPanel, TabPanels } from "@headlessui/react";
import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { useLocation, useParams } from "wouter";
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
import { say } from "../../wording/say";
import { PriceList } from "../price/PriceRows";
import { SetupForm } from "./SetupForm";

export interface Room {
  things: KitchenThings;
  reference: Reference;
}

type Corner = [path: string, name: string, view: (room: Room) => React.ReactNode];

const groups: [name: string, corners: Corner[]][] = [
  [
    say("kitchen.group-setup"),
    [
      ["setup", say("kitchen.name-and-place"), () => <SetupForm />],
      ["ways", say("kitchen.how-we-do"), (room) => <WaysForm {...room} />],
      ["vessels", say("kitchen.vessels"), (room) => <Vessels {...room} />],
      ["hours", say("kitchen.hours-places"), (room) => <Hours {...room} />],
      ["devices", say("kitchen.probes-scales"), () => <Devices />],
      [
        "rates",
        say("kitchen.prices"),
        (room) => (
          <>
            <RatesForm {...room} />
            {room.things.rates && <PriceList />}
          </>
        ),
      ],
    ],
  ],
  [
    say("kitchen.group-recipes"),
    [
      ["centres", say("ui.centres"), (room) => <Centres {...room} />],
      ["figures", say("kitchen.figures"), (room) => <Figures {...room} />],
      ["coatings", say("ui.coatings"), (room) => <Coatings {...room} />],
      ["colours", say("ui.colours"), (room) => <Tints {...room} />],
      ["toppings", say("kitchen.toppings"), (room) => <Toppings {...room} />],
      ["fillings", say("kitchen.fillings"), () => <Fillings />],
      ["moulds", say("kitchen.moulds"), (room) => <Moulds {...room} />],
      ["words", say("ui.words"), (room) => <OwnWords {...room} />],
    ],
  ],
  [
    say("kitchen.group-people"),
    [
      ["people", say("kitchen.people"), () => <People />],
      ["files", say("kitchen.files"), () => <Files />],
    ],
  ],
];
const corners = groups.flatMap(([, some]) => some);

/** What the product knows of this kitchen, to be told better. */
export function KitchenPage() {
  const { corner } = useParams();
  const [, navigate] = useLocation();
  const things = useQuery(thingsQuery);
  const reference = useQuery(referenceQuery);
  useEffect(() => {
    document.title = say("kitchen.kitchen-kondiba");
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
      <h1 className="font-serif text-[38px] leading-tight">{say("kitchen.kitchen")}</h1>
      <TabGroup selectedIndex={at} onChange={(i) => navigate(`/kitchen/${corners[i]?.[0] ?? ""}`, { replace: true })}>
        <TabList className="border-line mt-3 border-b pb-3">
          {groups.map(([name, some]) => (
            <div key={name} className="grid items-baseline gap-x-[18px] py-0.5 sm:grid-cols-[12.5rem_1fr]">
              <span aria-hidden className="text-ink2 font-serif text-[17px]">
                {name}
              </span>
              <span className="flex flex-wrap gap-x-[18px] gap-y-1">
                {some.map(([path, corner]) => (
                  <Tab
                    key={path}
                    className="text-ink2 data-selected:border-act data-selected:text-ink border-b-[3px] border-transparent font-semibold"
                  >
                    {corner}
                  </Tab>
                ))}
              </span>
            </div>
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

import { useQuery } from "@tanstack/react-query";
import { useContext } from "react";
import { answer, api, type SettingIn } from "../../api/client";
import { HowLines, HowOrder } from "../../ui/How";
import { ErrorNote, Waiting } from "../../ui/notes";
import { span, useWording } from "../../ui/units";
import { capital, percentSign, say } from "../../wording/say";

/** How the pieces of a line set, place by place: the course of film and centre, and what comes of a chill. */
export function HowItSets({ line }: { line: number }) {
  const order = useContext(HowOrder);
  const wording = useWording();
  const setting = useQuery({
    queryKey: ["setting", line, order],
    queryFn: () => {
      if (!order) throw new Error(say("ui.there-no-order-ask-about"));
      return answer(api.POST("/api/setting/preview", { params: { query: { line } }, body: order }));
    },
    gcTime: 0,
  });
  if (setting.isError) return <ErrorNote error={setting.error} retry={() => void setting.refetch()} />;
  if (!setting.data) return <Waiting />;
  const { places, touchDry, handleHard, warmest } = setting.data;
  return (
    <>
      <p className="text-ink2 mt-1">
        {say("order.coat-sets-as-its-fat", {
          touchDry: percent(touchDry),
          handleHard: percent(handleHard),
          warmest: wording.temperature(Math.floor(warmest)),
          dewPoint: wording.temperature(places[0]?.chill.dewPoint ?? 0),
        })}
      </p>
      {places.map((p) => (
        <section
          key={p.place}
          aria-label={p.name}
          className="border-line mt-4 grid gap-x-6 border-t border-dashed pt-3 sm:grid-cols-[15rem_1fr]"
        >
          <div>
            <h3 className="font-serif text-[20px]">
              {capital(p.name)}
              <span className="text-ink2 font-sans text-[15px]">, {wording.temperature(p.air)}</span>
            </h3>
            <HowLines what={say("order.setting", { name: p.name })} lines={p.working}>
              {p.sets.touchDry === null
                ? say("order.never-sets")
                : say("order.touch-dry", {
                    touchDry: span(p.sets.touchDry),
                    handleHard:
                      p.sets.handleHard === null
                        ? say("order.stays-soft")
                        : say("order.hard", { handleHard: span(p.sets.handleHard) }),
                  })}
            </HowLines>
            {p.sets.wet !== null && (
              <p className="text-ink2">{say("order.takes-sprinkles", { wet: span(p.sets.wet) })}</p>
            )}
            {p.sets.releases !== null && (
              <p className="text-ink2">{say("order.leaves-its-mould-after", { releases: span(p.sets.releases) })}</p>
            )}
            {p.sets.through !== null && (
              <p className="text-ink2">{say("order.cold-hard-through", { through: span(p.sets.through) })}</p>
            )}
            {p.outOfTemper && (
              <p className="text-ink2">
                {say("order.out-temper", {
                  handleHard:
                    p.outOfTemper.handleHard === null ? say("order.not-hard-12-h") : span(p.outOfTemper.handleHard),
                  note: p.outOfTemper.note,
                })}
              </p>
            )}
            <p className={p.chill.hard === "dry" && p.sets.handleHard !== null ? "mt-1" : "text-mind mt-1"}>
              {p.chill.advice}
            </p>
          </div>
          <Course place={p} />
        </section>
      ))}
    </>
  );
}

const percent = (share: number) => `${Math.round(share * 100)}${percentSign}`;

const [wide, high] = [430, 150];

// Times between the marks of the axis, in s.
const steps = [30, 60, 120, 300, 600, 900, 1800];

/** Temperatures of film and centre over time, how much of the coat has set, and the marks. */
function Course({ place }: { place: SettingIn }) {
  const wording = useWording();
  const { course, chill } = place;
  const last = course[course.length - 1]?.at ?? 1;
  const all = course.flatMap((c) => [c.film, c.centre]);
  const [low, top] = [Math.min(...all, chill.dewPoint) - 2, Math.max(...all) + 2];
  const x = (at: number) => 34 + ((wide - 44) * at) / last;
  const y = (t: number) => 8 + ((high - 30) * (top - t)) / (top - low);
  const line = (of: (c: (typeof course)[number]) => number) => course.map((c) => `${x(c.at)},${y(of(c))}`).join(" ");
  const floor = high - 22;
  const set = course.map((c) => `${x(c.at)} ${floor - (floor - 8) * c.set}`).join("L");
  const every = steps.find((s) => last / s <= 6) ?? 3600;
  // The centre is named where it is farthest from the film.
  const [named] = course
    .filter((c) => c.at > last * 0.2 && c.at < last * 0.8)
    .sort((a, b) => Math.abs(b.film - b.centre) - Math.abs(a.film - a.centre));
  return (
    <svg
      role="img"
      aria-label={say("order.film-centre-over-film-falls", {
        last: span(last),
        film: wording.temperature(course[0]?.film ?? 0),
        film2: wording.temperature(course[course.length - 1]?.film ?? 0),
      })}
      viewBox={`0 0 ${wide} ${high}`}
      className="w-full text-[11px]"
    >
      <path d={`M${x(0)} ${floor}L${set} ${x(last)} ${floor}Z`} className="fill-go" opacity="0.14" />
      {[place.air, chill.dewPoint].map((t, i) => (
        <g key={i} className={y(t) > floor ? "hidden" : ""}>
          <line
            x1="34"
            x2={wide - 10}
            y1={y(t)}
            y2={y(t)}
            strokeDasharray="3 4"
            className={i === 0 ? "stroke-line" : "stroke-mind"}
          />
          <text x="30" y={y(t) + 4} textAnchor="end" className="fill-ink2">
            {wording.temperature(t).split(/\s/)[0]}°
          </text>
        </g>
      ))}
      {Array.from({ length: Math.floor(last / every) }, (_, i) => (i + 1) * every)
        .filter((at) => x(at) < wide - 26)
        .map((at) => (
          <text key={at} x={x(at)} y={high - 4} textAnchor="middle" className="fill-ink2">
            {span(at)}
          </text>
        ))}
      <polyline
        points={line((c) => c.centre)}
        fill="none"
        className="stroke-board-edge"
        strokeWidth="2"
        strokeDasharray="6 3"
      />
      <polyline points={line((c) => c.film)} fill="none" className="stroke-act" strokeWidth="2.5" />
      {[place.sets.touchDry, place.sets.handleHard].map(
        (at, i) =>
          at !== null &&
          at <= last && (
            <line key={i} x1={x(at)} x2={x(at)} y1="8" y2={floor} className="stroke-go" strokeWidth="1.5" />
          ),
      )}
      <text
        x={x(last) - 6}
        y={floor - (floor - 8) * (course[course.length - 1]?.set ?? 0) + 16}
        textAnchor="end"
        className="fill-go font-bold"
      >
        {say("order.share-set")}
      </text>
      <text x={x(0) + 6} y={y(course[0]?.film ?? 0) + 4} className="fill-act font-bold">
        {say("ui.film")}
      </text>
      {named && (
        <text
          x={x(named.at)}
          y={y(named.centre) + (named.centre > named.film ? -6 : 14)}
          textAnchor="middle"
          className="fill-ink2 stroke-panel font-bold"
          strokeWidth="4"
          paintOrder="stroke"
        >
          {say("order.centre")}
        </text>
      )}
    </svg>
  );
}

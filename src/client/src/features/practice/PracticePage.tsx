import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, useParams } from "wouter";
import type { Exercise, Move, Practice } from "../../api/client";
import { exercisesQuery } from "../../api/queries";
import { TextButton } from "../../ui/buttons";
import { Curve } from "../../ui/Curve";
import { ErrorNote, Waiting } from "../../ui/notes";
import { useWording } from "../../ui/units";
import { BowlView, Thermometer } from "./PotDrawing";
import { usePractice } from "./usePractice";
import { percentSign, say } from "../../wording/say";

/** A pot to learn on: nothing is wasted here. */
export function PracticePage() {
  const { code } = useParams();
  const exercises = useQuery(exercisesQuery);
  useEffect(() => {
    document.title = say("practice.practice-pot-kondiba");
  }, []);
  if (exercises.error) return <ErrorNote error={exercises.error} retry={() => void exercises.refetch()} />;
  const all = exercises.data;
  const at = all?.find((e) => e.exercise.code === code) ?? all?.[0];
  if (!all || !at) return <Waiting />;
  return <Counter key={at.exercise.code} exercises={all} at={at} />;
}

function Counter({ exercises, at }: { exercises: Exercise[]; at: Exercise }) {
  const practice = usePractice(at.exercise.code);
  const pot = practice.pot.data?.exercise === at.exercise.code ? practice.pot.data : undefined;
  return (
    <div className="mx-auto grid max-w-[80rem] gap-x-10 gap-y-6 px-4 pt-5 sm:px-10 lg:grid-cols-[16.5rem_minmax(0,1fr)_16.5rem]">
      <aside className="bg-panel self-start px-5 pt-4 pb-5">
        <h1 className="font-serif text-[28px] leading-tight">{say("practice.practice-pot")}</h1>
        <p className="text-ink2">{say("practice.nothing-wasted-here")}</p>
        <ol className="mt-3">
          {exercises.map(({ exercise, best }, i) => (
            <li key={exercise.code} className="border-line border-t border-dashed">
              <Link
                to={`/practice/${exercise.code}`}
                aria-current={exercise === at.exercise ? "page" : undefined}
                className={`flex justify-between gap-3 py-1.5 ${exercise === at.exercise ? "text-act font-bold" : ""}`}
              >
                <span>
                  {i + 1} {exercise.name}
                </span>
                {best !== null && (
                  <span className="text-go font-bold" aria-label={say("practice.best-points", { best })}>
                    {best}
                  </span>
                )}
              </Link>
            </li>
          ))}
        </ol>
        <p className="mt-4 leading-snug">{at.exercise.task}</p>
      </aside>
      <section aria-label={say("ui.pot")} className="min-w-0">
        {practice.pot.error && <ErrorNote error={practice.pot.error} retry={() => void practice.pot.refetch()} />}
        {pot ? <Pot pot={pot} practice={practice} /> : <Waiting />}
      </section>
      <aside className="flex flex-col gap-5">{pot && <Told pot={pot} />}</aside>
    </div>
  );
}

const minutes = (seconds: number) => {
  const [m, s] = [Math.floor(seconds / 60), Math.round(seconds) % 60];
  return m === 0 ? say("practice.s", { s }) : say("practice.min-s", { m, text: String(s).padStart(2, "0") });
};

function Pot({ pot, practice }: { pot: Practice; practice: ReturnType<typeof usePractice> }) {
  const wording = useWording();
  const { seed, make, begin } = practice;
  const test = pot.moves.findLast((m) => m.move.do === "test");
  return (
    <>
      <div className="grid grid-cols-[minmax(0,1fr)_9.5rem] items-end gap-4">
        <BowlView srgb={pot.srgb} lumps={pot.lumps} seed={seed} says={pot.seen.join(" ")} />
        <Thermometer middle={pot.middle} from={pot.from} to={pot.to} most={pot.most} />
      </div>
      {pot.score ? <Scored pot={pot} /> : <Moves pot={pot} make={make} />}
      {practice.moves.length > 0 && (
        <p className="mt-3 flex flex-wrap gap-x-5">
          <TextButton onClick={() => begin(true)}>{say("practice.restart-this-pot")}</TextButton>
          <TextButton onClick={() => begin(false)}>{say("practice.another-pot")}</TextButton>
        </p>
      )}
      {test?.says && (
        <p role="status" className="border-go bg-panel mt-3 border-l-4 px-4 py-2">
          {test.says}
        </p>
      )}
      <h2 className="mt-4 font-serif text-[20px]">{say("practice.pot-so-far")}</h2>
      <Curve
        label={say("practice.pots-temperature-over", { minutes: minutes(pot.passed) })}
        read={pot.story.map((p) => ({ x: p.at / 60, y: p.middle }))}
        window={[pot.from, pot.to]}
        limit={pot.most}
        says={wording.degrees}
        marks={marksOf(pot)}
        wide
      />
    </>
  );
}

const short: Record<Move["do"], string> = {
  heat: say("practice.heat"),
  stir: say("practice.stir"),
  seed: say("ui.seed"),
  wait: say("practice.wait"),
  warm: say("ui.water"),
  test: say("practice.spoon"),
  dip: say("ui.dip"),
};

/** The moves under the curve, as many as can be read. */
function marksOf({ moves, passed }: Practice) {
  const least = passed / 60 / 14;
  const marks: { x: number; name: string }[] = [];
  for (const { from, to, move } of moves) {
    const x = (from + to) / 120;
    if (x - (marks.at(-1)?.x ?? -Infinity) >= least) marks.push({ x, name: short[move.do] });
  }
  return marks;
}

/** What can be done: each takes its time. */
function Moves({ pot, make }: { pot: Practice; make: (move: Move) => void }) {
  const wording = useWording();
  const portion = Math.min(pot.held, Math.max(10, Math.round(pot.held / 4)));
  const moves: [name: string, move: Move][] = [
    ...[30, 10, 5].map((seconds): [string, Move] => [say("practice.heat-s", { seconds }), moveOf("heat", { seconds })]),
    [say("practice.stir-15-s"), moveOf("stir", { seconds: 15 })],
    ...(pot.held > 0.5
      ? [
          [
            say("practice.seed", { portion: wording.mass(portion), held: wording.mass(pot.held) }),
            moveOf("seed", { grams: portion }),
          ] as [string, Move],
        ]
      : []),
    [say("practice.wait-1-min"), moveOf("wait", { seconds: 60 })],
    [
      say("practice.water-30-s", { water: wording.temperature(Math.round(pot.water)) }),
      moveOf("warm", { seconds: 30, water: Math.round(pot.water) }),
    ],
    [say("practice.spoon-test"), moveOf("test", {})],
  ];
  return (
    <p role="group" aria-label={say("practice.what-you-do")} className="mt-4 flex flex-wrap gap-2.5">
      {moves.map(([name, move]) => (
        <button
          key={name}
          className="border-rim bg-panel min-h-12 rounded-full border-2 px-4.5 font-semibold"
          onClick={() => make(move)}
        >
          {name}
        </button>
      ))}
      <button
        className="bg-act text-on-act min-h-12 rounded-full px-5 font-bold"
        onClick={() => make(moveOf("dip", {}))}
      >
        {say("practice.dip-twenty")}
      </button>
    </p>
  );
}

const moveOf = (does: Move["do"], rest: Partial<Move>): Move => ({
  do: does,
  seconds: null,
  grams: null,
  water: null,
  level: null,
  ...rest,
});

const percent = (share: number) => `${(share * 100).toFixed(share < 0.1 ? 1 : 0)}${percentSign}`;

function Rows({ rows }: { rows: [name: string, value: string][] }) {
  return (
    <dl>
      {rows.map(([name, value]) => (
        <div key={name} className="border-line flex justify-between gap-3 border-t border-dashed py-1.5">
          <dt>{name}</dt>
          <dd className="font-bold">{value}</dd>
        </div>
      ))}
    </dl>
  );
}

function Told({ pot }: { pot: Practice }) {
  const wording = useWording();
  const { inside } = pot;
  return (
    <>
      <section aria-labelledby="seen">
        <h2 id="seen" className="font-serif text-[20px]">
          {say("practice.what-you-see")}
        </h2>
        <p className="border-mind bg-mind-ground mt-1.5 border-l-4 px-3 py-2 leading-snug" aria-live="polite">
          {pot.seen.map((said, i) => (
            <span key={said} className={i === 0 ? "block font-bold" : "block"}>
              {said}
            </span>
          ))}
        </p>
      </section>
      <section aria-labelledby="inside">
        <h2 id="inside" className="font-serif text-[20px]">
          {say("practice.what-pot-knows")}
        </h2>
        {inside ? (
          <Rows
            rows={[
              [say("ui.melted"), percent(inside.melted)],
              [say("practice.middle-rim"), `${wording.temperature(pot.middle)}, ${wording.temperature(inside.rim)}`],
              ...(inside.stable === null
                ? []
                : [[say("practice.stable-crystals"), percent(inside.stable)] as [string, string]]),
              [say("practice.scorched"), inside.scorched < 0.001 ? say("ui.nothing") : percent(inside.scorched)],
              [say("practice.hottest-so-far"), wording.temperature(inside.peak)],
            ]}
          />
        ) : (
          <p className="text-ink2 leading-snug">{say("practice.hidden-this-exercise-you-have")}</p>
        )}
      </section>
      <section aria-labelledby="so-far">
        <h2 id="so-far" className="font-serif text-[20px]">
          {say("practice.so-far")}
        </h2>
        <Rows
          rows={[
            [say("practice.time"), minutes(pot.passed)],
            [say("practice.bowl"), wording.mass(pot.mass)],
            ...(pot.held > 0.5 ? [[say("practice.seed-left"), wording.mass(pot.held)] as [string, string]] : []),
          ]}
        />
      </section>
    </>
  );
}

/** How it went, what cost most first, and what to do better. */
function Scored({ pot }: { pot: Practice }) {
  const { score } = pot;
  if (!score) return null;
  return (
    <section aria-labelledby="score" className="mt-4">
      <h2 id="score" className="font-serif text-[20px]">
        <span className="font-sans text-[34px] font-bold">{score.points}</span> {say("practice.100-points")}
        {pot.best !== null && pot.best > score.points && say("practice.your-best", { best: pot.best })}
      </h2>
      <ul className="gap-x-8 sm:columns-2">
        {score.parts.map((part) => (
          <li key={part.code} className="border-line break-inside-avoid border-t border-dashed py-1.5">
            <span className="flex justify-between gap-3">
              {part.name}
              <b>{say("practice.points-of-text", { points: part.points, text: part.of })}</b>
            </span>
            {part.better && <span className="text-ink2 block text-[15px] leading-snug">{part.better}</span>}
          </li>
        ))}
      </ul>
    </section>
  );
}

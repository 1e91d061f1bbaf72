// Writes ciede2000.csv: CIEDE2000 of random pairs by culori, which computes it on its own.
// Run in src/client, whose packages hold culori: node ../../tests/Kondiba.Core.Tests/Vectors/ciede2000.mjs
import { createRequire } from "node:module";
import { writeFileSync } from "node:fs";

const { differenceCiede2000 } = createRequire(`${process.cwd()}/`)("culori");
const difference = differenceCiede2000();

// A small linear congruential generator, so that a new run writes the same pairs.
let state = 20051123;
const random = () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
const within = (from, to) => Number((from + random() * (to - from)).toFixed(4));

const lines = ["l1,a1,b1,l2,a2,b2,deltaE"];
for (let i = 0; i < 1000; i++) {
  const one = { mode: "lab65", l: within(0, 100), a: within(-110, 110), b: within(-110, 110) };
  // Every other pair lies close together, where recipes are decided.
  const two =
    i % 2 === 0
      ? { mode: "lab65", l: within(0, 100), a: within(-110, 110), b: within(-110, 110) }
      : { mode: "lab65", l: Number((one.l + within(-3, 3)).toFixed(4)), a: Number((one.a + within(-5, 5)).toFixed(4)), b: Number((one.b + within(-5, 5)).toFixed(4)) };
  lines.push([one.l, one.a, one.b, two.l, two.a, two.b, difference(one, two).toFixed(6)].join(","));
}
writeFileSync(new URL("ciede2000.csv", import.meta.url), lines.join("\n") + "\n");

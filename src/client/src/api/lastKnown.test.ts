import "fake-indexeddb/auto";
import { expect, test } from "vitest";
import { putBy } from "../ui/putBy";
import { ApiError } from "./client";
import { quiet } from "./handClock";
import { forgetAll, lastKnownOfMine } from "./lastKnown";

const says = (told: string) => () => Promise.resolve(told);
const away = () => Promise.reject(new TypeError("no network"));
const told = async (ask: () => Promise<string>) => {
  const answer = await lastKnownOfMine("day", ask);
  for (let i = 0; i < 5; i++) await quiet();
  return answer;
};

test("while the server is away it is what it said last, to each person apart, and to nobody once they signed out", async () => {
  putBy.open("pier.anna");
  expect(await told(says("Saturday"))).toBe("Saturday");
  expect(await told(says("Sunday"))).toBe("Sunday");
  expect(await told(away)).toBe("Sunday");
  putBy.open("pier.ben");
  await expect(told(away)).rejects.toThrow("no network");
  putBy.open("pier.anna");
  expect(await told(away)).toBe("Sunday");
  await forgetAll();
  await expect(told(away)).rejects.toThrow("no network");
});

test("what the server refuses, or fails at, is not answered with what it said before", async () => {
  putBy.open("pier.anna");
  await told(says("Saturday"));
  for (const status of [401, 404, 500])
    await expect(told(() => Promise.reject(new ApiError(status, undefined)))).rejects.toThrow(String(status));
});

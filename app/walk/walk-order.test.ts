import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { makeDemo } from "../../cli/demo";
import { gardenInProcess } from "../garden-in-process";
import { gardenNow } from "../server/garden-now.server";
import { action, loader } from "./walk-order";

let garden: ReturnType<typeof gardenInProcess>;
beforeAll(() => {
  garden = gardenInProcess((dir) => makeDemo(dir, false));
});
afterAll(() => garden.end());

const send = (typed: Record<string, string>) =>
  action({
    request: new Request("http://garden/walk/order", { method: "POST", body: new URLSearchParams(typed) }),
  } as never);
const ids = () => loader().beds.map((b) => b.id);

describe("the order of the walk", () => {
  it("is laid anew as it was dragged, in one change", async () => {
    const turned = [...ids()].reverse();
    expect(await send({ intent: "order", order: turned.join(" ") })).toBeInstanceOf(Response);
    expect(ids()).toEqual(turned);
    expect(gardenNow().snapshot.beds.find((b) => b.id === turned[0])!.walkOrder).toBe(0);
  });
  it("stays where a bed is missing, unknown or named twice", async () => {
    const before = ids();
    for (const order of [before.slice(1), [...before.slice(1), "no-bed"], [...before.slice(1), before[1]!], []]) {
      const answer = await send({ intent: "order", order: order.join(" ") });
      expect(answer).not.toBeInstanceOf(Response);
      expect((answer as { data: { errors: Record<string, string> } }).data.errors.form).toMatch(/others by now/);
    }
    expect(ids()).toEqual(before);
  });
  it("goes one step by a press on an arrow", async () => {
    const before = ids();
    await send({ intent: "down", bed: before[0]! });
    expect(ids().slice(0, 2)).toEqual([before[1], before[0]]);
  });
});

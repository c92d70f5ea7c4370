import "fake-indexeddb/auto";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { wholeAddress } from "./kept-pages";
import { lastGood } from "./last-good";
import { orWait } from "./or-wait";
import { discard, enqueue, insist, listWaiting, sendWaiting, type WaitingAnswer } from "./queue";

/** A stand-in for the server's door: what it was sent, and what it answers next. */
let sent: Record<string, string>[] = [];
let answer: () => Response = () => Response.json({ taken: true } satisfies WaitingAnswer);

beforeEach(() => {
  sent = [];
  answer = () => Response.json({ taken: true });
  vi.stubGlobal("window", new EventTarget());
  vi.stubGlobal("navigator", { onLine: true });
  vi.stubGlobal("fetch", async (_to: string, { body }: { body: FormData }) => {
    sent.push(Object.fromEntries([...body.entries()].map(([k, v]) => [k, typeof v === "string" ? v : v.name])));
    return answer();
  });
});
afterEach(async () => {
  for (const w of await listWaiting()) await discard(w.id);
  vi.unstubAllGlobals();
});
const item = (id: string, more: Partial<Parameters<typeof enqueue>[0]> = {}) => ({
  ...{ id, path: "/tick", fields: [["done", "yes"]] as [string, string][], label: id },
  ...more,
});

describe("changes that wait on the device", () => {
  it("are sent oldest first with where they belong, their id and their age, and leave the queue once taken", async () => {
    await enqueue(item("first"));
    await new Promise((r) => setTimeout(r, 3));
    await enqueue(item("second", { path: "/picks/new" }));
    expect(await sendWaiting()).toBe(2);
    expect(sent.map((s) => [s.to, s.id, s.done])).toEqual([
      ["/tick", "first", "yes"],
      ["/picks/new", "second", "yes"],
    ]);
    expect(Number(sent[0]!.agoMs)).toBeGreaterThanOrEqual(3);
    expect(await listWaiting()).toEqual([]);
  });
  it("stay, and so do those after them, while the door is shut, busy, or asks to sign in", async () => {
    await enqueue(item("first"));
    await enqueue(item("second"));
    for (const status of [401, 429, 500, 503]) {
      answer = () => new Response("", { status });
      expect(await sendWaiting()).toBe(0);
    }
    answer = () => {
      throw new TypeError("Failed to fetch");
    };
    expect(await sendWaiting()).toBe(0);
    expect((await listWaiting()).map((w) => [w.id, w.refused])).toEqual([
      ["first", null],
      ["second", null],
    ]);
  });
  it("are not sent again once refused, until the gardener insists; then without what the page had seen", async () => {
    await enqueue(item("moved", { path: "/keep/lots/a", fields: [["seen", "e1"]] }));
    answer = () => Response.json({ taken: false, refused: "it was changed meanwhile", meanwhile: "Moved to Cellar" });
    await sendWaiting();
    await sendWaiting();
    expect(sent).toHaveLength(1);
    expect(await listWaiting()).toMatchObject([{ refused: "it was changed meanwhile", meanwhile: "Moved to Cellar" }]);
    answer = () => Response.json({ taken: true });
    await insist("moved");
    expect(sent[1]).toMatchObject({ sure: "yes", id: "moved" });
    expect(sent[1]).not.toHaveProperty("seen");
    expect(await listWaiting()).toEqual([]);
  });
  it("two calls at once send each thing once", async () => {
    await enqueue(item("only"));
    await Promise.all([sendWaiting(), sendWaiting()]);
    expect(sent).toHaveLength(1);
  });
});

describe("a form without a signal", () => {
  const request = (fields: Record<string, string>) => {
    const body = new FormData();
    for (const [k, v] of Object.entries(fields)) body.append(k, v);
    return new Request("http://garden/tick", { method: "POST", body });
  };
  const gone = () => Promise.reject(new TypeError("Failed to fetch"));
  it("waits under its own id, without the fields that only say where to go", async () => {
    const made = () => ({ path: "/tick", label: "Ticked", leave: ["intent"] });
    expect(await orWait(request({ id: "mine-123", intent: "go on", done: "yes" }), gone, made)).toBeNull();
    expect(await listWaiting()).toMatchObject([
      {
        id: "mine-123",
        label: "Ticked",
        fields: [
          ["id", "mine-123"],
          ["done", "yes"],
        ],
      },
    ]);
  });
  it("is the server's answer where it was reached, and its refusal is told at once", async () => {
    const made = () => ({ path: "/tick", label: "Ticked" });
    expect(await orWait(request({}), async () => ({ ok: true }), made)).toEqual({ ok: true });
    await expect(orWait(request({}), () => Promise.reject(new Error("refused")), made)).rejects.toThrow("refused");
    expect(await listWaiting()).toEqual([]);
  });
});

describe("pages without a signal", () => {
  it("are as they were last had; never had, the fault is the page's own to tell", async () => {
    expect(await lastGood("today", async () => ({ beds: 3 }))).toEqual({ beds: 3 });
    await new Promise((r) => setTimeout(r, 10));
    const gone = (): Promise<{ beds: number }> => Promise.reject(new TypeError("Failed to fetch"));
    expect(await lastGood("today", gone)).toEqual({ beds: 3 });
    await expect(lastGood("season", gone)).rejects.toThrow("Failed to fetch");
  });
  it("are kept whole under one address, whichever part was asked for", () => {
    expect(wholeAddress("/")).toBe("/_.data");
    expect(wholeAddress("/_.data?_routes=routes%2Ftoday")).toBe("/_.data");
    expect(wholeAddress("/walk/p1?done=7")).toBe("/walk/p1.data");
    expect(wholeAddress("/picks/new.data?planting=p1&_routes=routes%2Fpick")).toBe("/picks/new.data?planting=p1");
  });
  it("are forgotten with all that still comes in for them when somebody signs out; what waits to be sent stays", async () => {
    vi.resetModules();
    const leaving = await import("./queue");
    await leaving.keep("sheet", "of a bed");
    await enqueue(item("waits"));
    const onItsWay = (async () => {
      await new Promise((r) => setTimeout(r, 10));
      await leaving.keep("sheet", "of another bed");
    })();
    await leaving.forgetKept();
    await onItsWay;
    expect(await leaving.readKept("sheet")).toBeUndefined();
    expect(await listWaiting()).toMatchObject([{ id: "waits" }]);
  });
});

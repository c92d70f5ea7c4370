import { readdirSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { MOST_PHOTOS } from "#core/garden/photos";
import { makeDemo } from "../../cli/demo";
import { gardenInProcess } from "../garden-in-process";
import { gardenNow } from "../server/garden-now.server";
import { takeWaiting } from "../shell/waiting.server";
import { logPickSent } from "./pick-action.server";

let garden: ReturnType<typeof gardenInProcess>;
let leaf: Buffer;
beforeAll(async () => {
  garden = gardenInProcess((dir) => makeDemo(dir, false));
  leaf = await sharp({ create: { width: 60, height: 40, channels: 3, background: "#557733" } })
    .jpeg()
    .toBuffer();
});
afterAll(() => garden.end());

/** A pick as the form sends it, with so many photos. */
function form(photos: number, over: Record<string, string> = {}): FormData {
  const sent = new FormData();
  const fields = { id: "pick-with-photo", plantingId: "tom-wall", gross: "1 kg", extent: "some", grade: "sound" };
  for (const [k, v] of Object.entries({ ...fields, at: "2026-10-06T14:00", ...over })) sent.append(k, v);
  for (let i = 0; i < photos; i++) sent.append("photo", new File([new Uint8Array(leaf)], `${i}.jpg`));
  return sent;
}
const photosOfPick = () => gardenNow().snapshot.picks.find((p) => p.id === "pick-with-photo")!.photos;
const files = () => {
  try {
    return readdirSync(join(garden.dir, "photos")).sort();
  } catch {
    return [];
  }
};

describe("photos of a pick", () => {
  it("are kept with it, once, also when it waited and is sent twice", async () => {
    const sent = form(2);
    sent.append("to", "/picks/new");
    for (let i = 0; i < 2; i++) expect(await takeWaiting(sent)).toEqual({ taken: true });
    expect(photosOfPick()).toHaveLength(2);
    expect(files()).toEqual([...photosOfPick()].sort());
  });
  it("may be added to and taken out one by one when it is changed", async () => {
    const [first, second] = photosOfPick();
    expect(await logPickSent(form(1, { [`drop-${first}`]: "on" }), "pick-with-photo")).toBeInstanceOf(Response);
    expect(photosOfPick()).toHaveLength(2);
    expect(photosOfPick()[0]).toBe(second);
  });
  it("are not written when the pick is refused, and no more than so many are taken", async () => {
    const before = files();
    expect(await logPickSent(form(1, { gross: "heaps" }), "pick-with-photo")).toMatchObject({ init: { status: 422 } });
    expect(await logPickSent(form(MOST_PHOTOS), "pick-with-photo")).toMatchObject({
      data: { errors: { form: `a pick holds at most ${MOST_PHOTOS} photos` } },
    });
    const noPhoto = form(0);
    noPhoto.append("photo", new File(["words"], "notes.txt"));
    expect(await logPickSent(noPhoto, "pick-with-photo")).toMatchObject({
      data: { errors: { form: "“notes.txt” could not be read as a photo" } },
    });
    expect(files()).toEqual(before);
    expect(photosOfPick()).toHaveLength(2);
  });
});

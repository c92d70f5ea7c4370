import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { restoreArchive } from "#db/archive";
import { change } from "#db/change";
import { openGarden } from "#db/open";
import { demoGarden } from "#standins/demo-garden";
import { gardenInProcess } from "../garden-in-process";
import { gardenNow, settled } from "./garden-now.server";

const AT = "2026-10-06T15:30";
const grown = (dir: string) => {
  const db = openGarden(dir);
  restoreArchive(db, demoGarden(), AT);
  db.$client.close();
};
let here: ReturnType<typeof gardenInProcess>;
beforeAll(() => {
  here = gardenInProcess(grown);
});
afterAll(() => here.end());

/** Writes a pick as a thread does: by a connection of its own. */
function writeElsewhere(id: string) {
  const other = openGarden(here.dir);
  const pick = { ...gardenNow().snapshot.picks[0]!, id, roundId: null };
  change(other, "from a thread", AT, (c) => c.put("picks", pick));
  other.$client.close();
}
const seen = (id: string) => gardenNow().snapshot.picks.some((p) => p.id === id);

describe("while a thread writes much of the garden", () => {
  it("pages show it as it was until the new one is judged, and then at once as it is", async () => {
    const before = gardenNow();
    let meanwhile: unknown = null;
    const done = await settled(async () => {
      writeElsewhere("many");
      meanwhile = gardenNow();
      return "written";
    });
    expect([done, meanwhile]).toEqual(["written", before]);
    expect(meanwhile).toBe(before);
    expect(seen("many")).toBe(true);
    // judged already: asking again works out nothing
    expect(gardenNow()).toBe(gardenNow());
  });
  it("a thread that fails leaves nobody with an old garden", async () => {
    gardenNow();
    await expect(
      settled(async () => {
        writeElsewhere("half");
        throw new Error("cut off");
      }),
    ).rejects.toThrow("cut off");
    expect(seen("half")).toBe(true);
  });
});

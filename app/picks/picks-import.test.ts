import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { restoreArchive } from "#db/archive";
import { change } from "#db/change";
import { openGarden } from "#db/open";
import { demoGarden } from "#standins/demo-garden";
import { gardenInProcess } from "../garden-in-process";
import { db, gardenNow } from "../server/garden-now.server";
import { importPicks } from "./picks-import.server";

let here: ReturnType<typeof gardenInProcess>;
beforeAll(() => {
  here = gardenInProcess((dir) => {
    const grown = openGarden(dir);
    restoreArchive(grown, demoGarden(), "2026-10-06T15:30");
    grown.$client.close();
  });
});
afterAll(() => here.end());

const TABLE = [
  "date,time,kind,bed,weight",
  ...Array.from({ length: 20 }, (_, i) => `2026-09-${10 + i},18:00,red slicer,South wall,${100 + i} g`),
].join("\n");
const send = (intent: string, table = TABLE) => {
  const form = new FormData();
  form.set("intent", intent);
  form.set("table", table);
  return importPicks(gardenNow(), form);
};
const count = () => gardenNow().snapshot.picks.length;

describe("a table of picks", () => {
  it("is shown first: how many, their weight, the first twelve by name; nothing is kept", async () => {
    const before = count();
    const shown = await send("check");
    if (!("preview" in shown)) throw new Error("refused");
    const { said, rows, more, already } = shown.preview;
    // 100 to 119 g are 2.19 kg
    expect([said, rows.length, more, already]).toEqual(["20 picks, 2.19 kg", 12, 8, 0]);
    expect(rows[0]).toMatchObject({ at: "2026-09-10T18:00", bed: "South wall", net: "100 g", estimated: false });
    expect(rows[0]!.kind).toMatch(/red slicer/);
    expect(count()).toBe(before);
  });
  it("is kept whole when it is told to, and known again the next time", async () => {
    const before = count();
    expect(await send("import")).toBeInstanceOf(Response);
    expect(count()).toBe(before + 20);
    const again = await send("check");
    expect(again).toMatchObject({ preview: { already: 20, rows: [], more: 0 } });
  });
  it("with a pick inside the wait of a label none of it is kept, and each is named", async () => {
    const plantingId = "tom-wall";
    const spray = {
      id: "s",
      plantingId,
      day: "2026-10-01",
      kind: "spray" as const,
      product: "oil",
      waitDays: 7,
      note: "",
    };
    change(db(), "sprayed", "2026-10-06T15:30", (c) => c.put("treatments", spray));
    const before = count();
    const refused = await send(
      "import",
      "date,kind,bed,weight\n2026-10-02,red slicer,South wall,1 kg\n2026-09-02,red slicer,South wall,1 kg",
    );
    expect(refused).toMatchObject({
      data: {
        errors: {
          table: expect.stringMatching(/red slicer’, South wall, on 2026-10-02: sprayed with oil.*\nNothing was taken/),
        },
      },
      init: { status: 422 },
    });
    expect(count()).toBe(before);
  });
});

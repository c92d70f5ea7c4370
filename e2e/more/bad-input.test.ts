import { spawnSync } from "node:child_process";
import { join } from "node:path";
import Database from "better-sqlite3";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { databaseFile } from "#db/open";
import { demoGarden } from "#standins/demo-garden";
import { forget, grownFolder, post, ROOT, type Served, serveGarden } from "../garden";

const demo = demoGarden();
describe("what cannot be is refused, wherever it is sent", () => {
  let served: Served;
  beforeAll(async () => {
    served = await serveGarden("serve", grownFolder());
  });
  afterAll(async () => {
    await served.stop();
    forget(served);
  });

  it("a calendar whose search never ends is given up, and others are served meanwhile", async () => {
    const form = new FormData();
    form.set("intent", "calendar");
    form.set(
      "calendar",
      new File(
        [
          "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:x\r\nDTSTART;VALUE=DATE:20260101\r\nDTEND;VALUE=DATE:20260104\r\n",
          "RRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30\r\nSUMMARY:Never\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n",
        ],
        "never.ics",
      ),
    );
    const answer = post(served, "/settings", form);
    expect((await fetch(`${served.address}/handbook`)).status).toBe(200);
    expect([422, 302]).toContain((await answer).status);
  });
});

describe("a garden that already holds a date that cannot be", () => {
  it("opens every page, says what is set aside, and lets it be put right", async () => {
    const dataDir = grownFolder();
    const client = new Database(databaseFile(dataDir));
    const pick = demo.picks.at(-1)!;
    client.prepare("update picks set at = '2026-02-31T10:00' where id = ?").run(pick.id);
    client.prepare("update plantings set started_on = '9999-06-01' where id = ?").run(demo.plantings[1]!.id);
    client.close();
    const served = await serveGarden("serve", dataDir);
    for (const path of [
      "/",
      "/walk",
      "/rounds",
      "/picks",
      "/plot",
      "/keep",
      "/season",
      "/season/beds",
      "/weather",
      "/settings",
    ])
      expect(`${path} ${(await fetch(served.address + path)).status}`).toBe(`${path} 200`);
    const today = await (await fetch(served.address)).text();
    expect(today).toContain("2026-02-31T10:00");
    expect(today).toContain("9999-06-01");
    expect((await fetch(`${served.address}/picks/${pick.id}`)).status).toBe(200);
    expect((await fetch(`${served.address}/plot/plantings/${demo.plantings[1]!.id}`)).status).toBe(200);
    await served.stop();
    forget(served);
  });
});

describe("a garden that is being served", () => {
  const akmedon = (...args: string[]) =>
    spawnSync(process.execPath, [join(ROOT, "build", "cli", "akmedon.mjs"), ...args], {
      cwd: ROOT,
      encoding: "utf8",
      env: { ...process.env, AKMEDON_ROOT: ROOT, NODE_ENV: "production" },
    });

  it("is not restored, imported over or served twice, and says where it is served; a backup of it can be made", async () => {
    const dataDir = grownFolder();
    const served = await serveGarden("serve", dataDir);
    const backup = akmedon("backup", "--data", dataDir);
    expect(backup.status).toBe(0);
    const copy = backup.stdout.trim();
    const archive = join(dataDir, "archive.json");
    expect(akmedon("export", "--data", dataDir, archive).status).toBe(0);
    for (const args of [
      ["restore", copy],
      ["import", archive],
      ["serve", "--port", "0"],
    ]) {
      const refused = akmedon(args[0]!, "--data", dataDir, ...args.slice(1));
      expect(refused.status).toBe(2);
      expect(refused.stderr).toContain(served.address);
    }
    await served.stop();
    const restored = akmedon("restore", "--data", dataDir, copy);
    expect(restored.stderr).toMatch(/Restored into .*: \d+ plantings/);
    expect(restored.status).toBe(0);
    forget(served);
  });

  it("lets go of its folder however it ends", async () => {
    const served = await serveGarden("serve", grownFolder());
    served.kill();
    await new Promise((wait) => setTimeout(wait, 300));
    const again = await serveGarden("serve", served.dataDir);
    await again.stop();
    forget(again);
  });
});

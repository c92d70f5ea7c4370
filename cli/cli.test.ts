import { execFileSync, spawnSync } from "node:child_process";
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { beforeAll, describe, expect, it } from "vitest";
import { CROPS } from "#core/handbook/index";
import { readArchive, writeArchive } from "#formats/archive";
import { judgedSchema } from "#formats/judge-document";
import { plannedSchema } from "#formats/plan-document";
import { DEMO_NOW, demoGarden } from "#standins/demo-garden";
import { bundleCommand } from "../scripts/ready.mjs";

const ROOT = join(import.meta.dirname, "..");

let command = "";
// one bundled file starts in a fraction of the time that its sources take, and it is what people run
beforeAll(() => {
  command = bundleCommand();
}, 600_000);

/** Runs the command as a script would, with standard input. */
function akmedon(args: string[], input = ""): { status: number | null; out: string; err: string } {
  const result = spawnSync(process.execPath, [command, ...args], {
    cwd: ROOT,
    input,
    encoding: "utf8",
    maxBuffer: 64 * 1024 * 1024,
    env: { ...process.env, AKMEDON_ROOT: ROOT },
  });
  return { status: result.status, out: result.stdout, err: result.stderr };
}

const onion = {
  today: "2026-08-05",
  crop: "bulb-onion",
  school: "half-down",
  startedHow: "planted",
  startedOn: "2026-04-02",
  packetDays: [100, 115],
  checks: [
    {
      day: "2026-08-05",
      readings: [
        { cueId: "tops-down", value: 60 },
        { cueId: "neck", value: "folds" },
      ],
    },
  ],
};

describe("akmedon judge", () => {
  it("reads one JSON document and writes one", () => {
    const { status, out } = akmedon(["judge"], JSON.stringify(onion));
    expect(status).toBe(0);
    const judged = judgedSchema.parse(JSON.parse(out));
    expect(judged.verdict).toBe("pick-all");
    expect(judged.days).toHaveLength(15);
    expect(judged.reasons.join()).toMatch(/neck: squashy, folds flat/);
    expect(judged.technique).toMatch(/fork/);
  });
  it("says where a document is wrong, and exits with 2", () => {
    const wrong = (change: object) => akmedon(["judge"], JSON.stringify({ ...onion, ...change }));
    expect(wrong({ crop: "moonfruit" })).toMatchObject({
      status: 2,
      err: expect.stringContaining("column crop: the handbook has no crop"),
    });
    expect(wrong({ today: "5 August" }).err).toContain("column today: not a day");
    const reading = wrong({ checks: [{ day: "2026-08-05", readings: [{ cueId: "tops-down", value: 160 }] }] });
    expect(reading.err).toContain("column checks.0.readings.0: a share from 0 to 100 percent");
    expect(akmedon(["judge"], "{").err).toContain("not JSON");
  });
});

describe("akmedon plan", () => {
  it("plans the demo fortnight with its bound, the same every time", () => {
    const doc = JSON.stringify({ now: DEMO_NOW, garden: demoGarden() });
    const first = akmedon(["plan", "-"], doc);
    expect(first.status).toBe(0);
    const planned = plannedSchema.parse(JSON.parse(first.out));
    expect(planned.gap).toBeLessThan(0.05);
    expect(planned.bound).toBeGreaterThanOrEqual(planned.value);
    expect(planned.rounds.length).toBeGreaterThan(2);
    // while the household is away only its stand-in goes, every other evening
    const away = planned.rounds.filter((r) => r.day >= "2026-10-10" && r.day <= "2026-10-14");
    for (const r of away) expect(["2026-10-11T18:00", "2026-10-13T18:00"]).toContain(`${r.day}T${r.startsAt}`);
    const squash = planned.rounds.find((r) => r.lines.some((l) => l.plantingId === "squash-lower"));
    expect(squash && squash.day <= "2026-10-08").toBe(true);
    expect(akmedon(["plan"], doc).out).toBe(first.out);
  });
});

describe("akmedon schema", () => {
  it.each(["judge", "judged", "plan", "planned"])("docs/schemas/%s.schema.json is what the code says", (name) => {
    expect(readFileSync(join(ROOT, "docs", "schemas", `${name}.schema.json`), "utf8")).toBe(
      akmedon(["schema", name]).out,
    );
  });
});

describe("akmedon on a data folder", () => {
  it("imports, exports, backs up and restores the same garden", () => {
    const dir = mkdtempSync(join(tmpdir(), "akmedon-cli-"));
    const archive = join(dir, "in.json");
    writeFileSync(archive, writeArchive(demoGarden()));
    expect(akmedon(["import", "--data", dir, archive]).status).toBe(0);
    const exported = akmedon(["export", "--data", dir]).out;
    const read = readArchive(exported);
    expect(read.ok && read.value.picks.length).toBe(demoGarden().picks.length);
    const copy = akmedon(["backup", "--data", dir]).out.trim();
    const broken = join(dir, "broken.json");
    writeFileSync(broken, exported.replace('"bulb-onion"', '"moonfruit"'));
    const refused = akmedon(["import", "--data", dir, broken]);
    expect(refused).toMatchObject({ status: 2, err: expect.stringContaining("the handbook has no crop “moonfruit”") });
    expect(akmedon(["export", "--data", dir]).out).toBe(exported);
    const empty = { ...demoGarden(), picks: [], checks: [] };
    writeFileSync(archive, writeArchive(empty));
    akmedon(["import", "--data", dir, archive]);
    expect(akmedon(["export", "--data", dir]).out).not.toBe(exported);
    expect(akmedon(["restore", "--data", dir, copy]).status).toBe(0);
    expect(akmedon(["export", "--data", dir]).out).toBe(exported);
    expect(readdirSync(join(dir, "backups")).length).toBeGreaterThanOrEqual(4);
    expect(akmedon(["restore", "--data", dir, broken])).toMatchObject({
      status: 2,
      err: expect.stringContaining("no SQLite database"),
    });
  });
});

describe("akmedon itself", () => {
  it("lists the handbook, one crop, and its help", () => {
    expect(akmedon(["handbook"]).out.split("\n")).toHaveLength(CROPS.length + 1);
    expect(JSON.parse(akmedon(["handbook", "kale"]).out).latin).toContain("Brassica");
    expect(akmedon(["--help"]).out).toContain("judge   [FILE]");
  });
  it("refuses a verb or an option that it does not know", () => {
    expect(akmedon(["juggle"])).toMatchObject({ status: 2, err: expect.stringContaining("there is no verb “juggle”") });
    expect(akmedon(["serve", "--prot", "1"]).status).toBe(2);
    expect(akmedon(["handbook", "moonfruit"]).status).toBe(2);
  });
  it("the core keeps its rules, and the check that says so can fail", () => {
    expect(
      execFileSync(process.execPath, [join(ROOT, "scripts", "core-rules.mjs")], { cwd: ROOT, encoding: "utf8" }),
    ).toContain("keep its rules");
    const dir = mkdtempSync(join(tmpdir(), "akmedon-rules-"));
    execFileSync("mkdir", ["-p", join(dir, "core")]);
    writeFileSync(join(dir, "core", "bad.ts"), "export const now = Date.now();\n");
    expect(spawnSync(process.execPath, [join(ROOT, "scripts", "core-rules.mjs")], { cwd: dir }).status).toBe(1);
  });
});

import { type ChildProcess, spawn } from "node:child_process";
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { keepPhotos } from "../app/server/photos.server";
import { archiveOf, restoreArchive } from "../db/archive";
import { backupFile, listMade, makeBackup, thinBackups } from "../db/backups";
import { change } from "../db/change";
import { holdFolder } from "../db/folder-hold";
import { inspectGarden, restoreGarden } from "../db/garden-file";
import { openGarden } from "../db/open";
import { demoGarden } from "../standins/demo-garden";
import { chance } from "../standins/random";

/**
 * A process is killed again and again at whatever it is doing, and what it had acknowledged must be there whole:
 * logging, backups, archives put in a garden's place, restores, photos.
 */
const WORKS = ["picks", "backup", "import", "restore", "photos"] as const;
type Work = (typeof WORKS)[number];
const AT = "2026-10-06T15:30";
const KILLS = Number(process.env.KILLS ?? 500);
const ROOT = join(dirname(fileURLToPath(import.meta.url)), "..", "..");
const demo = demoGarden();
/** Two gardens that an archive or a restore goes between: one of them must stand whole after every kill. */
const [FULL, LEAN] = [
  demo,
  { ...demo, picks: demo.picks.slice(0, 40), lotEvents: [], checks: demo.checks.slice(0, 10) },
];
const PICKS = [FULL.picks.length, LEAN.picks.length];

/** What the child does until it is killed; a line for each thing it has done. */
async function work(what: Work, dir: string): Promise<void> {
  const told = (line: string) => process.stdout.write(`${line}\n`);
  if (what === "restore") {
    const hold = holdFolder(dir);
    told("ready");
    for (let n = 0; ; n++) {
      const made = listMade(dir);
      const restored = restoreGarden(dir, backupFile(dir, made[n % made.length]!.name), `${process.pid}-${n}`);
      if (!restored.ok) throw new Error(restored.message);
      told("restored");
      for (const file of readdirSync(join(dir, "backups")))
        if (file.startsWith("before-restore")) rmSync(join(dir, "backups", file), { force: true });
      hold.says("nobody");
    }
  }
  const db = openGarden(dir);
  told("ready");
  if (what === "picks" || what === "backup")
    for (let n = 0; ; n++) {
      const id = `kill-${process.pid}-${n}`;
      const pick = { ...demo.picks[n % demo.picks.length]!, id, roundId: null };
      change(db, `pick ${id}`, AT, (c) => c.put("picks", pick));
      told(id);
      if (what === "backup" && n % 20 === 0) {
        const s = new Date().toISOString().slice(0, 19);
        const made = await makeBackup(dir, s);
        if (made.ok) told(`backup ${made.backup.name}`);
        thinBackups(dir);
      }
    }
  if (what === "import")
    for (let n = 0; ; n++) {
      restoreArchive(db, n % 2 === 0 ? LEAN : FULL, AT);
      told("imported");
    }
  process.env.AKMEDON_DATA = dir;
  const picture = readFileSync(join(dir, "picture.png"));
  for (let n = 0; ; n++) {
    const kept = await keepPhotos([new File([picture], "look.png")]);
    if (!kept.ok) throw new Error(kept.message);
    const id = `photo-${process.pid}-${n}`;
    change(db, id, AT, (c) => c.put("checks", { ...demo.checks[0]!, id, photos: kept.names }));
    told(`${id} ${kept.names[0]}`);
  }
}

/** What is wrong with a folder after a kill; nothing, if all is well. */
function faultsOf(what: Work, dir: string, said: readonly string[]): string[] {
  const faults: string[] = [];
  const db = openGarden(dir);
  const sound = db.$client.pragma("quick_check", { simple: true });
  if (sound !== "ok") faults.push(`the file is damaged: ${sound}`);
  const have = (table: string, id: string) =>
    db.$client.prepare(`select 1 from ${table} where id = ?`).get(id) !== undefined;
  if (what === "picks" || what === "backup")
    for (const id of said)
      if (id.startsWith("kill-") && !have("picks", id)) faults.push(`pick ${id} was acknowledged and is gone`);
  if (what === "backup")
    for (const b of listMade(dir)) {
      const looked = inspectGarden(backupFile(dir, b.name));
      if (!looked.ok) faults.push(`the backup ${b.name} is not sound: ${looked.message}`);
      else if (looked.holds.picks !== b.holds.picks) faults.push(`the backup ${b.name} is not what it says`);
    }
  if (what === "import" || what === "restore") {
    const picks = archiveOf(db).picks.length;
    if (!PICKS.includes(picks)) faults.push(`${picks} picks: neither the one garden nor the other`);
  }
  if (what === "photos")
    for (const line of said.filter((l) => l.startsWith("photo-"))) {
      const [id, name] = line.split(" ") as [string, string];
      if (!have("checks", id)) faults.push(`look ${id} was acknowledged and is gone`);
      const file = join(dir, "photos", name);
      const bytes = existsSync(file) ? readFileSync(file) : null;
      // a JPEG begins with FF D8 and ends with FF D9
      if (bytes?.[0] !== 0xff || bytes.at(-2) !== 0xff || bytes.at(-1) !== 0xd9)
        faults.push(`photo ${name} is gone or cut short`);
    }
  db.$client.close();
  return faults;
}

/** A folder to be attacked, with what its work needs. */
async function folderFor(what: Work): Promise<string> {
  const dir = mkdtempSync(join(tmpdir(), `akmedon-kill-${what}-`));
  const db = openGarden(dir);
  restoreArchive(db, LEAN, AT);
  if (what === "restore") {
    await makeBackup(dir, "2026-10-01T08:00:00");
    restoreArchive(db, FULL, AT);
    await makeBackup(dir, "2026-10-02T08:00:00");
  }
  if (what === "photos") {
    const { default: sharp } = await import("sharp");
    const png = await sharp({ create: { width: 700, height: 500, channels: 3, background: "#558844" } })
      .png()
      .toBuffer();
    writeFileSync(join(dir, "picture.png"), png);
  }
  db.$client.close();
  return dir;
}

function begun(
  what: Work,
  dir: string,
): { child: ChildProcess; said: string[]; ready: Promise<void>; over: Promise<void> } {
  const child = spawn(process.execPath, [fileURLToPath(import.meta.url), "child", what, dir], {
    stdio: ["ignore", "pipe", "inherit"],
    env: { ...process.env, AKMEDON_ROOT: ROOT },
  });
  const said: string[] = [];
  let rest = "";
  let isReady = () => {};
  const ready = new Promise<void>((resolve) => {
    isReady = resolve;
  });
  child.stdout!.on("data", (chunk: Buffer) => {
    rest += chunk.toString();
    const lines = rest.split("\n");
    rest = lines.pop()!;
    said.push(...lines);
    if (said.includes("ready")) isReady();
  });
  const over = new Promise<void>((resolve) => {
    child.once("close", () => {
      isReady();
      resolve();
    });
  });
  return { child, said, ready, over };
}

async function main(): Promise<void> {
  const luck = chance(20261129);
  const table: string[] = [];
  let lost = 0;
  const from = performance.now();
  for (const what of WORKS) {
    const dir = await folderFor(what);
    const kills = Math.round(KILLS / WORKS.length);
    let done = 0;
    const faults: string[] = [];
    for (let k = 0; k < kills; k++) {
      const { child, said, ready, over } = begun(what, dir);
      await ready;
      // at some moment of whatever it does, a different one each time
      await new Promise((resolve) => setTimeout(resolve, 3 + luck.next() * 160));
      child.kill("SIGKILL");
      await over;
      done += said.length;
      faults.push(...faultsOf(what, dir, said));
      if (k % 20 === 19) process.stderr.write(`${what}: ${k + 1} of ${kills} kills, ${faults.length} faults\n`);
    }
    table.push(`| ${what} | ${kills} | ${done} | ${faults.length} |`);
    for (const fault of faults.slice(0, 5)) table.push(`| | | ${fault} | |`);
    lost += faults.length;
    const bytes = readdirSync(dir).reduce((sum, f) => sum + statSync(join(dir, f)).size, 0);
    process.stderr.write(`${what}: ${faults.length} faults, folder of ${Math.round(bytes / 1e6)} MB\n`);
    rmSync(dir, { recursive: true, force: true });
  }
  const text = `# Killed at work

Made by \`npm run bench:kill\`. A process that works on a garden is killed (SIGKILL) at a random moment, again and again; after
each kill the garden is opened, checked, and everything that had been acknowledged is looked for. What is left half must
be nowhere: of two gardens that an archive or a restore goes between, one stands whole.

| at work on | kills | things acknowledged | lost, half or damaged |
| --- | ---: | ---: | ---: |
${table.join("\n")}

${Math.round((performance.now() - from) / 1000)} s.
`;
  writeFileSync(join(ROOT, "bench", "kill.md"), text);
  process.stdout.write(text);
  process.exitCode = lost > 0 ? 1 : 0;
}

const [, , mode, what, dir] = process.argv;
if (mode === "child") await work(what as Work, dir!);
else await main();

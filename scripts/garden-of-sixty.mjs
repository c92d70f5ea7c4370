// The demo garden with sixty growing plantings and twenty repeated jobs, for the bench: what a large garden asks of a page.
import { execFileSync } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";

const PLANTINGS = 60;
const JOBS = 20;

/**
 * Makes it out of a demo garden's archive.
 * @param command the bundled command; `from` the demo's data folder, `dir` where to work
 * @returns its data folder
 */
export function gardenOfSixty(command, from, dir, env) {
  const run = (...args) => execFileSync(process.execPath, [command, ...args], { env, stdio: "pipe" });
  const file = join(dir, "sixty.json");
  run("export", "--data", from, file);
  const garden = JSON.parse(readFileSync(file, "utf8"));
  const copies = (list, field, of, to) =>
    list.filter((x) => x[field] === of).map((x) => ({ ...x, id: `${x.id}${to}`, [field]: of + to }));
  const growing = garden.plantings.filter((p) => p.endedOn === null);
  for (let k = 0; growing.length + k < PLANTINGS; k++) {
    const p = growing[k % growing.length];
    const to = `-${k}`;
    garden.plantings.push({ ...p, id: p.id + to });
    garden.picks.push(...copies(garden.picks, "plantingId", p.id, to).map((x) => ({ ...x, roundId: null })));
    garden.checks.push(...copies(garden.checks, "plantingId", p.id, to));
  }
  const job = garden.ownJobs.find((j) => j.everyDays !== null);
  for (let k = garden.ownJobs.length; k < JOBS; k++)
    garden.ownJobs.push({ ...job, id: `job-${k}`, everyDays: 2 + (k % 12), words: `${job.words} ${k}` });
  writeFileSync(file, JSON.stringify(garden));
  const data = join(dir, "sixty");
  run("import", "--data", data, file);
  return data;
}

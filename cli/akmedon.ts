import { existsSync, readFileSync } from "node:fs";
import { basename, join, resolve } from "node:path";
import { createInterface } from "node:readline";
import { parseArgs } from "node:util";
import { z } from "zod";
import { CROPS, findCrop } from "#core/handbook/index";
import { backupFile, bringPhotosBack, dailyBackup, listMade, machineTime, makeBackup, thinBackups } from "#db/backups";
import { FolderHeld, type Hold, holdFolder } from "#db/folder-hold";
import { backupsOf, inspectGarden, restoreGarden } from "#db/garden-file";
import { type Db, GardenUnfit, openGarden } from "#db/open";
import { judgeDocument, judgeDocumentSchema, judgedSchema, readDocument } from "#formats/judge-document";
import { type LocatedError, sayError } from "#formats/located";
import { planDocument, planDocumentSchema, plannedSchema } from "#formats/plan-document";
import { exportGarden, importFile } from "./archive-files";
import { keepBackingUp } from "./daily-backup";
import { makeDemo } from "./demo";
import { findLock, type Lock, setLock } from "./passphrase";
import { type Served, serve } from "./serve";
import { warmUp } from "./warm-up";

const HELP = `akmedon VERB [options]

  serve   [--data FOLDER] [--port N] [--lan]   serve your own garden on 127.0.0.1
  demo    [--fresh] [--port N] [--lan]         serve the demo garden
                                       --lan lets the home network in, behind a passphrase and encrypted, on the
                                       next port; --plain leaves the encryption out; --new-passphrase sets another
                                       (asked for, or taken from AKMEDON_PASSPHRASE)
  handbook [CROP] [--json]             list the crops, or one crop with its facts
  judge   [FILE]                       judge one planting: JSON in, JSON out
  plan    [FILE]                       plan a fortnight of rounds: JSON in, JSON out
  export  [--data FOLDER] [FILE]       write the whole garden as one JSON archive; a FILE called …zip carries its
                                       photos as well
  import  [--data FOLDER] [--rest] FILE   put an archive, JSON or zip, in the garden's place (a backup is made
                                       first); --rest leaves out what refers to something that is missing
  backup  [--data FOLDER] [--daily]    make a backup in FOLDER/backups; --daily: only where something changed since
                                       the last one and today has none yet
  backups [--data FOLDER]              list the backups
  restore [--data FOLDER] BACKUP       bring a backup back, by its name or its file (the garden as it was is kept
                                       beside it)
  schema  judge|judged|plan|planned    the JSON schema of a document

FILE may be left out or "-" for standard input or output. Exit status: 0 done, 1 failed, 2 wrong use or input.`;

/** A fault of use or input: said in plain words, exit status 2. */
class Misuse extends Error {}

const refuse = (errors: readonly LocatedError[]): never => {
  throw new Misuse(errors.map(sayError).join("\n"));
};
const textOf = (file: string | undefined): string => {
  if (file === undefined || file === "-") return readFileSync(0, "utf8");
  if (!existsSync(file)) throw new Misuse(`there is no file ${file}`);
  return readFileSync(file, "utf8");
};
const say = (value: unknown): void => {
  process.stdout.write(typeof value === "string" ? value : `${JSON.stringify(value, null, 2)}\n`);
};
const round6 = (_key: string, value: unknown) => (typeof value === "number" ? Math.round(value * 1e6) / 1e6 : value);

/** The lock of a garden that is to be served on the home network; asks for a passphrase when there is none. */
async function lockFor(dataDir: string, anew: boolean): Promise<Lock> {
  const known = findLock(dataDir);
  if (known && !anew) return known;
  const given =
    process.env.AKMEDON_PASSPHRASE ?? (process.stdin.isTTY ? await ask("  A passphrase for the home network: ") : "");
  try {
    return setLock(dataDir, given);
  } catch (e) {
    throw new Misuse(
      `${(e as Error).message}; type it when asked, or give it in AKMEDON_PASSPHRASE when there is no terminal`,
    );
  }
}

/** Holds a data folder for this process, or says who does. */
function holding(dataDir: string): Hold {
  try {
    return holdFolder(dataDir);
  } catch (error) {
    throw error instanceof FolderHeld ? new Misuse(error.message) : error;
  }
}

/** Opens the garden, or says what is wrong with its file and which copy could be brought back. */
function opened(dataDir: string): Db {
  try {
    return openGarden(dataDir);
  } catch (error) {
    if (!(error instanceof GardenUnfit)) throw error;
    const sound = backupsOf(dataDir).find((copy) => inspectGarden(copy).ok);
    throw new Misuse(
      `${error.message}. Nothing was changed.${sound ? `\nThe newest sound backup is ${sound}\nBring it back with: akmedon restore --data ${dataDir} ${sound}` : ""}`,
    );
  }
}

/** Puts an archive in the garden's place; a backup is made first. */
async function importGarden(dataDir: string, file: string | undefined, rest: boolean): Promise<void> {
  const bytes = file === undefined || file === "-" ? readFileSync(0) : existsSync(file) ? readFileSync(file) : null;
  if (!bytes) throw new Misuse(`there is no file ${file}`);
  const hold = holding(dataDir);
  try {
    const imported = await importFile(opened(dataDir), dataDir, bytes, rest);
    if (!imported.ok) return refuse(imported.errors);
    for (const note of imported.notes) console.error(note);
    console.error(`Imported into ${dataDir}; the garden as it was is in ${imported.copy}`);
  } finally {
    hold.release();
  }
}

const codeOf = async (address: string): Promise<string> =>
  (await import("qrcode")).default.toString(address, { type: "terminal", small: true });

/** Says where the garden is on the home network, and tells the application, which shows it in Settings. */
async function sayHome({ homeAddress, trust }: Served): Promise<void> {
  process.env.AKMEDON_HOME_ADDRESS = homeAddress ?? "";
  if (!homeAddress) {
    console.log("  This machine is on no network now; the garden can be opened here only.\n");
    return;
  }
  console.log(`  On the home network: ${homeAddress}`);
  if (!trust) {
    console.log(
      "  Not encrypted: whoever is on this network can read the passphrase and what you enter. Leave --plain out\n" +
        `  to have it encrypted.\n\n${await codeOf(homeAddress)}`,
    );
    return;
  }
  const { fingerprintOf } = await import("./authority");
  const fingerprint = fingerprintOf(trust.authority);
  process.env.AKMEDON_TRUST_ADDRESS = trust.address;
  process.env.AKMEDON_FINGERPRINT = fingerprint;
  console.log(
    `  Once for each phone, so that it trusts the encryption: ${trust.address}\n  Fingerprint: ${fingerprint}\n\n` +
      `${await codeOf(trust.address)}`,
  );
}

function ask(question: string): Promise<string> {
  const terminal = createInterface({ input: process.stdin, output: process.stdout });
  return new Promise((resolve) =>
    terminal.question(question, (answer) => {
      terminal.close();
      resolve(answer);
    }),
  );
}

async function main(argv: string[]): Promise<void> {
  // whatever is written is for the owner alone
  process.umask(0o077);
  const { values, positionals } = parseArgs({
    args: argv,
    allowPositionals: true,
    options: {
      data: { type: "string" },
      port: { type: "string" },
      fresh: { type: "boolean" },
      lan: { type: "boolean" },
      plain: { type: "boolean" },
      "new-passphrase": { type: "boolean" },
      json: { type: "boolean" },
      daily: { type: "boolean" },
      rest: { type: "boolean" },
      help: { type: "boolean", short: "h" },
    },
  });
  const [verb, file] = positionals;
  if (values.help || !verb) return say(`${HELP}\n`);
  const root = process.env.AKMEDON_ROOT ?? process.cwd();
  const dataDir = resolve(
    values.data ?? process.env.AKMEDON_DATA ?? join(root, "data", verb === "demo" ? "demo" : "garden"),
  );
  const port = Number(values.port ?? process.env.PORT ?? (verb === "demo" ? 4319 : 4317));
  if (!Number.isInteger(port) || port < 0 || port > 65_535) throw new Misuse("--port wants a number from 0 to 65535");

  switch (verb) {
    case "serve":
    case "demo": {
      const hold = holding(dataDir);
      if (verb === "demo" && makeDemo(dataDir, values.fresh === true)) console.log("The demo garden was grown.");
      process.env.AKMEDON_DATA = dataDir;
      opened(dataDir).$client.close();
      const lock = values.lan ? await lockFor(dataDir, values["new-passphrase"] === true) : null;
      const home = lock ? { lock, plain: values.plain === true } : null;
      const served = await serve(root, port, home).catch((e: NodeJS.ErrnoException) => {
        if (e.code === "EADDRINUSE")
          throw new Misuse(`port ${port}, or the next one, is taken; choose another with --port`);
        throw e;
      });
      const { servers, address } = served;
      hold.says(address);
      if (verb === "serve") keepBackingUp(dataDir);
      console.log(`\n  Akmedon is at ${address}\n  The garden is in ${dataDir}\n  Stop it with Ctrl-C.\n`);
      if (home) await sayHome(served);
      // a page that fails says so to whoever opens it
      void warmUp(served.build).catch(() => null);
      const stop = () => {
        let open = servers.length;
        const closed = () => {
          open -= 1;
          if (open > 0) return;
          hold.release();
          process.exit(0);
        };
        for (const server of servers) {
          server.close(closed);
          server.closeIdleConnections();
          setTimeout(() => server.closeAllConnections(), 1500).unref();
        }
      };
      process.once("SIGTERM", stop);
      process.once("SIGINT", stop);
      return;
    }
    case "handbook": {
      const crop = file ? findCrop(file) : null;
      if (file && !crop)
        throw new Misuse(`the handbook has no crop “${file}”; it has ${CROPS.map((c) => c.id).join(", ")}`);
      if (crop) return say(crop);
      return values.json
        ? say(CROPS)
        : say(
            CROPS.map(
              (c) =>
                `${c.id.padEnd(22)} ${c.name}, ${c.latin}; cues: ${c.cues.map((x) => x.id).join(", ")}; schools: ${c.schools.map((s) => s.id).join(", ")}\n`,
            ).join(""),
          );
    }
    case "judge": {
      const doc = readDocument(textOf(file), judgeDocumentSchema);
      if (!doc.ok) return refuse(doc.errors);
      const judged = judgeDocument(doc.value);
      return judged.ok ? say(`${JSON.stringify(judged.value, round6, 2)}\n`) : refuse(judged.errors);
    }
    case "plan": {
      const doc = readDocument(textOf(file), planDocumentSchema);
      return doc.ok ? say(`${JSON.stringify(planDocument(doc.value), round6, 2)}\n`) : refuse(doc.errors);
    }
    case "schema": {
      const schemas: Record<string, z.ZodType> = {
        judge: judgeDocumentSchema,
        judged: judgedSchema,
        plan: planDocumentSchema,
        planned: plannedSchema,
      };
      const schema = schemas[file ?? ""];
      if (!schema) throw new Misuse(`schema of what? ${Object.keys(schemas).join(", ")}`);
      return say(
        z.toJSONSchema(schema, {
          io: file === "judge" || file === "plan" ? "input" : "output",
          unrepresentable: "any",
        }),
      );
    }
    case "export":
      return await exportGarden(opened(dataDir), dataDir, file);
    case "import":
      return await importGarden(dataDir, file, values.rest === true);
    case "backup": {
      opened(dataDir).$client.close();
      const made = values.daily ? await dailyBackup(dataDir, machineTime()) : await makeBackup(dataDir, machineTime());
      if (!made) return;
      if (!made.ok) throw new Error(made.message);
      if (!values.daily) thinBackups(dataDir);
      return say(`${backupFile(dataDir, made.backup.name)}\n`);
    }
    case "backups":
      return say(
        listMade(dataDir)
          .map(
            (b) =>
              `${b.name}  ${b.madeAt.replace("T", " ")}  ${b.holds.plantings} plantings, ${b.holds.looks} looks, ${b.holds.picks} picks, ${Object.keys(b.photos).length} photos\n`,
          )
          .join("") || "No backup yet.\n",
      );
    case "restore": {
      if (!file) throw new Misuse("restore wants the name or the file of a backup; `akmedon backups` lists them");
      const hold = holding(dataDir);
      try {
        const made = listMade(dataDir).find((b) => b.name === basename(file, ".sqlite"));
        const restored = restoreGarden(
          dataDir,
          made && !existsSync(file) ? backupFile(dataDir, made.name) : resolve(file),
          `${Date.now()}`,
        );
        if (!restored.ok) throw new Misuse(`${restored.message} The garden was not touched.`);
        if (made) bringPhotosBack(dataDir, made);
        const { plantings, picks, looks, lastEntry } = restored.holds;
        return console.error(
          `Restored into ${dataDir}: ${plantings} plantings, ${looks} looks, ${picks} picks` +
            `${lastEntry ? `, last entry ${lastEntry.replace("T", " ")}` : ""}.` +
            `${restored.keptAside ? ` The garden as it was is in ${restored.keptAside}` : ""}`,
        );
      } finally {
        hold.release();
      }
    }
    default:
      throw new Misuse(`there is no verb “${verb}”\n\n${HELP}`);
  }
}

main(process.argv.slice(2)).catch((error: unknown) => {
  const misuse =
    error instanceof Misuse ||
    (error instanceof TypeError && "code" in error && String(error.code).startsWith("ERR_PARSE_ARGS"));
  console.error(misuse ? (error as Error).message : error);
  process.exitCode = misuse ? 2 : 1;
});

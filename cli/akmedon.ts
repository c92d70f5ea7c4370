import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { createInterface } from "node:readline";
import { parseArgs } from "node:util";
import { z } from "zod";
import { CROPS, findCrop } from "#core/handbook/index";
import { archiveOf, restoreArchive } from "#db/archive";
import { FolderHeld, type Hold, holdFolder } from "#db/folder-hold";
import { gardenOf, nowAt } from "#db/garden";
import { backupsOf, inspectGarden, restoreGarden } from "#db/garden-file";
import { backupTo, type Db, GardenUnfit, openGarden } from "#db/open";
import { readArchive, writeArchive } from "#formats/archive";
import { judgeDocument, judgeDocumentSchema, judgedSchema, readDocument } from "#formats/judge-document";
import { type LocatedError, sayError } from "#formats/located";
import { planDocument, planDocumentSchema, plannedSchema } from "#formats/plan-document";
import { makeDemo } from "./demo";
import { findLock, type Lock, setLock } from "./passphrase";
import { serve } from "./serve";

const HELP = `akmedon VERB [options]

  serve   [--data FOLDER] [--port N] [--lan]   serve your own garden on 127.0.0.1
  demo    [--fresh] [--port N] [--lan]         serve the demo garden
                                       --lan lets the home network in, behind a passphrase; --new-passphrase
                                       sets another (asked for, or taken from AKMEDON_PASSPHRASE)
  handbook [CROP] [--json]             list the crops, or one crop with its facts
  judge   [FILE]                       judge one planting: JSON in, JSON out
  plan    [FILE]                       plan a fortnight of rounds: JSON in, JSON out
  export  [--data FOLDER] [FILE]       write the whole garden as one JSON archive
  import  [--data FOLDER] FILE         put an archive in the garden's place (a backup is made first)
  backup  [--data FOLDER]              copy the database into FOLDER/backups
  restore [--data FOLDER] FILE         bring a backup copy back (the garden as it was is kept beside it)
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

const codeOf = async (address: string): Promise<string> =>
  (await import("qrcode")).default.toString(address, { type: "terminal", small: true });

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
  const { values, positionals } = parseArgs({
    args: argv,
    allowPositionals: true,
    options: {
      data: { type: "string" },
      port: { type: "string" },
      fresh: { type: "boolean" },
      lan: { type: "boolean" },
      "new-passphrase": { type: "boolean" },
      json: { type: "boolean" },
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
      const { server, address, homeAddress } = await serve(root, port, lock).catch((e: NodeJS.ErrnoException) => {
        if (e.code === "EADDRINUSE") throw new Misuse(`port ${port} is taken; choose another with --port`);
        throw e;
      });
      hold.says(address);
      console.log(`\n  Akmedon is at ${address}\n  The garden is in ${dataDir}\n  Stop it with Ctrl-C.\n`);
      if (lock) {
        process.env.AKMEDON_HOME_ADDRESS = homeAddress ?? "";
        console.log(
          homeAddress
            ? `  On the home network: ${homeAddress}\n\n${await codeOf(homeAddress)}`
            : "  This machine is on no network now; the garden can be opened here only.\n",
        );
      }
      const stop = () => {
        server.close(() => {
          hold.release();
          process.exit(0);
        });
        server.closeIdleConnections();
        setTimeout(() => server.closeAllConnections(), 1500).unref();
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
    case "export": {
      const text = writeArchive(archiveOf(opened(dataDir)));
      return file && file !== "-" ? writeFileSync(file, text) : say(text);
    }
    case "import": {
      const read = readArchive(textOf(file));
      if (!read.ok) return refuse(read.errors);
      const hold = holding(dataDir);
      try {
        const db = opened(dataDir);
        const copy = backupTo(db.$client, dataDir, `before-import-${Date.now()}`);
        restoreArchive(db, read.value, nowAt(gardenOf(db)));
        db.$client.close();
        return console.error(`Imported into ${dataDir}; the garden as it was is in ${copy}`);
      } finally {
        hold.release();
      }
    }
    case "backup": {
      const copy = backupTo(opened(dataDir).$client, dataDir, `backup-${Date.now()}`);
      const checked = inspectGarden(copy);
      if (!checked.ok) throw new Error(`The backup was written but cannot be trusted: ${checked.message}`);
      return say(`${copy}\n`);
    }
    case "restore": {
      if (!file) throw new Misuse("restore wants the file of a backup");
      const hold = holding(dataDir);
      try {
        const restored = restoreGarden(dataDir, resolve(file), `${Date.now()}`);
        if (!restored.ok) throw new Misuse(`${restored.message} The garden was not touched.`);
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

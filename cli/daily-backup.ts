import { spawn } from "node:child_process";

const FIRST_MS = 60_000;
const EVERY_MS = 60 * 60_000;

/**
 * Looks every hour whether today's backup is still to be made, and has it made by a process of its own, so that nobody
 * in the garden waits for it.
 */
export function keepBackingUp(dataDir: string): void {
  const look = () => {
    const [, command] = process.argv;
    if (!command) return;
    spawn(process.execPath, [command, "backup", "--daily", "--data", dataDir], {
      stdio: ["ignore", "ignore", "inherit"],
    })
      .on("error", (error) => console.error(`No backup could be made: ${error.message}`))
      .unref();
  };
  setTimeout(look, FIRST_MS).unref();
  setInterval(look, EVERY_MS).unref();
}

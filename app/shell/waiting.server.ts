import { instantOf, localTimeOf } from "#core/calendar/zone";
import { markJob } from "../jobs/jobs.server";
import { tickOff } from "../jobs/tick.server";
import { changeLot } from "../keep/lot-action.server";
import type { WaitingAnswer } from "../offline/queue";
import { logPickSent } from "../picks/pick-action.server";
import { type FormFaults, numberOf, typedOf } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { logLook } from "../walk/look-action.server";

/** A change that waited on a device: what was sent, and when it was made. */
type Sent = { form: FormData; typed: Record<string, string>; at: string; madeMs: number };

/** What may wait, by the page or door it was meant for; what is named there is the first part of the match. */
const DOORS: { path: RegExp; take(sent: Sent, of: string): unknown }[] = [
  { path: /^\/walk\/([\w-]{1,40})$/, take: ({ form }, plantingId) => logLook(form, plantingId) },
  {
    path: /^\/picks\/new$/,
    // what waited without a signal is kept as it is: nobody is there to be asked about its doubts
    take: ({ form }) => {
      if (!form.has("sure")) form.set("sure", "waited");
      return logPickSent(form, undefined);
    },
  },
  { path: /^\/tick$/, take: ({ typed, at }) => tickOff(typed, at) },
  { path: /^\/jobs\/mark$/, take: ({ typed, at }) => markJob(gardenNow(), typed, at) },
  {
    path: /^\/keep\/lots\/([\w.-]{1,80})$/,
    take: ({ typed, at, madeMs }, lotId) => {
      // within a minute what was done first sorts first, also when it is sent together
      const id = `${Math.max(0, madeMs).toString(36).padStart(9, "0")}-${typed.id}`.slice(0, 40);
      return changeLot(lotId, typed, "/keep", { at, id });
    },
  },
];

/** Longest that a change may have waited and still bear its own hour; older ones count as made now. */
const MOST_WAITED_MS = 60 * 86_400_000;

/**
 * Takes a change that waited for the signal, each once: it goes the same way as if it were made now.
 * @returns whether it was taken; if not, why, and what somebody else did meanwhile
 */
export async function takeWaiting(form: FormData): Promise<WaitingAnswer> {
  const typed = typedOf(form);
  const to = typed.to ?? "";
  const { now, snapshot } = gardenNow();
  const agoMs = Math.min(MOST_WAITED_MS, Math.max(0, numberOf(typed.agoMs) || 0));
  const at = localTimeOf(instantOf(now, snapshot.garden.timeZone) - agoMs, snapshot.garden.timeZone);
  const refused = (why: string, meanwhile: string | null = null): WaitingAnswer => ({
    taken: false,
    refused: why,
    meanwhile,
  });
  for (const { path, take } of DOORS) {
    const found = path.exec(to);
    if (!found) continue;
    try {
      const outcome = await take({ form, typed, at, madeMs: Date.now() - agoMs }, found[1] ?? "");
      if (outcome instanceof Response) return { taken: true };
      if (isRefusal(outcome)) {
        const { errors, meanwhile } = outcome.data;
        return refused(Object.values(errors).join("; ") || "it cannot be so", meanwhile ?? null);
      }
      return (outcome as { ok: boolean }).ok ? { taken: true } : refused("it is no longer there to be marked");
    } catch (thrown) {
      if (isMissing(thrown)) return refused("what it belongs to is no longer in the garden");
      throw thrown;
    }
  }
  return refused("it cannot wait like this");
}

const statusOf = (x: unknown): number | undefined => (x as { init?: { status?: number } | null })?.init?.status;
const isRefusal = (x: unknown): x is { data: FormFaults } => statusOf(x) === 422;
const isMissing = (x: unknown): boolean => statusOf(x) === 404;

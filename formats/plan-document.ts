import { z } from "zod";
import { daySchema, localTimeSchema } from "#core/calendar/schemas";
import { outlookOf } from "#core/planning/outlook";
import { problemOf } from "#core/planning/question/question";
import { roundsOf } from "#core/planning/rounds/rounds";
import { plan } from "#core/planning/solver/optimise";
import { sayUnmet, withReasons } from "#core/planning/words";
import { archiveSchema } from "./archive";

/** A garden to be planned for: its archive, the moment, and wishes by hand. */
export const planDocumentSchema = z.object({
  now: localTimeSchema.describe("local time at the garden, 2026-10-06T15:30"),
  garden: archiveSchema.describe("the garden as `akmedon export` writes it"),
  wishes: z
    .object({
      take: z.array(z.object({ plantingId: z.string(), slotId: z.string() })).default([]),
      leave: z.array(z.object({ plantingId: z.string(), slotId: z.string() })).default([]),
      open: z.array(z.string()).default([]),
    })
    .default({ take: [], leave: [], open: [] })
    .describe("slots are written as day and start: 2026-10-08T17:30"),
});
export type PlanDocument = z.infer<typeof planDocumentSchema>;

export const plannedSchema = z.object({
  value: z.number().describe("worth of the plan less the minutes, in kilos of potatoes"),
  bound: z.number().describe("no plan within the limits can be worth more"),
  gap: z.number().min(0),
  unmet: z.array(z.string()),
  rounds: z.array(
    z.object({
      day: daySchema,
      startsAt: z.string(),
      lines: z.array(
        z.object({
          plantingId: z.string(),
          kind: z.string(),
          crop: z.string(),
          bed: z.string(),
          take: z.enum(["ready", "strip"]),
          expectedG: z.number(),
          lostIfLeftG: z.number(),
          minutes: z.number(),
          why: z.string(),
        }),
      ),
    }),
  ),
});
export type Planned = z.infer<typeof plannedSchema>;

/** Plans the fortnight of a document. Deterministic: the same document gives the same plan. */
export function planDocument(doc: PlanDocument): Planned {
  const { garden: archive, now, wishes } = doc;
  const snapshot = { ...archive, garden: archive.garden, forecast: archive.forecasts.at(-1) ?? null };
  const outlook = outlookOf(snapshot, now);
  const problem = problemOf(snapshot, outlook, wishes);
  const made = plan(problem);
  const byId = new Map(outlook.plantings.map((p) => [p.planting.id, p]));
  let count = 0;
  const { units } = archive.garden;
  const rounds = withReasons(
    roundsOf(problem, made.schedule, () => String(++count)),
    units,
  );
  return {
    value: made.value,
    bound: made.bound,
    gap: made.gap,
    unmet: made.unmet.map((u) => sayUnmet(u, units)),
    rounds: rounds.map((r) => ({
      day: r.day,
      startsAt: r.startsAt,
      lines: r.lines.map((l) => {
        const p = byId.get(l.plantingId);
        return {
          plantingId: l.plantingId,
          kind: p?.planting.kind ?? "",
          crop: p?.crop.name ?? "",
          bed: p?.bed.name ?? "",
          take: l.take,
          expectedG: l.expectedG,
          lostIfLeftG: l.lostG,
          minutes: l.minutes,
          why: l.why,
        };
      }),
    })),
  };
}

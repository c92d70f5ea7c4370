import { GRADES, type PickRecord, PURPOSES, WAYS } from "#core/weighing/pick";
import { GRADE_WORDS, PURPOSE_WORDS, WAY_WORDS } from "#core/weighing/words";
import { change } from "#db/change";
import { findPick, removePicks } from "#db/work";
import { done, refuse, typedOf } from "../server/forms.server";
import { db, type GardenNow, handbook } from "../server/garden-now.server";
import { unripenable } from "./pick-action.server";

const MOST = 500;
const isOf = <T extends string>(all: readonly T[], text: string): T | null => all.find((x) => x === text) ?? null;

/** What several picks can be given at once, by the name of its field: the pick with it, and what is said of it. */
const GIVES: Record<string, (pick: PickRecord, value: string) => PickRecord | null> = {
  by: (pick, value) => (value.length > 60 ? null : { ...pick, by: value }),
  grade: (pick, value) => {
    const grade = isOf(GRADES, value);
    return grade && { ...pick, grade };
  },
  way: (pick, value) => {
    const way = isOf(WAYS, value);
    return way === null ? null : { ...pick, way };
  },
  purpose: (pick, value) => {
    const purpose = isOf(PURPOSES, value);
    return purpose && { ...pick, purpose };
  },
};
const SAYS: Record<string, (value: string) => string> = {
  by: (v) => (v === "" ? "by nobody named" : `by ${v}`),
  grade: (v) => GRADE_WORDS[v as keyof typeof GRADE_WORDS],
  way: (v) => (v === "" ? "where they went is open" : WAY_WORDS[v as keyof typeof WAY_WORDS]),
  purpose: (v) => PURPOSE_WORDS[v as keyof typeof PURPOSE_WORDS],
};

export const isPicksIntent = (intent: string | undefined): boolean =>
  intent === "change-picks" || intent === "remove-picks";

/**
 * Changes one thing of several picks, or takes them out, in one change with one undo.
 * @param form `pick`: ids; `give` and `value` for a change
 * @param back address of the log as it was shown
 */
export function changePicks(d: GardenNow, form: FormData, back: string) {
  const typed = typedOf(form);
  const ids = [...new Set(form.getAll("pick").map(String))];
  const picks = ids.flatMap((id) => findPick(db(), id) ?? []);
  if (picks.length === 0) return refuse({ errors: { form: "Choose picks first." }, typed });
  if (picks.length > MOST) return refuse({ errors: { form: `At most ${MOST} picks at once.` }, typed });
  const many = picks.length === 1 ? "1 pick" : `${picks.length} picks`;
  if (typed.intent === "remove-picks")
    return done(
      back,
      removePicks(
        db(),
        picks.map((p) => p.id),
        `${many} removed`,
        d.now,
      ),
    );
  const give = typed.give ?? "";
  const value = typed.value ?? "";
  const giving = Object.hasOwn(GIVES, give) ? GIVES[give] : undefined;
  const plantings = new Map(d.snapshot.plantings.map((p) => [p.id, p]));
  const changed: PickRecord[] = [];
  for (const pick of picks) {
    const next = giving?.(pick, value);
    if (!next) return refuse({ errors: { form: "Say what they are to be." }, typed });
    const planting = plantings.get(pick.plantingId);
    const unfit = give === "grade" && planting ? unripenable(next, handbook().of(planting.cropId)) : null;
    if (unfit) return refuse({ errors: { form: unfit }, typed });
    changed.push(next);
  }
  return done(
    back,
    change(db(), `${many}: ${SAYS[give]!(value)}`, d.now, (c) => {
      for (const pick of changed) c.put("picks", pick);
    }),
  );
}

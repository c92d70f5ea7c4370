import { z } from "zod";
import { type Bed, bedSchema } from "#core/garden/bed";
import { newId } from "#db/change";
import { drawBeds } from "#db/plot";
import { done, formOf, refuse, typedOf } from "../server/forms.server";
import { db, gardenNow } from "../server/garden-now.server";
import { Page } from "../ui/ui";
import { saysPhone } from "../ui/use-narrow";
import type { Route } from "./+types/plot-draw";
import { PlotDrawing } from "./plot-drawing";

export function loader({ request }: Route.LoaderArgs) {
  const { snapshot } = gardenNow();
  const { plotWidthM, plotLengthM, units } = snapshot.garden;
  const planted = new Set(snapshot.plantings.map((p) => p.bedId));
  const beds = snapshot.beds.map(({ id, name, shape, xM, yM, widthM, lengthM }) => ({
    ...{ id, name, shape, xM, yM, widthM, lengthM, planted: planted.has(id) },
  }));
  // a bed that reaches beyond the plot is drawn all the same
  const reach = (side: number, ends: number[]) => Math.max(side, ...ends);
  return {
    units,
    onPhone: saysPhone(request.headers),
    beds,
    plot: {
      widthM: reach(
        plotWidthM,
        beds.map((b) => b.xM + b.widthM),
      ),
      lengthM: reach(
        plotLengthM,
        beds.map((b) => b.yM + (b.shape === "circle" ? b.widthM : b.lengthM)),
      ),
    },
  };
}

const drawnSchema = z
  .array(bedSchema.pick({ id: true, name: true, shape: true, xM: true, yM: true, widthM: true, lengthM: true }))
  .max(500);
const goneSchema = z.array(z.string().max(40)).max(500);
const parsed = (text: string | undefined): unknown => {
  try {
    return JSON.parse(text ?? "[]");
  } catch {
    return null;
  }
};

export async function action({ request }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request));
  const { snapshot, now } = gardenNow();
  const drawn = drawnSchema.safeParse(parsed(typed.beds));
  const gone = goneSchema.safeParse(parsed(typed.gone));
  if (!drawn.success) {
    const [issue] = drawn.error.issues;
    const bed = (parsed(typed.beds) as { name?: string }[] | null)?.[Number(issue?.path[0])];
    return refuse({ errors: { form: `${bed?.name ?? "A bed"}: ${issue?.message ?? "cannot be read"}` }, typed });
  }
  if (!gone.success) return refuse({ errors: { form: "Nothing was asked." }, typed });
  const planted = snapshot.plantings.find((p) => gone.data.includes(p.bedId));
  if (planted)
    return refuse({ errors: { form: "A bed in which something grows or grew is removed on its own page." }, typed });
  const known = new Map(snapshot.beds.map((b) => [b.id, b]));
  let order = snapshot.beds.length;
  const beds = drawn.data.map((b): Bed => {
    const lie = b.shape === "circle" ? { ...b, lengthM: b.widthM } : b;
    const old = known.get(b.id);
    return old
      ? { ...old, ...lie }
      : { ...lie, id: newId(), cover: "none", sunHours: 8, nightOffsetC: 0, note: "", site: "", walkOrder: order++ };
  });
  return done("/plot/draw", drawBeds(db(), beds, gone.data, now));
}

export const meta: Route.MetaFunction = () => [{ title: "Draw the plot · Akmedon" }];

/** The plot as a drawing board. */
export default function PlotDraw({ loaderData, actionData }: Route.ComponentProps) {
  const faults = actionData && "errors" in actionData ? actionData : null;
  return (
    <Page
      title="Draw the plot"
      lead="Beds, pots and single trees where they lie, north up. Numbers can be typed as well."
    >
      <PlotDrawing {...loaderData} faults={faults} />
    </Page>
  );
}

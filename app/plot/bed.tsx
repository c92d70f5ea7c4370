import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useMemo, useState } from "react";
import { COVERS, freeSpot } from "#core/garden/bed";
import { readDistance, typedDistance } from "#core/units/distance";
import { newId } from "#db/change";
import { gardenOf, nowAt, snapshotOf } from "#db/garden";
import { findBed, removeBed, saveBed } from "#db/plot";
import { AheadList } from "../season/ahead-list";
import { bedFree } from "../season/estimates.server";
import { aheadOf } from "../season/series.server";
import { byIntent, done, formOf, missing, readForm, refuse, typedOf } from "../server/forms.server";
import { db, gardenNow } from "../server/garden-now.server";
import { CheckedForm } from "../ui/checked-form";
import {
  Anchor,
  Button,
  Field,
  FormError,
  Input,
  LinkButton,
  Note,
  Options,
  Page,
  Select,
  shownValue,
  TextArea,
} from "../ui/ui";
import type { Route } from "./+types/bed";
import { bedForm, typedOffset } from "./bed.form";
import { PlotMap } from "./plot-map";

/** A bed of the size most are, until its own is typed. */
const NEW_BED = { widthM: 3, lengthM: 1.2 };

export function loader({ params }: Route.LoaderArgs) {
  const { snapshot } = gardenNow();
  const bed = params.bedId === "new" ? null : findBed(db(), params.bedId);
  if (params.bedId !== "new" && !bed) throw missing("bed");
  const plot = { widthM: snapshot.garden.plotWidthM, lengthM: snapshot.garden.plotLengthM };
  const growing = bed ? snapshot.plantings.filter((p) => p.bedId === bed.id).length : 0;
  return {
    bed,
    growing,
    units: snapshot.garden.units,
    ahead: aheadOf(gardenNow()).filter((a) => a.bedId === bed?.id),
    free: bed ? bedFree(gardenNow(), bed.id).words : "",
    others: snapshot.beds.filter((b) => b.id !== params.bedId),
    sites: [...new Set(snapshot.beds.map((b) => b.site).filter((s) => s !== ""))],
    plot,
    spot: { ...freeSpot(snapshot.beds, plot, NEW_BED), ...NEW_BED },
  };
}

export async function action({ request, params }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request));
  const at = nowAt(gardenOf(db()));
  const known = params.bedId === "new" ? null : findBed(db(), params.bedId);
  return byIntent(typed, {
    save: () => {
      const read = readForm(bedForm(gardenOf(db()).units), typed);
      if (!read.ok) return refuse(read.faults);
      const walkOrder = known?.walkOrder ?? snapshotOf(db()).beds.length;
      const bed = { ...read.row, id: known?.id ?? newId(), walkOrder };
      return done(known ? "/plot" : `/plot/plantings/new?bed=${bed.id}`, saveBed(db(), bed, at));
    },
    remove: () => {
      if (!known) throw missing("bed");
      return done("/plot", removeBed(db(), known, at));
    },
  });
}

export const meta: Route.MetaFunction = () => [{ title: "Bed · Akmedon" }];

const COVER_WORDS: Record<string, string> = {
  none: "open to the sky",
  fleece: "fleece",
  "cold-frame": "cold frame",
  polytunnel: "polytunnel",
  greenhouse: "greenhouse",
};

export default function BedPage({ loaderData, actionData }: Route.ComponentProps) {
  const { bed, others, plot, spot, growing, sites, ahead, units, free } = loaderData;
  const faults = actionData && "errors" in actionData ? actionData : null;
  const schema = useMemo(() => bedForm(units), [units]);
  const [shape, setShape] = useState<"rectangle" | "circle">(
    (faults?.typed.shape as "circle" | undefined) ?? bed?.shape ?? "rectangle",
  );
  const [size, setSize] = useState({
    xM: bed?.xM ?? spot.xM,
    yM: bed?.yM ?? spot.yM,
    widthM: bed?.widthM ?? spot.widthM,
    lengthM: bed?.lengthM ?? spot.lengthM,
  });
  const measure = (key: keyof typeof size) => (e: React.ChangeEvent<HTMLInputElement>) => {
    const read = readDistance(e.target.value, units);
    if (read.ok) setSize({ ...size, [key]: read.metres });
  };
  const preview = {
    id: "this",
    name: bed?.name ?? "here",
    shape,
    ...size,
    lengthM: shape === "circle" ? size.widthM : size.lengthM,
    cover: "none" as const,
    sunHours: 8,
    nightOffsetC: 0,
    note: "",
    site: "",
    walkOrder: 0,
    plantings: [],
    frostChance: null,
  };
  return (
    <Page
      title={bed ? bed.name : "New bed"}
      lead={`Measured in ${units === "us" ? "feet and inches" : "metres"} from the plot’s south-west corner: east, then north.`}
    >
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(320px,1fr) minmax(0,1.4fr)" }} gap="8">
        <CheckedForm method="post" schema={schema} faults={faults}>
          <FormError faults={faults} />
          <Grid gap="4">
            <Field name="name" label="Name" faults={faults}>
              {(p) => (
                <Input {...p} defaultValue={shownValue(faults, "name", bed?.name)} autoFocus={!bed} maxLength={60} />
              )}
            </Field>
            <Field name="shape" label="Shape" faults={faults}>
              {(p) => (
                <Select
                  {...p}
                  value={shape}
                  onChange={(e) => setShape(e.target.value === "circle" ? "circle" : "rectangle")}
                >
                  <option value="rectangle">rectangle</option>
                  <option value="circle">circle</option>
                </Select>
              )}
            </Field>
            <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="4">
              <Field name="widthM" label={shape === "circle" ? "Across" : "East to west"} faults={faults}>
                {(p) => (
                  <Input
                    {...p}
                    defaultValue={shownValue(faults, "widthM", typedDistance(bed?.widthM ?? spot.widthM, units))}
                    onChange={measure("widthM")}
                  />
                )}
              </Field>
              {shape === "rectangle" && (
                <Field name="lengthM" label="South to north" faults={faults}>
                  {(p) => (
                    <Input
                      {...p}
                      defaultValue={shownValue(faults, "lengthM", typedDistance(bed?.lengthM ?? spot.lengthM, units))}
                      onChange={measure("lengthM")}
                    />
                  )}
                </Field>
              )}
              <Field name="xM" label="From the west edge" faults={faults}>
                {(p) => (
                  <Input
                    {...p}
                    defaultValue={shownValue(faults, "xM", typedDistance(bed?.xM ?? spot.xM, units))}
                    onChange={measure("xM")}
                  />
                )}
              </Field>
              <Field name="yM" label="From the south edge" faults={faults}>
                {(p) => (
                  <Input
                    {...p}
                    defaultValue={shownValue(faults, "yM", typedDistance(bed?.yM ?? spot.yM, units))}
                    onChange={measure("yM")}
                  />
                )}
              </Field>
            </Grid>
            <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="4">
              <Field name="cover" label="Cover" faults={faults}>
                {(p) => (
                  <Select {...p} defaultValue={shownValue(faults, "cover", bed?.cover ?? "none")}>
                    <Options of={COVERS} say={(c) => COVER_WORDS[c]} />
                  </Select>
                )}
              </Field>
              <Field name="sunHours" label="Hours of sun in summer" faults={faults}>
                {(p) => (
                  <Input {...p} inputMode="decimal" defaultValue={shownValue(faults, "sunHours", bed?.sunHours ?? 8)} />
                )}
              </Field>
            </Grid>
            <Field
              name="nightOffsetC"
              label={`Still nights, against the station, ${units === "us" ? "°F" : "°C"}`}
              hint={`${units === "us" ? "−4 for a frost pocket, +2" : "−2 for a frost pocket, +1"} beside a wall. 0 when you do not know.`}
              faults={faults}
            >
              {(p) => (
                <Input
                  {...p}
                  inputMode="decimal"
                  defaultValue={shownValue(faults, "nightOffsetC", typedOffset(bed?.nightOffsetC ?? 0, units))}
                />
              )}
            </Field>
            <Field
              name="site"
              label="Place"
              hint="Only if you garden in more than one place: home, the plot. They are walked apart."
              faults={faults}
            >
              {(p) => (
                <>
                  <Input {...p} list="sites" defaultValue={shownValue(faults, "site", bed?.site)} />
                  <datalist id="sites">
                    {sites.map((site) => (
                      <option key={site} value={site} />
                    ))}
                  </datalist>
                </>
              )}
            </Field>
            <Field name="note" label="Note" hint="Access, soil, the tool it wants." faults={faults}>
              {(p) => <TextArea {...p} rows={2} defaultValue={shownValue(faults, "note", bed?.note)} />}
            </Field>
          </Grid>
          <Flex gap="3" mt="6" wrap="wrap">
            <Button type="submit" name="intent" value="save">
              {bed ? "Save the bed" : "Save, then plant it"}
            </Button>
            <LinkButton variant="quiet" to="/plot">
              Back
            </LinkButton>
            {bed && (
              <Button type="submit" name="intent" value="remove" variant="danger" ml="auto" formNoValidate>
                Remove
              </Button>
            )}
          </Flex>
          {bed && growing > 0 && (
            <Box mt="4">
              <Note>
                Removing takes its {growing} {growing === 1 ? "planting" : "plantings"}, past and growing, with their
                picks. Undo brings all of it back.
              </Note>
            </Box>
          )}
        </CheckedForm>
        <Box>
          <PlotMap
            units={units}
            beds={[...others.map((b) => ({ ...b, plantings: [], frostChance: null })), preview]}
            widthM={Math.max(plot.widthM, size.xM + size.widthM)}
            lengthM={Math.max(plot.lengthM, size.yM + preview.lengthM)}
            highlight="this"
          />
          {free && growing > 0 && (
            <Text mt="4">
              By what grows here: {free}. <Anchor to="/season/beds">What fits in</Anchor>
            </Text>
          )}
          <Box mt="6">
            <AheadList lines={ahead} />
          </Box>
        </Box>
      </Grid>
    </Page>
  );
}

export const shouldRevalidate = () => true;

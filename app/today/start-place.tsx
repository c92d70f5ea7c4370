import { Box, Grid } from "@chakra-ui/react";
import { lazy, Suspense, useEffect, useState } from "react";
import { type Faults, Field, Input, Section, Select, shownValue } from "../ui/ui";

/** The map's outlines are had when they are drawn, after the page. */
const WorldMap = lazy(() => import("./world-map"));

type Props = {
  place: { latitudeDeg: number; longitudeDeg: number };
  timeZone: string;
  units: string;
  faults: Faults;
};

/** Where the garden lies, by a click or typed; time zone and units as the browser has them. */
export function StartPlace({ place, timeZone, units, faults }: Props) {
  const [latitude, setLatitude] = useState(shownValue(faults, "latitudeDeg", place.latitudeDeg));
  const [longitude, setLongitude] = useState(shownValue(faults, "longitudeDeg", place.longitudeDeg));
  const [zone, setZone] = useState(shownValue(faults, "timeZone", timeZone));
  const [system, setSystem] = useState(shownValue(faults, "units", units));
  const [drawn, setDrawn] = useState(false);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, and never over what was typed
  useEffect(() => {
    setDrawn(true);
    if (faults) return;
    setZone(Intl.DateTimeFormat().resolvedOptions().timeZone || timeZone);
    if (/-US$/.test(navigator.language)) setSystem("us");
  }, []);
  return (
    <Section title="Where it lies" note="for the light, the usual warmth and the frost">
      <Grid
        templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0, 1.2fr) minmax(280px, 1fr)" }}
        gap="6"
        alignItems="start"
      >
        <Box css={{ aspectRatio: "360 / 132" }} bg="frostTint" borderWidth="1px" borderColor="rule">
          {drawn && (
            <Suspense>
              <WorldMap
                latitudeDeg={Number(latitude)}
                longitudeDeg={Number(longitude)}
                onPlace={(lat, lon) => {
                  setLatitude(String(lat));
                  setLongitude(String(lon));
                }}
              />
            </Suspense>
          )}
        </Box>
        <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="4">
          <Field name="latitudeDeg" label="Latitude, °" hint="north positive" faults={faults}>
            {(p) => <Input {...p} inputMode="decimal" value={latitude} onChange={(e) => setLatitude(e.target.value)} />}
          </Field>
          <Field name="longitudeDeg" label="Longitude, °" hint="east positive" faults={faults}>
            {(p) => (
              <Input {...p} inputMode="decimal" value={longitude} onChange={(e) => setLongitude(e.target.value)} />
            )}
          </Field>
          <Field name="timeZone" label="Time zone" hint="as this browser has it" faults={faults}>
            {(p) => <Input {...p} value={zone} onChange={(e) => setZone(e.target.value)} />}
          </Field>
          <Field name="units" label="Units" faults={faults}>
            {(p) => (
              <Select {...p} value={system} onChange={(e) => setSystem(e.target.value)}>
                <option value="metric">kilos and metres</option>
                <option value="us">pounds and feet</option>
              </Select>
            )}
          </Field>
        </Grid>
      </Grid>
    </Section>
  );
}

import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useMemo, useState } from "react";
import { START_WORDS } from "#core/garden/words";
import { sayArea, typedDistance } from "#core/units/distance";
import { LessonsNote } from "../lessons/lessons-note";
import { CheckedForm } from "../ui/checked-form";
import { CountInput } from "../ui/count-input";
import { DateInput } from "../ui/date-input";
import {
  Button,
  type Faults,
  Field,
  FormError,
  Input,
  LinkButton,
  Options,
  Select,
  shownValue,
  TextArea,
} from "../ui/ui";
import type { Route } from "./+types/planting";
import { plantingForm } from "./planting.form";
import { ReadyDates } from "./ready-dates";
import { RipeColour } from "./ripe-colour";

/** What a planting is: crop, kind, bed, when and how it was started, how much, its packet, its school. */
export function PlantingForm({ data, faults }: { data: Route.ComponentProps["loaderData"]; faults: Faults }) {
  const { planting, beds, crops, bedId, today, proposed, units, lessons } = data;
  const [cropId, setCropId] = useState(
    faults?.typed.cropId ?? planting?.cropId ?? crops.find((c) => c.id === proposed.cropId)?.id ?? crops[0]?.id ?? "",
  );
  const crop = crops.find((c) => c.id === cropId) ?? crops[0]!;
  const [how, setHow] = useState(faults?.typed.startedHow ?? planting?.startedHow ?? proposed.how ?? "sown");
  const usual =
    crop.days[how as keyof typeof START_WORDS] ?? crop.days.sown ?? crop.days.transplanted ?? crop.days.planted;
  const [startedOn, setStartedOn] = useState(shownValue(faults, "startedOn", planting?.startedOn ?? today));
  const [packet, setPacket] = useState<[string, string]>([
    shownValue(faults, "packetMinDays", planting?.packetMinDays),
    shownValue(faults, "packetMaxDays", planting?.packetMaxDays),
  ]);
  const [schoolId, setSchool] = useState(faults?.typed.schoolId ?? planting?.schoolId ?? "");
  const school = crop.schools.find((s) => s.id === schoolId) ?? crop.schools[0]!;
  const schema = useMemo(() => plantingForm(units), [units]);
  const value = (name: string, v: string | number | null | undefined) => shownValue(faults, name, v);
  return (
    <CheckedForm method="post" schema={schema} faults={faults}>
      <FormError faults={faults} />
      {faults?.typed.sure && <input type="hidden" name="sure" value="yes" />}
      <LessonsNote lessons={lessons[crop.id] ?? []} />
      <Grid gap="4">
        <Grid templateColumns={{ base: "minmax(0, 1fr)", sm: "repeat(2, minmax(0, 1fr))" }} gap="4">
          <Field name="cropId" label="Crop" faults={faults}>
            {(p) => (
              <Select {...p} value={cropId} onChange={(e) => setCropId(e.target.value)}>
                <Options of={crops} />
              </Select>
            )}
          </Field>
          <Field name="kind" label="Kind" hint="The name on the packet, or what you call it." faults={faults}>
            {(p) => <Input {...p} defaultValue={value("kind", planting?.kind)} />}
          </Field>
          {crop.colours && <RipeColour kept={planting?.ripeColour} faults={faults} />}
          <Field name="bedId" label="Bed" faults={faults}>
            {(p) => (
              <Select {...p} defaultValue={value("bedId", bedId)}>
                <Options of={beds} />
              </Select>
            )}
          </Field>
          <Field name="startedHow" label="How it was started" faults={faults}>
            {(p) => (
              <Select {...p} value={how} onChange={(e) => setHow(e.target.value)}>
                {Object.entries(START_WORDS).map(([k, words]) => (
                  <option key={k} value={k}>
                    {words}
                  </option>
                ))}
              </Select>
            )}
          </Field>
          <Field name="startedOn" label="On" faults={faults}>
            {(p) => <DateInput {...p} value={startedOn} onDay={setStartedOn} />}
          </Field>
          <Field name="endedOn" label="Cleared on" hint="Empty while it grows." faults={faults}>
            {(p) => <DateInput {...p} defaultValue={value("endedOn", planting?.endedOn)} />}
          </Field>
        </Grid>
        <Grid templateColumns={{ base: "1fr 1fr", md: "1fr 1fr 1fr" }} gap="4">
          <Box gridColumn={{ base: "1 / -1", md: "auto" }}>
            <Field name="plants" label="Plants" faults={faults}>
              {(p) => <CountInput {...p} of="plants" least={1} defaultValue={value("plants", planting?.plants)} />}
            </Field>
          </Box>
          <Field name="rowM" label="Row" hint={units === "us" ? "240 ft" : "3.5 m"} faults={faults}>
            {(p) => (
              <Input
                {...p}
                defaultValue={value("rowM", planting?.rowM == null ? null : typedDistance(planting.rowM, units))}
              />
            )}
          </Field>
          <Field name="areaM2" label="Area" hint={units === "us" ? "12 sq ft" : "2.5 m²"} faults={faults}>
            {(p) => (
              <Input
                {...p}
                defaultValue={value("areaM2", planting?.areaM2 == null ? null : sayArea(planting.areaM2, units))}
              />
            )}
          </Field>
        </Grid>
        <Text fontSize="sm" color="inkSoft" mt="-2">
          Any one of the three will do; it tells how much to expect.
        </Text>
        <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="4">
          <Field
            name="packetMinDays"
            label="Packet: days from"
            hint={usual ? `Handbook: ${usual[0]} to ${usual[1]}` : undefined}
            faults={faults}
          >
            {(p) => (
              <Input
                {...p}
                inputMode="numeric"
                value={packet[0]}
                onChange={(e) => setPacket([e.target.value, packet[1]])}
                placeholder={usual ? String(usual[0]) : ""}
              />
            )}
          </Field>
          <Field name="packetMaxDays" label="to" faults={faults}>
            {(p) => (
              <Input
                {...p}
                inputMode="numeric"
                value={packet[1]}
                onChange={(e) => setPacket([packet[0], e.target.value])}
                placeholder={usual ? String(usual[1]) : ""}
              />
            )}
          </Field>
        </Grid>
        <ReadyDates startedOn={startedOn} packet={packet} usual={usual ?? null} yearly={crop.yearly} today={today} />
        <Field
          name="schoolId"
          label="School of picking"
          hint={`Gives ${school.gives}; costs ${school.costs}.`}
          faults={faults}
        >
          {(p) => (
            <Select {...p} value={school.id} onChange={(e) => setSchool(e.target.value)}>
              <Options of={crop.schools} />
            </Select>
          )}
        </Field>
        {crop.lasting.length > 0 && (
          <Field
            name="disease"
            label="A disease that lasts in the ground"
            hint={`Seen here: ${crop.lasting.map((l) => `${l.name} keeps its family away for ${l.years} years`).join("; ")}.`}
            faults={faults}
          >
            {(p) => (
              <Select {...p} defaultValue={value("disease", planting?.disease)}>
                <option value="">none was seen</option>
                <Options of={crop.lasting} />
              </Select>
            )}
          </Field>
        )}
        <Field name="note" label="Note" faults={faults}>
          {(p) => <TextArea {...p} rows={2} defaultValue={value("note", planting?.note)} />}
        </Field>
      </Grid>
      <Flex gap="3" mt="6" wrap="wrap">
        <Button type="submit" name="intent" value="save">
          Save the planting
        </Button>
        <LinkButton variant="quiet" to={planting ? `/plot/plantings/${planting.id}` : "/plot"} preventScrollReset>
          Back
        </LinkButton>
        {planting && (
          <Button type="submit" name="intent" value="remove" variant="danger" ml="auto" formNoValidate>
            Remove
          </Button>
        )}
      </Flex>
    </CheckedForm>
  );
}

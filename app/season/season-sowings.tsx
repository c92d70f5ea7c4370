import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useState } from "react";
import { Form, useSubmit } from "react-router";
import { addDays } from "#core/calendar/day";
import { formOf, typedOf } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { CountInput } from "../ui/count-input";
import { CropGlyph } from "../ui/crop-glyph";
import { DateInput } from "../ui/date-input";
import { FiguresTable } from "../ui/figures-table";
import {
  Button,
  type Faults,
  Field,
  FormError,
  Input,
  Note,
  Options,
  Page,
  RowAnchor,
  Section,
  Select,
  shownValue,
} from "../ui/ui";
import type { Route } from "./+types/season-sowings";
import { AheadList } from "./ahead-list";
import { SeasonNav } from "./season-nav";
import { sowingsView } from "./season-sowings.server";
import { aheadOf, changeSeries } from "./series.server";

export const loader = ({ url }: Route.LoaderArgs) => ({
  ...sowingsView(gardenNow(), url.searchParams),
  ahead: aheadOf(gardenNow()),
});
export const action = async ({ request, url }: Route.ActionArgs) =>
  changeSeries(gardenNow(), typedOf(await formOf(request)), url.search);

export const meta: Route.MetaFunction = () => [{ title: "Sowings · Akmedon" }];

type View = Route.ComponentProps["loaderData"];

/** How many sowings and how far apart, and the last date of each crop. */
export default function SeasonSowings({ loaderData, actionData }: Route.ComponentProps) {
  const faults: Faults = actionData && "errors" in actionData ? actionData : null;
  const { year, risk, bedId, all, beds, years, lasts, crops, cropId, plan, soil, ahead } = loaderData;
  const submit = useSubmit();
  return (
    <Page
      title={`Sowings ${year}`}
      lead="By the warmth and the light your site usually has, not by the calendar alone: how far apart, which to skip, and when it is too late."
    >
      <SeasonNav />
      <Form method="get" onChange={(e) => submit(e.currentTarget, { replace: true, preventScrollReset: true })}>
        <Grid templateColumns={{ base: "minmax(0, 1fr)", md: "repeat(4, minmax(0,1fr))" }} gap="3" mb="6">
          <Select name="crop" aria-label="Crop to spread" defaultValue={cropId}>
            <Options of={crops} />
          </Select>
          <Select name="bed" aria-label="Bed" defaultValue={bedId}>
            <option value="">an open, sunny bed</option>
            <Options of={beds} />
          </Select>
          <Select name="risk" aria-label="Risk of frost" defaultValue={String(risk)}>
            <option value="0.1">frost earlier in one year of ten</option>
            <option value="0.25">in one year of four</option>
            <option value="0.5">in every second year</option>
          </Select>
          <Select name="all" aria-label="Which crops" defaultValue={all ? "yes" : "no"}>
            <option value="no">crops you have grown</option>
            <option value="yes">every crop you eat</option>
          </Select>
        </Grid>
      </Form>
      {soil && <Note title="Not into this ground today">It is {soil}</Note>}
      <FormError faults={faults} />
      {plan && <Succession plan={plan} />}
      <Section title="Plan a series" note="each sowing a row of its own: skip one, or change it in Next year">
        <SeriesForm view={loaderData} faults={faults} />
      </Section>
      <AheadList
        lines={ahead}
        action={(a) =>
          a.planned ? (
            <Form method="post">
              <input type="hidden" name="id" value={a.id} />
              <Button
                type="submit"
                name="intent"
                value={a.tick ? "sown" : "start"}
                variant="outline"
                size="sm"
                aria-label={`${a.name}, ${a.when}: ${a.tick ? "sown" : "it is in"}`}
              >
                {a.tick ? "Sown" : "It is in"}
              </Button>
              <Button
                type="submit"
                name="intent"
                value="skip"
                variant="quiet"
                size="sm"
                aria-label={`Skip ${a.name}, ${a.when}`}
              >
                Skip
              </Button>
            </Form>
          ) : null
        }
      />
      <Section
        title="The last dates"
        note={`so that it is still picked for a while before frost or short days; frost by ${years} ${years === 1 ? "year" : "years"} of record${years < 10 ? ", far too few for a sure tenth" : ""}`}
      >
        {lasts.length === 0 && (
          <Text color="inkSoft">Nothing that was grown here has a last date: log a planting first.</Text>
        )}
        {lasts.length > 0 && (
          <FiguresTable label="The last dates">
            <thead>
              <tr>
                <th>At the latest</th>
                <th>Crop</th>
                <th>How</th>
                <th className="number">Days to ready</th>
                <th>What ends it</th>
              </tr>
            </thead>
            <tbody>
              {lasts.map((l) => (
                <tr key={l.key}>
                  <th scope="row" className="name">
                    {l.latest}
                  </th>
                  <td>
                    <Flex align="center" gap="2">
                      <CropGlyph kind={l.glyph} stage={1.25} size={24} />
                      <RowAnchor to={`/handbook/${l.id}`}>{l.name}</RowAnchor>
                    </Flex>
                  </td>
                  <td>{l.how}</td>
                  <td className="number">{l.days}</td>
                  <td>{l.by}</td>
                </tr>
              ))}
            </tbody>
          </FiguresTable>
        )}
        <Text fontSize="sm" color="inkSoft" mt="3">
          Warmth as it usually is: a cool autumn wants a week more. Growth stands still in days under ten hours, and is
          held back below thirteen (our own estimate).
        </Text>
      </Section>
    </Page>
  );
}

function SeriesForm({ view, faults }: { view: View; faults: Faults }) {
  const value = (name: string, v: string | number | null | undefined) => shownValue(faults, name, v);
  const plan = view.plan && !view.plan.none ? view.plan : null;
  const proposed = plan?.sowings.find((x) => x.key >= view.today)?.key ?? view.today;
  const [bedId, setBed] = useState<string>(value("bedId", view.bedId || view.beds[0]?.id));
  const bed = view.beds.find((b) => b.id === bedId);
  const freeOn = bed?.taken ? bed.freeOn : null;
  // a bed that is taken that day still: raised in trays, they are ready when it is free
  const [how, setHow] = useState<string>(
    value("how", view.raisedDays !== null && freeOn !== null && freeOn > proposed ? "trays" : "bed"),
  );
  const raisedFor = how === "trays" && freeOn ? addDays(freeOn, -(view.raisedDays ?? 0)) : proposed;
  const first = [raisedFor, view.today].sort().at(-1)!;
  return (
    <Form method="post" key={view.cropId}>
      <input type="hidden" name="cropId" value={view.cropId} />
      <input type="hidden" name="risk" value={view.risk} />
      <Grid
        templateColumns={{ base: "repeat(2, minmax(0, 1fr))", md: "repeat(4, minmax(0,1fr))" }}
        gap="3"
        alignItems="end"
      >
        <Field
          name="kind"
          label={`${view.crops.find((c) => c.id === view.cropId)?.name ?? "Crop"}, kind`}
          faults={faults}
        >
          {(p) => <Input {...p} minW="0" defaultValue={value("kind", "")} />}
        </Field>
        <Field name="bedId" label="Bed" faults={faults}>
          {(p) => (
            <Select {...p} minW="0" value={bedId} onChange={(e) => setBed(e.target.value)}>
              <Options of={view.beds} say={(b) => (b.free ? `${b.name}: ${b.free}` : b.name)} />
            </Select>
          )}
        </Field>
        <Field name="how" label="How" faults={faults}>
          {(p) => (
            <Select {...p} minW="0" value={how} onChange={(e) => setHow(e.target.value)}>
              <option value="bed">in the bed</option>
              {view.raisedDays !== null && <option value="trays">in trays, set out {view.raisedDays} days on</option>}
            </Select>
          )}
        </Field>
        <Field name="first" label={how === "trays" ? "First into trays" : "First"} faults={faults}>
          {(p) => <DateInput {...p} key={`${bedId} ${how}`} defaultValue={value("first", first)} />}
        </Field>
        <Field name="every" label="Every so many days" faults={faults}>
          {(p) => <CountInput {...p} of="days" least={1} defaultValue={value("every", plan?.usual.gapDays ?? 14)} />}
        </Field>
        <Field name="times" label="Times" faults={faults}>
          {(p) => <CountInput {...p} of="times" least={1} defaultValue={value("times", plan?.sowings.length ?? 4)} />}
        </Field>
        <Field name="plants" label="Plants each" faults={faults}>
          {(p) => <CountInput {...p} of="plants" least={1} defaultValue={value("plants", plan?.usual.plants)} />}
        </Field>
      </Grid>
      <Button type="submit" name="intent" value="series" mt="4" variant="outline">
        Plan them
      </Button>
    </Form>
  );
}

function Succession({ plan }: { plan: NonNullable<View["plan"]> }) {
  if (plan.none)
    return (
      <Section title={plan.crop}>
        <Text color="inkSoft">
          It is not sown again and again here: it keeps, stands for years, or has no time left.
        </Text>
      </Section>
    );
  const n = plan.sowings.length;
  return (
    <Section
      title={`${plan.crop}: ${n} ${n === 1 ? "sowing" : "sowings"}`}
      note={`${plan.how}; ${plan.weekly} a week over ${plan.weeks} weeks`}
    >
      {plan.next && (
        <Text fontSize="lg" fontWeight="650" mb="3">
          {plan.next}
        </Text>
      )}
      {plan.sowings.map((s) => (
        <Grid
          key={s.key}
          templateColumns={{ base: "6.2em minmax(0,1fr)", md: "7em minmax(0,1fr) 17em" }}
          gap={{ base: "2", md: "4" }}
          py="2"
          alignItems="center"
          borderTopWidth="1px"
          borderColor="ruleSoft"
        >
          <Text fontWeight="650">{s.start}</Text>
          <Box position="relative" h="18px" aria-hidden>
            <Box
              position="absolute"
              top="7px"
              h="4px"
              bg="unripe"
              style={{ left: `${100 * s.from}%`, width: `${100 * (s.readyAt - s.from)}%` }}
            />
            <Box
              position="absolute"
              top="0"
              h="18px"
              bg="ochre"
              style={{ left: `${100 * s.readyAt}%`, width: `${Math.max(0.6, 100 * (s.to - s.readyAt))}%` }}
            />
          </Box>
          <Box gridColumn={{ base: "1 / -1", md: "auto" }}>
            <Text fontSize="sm">
              {s.plants ? `${s.plants} ${s.plants === 1 ? "plant" : "plants"}, ` : ""}picked {s.ready} to {s.until}
            </Text>
            {s.gap && (
              <Text fontSize="sm" color="inkSoft">
                {s.gap}
              </Text>
            )}
          </Box>
        </Grid>
      ))}
      <Text mt="3" maxW="72ch">
        {plan.byCalendar.skip.length > 0
          ? `Sown every fortnight it would be ${plan.byCalendar.count} sowings, of which ${plan.byCalendar.skip.length} could be skipped because they ripen on top of the one before: ${plan.byCalendar.skip.slice(0, 6).join(", ")}${plan.byCalendar.skip.length > 6 ? " and more" : ""}.`
          : `Sown every fortnight it would be ${plan.byCalendar.count} sowings, and none would bunch up.`}
      </Text>
      {plan.perPlant && (
        <Text fontSize="sm" color="inkSoft" mt="1">
          A plant taken to give {plan.perPlant}
          {plan.learned > 0
            ? `, from ${plan.learned} ${plan.learned === 1 ? "planting" : "plantings"} of your own beside the handbook`
            : " by the handbook"}
          .
        </Text>
      )}
    </Section>
  );
}

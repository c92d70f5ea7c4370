import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { Printer } from "lucide-react";
import { useMemo, useState } from "react";
import { useFetcher } from "react-router";
import { lastGood, useKept } from "../offline/last-good";
import { formOf, typedOf } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { CheckedForm } from "../ui/checked-form";
import { CountInput } from "../ui/count-input";
import { DateInput } from "../ui/date-input";
import { Tickbox } from "../ui/tickbox";
import { Button, type Faults, Field, FormError, Input, LinkButton, Page, Section, Select, shownValue } from "../ui/ui";
import type { Route } from "./+types/jobs";
import { JobGroup } from "./job-row";
import { changeOwnJob, type JobLine, jobsView } from "./jobs.server";
import { ownJobForm } from "./own-job.form";

export const loader = () => jobsView(gardenNow());
export const action = async ({ request }: Route.ActionArgs) =>
  changeOwnJob(gardenNow(), typedOf(await formOf(request)));
/** Without a signal the page stands as it was. */
export const clientLoader = ({ serverLoader }: Route.ClientLoaderArgs) => lastGood("jobs", () => serverLoader());

export const meta: Route.MetaFunction = () => [{ title: "Jobs · Akmedon" }];

/** Jobs shown at once; the rest stands behind a button. */
const FIRST = 12;

/** Everything that is not picking and serves it: what is due, what comes, what was done, and one's own. */
export default function Jobs({ loaderData, actionData }: Route.ComponentProps) {
  useKept("jobs", loaderData);
  const { now, due, week, later, lately, own, minutes } = loaderData;
  const faults: Faults = actionData && "errors" in actionData ? actionData : null;
  return (
    <Page
      title="Jobs"
      lead={
        due === 0
          ? "Nothing is due today."
          : `${due} due, about ${minutes < 90 ? `${minutes} min` : `${Math.round(minutes / 60)} hours`} in all. What a minute saves most comes first.`
      }
      actions={
        <Button type="button" variant="outline" onClick={() => window.print()} data-noprint>
          <Printer size={18} aria-hidden /> Print the week
        </Button>
      }
    >
      <FormError faults={faults} />
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0,1.5fr) minmax(300px,1fr)" }} gapX="12">
        <Box>
          <Group title="Due" groups={now} empty="Nothing. Look at the week below." first={FIRST} />
          <Group title="This week" groups={week} empty="Nothing more this week." first={FIRST} />
          <Box data-noprint>
            <Group title="The week after" groups={later} empty="Nothing yet." first={6} brief />
          </Box>
        </Box>
        <Box data-noprint>
          <Section title="A job of your own">
            <OwnJobForm view={loaderData} faults={faults && !faults.typed.id ? faults : null} job={null} />
          </Section>
          {own.length > 0 && (
            <Section title="Your own jobs" note={`${own.length}`}>
              {own.map(({ job, next }) => (
                <OwnJobRow
                  key={job.id}
                  job={job}
                  next={next}
                  view={loaderData}
                  faults={faults?.typed.id === job.id ? faults : null}
                />
              ))}
            </Section>
          )}
          <Section title="Done of late" note="two weeks">
            {lately.length === 0 && <Text color="inkSoft">What you tick off stands here, and can be taken back.</Text>}
            {lately.map((m) => (
              <MarkRow key={m.id} mark={m} />
            ))}
          </Section>
        </Box>
      </Grid>
    </Page>
  );
}

type View = Route.ComponentProps["loaderData"];

function Group({
  title,
  groups,
  empty,
  first,
  brief,
}: {
  title: string;
  groups: JobLine[][];
  empty: string;
  first: number;
  brief?: boolean;
}) {
  const [all, setAll] = useState(false);
  const shown = all ? groups : groups.slice(0, first);
  const count = groups.reduce((sum, g) => sum + g.length, 0);
  return (
    <Section title={title} note={count > 0 ? `${count}` : undefined}>
      {groups.length === 0 && <Text color="inkSoft">{empty}</Text>}
      {shown.map((lines) => (
        <JobGroup key={lines[0]!.key} lines={lines} brief={brief} />
      ))}
      {groups.length > shown.length && (
        <Button type="button" variant="outline" size="sm" mt="3" onClick={() => setAll(true)} data-noprint>
          {groups.length - shown.length} more
        </Button>
      )}
    </Section>
  );
}

const WHAT = { done: "done", skipped: "left out", never: "not wanted" };

function MarkRow({ mark }: { mark: View["lately"][number] }) {
  const fetcher = useFetcher();
  return (
    <Flex borderTopWidth="1px" borderColor="ruleSoft" py="1.5" gap="2" align="center" minH="48px">
      <Box flex="1">
        <Text>
          {mark.name && <strong>{mark.name}: </strong>}
          {mark.words}
        </Text>
        <Text fontSize="sm" color="inkSoft">
          {WHAT[mark.what]} {mark.day}
        </Text>
      </Box>
      <fetcher.Form method="post" action="/jobs/mark">
        <input type="hidden" name="id" value={mark.id} />
        <Button type="submit" name="what" value="undo" variant="quiet" size="sm" disabled={fetcher.state !== "idle"}>
          Take back
        </Button>
      </fetcher.Form>
    </Flex>
  );
}

function OwnJobRow({
  job,
  next,
  view,
  faults,
}: {
  job: View["own"][number]["job"];
  next: string;
  view: View;
  faults: Faults;
}) {
  const [open, setOpen] = useState(faults !== null);
  const of =
    view.plantings.find((p) => p.id === job.plantingId)?.name ?? view.beds.find((b) => b.id === job.bedId)?.name;
  return (
    <Box borderTopWidth="1px" borderColor="ruleSoft" py="2">
      <Flex gap="2" align="center">
        <Box flex="1">
          <Text>
            {of && <strong>{of}: </strong>}
            {job.words}
          </Text>
          <Text fontSize="sm" color="inkSoft">
            {next}
          </Text>
        </Box>
        <Button type="button" variant="quiet" size="sm" aria-expanded={open} onClick={() => setOpen((o) => !o)}>
          {open ? "Close" : "Change"}
        </Button>
      </Flex>
      {open && <OwnJobForm view={view} faults={faults} job={job} />}
    </Box>
  );
}

function OwnJobForm({ view, faults, job }: { view: View; faults: Faults; job: View["own"][number]["job"] | null }) {
  const schema = useMemo(() => ownJobForm(view.today), [view.today]);
  const [again, setAgain] = useState(job ? job.everyDays !== null || job.onFrost : false);
  const value = (name: string, v: string | number | null | undefined) => shownValue(faults, name, v);
  const where = job?.plantingId ? `planting ${job.plantingId}` : job?.bedId ? `bed ${job.bedId}` : "";
  return (
    <CheckedForm method="post" key={job ? job.id : view.own.length} schema={schema} faults={faults}>
      {job && <input type="hidden" name="id" value={job.id} />}
      <Grid gap="4">
        <Field name="words" label="What is to be done?" faults={faults}>
          {(p) => <Input {...p} defaultValue={value("words", job?.words)} placeholder="Tie in the dahlias" />}
        </Field>
        <Field name="where" label="Where" faults={faults}>
          {(p) => (
            <Select {...p} defaultValue={value("where", where)} minW="0">
              <option value="">nowhere in particular</option>
              {view.plantings.map((x) => (
                <option key={x.id} value={`planting ${x.id}`}>
                  {x.name}
                </option>
              ))}
              {view.beds.map((b) => (
                <option key={b.id} value={`bed ${b.id}`}>
                  {b.name}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="4">
          <Field name="startOn" label="From" faults={faults}>
            {(p) => <DateInput {...p} defaultValue={value("startOn", job?.startOn ?? view.today)} />}
          </Field>
          <Field name="minutes" label="Minutes" faults={faults}>
            {(p) => <CountInput {...p} of="minutes" least={1} defaultValue={value("minutes", job?.minutes ?? 5)} />}
          </Field>
        </Grid>
        <Tickbox label="Again and again" checked={again} onChange={setAgain} />
        {again && (
          <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="4">
            <Field name="everyDays" label="After so many days" hint="from the day it was done" faults={faults}>
              {(p) => <CountInput {...p} of="days" least={1} defaultValue={value("everyDays", job?.everyDays)} />}
            </Field>
            <Field name="times" label="So many times" hint="empty: for as long" faults={faults}>
              {(p) => <CountInput {...p} of="times" least={1} defaultValue={value("times", job?.times)} />}
            </Field>
            <Field name="untilOn" label="Until" faults={faults}>
              {(p) => <DateInput {...p} defaultValue={value("untilOn", job?.untilOn)} />}
            </Field>
            <Box alignSelf="end">
              <Tickbox
                name="onFrost"
                label="On evenings before a frost"
                checked={job?.onFrost ?? faults?.typed.onFrost === "on"}
              />
            </Box>
          </Grid>
        )}
        <Tickbox
          name="dryLeaves"
          label="Only on dry leaves"
          checked={job?.dryLeaves ?? faults?.typed.dryLeaves === "on"}
        />
        <Field name="note" label="Why, or how" faults={faults}>
          {(p) => <Input {...p} defaultValue={value("note", job?.note)} />}
        </Field>
      </Grid>
      <Flex gap="2" mt="4" wrap="wrap">
        <Button type="submit" name="intent" value="keep">
          {job ? "Keep the change" : "Note it"}
        </Button>
        {job && (
          <Button type="submit" name="intent" value="remove" variant="quiet" formNoValidate>
            Take it out
          </Button>
        )}
        {!job && (
          <LinkButton to="/season/lessons" variant="quiet">
            A lesson for next year instead
          </LinkButton>
        )}
      </Flex>
    </CheckedForm>
  );
}

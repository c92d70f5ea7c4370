import { Box, chakra, Flex, Grid, Text } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import { Form, useNavigate } from "react-router";
import { sayNear } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import { cautionsAt } from "#core/handbook/cautions";
import type { ReadingValue } from "#core/planting/check";
import type { Marked } from "#core/planting/marked";
import { isPick } from "#core/planting/verdict";
import { sayEvidence, sayGrowth } from "#core/planting/words";
import { proseIn } from "#core/units/prose";
import { JobRow } from "../jobs/job-row";
import { LessonsNote } from "../lessons/lessons-note";
import { freshId } from "../offline/queue";
import { Cautions } from "../ui/cautions";
import { DateInput } from "../ui/date-input";
import { Fold } from "../ui/fold";
import { PhotoField } from "../ui/photo-field";
import { Term } from "../ui/term";
import { Anchor, Button, type Faults, Field, FormError, LinkButton, Note, Page, Section, TextArea } from "../ui/ui";
import { useSwipe } from "../ui/use-swipe";
import { CueControl } from "./cue-control";
import { FortnightRibbon } from "./fortnight-ribbon";
import { PieceMarks } from "./piece-marks";
import { Reasons } from "./reasons";
import { Signs } from "./signs";
import { useLiveVerdict } from "./use-live-verdict";
import { VerdictCard } from "./verdict-card";
import type { WalkSheet } from "./walk.server";
import { timeSince } from "./walk-offline";

/** How many cues are offered at first. */
const FIRST_CUES = 3;
type Given = Record<string, ReadingValue>;
const NO_MARKS: Marked[] = [];

/** One planting on a walk: cues to answer by picture, the verdict as they are given, and on to the next. */
export function WalkForm({ data, faults }: { data: WalkSheet; faults: Faults }) {
  const { planting, bed, crop, school, units, today, todays, last, position, next } = data;
  const [given, setGiven] = useState<Given>(() => Object.fromEntries(todays.map((r) => [r.cueId, r.value])));
  const [marked, setMarked] = useState<Marked[]>(data.marked);
  const [all, setAll] = useState(false);
  const [note, setNote] = useState(faults?.typed.note ?? "");
  const [againOn, setAgainOn] = useState(faults?.typed.againOn ?? "");
  const [key, setKey] = useState({ id: "", loadedAt: 0 });
  const form = useRef<HTMLFormElement>(null);
  const navigate = useNavigate();
  useEffect(() => setKey({ id: freshId(), loadedAt: Date.now() }), []);
  const remarked = JSON.stringify(marked) !== JSON.stringify(data.marked);
  const live = useLiveVerdict(data, given, remarked || data.markedToday ? marked : NO_MARKS);
  const touched =
    note.trim() !== "" ||
    againOn !== "" ||
    remarked ||
    Object.keys(given).length > todays.length ||
    todays.some((r) => given[r.cueId] !== r.value);

  const cues = [...crop.cues].sort((a, b) => data.order.indexOf(a.id) - data.order.indexOf(b.id));
  const measured = cues.filter((c) => c.kind !== "event");
  const shown = all
    ? measured
    : measured.filter((c, i) => i < FIRST_CUES || given[c.id] !== undefined || c.id === live.ask);
  const give = (cueId: string, value: ReadingValue | null) =>
    setGiven((g) => {
      const { [cueId]: _, ...rest } = g;
      return value === null ? rest : { ...rest, [cueId]: value };
    });
  const sameAsLast = () => {
    setGiven((g) => ({ ...g, ...Object.fromEntries((data.sameAs?.readings ?? []).map((r) => [r.cueId, r.value])) }));
    // the readings must stand in the form before it is sent
    requestAnimationFrame(() => requestAnimationFrame(() => form.current?.requestSubmit()));
  };
  const go = (id: string | null) => id && navigate(`/walk/${id}`);
  const swipe = useSwipe({ left: () => go(data.after ?? next), right: () => go(data.before) });

  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (e.target instanceof HTMLElement && e.target.closest("input[type=number], input[type=text], textarea")) return;
      if (e.ctrlKey || e.metaKey || e.altKey) return;
      if (e.key === "Enter" && !(e.target instanceof HTMLButtonElement) && !(e.target instanceof HTMLAnchorElement)) {
        e.preventDefault();
        form.current?.requestSubmit();
      }
      if (e.key === "ArrowRight" && e.shiftKey) go(data.after ?? next);
      if (e.key === "ArrowLeft" && e.shiftKey) go(data.before);
      if (e.key === "=" && data.sameAs && !touched) sameAsLast();
      const n = Number(e.key);
      const first = shown.find((c) => given[c.id] === undefined && c.kind === "choice");
      if (n >= 1 && n <= 8 && first?.kind === "choice" && first.options[n - 1])
        give(first.id, first.options[n - 1]!.id);
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  });

  const say = (list: typeof data.evidence) => list.map((e) => sayEvidence(e, today, units));
  // beside the cues on a laptop, under them on a phone
  const why = (
    <>
      <Reasons
        live={say(live.evidence)}
        before={[
          ...say(data.evidence),
          data.growth ? sayGrowth(data.growth, today, units) : "",
          data.view.reasons.at(-1) ?? "",
        ]}
        standing={live.standing?.kind === "event" ? live.standing.advice : null}
      />
      <Box display={{ base: "block", md: "none" }} mb="4">
        <FortnightRibbon days={live.days} />
      </Box>
      {data.usedUp > 0 && (
        <Text color="inkSoft" mb="3">
          {data.usedUp} used up by tests this season.
        </Text>
      )}
      <Text mb="3">
        <b>To pick it:</b> {proseIn(data.technique.how, units)} Leave {proseIn(data.technique.leave, units)}.
      </Text>
      {crop.byProducts.map((b) => (
        <Text key={b.part} color="inkSoft" mb="3">
          <b>Also to take: {b.what}.</b> {b.how}{" "}
          <Anchor to={`/picks/new?planting=${planting.id}&part=${b.part}`}>Log them</Anchor>
        </Text>
      ))}
      <Cautions of={cautionsAt(crop, "picking")} />
    </>
  );
  return (
    <Page
      title={plantingName(planting, crop)}
      lead={
        <>
          {position.at} of {position.of} · {bed.name} · “{school.name}”
          <Term of="school" /> · <Anchor to={`/handbook/${crop.id}`}>handbook</Anchor> ·{" "}
          <Anchor to={`/season/lessons?planting=${planting.id}`}>a lesson</Anchor>
          {bed.note && <> · {bed.note}</>}
        </>
      }
      actions={
        <LinkButton variant="quiet" size="sm" to="/walk" display={{ base: "none", md: "inline-flex" }}>
          All beds
        </LinkButton>
      }
    >
      <Box {...swipe}>
        <Progress seen={position.seen} of={position.of} />
        {data.turn === "last" && (
          <Note tone="caution" title="Disease was seen in this bed">
            Touch it last, and wash hands and blade after it.
          </Note>
        )}
        {data.wet && (
          <Note tone="caution" title="Look, do not touch: the leaves are likely wet">
            Wet hands carry disease from plant to plant. Come back once it is dry.
          </Note>
        )}
        {data.misled.map((m) => (
          <Note key={m.why} title="The weather misleads today">
            {m.why[0]!.toUpperCase() + m.why.slice(1)}: such a reading counts for little until{" "}
            {sayNear(m.believeFrom, today)}.
          </Note>
        ))}
        <Form method="post" encType="multipart/form-data" ref={form}>
          <input type="hidden" name="id" value={key.id} />
          <input type="hidden" name="seenAt" value={key.loadedAt ? timeSince(data.now, key.loadedAt) : ""} />
          <FormError faults={faults} />
          <Grid
            templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(300px,0.85fr) minmax(0,1.2fr)" }}
            gap={{ base: "5", lg: "10" }}
          >
            <Box position={{ lg: "sticky" }} top="4" alignSelf="start">
              <VerdictCard live={live} crop={crop} prior={data.prior} today={today} />
              <Box mt="4" display={{ base: "none", lg: "block" }}>
                {why}
              </Box>
            </Box>
            <Box>
              {data.markable > 0 && <PieceMarks count={data.markable} marked={marked} onMark={setMarked} />}
              {remarked && <input type="hidden" name="marked" value={JSON.stringify(marked)} />}
              {shown.map((cue) => (
                <CueControl
                  key={cue.id}
                  cue={cue}
                  school={school}
                  glyph={crop.glyph}
                  units={units}
                  coins={data.coins}
                  value={given[cue.id] ?? null}
                  last={last[cue.id] ?? null}
                  suggested={live.ask === cue.id}
                  onGive={(value) => give(cue.id, value)}
                />
              ))}
              {!all && shown.length < measured.length && (
                <Button type="button" variant="quiet" mb="3" onClick={() => setAll(true)}>
                  More cues
                </Button>
              )}
              <Signs crop={crop} given={given} onGive={give} />
              <PhotoField kept={data.photos} />
              <Fold title="A note, or a day of your own to look again" open={faults?.errors.againOn}>
                <Grid templateColumns={{ base: "minmax(0, 1fr)", sm: "1fr 12rem" }} gap="4" pb="3">
                  <Field name="note" label="Note" faults={faults}>
                    {(p) => (
                      <TextArea
                        {...p}
                        rows={2}
                        value={note}
                        maxLength={500}
                        onChange={(e) => setNote(e.target.value)}
                      />
                    )}
                  </Field>
                  <Field name="againOn" label="Look again on" hint="It stands among the jobs." faults={faults}>
                    {(p) => <DateInput {...p} value={againOn} onDay={setAgainOn} />}
                  </Field>
                </Grid>
              </Fold>
              <LessonsNote lessons={data.lessons} />
              {data.jobs.length > 0 && (
                <Section title="To do here">
                  {data.jobs.map((j) => (
                    <JobRow key={j.key} job={{ ...j, name: "", bed: "", to: null }} brief />
                  ))}
                </Section>
              )}
              <Flex
                gap="2.5"
                wrap="wrap"
                position={{ base: "sticky", lg: "static" }}
                bottom={{ base: "61px", lg: "auto" }}
                bg="paper"
                py="2.5"
                mx={{ base: "-4", lg: "0" }}
                px={{ base: "4", lg: "0" }}
                borderTopWidth={{ base: "1px", lg: "0" }}
                borderColor="rule"
                zIndex="2"
              >
                <Button type="submit" size="lg" flex="1" minW="9rem">
                  {touched ? (next ? "Save, next" : "Save") : next ? "Nothing new, next" : "Nothing new"}
                </Button>
                {!touched && data.sameAs && data.sameAs.readings.length > 0 && (
                  <Button type="button" size="lg" variant="outline" flex="1" minW="9rem" onClick={sameAsLast}>
                    Same as {data.sameAs.day}
                  </Button>
                )}
                {(touched || !data.sameAs) && isPick(live.verdict) && (
                  <Button type="submit" size="lg" variant="outline" name="then" value="pick">
                    Save and pick
                  </Button>
                )}
              </Flex>
              <Box mt="4" display={{ base: "block", lg: "none" }}>
                {why}
              </Box>
            </Box>
          </Grid>
        </Form>
      </Box>
    </Page>
  );
}

/** How far the walk has come, as seeds: full for looked at. */
function Progress({ seen, of }: { seen: number; of: number }) {
  return (
    <Flex gap="1" mb="4" role="img" aria-label={`${seen} of ${of} looked at today`}>
      {Array.from({ length: of }, (_, i) => (
        <chakra.span
          key={i}
          flex="1"
          maxW="22px"
          h="7px"
          borderRadius="leaf"
          borderWidth="1px"
          borderColor="moss"
          bg={i < seen ? "moss" : "transparent"}
        />
      ))}
    </Flex>
  );
}

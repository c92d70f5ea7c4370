import { Box, chakra, Flex, Grid, Text } from "@chakra-ui/react";
import { Form, redirect } from "react-router";
import { schoolOf } from "#core/handbook/index";
import { sayReading } from "#core/planting/words";
import { nearestObject } from "#core/units/reference-objects";
import { newId } from "#db/change";
import { gardenOf } from "#db/garden";
import { listPractice, savePractice } from "#db/handbook";
import { PRACTICE_ANSWERS, type PracticeAnswer, practicePlant } from "#standins/practice";
import { formOf, refuse, typedOf } from "../server/forms.server";
import { db, gardenNow, handbook } from "../server/garden-now.server";
import { CropGlyph } from "../ui/crop-glyph";
import { Anchor, Button, LinkButton, Note, Page, Section } from "../ui/ui";
import type { Route } from "./+types/practice";

/** Plants are numbered one after another, so that a page loaded again shows the same plant. */
const cropsToPractise = (mine: boolean) => {
  const { snapshot } = gardenNow();
  const growing = new Set(snapshot.plantings.filter((p) => p.endedOn === null).map((p) => p.cropId));
  const own = handbook().all.filter((c) => growing.has(c.id));
  return mine && own.length > 0 ? own : handbook().all;
};
const seedOf = (url: URL, count: number): number => {
  const asked = Number(url.searchParams.get("plant"));
  return Number.isInteger(asked) && asked > 0 && asked < 1e9 ? asked : 7919 + count;
};

export function loader({ url }: Route.LoaderArgs) {
  const answers = listPractice(db());
  const mine = url.searchParams.get("crops") !== "all";
  const answered = answers.find((a) => a.id === url.searchParams.get("answer")) ?? null;
  const seed = seedOf(url, answers.length);
  const plant = answered ? null : practicePlant(cropsToPractise(mine), seed);
  const crop = handbook().of(answered?.cropId ?? plant!.cropId);
  const { units, coins } = gardenOf(db());
  const readings = answered?.readings ?? plant!.readings;
  const scores = new Map<string, { name: string; tries: number; right: number }>();
  for (const a of answers) {
    const c = handbook().find(a.cropId);
    for (const r of a.readings) {
      const cue = c?.cues.find((x) => x.id === r.cueId);
      if (!c || !cue) continue;
      const key = `${c.name}: ${cue.label}`;
      const score = scores.get(key) ?? { name: key, tries: 0, right: 0 };
      scores.set(key, { name: key, tries: score.tries + 1, right: score.right + Number(a.right) });
    }
  }
  return {
    seed,
    mine,
    crop: { id: crop.id, name: crop.name, glyph: crop.glyph, school: schoolOf(crop, "").name },
    shown: readings.flatMap((r) => {
      const cue = crop.cues.find((c) => c.id === r.cueId);
      if (!cue) return [];
      const seen = cue.kind === "choice" ? cue.options.find((o) => o.id === r.value)?.at : undefined;
      const object =
        cue.kind === "measure" && cue.quantity !== "girth" ? nearestObject(Number(r.value), coins).name : null;
      return [
        {
          ask: cue.ask,
          words: `${sayReading(cue, r.value, units)}${object ? ` (${object})` : ""}`,
          stage: seen ?? null,
        },
      ];
    }),
    answered: answered ? { said: answered.said, truth: answered.truth, right: answered.right } : null,
    total: { tries: answers.length, right: answers.filter((a) => a.right).length },
    scores: [...scores.values()].sort((a, b) => a.right / a.tries - b.right / b.tries || b.tries - a.tries),
  };
}

export async function action({ request }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request));
  const said = PRACTICE_ANSWERS.find((a) => a === typed.said);
  const seed = Number(typed.plant);
  if (!said || !Number.isInteger(seed)) return refuse({ errors: { form: "choose one of the four answers" }, typed });
  const mine = typed.mine === "yes";
  const plant = practicePlant(cropsToPractise(mine), seed);
  const id = newId();
  const { now } = gardenNow();
  savePractice(db(), {
    id,
    at: now,
    cropId: plant.cropId,
    readings: plant.readings,
    said,
    truth: plant.truth,
    right: said === plant.truth,
  });
  return redirect(`/walk/practice?answer=${id}${mine ? "" : "&crops=all"}`);
}

export const meta: Route.MetaFunction = () => [{ title: "Practise · Akmedon" }];
const ANSWER_WORDS: Record<PracticeAnswer, string> = {
  "not-yet": "Not yet",
  nearly: "Nearly",
  ready: "Ready: pick",
  past: "Past its prime",
};
const sayAnswer = (a: string) => ANSWER_WORDS[a as PracticeAnswer] ?? a;

export default function Practice({ loaderData }: Route.ComponentProps) {
  const { crop, shown, answered, total, scores, seed, mine } = loaderData;
  return (
    <Page
      title="Practise"
      lead={
        <>
          Simulated plants with a hidden truth. You judge, the answer follows. Nothing here touches your garden.{" "}
          {mine ? (
            <Anchor to="/walk/practice?crops=all">All crops</Anchor>
          ) : (
            <Anchor to="/walk/practice">Only what grows here</Anchor>
          )}
        </>
      }
      actions={
        <LinkButton variant="quiet" size="sm" to="/walk">
          To the walk
        </LinkButton>
      }
    >
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "1.1fr 1fr" }} gap="10">
        <Box>
          <Box bg="sheet" borderWidth="1px" borderColor="rule" borderRadius="leaf" p="5" mb="5">
            <Flex align="center" gap="4" mb="3">
              <CropGlyph kind={crop.glyph} stage={answered ? 1.2 : 0.9} size={56} />
              <Box>
                <Text fontFamily="heading" fontSize="2xl" fontWeight="600" lineHeight="1.1">
                  {crop.name}
                </Text>
                <Text color="inkSoft">picked as “{crop.school}”</Text>
              </Box>
            </Flex>
            {shown.map((s) => (
              <Flex key={s.ask} py="2" gap="3" align="center" borderTopWidth="1px" borderColor="ruleSoft">
                <Box flex="1">
                  <Text fontSize="sm" color="inkSoft">
                    {s.ask}
                  </Text>
                  <Text fontSize="lg" fontWeight="650">
                    {s.words}
                  </Text>
                </Box>
                {s.stage !== null && <CropGlyph kind={crop.glyph} stage={s.stage} size={52} />}
              </Flex>
            ))}
          </Box>
          {answered ? (
            <>
              <Note
                tone={answered.right ? "plain" : "caution"}
                title={answered.right ? "Right." : `It was “${sayAnswer(answered.truth)}”.`}
              >
                {answered.right ? `“${sayAnswer(answered.truth)}” it is.` : `You said “${sayAnswer(answered.said)}”. `}
                {!answered.right && <Anchor to={`/handbook/${crop.id}`}>See its cues</Anchor>}
              </Note>
              <LinkButton size="lg" to={`/walk/practice${mine ? "" : "?crops=all"}`} autoFocus>
                Next plant
              </LinkButton>
            </>
          ) : (
            <Form method="post">
              <input type="hidden" name="plant" value={seed} />
              <input type="hidden" name="mine" value={mine ? "yes" : "no"} />
              <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="2.5">
                {PRACTICE_ANSWERS.map((a) => (
                  <Button key={a} type="submit" name="said" value={a} size="lg" variant="outline">
                    {ANSWER_WORDS[a]}
                  </Button>
                ))}
              </Grid>
            </Form>
          )}
        </Box>
        <Section
          title="Your eye"
          note={total.tries > 0 ? `${total.right} of ${total.tries} right` : "No plants judged yet"}
        >
          {scores.length === 0 && (
            <Text color="inkSoft">After a few plants this shows which cues you read well and which fool you.</Text>
          )}
          {scores.slice(0, 14).map((s) => (
            <Flex key={s.name} align="center" gap="3" py="1.5" borderBottomWidth="1px" borderColor="ruleSoft">
              <Text flex="1">{s.name}</Text>
              <Box w="90px" h="8px" bg="tint" borderRadius="full" aria-hidden>
                <Box h="8px" bg="moss" borderRadius="full" w={`${(100 * s.right) / s.tries}%`} />
              </Box>
              <chakra.span minW="4.5rem" textAlign="right">
                {s.right} of {s.tries}
              </chakra.span>
            </Flex>
          ))}
        </Section>
      </Grid>
    </Page>
  );
}

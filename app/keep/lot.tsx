import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useState } from "react";
import { redirect } from "react-router";
import { sayDate } from "#core/calendar/day";
import type { LotEventKind } from "#core/keeping/lot";
import { LOT_EVENT_WORDS } from "#core/keeping/words";
import { sayTemp } from "#core/units/say";
import { lastGood } from "../offline/last-good";
import { orWait } from "../offline/or-wait";
import { formOf, missing, typedOf } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { safePath } from "../server/safe-path";
import { Cautions } from "../ui/cautions";
import { CropGlyph } from "../ui/crop-glyph";
import { FollowUp } from "../ui/follow-up";
import { Anchor, Button, FormError, LinkButton, Note, Page, Section } from "../ui/ui";
import type { Route } from "./+types/lot";
import { GoodCurve } from "./good-curve";
import { lotView } from "./lot.server";
import { changeLot } from "./lot-action.server";
import { LotActions } from "./lot-actions";
import { LotForm } from "./lot-form";

export function loader({ params }: Route.LoaderArgs) {
  const view = lotView(gardenNow(), params.lotId);
  if (!view) throw missing("lot");
  return view;
}

export async function action({ request, params }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request));
  return changeLot(params.lotId, typed, typed.back ? safePath(typed.back) : `/keep/lots/${params.lotId}`);
}

/** Without a signal the page stands as it was, and what is done to the lot waits in the browser. */
export const clientLoader = ({ serverLoader, params }: Route.ClientLoaderArgs) =>
  lastGood(`lot ${params.lotId}`, () => serverLoader());

export async function clientAction({ request, params, serverAction }: Route.ClientActionArgs) {
  let back = "/keep";
  const answer = await orWait(
    request,
    () => serverAction(),
    (form) => {
      back = String(form.get("back") || back);
      const intent = String(form.get("intent"));
      const words = intent === "ripe" ? "ripe ones" : LOT_EVENT_WORDS[intent as LotEventKind];
      return {
        path: `/keep/lots/${params.lotId}`,
        label: `${form.get("lotName") || "A lot"}: ${words ?? "an entry taken out"}`,
        leave: ["back"],
      };
    },
  );
  if (answer === null) throw redirect(safePath(back));
  return answer;
}

export const meta: Route.MetaFunction = ({ data }) => [{ title: `${data?.lot.kind ?? "Lot"} · Akmedon` }];

const weeks = (days: number): string =>
  days < 14
    ? `${Math.round(days)} ${Math.round(days) === 1 ? "day" : "days"}`
    : days < 90
      ? `${Math.round(days / 7)} weeks`
      : `${Math.round(days / 30)} months`;

/** One lot: what is left of it, how it keeps here and elsewhere, what befell it, and what to do with it. */
export default function LotPage({ loaderData, actionData }: Route.ComponentProps) {
  const { lot, line, why, cure, batches, places, curves, hereName, facts, history, units, care } = loaderData;
  const faults = actionData && "errors" in actionData ? actionData : null;
  const others = places.filter((p) => !p.here && !p.freezer);
  const here = places.find((p) => p.here);
  const [otherId, setOther] = useState<string | null>(null);
  const other = others.find((p) => p.id === otherId) ?? null;
  return (
    <Page
      title={lot.kind}
      lead={
        <>
          From {lot.bed}, <Anchor to={`/picks/${lot.pickId}`}>picked {sayDate(lot.picked)}</Anchor>
          {lot.grade === "sound" ? "" : `, ${lot.grade}`}
          {lot.note ? `, ${lot.note}` : ""}.
          {lot.from && (
            <>
              {" "}
              <Anchor to={`/keep/lots/${lot.from}`}>What it came from</Anchor>
            </>
          )}
        </>
      }
      actions={
        <>
          <LinkButton to={`/season/lessons?planting=${lot.plantingId}`} variant="quiet">
            A lesson
          </LinkButton>
          <LinkButton to="/keep" variant="outline">
            All that is kept
          </LinkButton>
        </>
      }
    >
      <FormError faults={faults} />
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0,1.25fr) minmax(320px,1fr)" }} gapX="12">
        <Box>
          <Flex gap="4" align="center" mb="5">
            <CropGlyph kind={lot.glyph} stage={1.25} size={84} />
            <Box>
              <Text fontFamily="heading" fontSize="3xl" lineHeight="1.1">
                {lot.leftG > 0 ? [lot.left, lot.pieces].filter(Boolean).join(", ") : "Nothing left"}
              </Text>
              <Text color="inkSoft">
                of {lot.start}, {lot.place}
              </Text>
              {line && (
                <Text fontWeight="650">{[line.ripe || line.keeps, line.curing].filter(Boolean).join("; ")}</Text>
              )}
            </Box>
          </Flex>
          {lot.leftG > 0 && <Cautions of={care} />}
          {lot.dishes.length > 0 && lot.leftG > 0 && (
            <Text mb="4">
              You make of it: <Anchor to="/keep/dishes">{lot.dishes.map((x) => x.name).join(", ")}</Anchor>
            </Text>
          )}
          {lot.leftG > 0 && !line && (
            <Note title="This is hardly good any more">
              By its age little of it can be good. If it is, it has kept better than the book; if not, write down what
              became of it.
            </Note>
          )}
          {curves.length > 1 && (
            <Section title="Still good" note={other ? `solid: ${hereName}; dashed: ${other.name}` : hereName}>
              <GoodCurve points={curves} here={hereName} other={other} />
              {why.length > 0 && (
                <Text fontSize="sm" color="inkSoft">
                  It ages faster here: {why.join("; ")}.
                </Text>
              )}
              <Text fontSize="sm" color="inkSoft">
                Best at {facts.temp.map((t) => sayTemp(t, units)).join(" to ")} and {facts.humidity.join(" to ")} %
                humidity: {weeks(facts.days[0])} to {weeks(facts.days[1])}
                {facts.row ? ` (Handbook 66, “${facts.row}”)` : " (the handbook)"}. Shares beyond that are our
                reckoning.
              </Text>
            </Section>
          )}
          {line && others.length > 0 && !lot.preserved && (
            <Section title="What if it lay elsewhere">
              {others.map((p) => {
                const gain = p.halfInDays - (here?.halfInDays ?? line.days);
                return (
                  <Flex
                    key={p.id}
                    gap="3"
                    py="2"
                    borderTopWidth="1px"
                    borderColor="ruleSoft"
                    align="center"
                    wrap="wrap"
                  >
                    <Box flex="1" minW="12rem">
                      <Text fontWeight="650">{p.name}</Text>
                      <Text fontSize="sm" color={p.warnings.length > 0 ? "madder" : "inkSoft"}>
                        {p.warnings.length > 0 ? p.warnings.join(" ") : p.factors.join("; ") || "as it likes it"}
                      </Text>
                    </Box>
                    <Text fontWeight="600" color={gain < -0.9 ? "madder" : "ink"}>
                      {Math.abs(gain) < 1
                        ? "about the same"
                        : gain > 0
                          ? `${weeks(gain)} longer`
                          : `${weeks(-gain)} less`}
                    </Text>
                    <Button
                      type="button"
                      size="sm"
                      variant="quiet"
                      aria-pressed={other?.id === p.id}
                      onClick={() => setOther(other?.id === p.id ? null : p.id)}
                    >
                      {other?.id === p.id ? "Hide" : "Show"}
                    </Button>
                    <LotForm lot={lot}>
                      <input type="hidden" name="move-place" value={p.id} />
                      <Button type="submit" name="intent" value="move" size="sm" variant="outline">
                        Move it there
                      </Button>
                    </LotForm>
                  </Flex>
                );
              })}
            </Section>
          )}
          {cure && !cure.ready && (
            <Section title="Curing" note={`${cure.range[0]} to ${cure.range[1]} days in the right air; ${cure.source}`}>
              <Text>
                {cure.done.toFixed(1)} of about {cure.wanted.toFixed(0)} days are done. {cure.plan.ends}
              </Text>
              {cure.plan.lacks.map((l) => (
                <Text key={l} mt="1">
                  {l.charAt(0).toUpperCase() + l.slice(1)}
                </Text>
              ))}
              <Text mt="1" color="inkSoft">
                {cure.test}
              </Text>
            </Section>
          )}
          {batches.length > 1 && (
            <Section title="Not all at once" note="so that about as many are ripe as you eat">
              {batches.map((b) => (
                <Text key={b.inDays} py="1">
                  <strong>{b.inDays === 0 ? "Today" : b.day}</strong>: {b.pieces} into the warm
                </Text>
              ))}
            </Section>
          )}
          <Section title="A date of your own" note="it stands among the jobs">
            <FollowUp lotId={lot.id} back={`/keep/lots/${lot.id}`} today={loaderData.today} />
          </Section>
          <Section title="What befell it">
            {history.map((h) => (
              <Flex key={h.id} gap="3" py="1.5" borderTopWidth="1px" borderColor="ruleSoft" align="center">
                <Text color="inkSoft" w="6.5em" flexShrink="0">
                  {sayDate(h.at.slice(0, 10))}
                </Text>
                <Text flex="1">{h.words}</Text>
                <LotForm lot={lot}>
                  <input type="hidden" name="id" value={h.id} />
                  <Button type="submit" name="intent" value="take-back" size="sm" variant="quiet" aria-label="Take out">
                    ×
                  </Button>
                </LotForm>
              </Flex>
            ))}
            <Flex gap="3" py="1.5" borderTopWidth="1px" borderColor="ruleSoft">
              <Text color="inkSoft" w="6.5em" flexShrink="0">
                {sayDate(lot.picked)}
              </Text>
              <Text>Picked, {lot.start} in this lot</Text>
            </Flex>
          </Section>
        </Box>
        <Section title="What becomes of it">
          {lot.leftG > 0 ? (
            <LotActions view={loaderData} faults={faults} />
          ) : (
            <Text color="inkSoft">All of it has found its way.</Text>
          )}
        </Section>
      </Grid>
    </Page>
  );
}

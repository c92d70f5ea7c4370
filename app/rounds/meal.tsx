import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Printer } from "lucide-react";
import { Form } from "react-router";
import { plantingName } from "#core/garden/name";
import { cautionsOfAll } from "#core/handbook/cautions";
import { EXAMPLES, forAMeal, mealLine, readWanted, standsReadyG } from "#core/planning/question/meal";
import { slotTime } from "#core/planning/question/problem";
import { sayMass } from "#core/units/mass";
import { bulkOf } from "#core/weighing/bulk";
import { techniqueOf } from "../handbook/technique.server";
import { gardenNow } from "../server/garden-now.server";
import { Cautions } from "../ui/cautions";
import { CropGlyph } from "../ui/crop-glyph";
import { Button, Input, LinkButton, Page } from "../ui/ui";
import type { Route } from "./+types/meal";

/** What can be picked for a meal now, and, where amounts are asked for, what that brings, leaves and takes. */
/** What of a technique is said beside a crop. */
const wayOf = ({ how, leave }: { how: string; leave: string }) => ({ how, leave });

export function loader({ url }: Route.LoaderArgs) {
  const d = gardenNow();
  const { garden } = d.snapshot;
  const asked = url.searchParams;
  const nowT = slotTime(d.today, d.today, d.now.slice(11, 16));
  const ready = [...forAMeal(d.outlook.plantings, nowT)].sort((a, b) => a.bed.walkOrder - b.bed.walkOrder);
  const lines = ready.map((p) => {
    const typed = (asked.get(p.planting.id) ?? "").slice(0, 60);
    const read = typed.trim() === "" ? null : readWanted(typed, p.crop.yield.pieceG, bulkOf(p.crop), garden.units);
    const line = read?.ok ? mealLine(p, read.wanted, nowT, garden.lineMinutes) : null;
    const pieces = Math.floor(standsReadyG(p, nowT) / p.crop.yield.pieceG);
    return {
      id: p.planting.id,
      name: plantingName(p.planting, p.crop),
      bed: p.bed.name,
      glyph: p.crop.glyph,
      stage: p.judgement.meanStage,
      typed,
      fault: read && !read.ok ? read.message : null,
      stands: `about ${sayMass(standsReadyG(p, nowT), garden.units)}${pieces >= 1 && pieces <= 60 ? `, ${pieces} ${pieces === 1 ? "piece" : "pieces"}` : ""}`,
      result: line && {
        take: line.short
          ? `all that is ready, about ${sayMass(line.standsG, garden.units)}`
          : `${line.pieces === null ? "" : `${line.pieces}, `}about ${sayMass(line.wantedG, garden.units)}`,
        left: line.short ? null : sayMass(line.leftG, garden.units),
        minutes: line.minutes,
        count: line.pieces,
      },
      ...wayOf(techniqueOf(d, p)),
    };
  });
  const chosen = lines.filter((l) => l.result);
  return {
    lines,
    examples: EXAMPLES[garden.units],
    cautions: cautionsOfAll(
      ready.filter((p) => chosen.some((l) => l.id === p.planting.id)).map((p) => p.crop),
      "picking",
      "kitchen",
    ),
    any: chosen.length > 0,
    minutes: Math.round(chosen.reduce((s, l) => s + l.result!.minutes, chosen.length > 0 ? garden.roundMinutes : 0)),
  };
}

export const meta: Route.MetaFunction = () => [{ title: "For a meal · Akmedon" }];

export default function Meal({ loaderData }: Route.ComponentProps) {
  const { lines, any, minutes, examples, cautions } = loaderData;
  return (
    <Page
      title="For a meal"
      lead={
        any
          ? `Just so much, and nothing else: about ${minutes} minutes.`
          : `Say how much of what you want: ${examples}.`
      }
      actions={
        any && (
          <Button type="button" variant="outline" onClick={() => window.print()}>
            <Printer size={18} /> Print
          </Button>
        )
      }
    >
      {lines.length === 0 && (
        <Text color="inkSoft" mb="4">
          Nothing stands ready now. <LinkButton to="/walk">Walk the beds</LinkButton>
        </Text>
      )}
      <Form method="get" preventScrollReset>
        {lines.map((l) => (
          <Box
            key={l.id}
            py="3"
            borderBottomWidth="1px"
            borderColor="ruleSoft"
            css={{ breakInside: "avoid", ...(any && !l.result ? { "@media print": { display: "none" } } : {}) }}
          >
            <Flex gap="3" align="center" wrap="wrap">
              <CropGlyph kind={l.glyph} stage={l.stage} size={44} />
              <Box flex="1" minW="200px">
                <Text fontSize="lg">
                  <strong>{l.name}</strong> <chakra.span color="inkSoft">{l.bed}</chakra.span>
                </Text>
                <Text color="inkSoft" fontSize="sm">
                  {l.stands} ready
                </Text>
              </Box>
              <Input
                name={l.id}
                aria-label={`How much ${l.name}`}
                aria-invalid={l.fault ? true : undefined}
                aria-describedby={l.fault ? `fault-${l.id}` : undefined}
                defaultValue={l.typed}
                placeholder="none"
                maxW="150px"
                data-noprint
              />
            </Flex>
            {l.fault && (
              <Text id={`fault-${l.id}`} role="alert" color="madder" fontWeight="600">
                “{l.typed}”: {l.fault}
              </Text>
            )}
            {l.result && (
              <Box pl={{ base: "0", md: "56px" }} mt="1">
                <Text>
                  <strong>Take {l.result.take}.</strong> {l.how} Leave {l.leave}.
                </Text>
                <Text color="inkSoft">
                  {l.result.left === null
                    ? "You asked for more than stands ready."
                    : `About ${l.result.left} stays standing.`}
                </Text>
                <LinkButton variant="quiet" to={`/picks/new?planting=${l.id}`} data-noprint>
                  Weigh
                </LinkButton>
              </Box>
            )}
          </Box>
        ))}
        {lines.length > 0 && (
          <Flex mt="5" gap="3" data-noprint>
            <Button type="submit">Show the list</Button>
            {any && (
              <LinkButton variant="quiet" to="/rounds/meal">
                Start again
              </LinkButton>
            )}
          </Flex>
        )}
      </Form>
      <Box mt="6">
        <Cautions of={cautions} />
      </Box>
    </Page>
  );
}

import { Box, chakra, Flex, Grid, Text } from "@chakra-ui/react";
import { CAUTION_PLACES, cautionsAt } from "#core/handbook/cautions";
import type { Cue, NumericCue } from "#core/handbook/crop";
import { husbandryOf } from "#core/handbook/husbandry";
import { sayWhen } from "#core/handbook/technique";
import { rulesOf } from "#core/jobs/rule";
import { landmarkAt } from "#core/planting/stage-grid";
import { M_PER_FOOT } from "#core/units/constants";
import { sayMass, type UnitSystem } from "#core/units/mass";
import { type Coins, nearestObject } from "#core/units/reference-objects";
import { sayLength, sayTemp } from "#core/units/say";
import { weighedAgain } from "#core/weighing/by-planting";
import { learnedOf } from "#core/weighing/learned";
import { gardenOf } from "#db/garden";
import { lessonsOfCrop } from "../lessons/learned.server";
import { LessonsNote } from "../lessons/lessons-note";
import { lastGood, useKept } from "../offline/last-good";
import { formOf, missing, typedOf } from "../server/forms.server";
import { db, gardenNow, handbook, plainHandbook } from "../server/garden-now.server";
import { Cautions } from "../ui/cautions";
import { CropGlyph } from "../ui/crop-glyph";
import { Fact, From } from "../ui/fact";
import { LinkButton, Page, Section } from "../ui/ui";
import type { Route } from "./+types/crop";
import { GrowingFacts } from "./growing-facts";
import { OwnWeighings } from "./own-weighings";
import { noteWeighing } from "./weighings.server";

export function loader({ params }: Route.LoaderArgs) {
  const crop = handbook().find(params.cropId);
  if (!crop) throw missing("crop of that name in the handbook");
  const { units, coins } = gardenOf(db());
  const { snapshot } = gardenNow();
  const weighings = snapshot.weighings.filter((w) => w.cropId === crop.id);
  const plantings = new Set(snapshot.plantings.filter((p) => p.cropId === crop.id).map((p) => p.id));
  const plain = plainHandbook().of(crop.id);
  return {
    crop,
    units,
    coins,
    own: snapshot.ownCrops.some((c) => c.id === crop.id),
    weighings,
    husbandry: husbandryOf(crop),
    jobs: rulesOf(crop).map(({ id, what, why }) => ({ id, what, why })),
    lessons: lessonsOfCrop(gardenNow(), crop.id),
    learned: learnedOf(
      plain,
      weighedAgain(snapshot).filter((p) => plantings.has(p.plantingId)),
      weighings,
    ),
  };
}

export async function action({ request, params }: Route.ActionArgs) {
  return noteWeighing(typedOf(await formOf(request)), params.cropId);
}

/** Without a signal the page stands as it was. */
export const clientLoader = ({ serverLoader, params }: Route.ClientLoaderArgs) =>
  lastGood(`crop ${params.cropId}`, () => serverLoader());

export const meta: Route.MetaFunction = ({ data }) => [{ title: `${data?.crop.name ?? "Crop"} · Akmedon` }];

export default function CropPage({ loaderData, actionData }: Route.ComponentProps) {
  useKept(`crop ${loaderData.crop.id}`, loaderData);
  const { crop, units, coins, own, husbandry, jobs } = loaderData;
  const days = [
    ["sown", crop.days.sown],
    ["set out", crop.days.transplanted],
    ["planted", crop.days.planted],
    ["each year from bloom or first growth", crop.days.yearly],
  ] as const;
  const kilos = ([low, high]: readonly [number, number], share = 1) =>
    `${sayMass(1000 * low * share, units)} to ${sayMass(1000 * high * share, units)}`;
  const known = days.flatMap(([how, r]) => (r ? [`${how} ${r[0]} to ${r[1]}`] : []));
  return (
    <Page
      title={crop.name}
      lead={
        <>
          <em>{crop.latin}</em>, {crop.family}. {crop.synonyms.length > 0 && `Also: ${crop.synonyms.join(", ")}. `}
          {crop.nature === "ripens"
            ? "Must ripen: size alone says little."
            : "Only needs to be big enough: any size is edible, your taste decides."}
        </>
      }
      actions={
        <>
          <LinkButton variant="outline" to={`/handbook/${crop.id}/change`}>
            {own ? "Change it" : "Copy and change"}
          </LinkButton>
          <LinkButton variant="quiet" to="/handbook">
            All crops
          </LinkButton>
        </>
      }
    >
      <LessonsNote lessons={loaderData.lessons} />
      <Flex gap={{ base: "3", md: "8" }} mb="8" align="flex-end" wrap="wrap">
        {[0.2, 0.7, 1.1, 1.5, 2].map((s, i) => (
          <Box key={s} textAlign="center">
            <CropGlyph kind={crop.glyph} stage={s} size={i === 2 ? 104 : 76} />
            <Text fontSize="sm" color="inkSoft" fontWeight={i === 2 ? "650" : "400"}>
              {["young", "nearly", "ready", "full", "past"][i]}
            </Text>
          </Box>
        ))}
      </Flex>
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0,1.25fr) minmax(300px,1fr)" }} gapX="12">
        <Box>
          <Section title="What it tells you">
            {crop.cues
              .filter((c) => !(c.kind === "event" && c.shared) && c.kind !== "count")
              .map((cue) => (
                <CueCard key={cue.id} cue={cue} units={units} coins={coins} glyph={crop.glyph} />
              ))}
          </Section>
          <Section title="Schools of picking" note="Each is right for someone; you choose one for each planting">
            <Grid templateColumns={{ base: "minmax(0, 1fr)", md: "1fr 1fr" }} gap="4">
              {crop.schools.map((s) => (
                <Box key={s.id} borderLeftWidth="3px" borderColor="ochre" pl="3">
                  <Text fontFamily="heading" fontWeight="600" fontSize="lg">
                    {s.name}
                  </Text>
                  <Text>Gives {s.gives}.</Text>
                  <Text color="inkSoft">Costs {s.costs}.</Text>
                  <From source={s.source} />
                </Box>
              ))}
            </Grid>
          </Section>
        </Box>
        <Box>
          <OwnWeighings
            weighings={loaderData.weighings}
            learned={loaderData.learned}
            units={units}
            faults={actionData && "errors" in actionData ? actionData : null}
          />
          {husbandry && <GrowingFacts facts={husbandry} units={units} />}
          {jobs.length > 0 && (
            <Section title="Jobs" note="what is done beside picking">
              {jobs.map((j) => (
                <Text key={j.id} py="1">
                  {j.what}: <chakra.span color="inkSoft">{j.why}</chakra.span>
                </Text>
              ))}
            </Section>
          )}
          <Section title="Facts">
            <Fact name="Days" source={crop.days.source}>
              {known.join("; ")}. A hint when to begin looking.
            </Fact>
            <Fact name="Warmth" source={crop.warmth.source}>
              {crop.warmth.baseC === null
                ? "base temperature not known; reckoned with doubt"
                : `grows above ${sayTemp(crop.warmth.baseC, units, 1)}`}
            </Fact>
            <Fact name="Look" source={crop.interval.source}>
              every {crop.interval.warmDays} days when warm, {crop.interval.coolDays} when cool
            </Fact>
            <Fact name="At its best" source={crop.prime.source}>
              {crop.prime.warmDays} days in warmth, {crop.prime.coolDays} in the cool; then {crop.late}
            </Fact>
            <Fact name="Frost" source={crop.weather.source}>
              harm at {sayTemp(crop.weather.killC, units, 1)}: {crop.weather.killNote}
            </Fact>
            {crop.weather.notes.map((n) => (
              <Fact key={n} name="Weather" source={crop.weather.notesSource}>
                {n}
              </Fact>
            ))}
            {crop.byProducts.map((b) => (
              <Fact key={b.part} name={`Also: ${b.what}`} source={b.source}>
                {b.how}
              </Fact>
            ))}
            <Fact name="How" source={crop.technique.source}>
              {crop.technique.how} Leave {crop.technique.leave}. Into: {crop.container}.
            </Fact>
            {crop.technique.when.map((w) => (
              <Fact key={sayWhen(crop, w)} name={sayWhen(crop, w)} source={w.source}>
                {w.how} {w.leave && `Leave ${w.leave}.`}
              </Fact>
            ))}
            <Fact name="After" source={crop.after.source}>
              {crop.atOnce} {crop.after.how} Keeps {crop.after.days[0]} to {crop.after.days[1]} days at{" "}
              {sayTemp(crop.after.tempC[0], units)} to {sayTemp(crop.after.tempC[1], units)},{" "}
              {crop.after.humidityPct[0]}–{crop.after.humidityPct[1]} % humidity; refrigerator:{" "}
              {crop.after.fridge.replace("-", " ")}.
            </Fact>
            <Fact name="Ethylene" source="H66">
              {ETHYLENE_WORDS[crop.ethylene]}
            </Fact>
            {crop.misled.map((m) => (
              <Fact key={m.why} name="Misleads" source={m.source}>
                {m.why}
              </Fact>
            ))}
            <Fact name="Yield" source={crop.yield.source}>
              {[
                crop.yield.perPlantKg ? `${kilos(crop.yield.perPlantKg)} a plant` : null,
                crop.yield.perMetreKg
                  ? `${kilos(crop.yield.perMetreKg, units === "us" ? M_PER_FOOT : 1)} a ${units === "us" ? "foot" : "metre"} of row`
                  : null,
              ]
                .filter(Boolean)
                .join("; ")}
            </Fact>
            <Fact name="Rotation" source="RHS">
              {crop.rotationYears} years before its family returns
            </Fact>
          </Section>
          <Cautions of={cautionsAt(crop, ...CAUTION_PLACES)} />
        </Box>
      </Grid>
    </Page>
  );
}

const ETHYLENE_WORDS = {
  producer: "gives it off: keep away from leaves, cabbages, cucumbers, carrots",
  sensitive: "suffers from it: keep away from apples, pears, tomatoes, melons",
  both: "gives it off and suffers from it",
  little: "little either way",
};

const ROLE_WORDS = {
  decisive: "decides",
  supporting: "supports",
  override: "act now, whatever the rest says",
};

function CueCard({
  cue,
  units,
  coins,
  glyph,
}: {
  cue: Cue;
  units: UnitSystem;
  coins: Coins;
  glyph: Parameters<typeof CropGlyph>[0]["kind"];
}) {
  return (
    <Box mb="5">
      <Flex gap="3" align="baseline" wrap="wrap">
        <Text fontWeight="650" fontSize="lg">
          {cue.ask}
        </Text>
        <Text fontSize="sm" color="inkSoft">
          {ROLE_WORDS[cue.role]}; right{" "}
          {cue.reliability === "high"
            ? "more than 9 times in 10"
            : cue.reliability === "med"
              ? "most times"
              : "now and then"}
        </Text>
      </Flex>
      {cue.kind === "choice" && (
        <Flex gap="4" mt="1" wrap="wrap">
          {cue.options.map((o) => (
            <Flex key={o.id} align="center" gap="1.5">
              <CropGlyph kind={glyph} stage={o.at} size={34} />
              <Text fontSize="sm">{o.label}</Text>
            </Flex>
          ))}
        </Flex>
      )}
      {cue.kind === "event" && <Text mt="1">{cue.advice}</Text>}
      {cue.kind !== "choice" && cue.kind !== "event" && <Scale cue={cue} units={units} coins={coins} />}
      <From source={cue.source} />
    </Box>
  );
}

/** A ruler of the values that a cue takes on the way from young to past. */
function Scale({ cue, units, coins }: { cue: NumericCue; units: UnitSystem; coins: Coins }) {
  const marks = cue.marks;
  const say = (value: number) =>
    cue.kind === "measure"
      ? sayLength(value, units)
      : cue.kind === "weight"
        ? sayMass(value, units)
        : cue.kind === "percent"
          ? `${value} %`
          : cue.kind === "since"
            ? `${Math.round(value)} days`
            : `${value} a plant`;
  return (
    <Grid templateColumns="repeat(4, 1fr)" mt="1.5" maxW="560px">
      {(
        [
          ["early", 0.6, "unripe"],
          ["ready", 1, "ochreTint"],
          ["full", 1.5, "ochre"],
          ["past", 2, "past"],
        ] as const
      ).map(([name, s, tone]) => {
        const value = landmarkAt(marks, s);
        return (
          <Box key={name}>
            <Box h="10px" bg={tone} borderWidth="1px" borderColor="ink" ml="-1px" />
            <Text fontSize="sm" fontWeight="600">
              {say(Math.round(value * 10) / 10)}
            </Text>
            <Text fontSize="xs" color="inkSoft">
              {name}
              {cue.kind === "measure" ? `, ${nearestObject(value, coins).name}` : ""}
            </Text>
          </Box>
        );
      })}
    </Grid>
  );
}

import { Box, chakra, Flex, Grid, Text } from "@chakra-ui/react";
import { Pencil, Plus } from "lucide-react";
import { Link, useNavigate } from "react-router";
import { sayNear, weekdayName } from "#core/calendar/day";
import { bedAreaM2 } from "#core/garden/bed";
import { plantingName } from "#core/garden/name";
import { sayArea } from "#core/units/distance";
import { sayDistance } from "#core/units/say";
import { AheadList } from "../season/ahead-list";
import { aheadOf } from "../season/series.server";
import { gardenNow } from "../server/garden-now.server";
import { CropGlyph } from "../ui/crop-glyph";
import { LinkButton, Note, Page } from "../ui/ui";
import { VerdictTag } from "../walk/verdict";
import { bedNights } from "../weather/weather-day.server";
import type { Route } from "./+types/plot";
import { type MapBed, PlotMap } from "./plot-map";

export function loader() {
  const d = gardenNow();
  const { snapshot, outlook, today } = d;
  // the coldest of the next five nights stands on the plan
  const nights = outlook.days.slice(1, 6);
  const coldest = nights.reduce<(typeof nights)[number] | null>(
    (worst, x) => (!worst || x.weather.tempMinC < worst.weather.tempMinC ? x : worst),
    null,
  );
  // the same reckoning as on the weather page: ensemble, learned offsets, covers laid
  const chances = new Map(
    coldest?.from === "forecast"
      ? bedNights(d, outlook.days.indexOf(coldest)).map((b) => [b.id, b.chance] as const)
      : [],
  );
  const beds: MapBed[] = snapshot.beds.map((bed) => ({
    ...bed,
    frostChance: chances.get(bed.id) ?? null,
    plantings: outlook.plantings
      .filter((p) => p.bed.id === bed.id)
      .map((p) => ({
        id: p.planting.id,
        kind: plantingName(p.planting, p.crop),
        glyph: p.crop.glyph,
        stage: p.judgement.meanStage,
        verdict: p.judgement.verdict,
        crop: p.crop.name,
        startedOn: p.planting.startedOn,
      })),
  }));
  const { plotWidthM, plotLengthM, units } = snapshot.garden;
  return {
    beds,
    ahead: aheadOf(d),
    plotWidthM,
    plotLengthM,
    units,
    night: coldest
      ? {
          name: `${weekdayName(coldest.weather.day)} (${sayNear(coldest.weather.day, today)})`,
          day: weekdayName(coldest.weather.day),
        }
      : null,
  };
}

/** What is still to be started, as far as the plan shows it at once. */
const AHEAD_SHOWN = 6;

export const meta: Route.MetaFunction = () => [{ title: "Plot · Akmedon" }];
const Row = chakra(Link, {
  base: {
    display: "flex",
    alignItems: "center",
    gap: "3",
    py: "2",
    color: "ink",
    textDecoration: "none",
    minH: "48px",
    _hover: { bg: "tint" },
  },
});

export default function Plot({ loaderData }: Route.ComponentProps) {
  const { beds, ahead, plotWidthM, plotLengthM, night, units } = loaderData;
  const navigate = useNavigate();
  const frosty = beds
    .filter((b) => (b.frostChance ?? 0) >= 0.1)
    .sort((a, b) => (b.frostChance ?? 0) - (a.frostChance ?? 0));
  return (
    <Page
      title="Plot"
      lead={
        beds.length === 0
          ? "Draw your first bed, say what grows in it, and Akmedon begins to watch it."
          : `${beds.length} beds; click one to change it.`
      }
      actions={
        <>
          <LinkButton to="/plot/beds/new">
            <Plus size={18} /> New bed
          </LinkButton>
          <LinkButton to="/plot/draw" variant="outline">
            <Pencil size={18} /> Draw
          </LinkButton>
          <LinkButton to="/start" variant="outline">
            Several crops
          </LinkButton>
          <LinkButton to="/plot/labels" variant="outline">
            Labels
          </LinkButton>
        </>
      }
    >
      {beds.length === 0 ? (
        <FirstBed />
      ) : (
        <Grid
          templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0,1.75fr) minmax(300px,1fr)" }}
          gap="8"
          alignItems="start"
        >
          <Box position={{ lg: "sticky" }} top="4">
            <PlotMap
              units={units}
              beds={beds}
              widthM={plotWidthM}
              lengthM={plotLengthM}
              onOpen={(id) => navigate(`/plot/beds/${id}`)}
            />
            {night && frosty.length > 0 && (
              <Note tone="frost" title={`Frost on the ground, night to ${night.day}`}>
                {frosty
                  .slice(0, 5)
                  .map((b) => `${b.name} ${Math.min(99, Math.round((b.frostChance ?? 0) * 100))} %`)
                  .join(" · ")}
              </Note>
            )}
          </Box>
          <Box>
            <AheadList lines={ahead.slice(0, AHEAD_SHOWN)} more={ahead.length - AHEAD_SHOWN} />
            {beds.map((bed) => (
              <Box key={bed.id} mb="5">
                <Flex align="baseline" justify="space-between" borderBottomWidth="1px" borderColor="rule" gap="2">
                  <chakra.h2 fontSize="lg" fontWeight="600" fontFamily="heading">
                    <Link to={`/plot/beds/${bed.id}`} style={{ color: "inherit", textDecoration: "none" }}>
                      {bed.name}
                    </Link>
                  </chakra.h2>
                  <Text fontSize="sm" color="inkSoft">
                    {bed.shape === "circle"
                      ? `${sayDistance(bed.widthM, units)} across`
                      : `${sayDistance(bed.widthM, units)} × ${sayDistance(bed.lengthM, units)}`}
                    , {sayArea(bedAreaM2(bed), units)}
                    {bed.cover === "none" ? "" : `, ${bed.cover.replace("-", " ")}`}
                  </Text>
                </Flex>
                {bed.plantings.map((p) => (
                  <Row key={p.id} to={`/plot/plantings/${p.id}`}>
                    <CropGlyph kind={p.glyph} stage={p.stage} size={34} />
                    <Text flex="1" fontWeight="600">
                      {p.kind}
                    </Text>
                    <VerdictTag verdict={p.verdict} />
                  </Row>
                ))}
                <LinkButton variant="quiet" size="sm" to={`/plot/plantings/new?bed=${bed.id}`} ml="-2">
                  <Plus size={16} /> Planting
                </LinkButton>
              </Box>
            ))}
          </Box>
        </Grid>
      )}
    </Page>
  );
}

function FirstBed() {
  return (
    <Box textAlign="center" py="14" borderWidth="1px" borderStyle="dashed" borderColor="rule" borderRadius="leaf">
      <Flex justify="center" gap="4" mb="4">
        <CropGlyph kind="bulb" stage={1.1} size={64} />
        <CropGlyph kind="tomato" stage={1.2} size={64} />
        <CropGlyph kind="squash" stage={1.3} size={64} />
      </Flex>
      <Text fontFamily="heading" fontSize="2xl" mb="1">
        An empty plot
      </Text>
      <Text color="inkSoft" mb="5">
        One bed and one planting are enough to begin.
      </Text>
      <LinkButton size="lg" to="/plot/beds/new">
        Draw the first bed
      </LinkButton>
    </Box>
  );
}

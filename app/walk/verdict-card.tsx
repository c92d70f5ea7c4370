import { Box, Flex, Text } from "@chakra-ui/react";
import { sayNear } from "#core/calendar/day";
import type { Crop } from "#core/handbook/crop";
import { sayCall } from "#core/planting/words";
import { sayChance } from "#core/units/say";
import { CropGlyph } from "../ui/crop-glyph";
import { FortnightRibbon } from "./fortnight-ribbon";
import { StageBar } from "./stage-bar";
import type { LiveVerdict } from "./use-live-verdict";
import { VerdictTag } from "./verdict";

/** The verdict as it stands, what is special about it, and how sure it is, drawn. */
export function VerdictCard({
  live,
  crop,
  prior,
  today,
}: {
  live: LiveVerdict;
  crop: Crop;
  prior: readonly number[];
  today: string;
}) {
  const ripe = live.chances.ready + live.chances.past;
  const { conflict } = live;
  return (
    <Box aria-live="polite" bg="sheet" borderWidth="1px" borderColor="rule" borderRadius="leaf" px="4" py="2.5">
      <Flex align="center" gap="4">
        <CropGlyph kind={crop.glyph} stage={live.days[0]?.meanStage ?? 0} size={64} />
        <Box>
          <VerdictTag verdict={live.verdict} size="lg" />
          <Text>{sayChance(ripe)} ready</Text>
          <Text color="inkSoft">Look again {sayNear(live.lookAgain, today)}</Text>
        </Box>
      </Flex>
      {live.call && (
        <Text mt="1.5" fontWeight="600">
          {sayCall(live.call, today)}
        </Text>
      )}
      {conflict && (
        <Text mt="1.5" color="madder" fontWeight="600">
          {conflict.between
            ? `“${conflict.between[0].label}” and “${conflict.between[1].label}” disagree, so the doubt is kept wide: look at another plant.`
            : "This does not fit the last look, so the doubt is kept wide: look at another plant."}
        </Text>
      )}
      <StageBar stage={live.stage} before={prior} />
      <Box display={{ base: "none", md: "block" }}>
        <FortnightRibbon days={live.days} />
      </Box>
    </Box>
  );
}

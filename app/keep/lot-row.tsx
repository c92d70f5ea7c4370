import { Box, Flex, Text } from "@chakra-ui/react";
import { STILL_SOUND } from "#core/keeping/lot";
import { CropGlyph } from "../ui/crop-glyph";
import { Button, RowAnchor } from "../ui/ui";
import type { LotLine } from "./keep.server";
import { LotForm } from "./lot-form";

/** A lot in a list: what, how much, where, how long; and a button for the most usual end, eaten up. */
export function LotRow({ lot, why, back }: { lot: LotLine; why?: string; back: string }) {
  return (
    <Flex gap="3" py="2.5" borderTopWidth="1px" borderColor="ruleSoft" align="center" minH="64px" data-lot={lot.id}>
      <Box flexShrink="0">
        <CropGlyph kind={lot.glyph} stage={1.25} size={40} />
      </Box>
      <Box flex="1" minW="0">
        <Flex gap="2" wrap="wrap" align="baseline">
          <RowAnchor to={`/keep/lots/${lot.id}`} fontWeight="650" my={{ base: "-2.5", lg: "0" }}>
            {lot.kind}
          </RowAnchor>
          <Text color="inkSoft" fontSize="sm">
            {[lot.left, lot.place, lot.what].filter(Boolean).join(" · ")}
          </Text>
        </Flex>
        <Text fontSize="sm" fontWeight={lot.soon ? "650" : "400"} color={lot.soon ? "madder" : "ink"}>
          {[lot.ripe || lot.keeps, lot.curing && lot.curing !== "cured" ? lot.curing : "", lot.sound]
            .filter(Boolean)
            .join("; ")}
        </Text>
        {why && (
          <Text fontSize="sm" color="inkSoft">
            {why}
          </Text>
        )}
      </Box>
      <Box flexShrink="0">
        <LotForm lot={lot} from={back}>
          <Button type="submit" name="intent" value="use" variant="outline" size="sm" minH="48px" w="100%">
            All used
          </Button>
        </LotForm>
        <LotForm lot={lot} from={back}>
          <input type="hidden" name="check-note" value={STILL_SOUND} />
          <Button type="submit" name="intent" value="check" variant="quiet" size="sm" w="100%">
            Still sound
          </Button>
        </LotForm>
      </Box>
    </Flex>
  );
}

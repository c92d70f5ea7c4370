import { Box, chakra, Flex, Grid, Text } from "@chakra-ui/react";
import { Form } from "react-router";
import { CropGlyph } from "../ui/crop-glyph";
import { Button, LinkButton } from "../ui/ui";

export type RoundStopLine = {
  plantingId: string;
  pickId: string | null;
  nothing: boolean;
  kind: string;
  bed: string;
  glyph: Parameters<typeof CropGlyph>[0]["kind"];
  stage: number;
  take: "ready" | "strip";
  minutes: number;
  two: boolean;
  expected: string;
  marked: string;
  why: string;
  how: string;
  leave: string;
  atOnce: string;
  note: string;
  turn: string | null;
  /** the place that begins here; null: as before */
  site: string | null;
};
type Of = { id: string; status: string };

/** One stop of a round: what, how much and how, why, and what came of it. */
export function RoundStop({ line: l, n, round }: { line: RoundStopLine; n: number; round: Of }) {
  return (
    <>
      {l.site && (
        <Text fontWeight="650" fontSize="lg" mb="1.5">
          {l.site}
        </Text>
      )}
      {l.turn && (
        <Text fontSize="sm" color="inkSoft" mb="1.5">
          {l.turn[0]!.toUpperCase() + l.turn.slice(1)}
        </Text>
      )}
      <Grid templateColumns={{ base: "52px 1fr", md: "52px 1fr auto" }} gap="3" alignItems="start">
        <CropGlyph kind={l.glyph} stage={l.stage} size={50} />
        <Box>
          <Text fontSize="lg">
            {n}. <strong>{l.kind}</strong> <chakra.span color="inkSoft">{l.bed}</chakra.span>
          </Text>
          <Text>
            <strong>{l.take === "strip" ? "Everything, green ones too" : "What is ready"}</strong>, about {l.expected},{" "}
            {l.minutes} min. {l.how} Leave {l.leave}.{l.two && " Two to carry it."}
          </Text>
          <Text fontSize="sm" color="inkSoft">
            {l.marked && `Marked ${l.marked}. `}
            {l.why}. {l.atOnce} {l.note}
          </Text>
        </Box>
        <Flex
          gridColumn={{ base: "1 / -1", md: "auto" }}
          direction={{ base: "row-reverse", md: "column" }}
          gap="2"
          align={{ md: "flex-end" }}
          data-noprint
        >
          {l.nothing && !l.pickId && (
            <Text color="inkSoft" alignSelf="center">
              Nothing was ready
            </Text>
          )}
          {l.pickId ? (
            <LinkButton variant="quiet" to={`/picks/${l.pickId}`}>
              Picked
            </LinkButton>
          ) : (
            <LinkButton
              to={`/picks/new?planting=${l.plantingId}&round=${round.id}`}
              size="lg"
              w={{ base: "100%", md: "auto" }}
            >
              Weigh
            </LinkButton>
          )}
          {!l.pickId && !l.nothing && round.status === "planned" && (
            <Form method="post">
              <input type="hidden" name="planting" value={l.plantingId} />
              <Button type="submit" name="intent" value="nothing" variant="quiet" size="lg">
                Nothing ready
              </Button>
            </Form>
          )}
        </Flex>
      </Grid>
    </>
  );
}

export type PassingLine = {
  plantingId: string;
  name: string;
  bed: string;
  glyph: Parameters<typeof CropGlyph>[0]["kind"];
  stage: number;
  /** what must stand there for a stop to pay, in words */
  from: string;
  nothing: boolean;
};

/** What is not on the round but lies on its way: a glance, and a stop only where enough is ready. */
export function InPassing({ lines, round }: { lines: readonly PassingLine[]; round: Of }) {
  return lines.map((l) => (
    <Flex
      key={l.plantingId}
      py="2"
      gap="3"
      align="center"
      wrap="wrap"
      borderBottomWidth="1px"
      borderColor="ruleSoft"
      css={{ breakInside: "avoid" }}
    >
      <CropGlyph kind={l.glyph} stage={l.stage} size={38} />
      <Box flex="1" minW="180px">
        <Text>
          <strong>{l.name}</strong> <chakra.span color="inkSoft">{l.bed}</chakra.span>
        </Text>
        <Text fontSize="sm" color="inkSoft">
          {l.nothing ? "Nothing was ready" : l.from}
        </Text>
      </Box>
      {round.status === "planned" && !l.nothing && (
        <Flex gap="2" data-noprint>
          <Form method="post" preventScrollReset>
            <input type="hidden" name="planting" value={l.plantingId} />
            <Button type="submit" name="intent" value="nothing" variant="quiet" size="lg">
              Nothing ready
            </Button>
          </Form>
          <LinkButton variant="outline" size="lg" to={`/picks/new?planting=${l.plantingId}&round=${round.id}`}>
            Enough is ready
          </LinkButton>
        </Flex>
      )}
    </Flex>
  ));
}

import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Form } from "react-router";
import { sayDate } from "#core/calendar/day";
import type { Glyph } from "#core/handbook/glyphs";
import { JobRow } from "../jobs/job-row";
import type { JobLine } from "../jobs/jobs.server";
import { CropGlyph } from "../ui/crop-glyph";
import { FollowUp } from "../ui/follow-up";
import { Anchor, Button, Note, RowAnchor, Section } from "../ui/ui";
import { VerdictTag } from "../walk/verdict";
import type { judgementView, pickTotals } from "../walk/views.server";
import { SeasonTrack, type TrackDay } from "./season-track";

type Props = {
  crop: { id: string; name: string; glyph: Glyph };
  judged: ReturnType<typeof judgementView> | null;
  history: ReturnType<typeof pickTotals> | null;
  track: readonly TrackDay[];
  isNew: boolean;
  plantingId: string | null;
  today: string;
  jobs: readonly JobLine[];
  estimates: readonly string[];
  windows: { by: "packet" | "handbook"; days: string; likely: string; first: string } | null;
};

/** What a planting has come to: verdict with reasons, its season so far, its picks and its looks. */
export function PlantingSide({
  crop,
  judged,
  history,
  track,
  isNew,
  plantingId,
  today,
  jobs,
  windows,
  estimates,
}: Props) {
  return (
    <Box>
      <Flex gap="4" align="center" mb="5">
        <CropGlyph kind={crop.glyph} stage={judged?.meanStage ?? 1} size={96} />
        {judged ? (
          <Box>
            <VerdictTag verdict={judged.verdict} size="lg" />
            <Text>{judged.chance}</Text>
          </Box>
        ) : (
          <Anchor to={`/handbook/${crop.id}`}>{crop.name} in the handbook</Anchor>
        )}
      </Flex>
      {judged && (
        <Section title="Why">
          <Box as="ul" pl="5">
            {judged.reasons.map((r) => (
              <li key={r}>{r}</li>
            ))}
          </Box>
          <Text mt="2">
            {judged.lookAgain} · <Anchor to={`/handbook/${crop.id}`}>handbook</Anchor>
          </Text>
        </Section>
      )}
      {windows && (
        <Text mb="4">
          Expected ready <strong>{windows.days}</strong>, by {windows.by === "packet" ? "its packet" : "the handbook"}
          {windows.likely && `; ${windows.likely}`}
          {windows.first && `; ${windows.first}`}.
        </Text>
      )}
      {estimates.length > 0 && (
        <Section title="To expect" note="by the weather ahead and what it has given">
          {estimates.map((words) => (
            <Box key={words} py="1.5" borderTopWidth="1px" borderColor="ruleSoft">
              {words}
            </Box>
          ))}
        </Section>
      )}
      {!isNew && (
        <Section title="Jobs" note={<Anchor to="/jobs">all of them</Anchor>}>
          {jobs.length === 0 && <Text color="inkSoft">None due or coming within two weeks.</Text>}
          {jobs.map((j) => (
            <JobRow key={j.key} job={{ ...j, name: "", bed: "" }} />
          ))}
          {plantingId && (
            <Box mt="3">
              <FollowUp where={`planting ${plantingId}`} back={`/plot/plantings/${plantingId}`} today={today} />
            </Box>
          )}
        </Section>
      )}
      {track.length > 8 && history && (
        <Section title="The season so far" note="Chances day by day, worked out from every look and pick">
          <SeasonTrack days={track} looks={history.checks.map((c) => c.day)} picks={history.picks.map((p) => p.day)} />
        </Section>
      )}
      {history && history.picks.length > 0 && (
        <Section title="Picked so far" note={history.total}>
          {history.picks
            .slice(-6)
            .reverse()
            .map((p) => (
              <Flex key={p.id} gap="3" align="center" borderBottomWidth="1px" borderColor="ruleSoft" py="1.5">
                <RowAnchor to={`/picks/${p.id}`}>{sayDate(p.day)}</RowAnchor>
                <Photos of={p} />
                <Text ml="auto">{p.net}</Text>
              </Flex>
            ))}
        </Section>
      )}
      {history && history.checks.length > 0 && (
        <Section title="Looked at" note="Change or remove one, and everything after it is worked out again">
          {[...history.checks].reverse().map((c) => (
            <Flex
              key={c.id}
              gap="3"
              borderBottomWidth="1px"
              borderColor="ruleSoft"
              py="1.5"
              align="center"
              wrap="wrap"
              data-look={c.id}
            >
              <RowAnchor to={`/looks/${c.id}`} style={{ whiteSpace: "nowrap" }}>
                {sayDate(c.day)}
              </RowAnchor>
              <Text color="inkSoft" flex="1" minW="10rem">
                {c.words}
              </Text>
              <Photos of={c} />
              <Form method="post" action={`/looks/${c.id}`}>
                <Button type="submit" name="intent" value="remove" size="sm" variant="quiet">
                  Remove
                </Button>
              </Form>
            </Flex>
          ))}
        </Section>
      )}
      {isNew && (
        <Note>Give it a packet’s range of days if you have one. Looks and picks will sharpen it from then on.</Note>
      )}
    </Box>
  );
}

/** The photos of a look or a pick, small; a tap shows one whole. */
const Photos = ({ of }: { of: { day: string; photos: readonly string[] } }) =>
  of.photos.map((name) => (
    <a key={name} href={`/photos/${name}`} target="_blank" rel="noreferrer">
      <chakra.img src={`/photos/${name}`} alt={`taken ${sayDate(of.day)}`} h="44px" borderRadius="soft" />
    </a>
  ));

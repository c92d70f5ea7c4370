import { Box, Grid, Text } from "@chakra-ui/react";
import { gardenNow } from "../server/garden-now.server";
import { FiguresTable } from "../ui/figures-table";
import { Anchor, Page, Section } from "../ui/ui";
import type { Route } from "./+types/season-right";
import { ReliabilityChart } from "./reliability-chart";
import { SeasonNav } from "./season-nav";
import { rightView } from "./season-right.server";

export const loader = () => rightView(gardenNow());

export const meta: Route.MetaFunction = () => [{ title: "Was it right? · Akmedon" }];

/** What Akmedon said of this garden, against what looks and picks then found. */
export default function SeasonRight({ loaderData }: Route.ComponentProps) {
  const { enough, settled, least, bands, wrong, rounds, losses } = loaderData;
  return (
    <Page
      title="Was it right?"
      lead="The chances you were given, against what your looks and picks found the day after."
    >
      <SeasonNav />
      {!enough && (
        <Text color="inkSoft" maxW="60ch">
          {settled === 0 ? "Nothing can be compared yet" : `So far ${settled} can be compared`}: this page can tell from{" "}
          {least} looks or picks on. Each look with a telling sign and each pick you log counts one.
        </Text>
      )}
      {enough && (
        <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0, 26em) minmax(0, 1fr)" }} gap="8">
          <Section title="Chances">
            <ReliabilityChart bands={bands} />
            <Text color="inkSoft" fontSize="sm" mt="2">
              Line: the chance that was said, in percent. Bar: how often it was so, with how many of {settled} looks and
              picks. Where both are level, it was right as often as it was said. You look and pick more where something
              is to be had, so low chances look better here than they were.
            </Text>
          </Section>
          <Section title="In figures">
            <FiguresTable label="Chances said and come true">
              <thead>
                <tr>
                  <th scope="col">Said: something to take</th>
                  <th scope="col">How often</th>
                  <th scope="col">On average</th>
                  <th scope="col">It was so</th>
                </tr>
              </thead>
              <tbody>
                {bands.map((b) => (
                  <tr key={b.from}>
                    <th scope="row">
                      {Math.round(100 * b.from)} to {Math.round(100 * b.to)} %
                    </th>
                    <td>{b.count}</td>
                    <td>{b.count > 0 ? `${Math.round(100 * b.said)} %` : "–"}</td>
                    <td>{b.count > 0 ? `${Math.round(100 * b.came)} %` : "–"}</td>
                  </tr>
                ))}
              </tbody>
            </FiguresTable>
          </Section>
        </Grid>
      )}
      {enough && wrong.length > 0 && (
        <Section title="Furthest off">
          <Box as="ul" listStyleType="none" display="grid" gap="2">
            {wrong.map((w) => (
              <Box as="li" key={w.key}>
                <Anchor to={`/plot/plantings/${w.id}`}>{w.name}</Anchor>, {w.day}: said {w.said} %, and{" "}
                {w.by === "pick"
                  ? w.was
                    ? "you picked from it"
                    : "what you picked was still green"
                  : w.was
                    ? "your look found it ready"
                    : "your look found it not ready"}
                .
              </Box>
            ))}
          </Box>
        </Section>
      )}
      <Section title="Rounds: expected and brought home">
        {rounds.length === 0 ? (
          <Text color="inkSoft">
            No pick has been logged to a planned round yet. Log it from the round’s own page, and it shows here.
          </Text>
        ) : (
          <FiguresTable label="Rounds, expected and brought home">
            <thead>
              <tr>
                <th scope="col">Round</th>
                <th scope="col">Expected</th>
                <th scope="col">Brought home</th>
                <th scope="col">Of what was expected</th>
              </tr>
            </thead>
            <tbody>
              {rounds.map((r) => (
                <tr key={r.id}>
                  <th scope="row">
                    <Anchor to={`/rounds/${r.id}`}>{r.day}</Anchor>
                  </th>
                  <td>{r.expected}</td>
                  <td>{r.brought}</td>
                  <td>{r.share === null ? "–" : `${r.share} %`}</td>
                </tr>
              ))}
            </tbody>
          </FiguresTable>
        )}
      </Section>
      <Section title="Losses, and whether you were warned">
        {losses.length === 0 ? (
          <Text color="inkSoft">
            No loss in a bed has been noted. You can note one on a planting’s page, with its cause.
          </Text>
        ) : (
          <Box as="ul" listStyleType="none" display="grid" gap="2">
            {losses.map((l) => (
              <Box as="li" key={l.id}>
                <Anchor to={`/plot/plantings/${l.plantingId}`}>{l.name}</Anchor>, {l.day}: {l.mass} lost ({l.cause}).{" "}
                {l.hadLine
                  ? "A round of the week before had a line for it."
                  : l.warned
                    ? `The week before it was said to be ready (${l.said} %), but no round took it.`
                    : "Nothing had warned of it."}
              </Box>
            ))}
          </Box>
        )}
      </Section>
    </Page>
  );
}

import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { Download } from "lucide-react";
import { Form, useSearchParams, useSubmit } from "react-router";
import { gardenNow } from "../server/garden-now.server";
import { FiguresTable } from "../ui/figures-table";
import { LinkButton, Page, Section, Select } from "../ui/ui";
import type { Route } from "./+types/season-rhythm";
import { SeasonNav } from "./season-nav";
import { rhythmView } from "./season-rhythm.server";

export const loader = ({ url }: Route.LoaderArgs) => rhythmView(gardenNow(), url.searchParams);

export const meta: Route.MetaFunction = () => [{ title: "Rhythm · Akmedon" }];

/** The season played again: what picking more or less often would have brought in the same weather. */
export default function SeasonRhythm({ loaderData }: Route.ComponentProps) {
  const { list, key, name, span, lines, best, gain, late, minutes } = loaderData;
  const submit = useSubmit();
  const [params] = useSearchParams();
  const most = Math.max(1, ...lines.map((l) => l.primeG + l.overG));
  return (
    <Page
      title="Rhythm"
      lead="The season played again in its own weather: what would have come in if you had gone more often, or less."
      actions={
        lines.length > 0 && (
          <LinkButton to={`/out/season/rhythm?${params}`} variant="outline" reloadDocument>
            <Download size={18} /> CSV
          </LinkButton>
        )
      }
    >
      <SeasonNav />
      {list.length === 0 && (
        <Text color="inkSoft">
          Nothing has been picked often enough yet: a rhythm needs four picking days of a crop that keeps on bearing.
        </Text>
      )}
      {list.length > 0 && (
        <Form method="get" onChange={(e) => submit(e.currentTarget, { replace: true, preventScrollReset: true })}>
          <Select name="of" aria-label="Planting and year" defaultValue={key} key={key} maxW="28em" mb="5">
            {list.map((c) => (
              <option key={c.key} value={c.key}>
                {c.name} ({c.n} days)
              </option>
            ))}
          </Select>
        </Form>
      )}
      {list.length > 0 && lines.length === 0 && (
        <Text color="inkSoft">The station’s record has gaps in this season, so it cannot be played again.</Text>
      )}
      {lines.length > 0 && gain && (
        <>
          <Text fontSize="xl" fontWeight="650" mb="1" maxW="60ch">
            {best === 1 ? "Every day" : `Every ${best} days`} would have been best for {name}
            {gain.rounds === 0
              ? ", with as many rounds"
              : `, with ${Math.abs(gain.rounds)} ${gain.rounds > 0 ? "more" : "fewer"} ${Math.abs(gain.rounds) === 1 ? "round" : "rounds"}`}
            : {gain.prime} {gain.more ? "more" : "less"} in its prime.
          </Text>
          <Text color="inkSoft" mb="6">
            {span}, a round’s share for it taken as {minutes} minutes. By the model that also plans your rounds, set so
            that your own days bring what you weighed.
          </Text>
          <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0,1.6fr) minmax(260px,1fr)" }} gapX="12">
            <Section title="What each would have brought" note="dark: in its prime; brown: over-age">
              {lines.map((l, i) => (
                <Flex key={l.name} align="center" gap="3" py="2" borderTopWidth="1px" borderColor="ruleSoft">
                  <Box w="7.5em" flexShrink="0">
                    <Text fontWeight={i === 0 ? "650" : "400"}>{l.name}</Text>
                    <Text fontSize="sm" color="inkSoft">
                      {l.rounds} rounds
                    </Text>
                  </Box>
                  <Flex flex="1" h="20px">
                    <Box bg="moss" style={{ width: `${(100 * l.primeG) / most}%` }} />
                    <Box bg="past" style={{ width: `${(100 * l.overG) / most}%` }} />
                  </Flex>
                  <Text w="6.5em" textAlign="right" flexShrink="0" fontVariantNumeric="tabular-nums">
                    {l.prime}
                  </Text>
                </Flex>
              ))}
            </Section>
            <Section title="Late rounds, and their price">
              {late.length === 0 && <Text color="inkSoft">None came later than the best rhythm.</Text>}
              {late.map((l) => (
                <Flex key={l.day} justify="space-between" gap="3" py="2" borderTopWidth="1px" borderColor="ruleSoft">
                  <Text>
                    {l.day}, after {l.gap} days
                  </Text>
                  <Text fontWeight="600">{l.cost}</Text>
                </Flex>
              ))}
              {late.length > 0 && (
                <Text fontSize="sm" color="inkSoft" mt="2">
                  In worth of prime crop, had that gap alone been filled.
                </Text>
              )}
            </Section>
          </Grid>
          <Section title="The figures">
            <FiguresTable label="The figures">
              <thead>
                <tr>
                  <th>Rhythm</th>
                  <th className="number">Rounds</th>
                  <th className="number">In its prime</th>
                  <th className="number">Over-age</th>
                  <th className="number">Of it over-age</th>
                  <th className="number">Left over-age</th>
                </tr>
              </thead>
              <tbody>
                {lines.map((l) => (
                  <tr key={l.name}>
                    <th scope="row" className="name">
                      {l.name}
                    </th>
                    <td className="number">{l.rounds}</td>
                    <td className="number">{l.prime}</td>
                    <td className="number">{l.over}</td>
                    <td className="number">{l.share} %</td>
                    <td className="number">{l.left}</td>
                  </tr>
                ))}
              </tbody>
            </FiguresTable>
          </Section>
        </>
      )}
    </Page>
  );
}

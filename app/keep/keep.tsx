import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { MapPin, Tag } from "lucide-react";
import { useState } from "react";
import { lastGood, useKept } from "../offline/last-good";
import { gardenNow } from "../server/garden-now.server";
import { CropGlyph } from "../ui/crop-glyph";
import { Term } from "../ui/term";
import { TickRow } from "../ui/tick-row";
import { Anchor, Button, LinkButton, Note, Page, RowAnchor, Section } from "../ui/ui";
import type { Route } from "./+types/keep";
import { DishesPart } from "./dishes-part";
import { keepView, type LotLine } from "./keep.server";
import { LotForm } from "./lot-form";
import { LotRow } from "./lot-row";
import { PlaceBar } from "./place-bar";

export const loader = () => keepView(gardenNow());

/** Without a signal the page stands as it was. */
export const clientLoader = ({ serverLoader }: Route.ClientLoaderArgs) => lastGood("keep", () => serverLoader());

export const meta: Route.MetaFunction = () => [{ title: "Keep · Akmedon" }];

/** Lots shown before the rest is asked for. */
const FIRST = 8;

/** The house: what to use first, what the week eats, what cures and ripens, where it lies. */
export default function Keep({ loaderData }: Route.ComponentProps) {
  useKept("keep", loaderData);
  const { first, week, clocks, places, atOnce, replant, given, lost, cutLots, dishes } = loaderData;
  const [all, setAll] = useState(false);
  const shown = all ? first : first.slice(0, FIRST);
  const surplus = week.filter((w) => w.surplus !== "");
  const alerts = places.flatMap((p) => p.alerts.map((words) => ({ id: p.place.id, name: p.place.name, words })));
  return (
    <Page
      title="Keep"
      lead={
        first.length === 0 && clocks.length > 0 ? (
          `${clocks.length === 1 ? "One lot cures or ripens" : `${clocks.length} lots cure or ripen`}; nothing is for the table yet.`
        ) : first.length === 0 ? (
          "Nothing is in the house yet. What you pick comes here by itself."
        ) : (
          <>
            {first.length} lots
            <Term of="lot" /> in the house. Left alone, {lost} would be lost within a week.
          </>
        )
      }
      actions={
        <>
          <LinkButton to="/keep/places" variant="outline">
            <MapPin size={18} /> Places
          </LinkButton>
          <LinkButton to="/keep/labels" variant="outline">
            <Tag size={18} /> Labels
          </LinkButton>
        </>
      }
    >
      {alerts.length > 0 && (
        <Note tone="caution" title="The air is not as it should be">
          {alerts.map((a) => (
            <Text key={`${a.id} ${a.words}`}>
              <Anchor to={`/keep/places#${a.id}`}>{a.name[0]!.toUpperCase() + a.name.slice(1)}</Anchor>: {a.words}
            </Text>
          ))}
        </Note>
      )}
      {atOnce.length > 0 && (
        <Section title="In the first hour" note="what came in since yesterday, the most delicate first">
          {atOnce.map((x) => (
            <TickRow key={x.id} id={x.id} done={x.done}>
              <strong>{x.name}</strong>: {x.words}
            </TickRow>
          ))}
        </Section>
      )}
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0,1.35fr) minmax(300px,1fr)" }} gapX="12">
        <Section title="Use first" note="damaged, bolted and small before the rest, then what ends soonest">
          {first.length === 0 && <Text color="inkSoft">When something is picked, it stands here.</Text>}
          {shown.map((l) => (
            <LotRow key={l.id} lot={l} why={[l.why, l.lost].filter(Boolean).join(". ")} back="/keep" />
          ))}
          {first.length > FIRST && !all && (
            <Button type="button" variant="quiet" mt="3" onClick={() => setAll(true)}>
              All {first.length}
            </Button>
          )}
        </Section>
        <Box>
          {clocks.length > 0 && (
            <Section title="Curing and ripening">
              {cutLots && (
                <Text fontSize="sm" color="inkSoft" mb="2">
                  Take from both ends of a drying table by turns: unloaded at one end it tips.
                </Text>
              )}
              {clocks.map((c) => (
                <Box key={c.id} py="2.5" borderTopWidth="1px" borderColor="ruleSoft">
                  <Flex justify="space-between" gap="3">
                    <RowAnchor to={`/keep/lots/${c.id}`} fontWeight="650">
                      {c.kind}
                    </RowAnchor>
                    <Text>{c.ripe || c.curing}</Text>
                  </Flex>
                  {c.done > 0 && (
                    <Box h="8px" bg="tint" mt="1.5">
                      <Box h="8px" bg="ochre" style={{ width: `${Math.min(100, Math.round(100 * c.done))}%` }} />
                    </Box>
                  )}
                  {c.pieces !== null && <RipeToday lot={c} pieces={c.pieces} />}
                  {c.test && c.curing && (
                    <Text fontSize="sm" color="inkSoft" mt="1">
                      Ready when: {c.test.toLowerCase()}
                    </Text>
                  )}
                </Box>
              ))}
            </Section>
          )}
          <Section title="This week" note="what you eat of what is there">
            {week.map((w) => (
              <Flex key={w.id} gap="3" py="1.5" align="center" borderTopWidth="1px" borderColor="ruleSoft">
                <CropGlyph kind={w.glyph} stage={1.25} size={28} />
                <Text flex="1">{w.name}</Text>
                <Text>
                  <strong>{w.eat}</strong>{" "}
                  <Text as="span" color="inkSoft">
                    of {w.good}
                    {w.lots > 1 ? ` in ${w.lots} lots` : ""}
                  </Text>
                </Text>
              </Flex>
            ))}
            <Text fontSize="sm" color="inkSoft" mt="2">
              Amounts by what you said <Anchor to="/settings/household">you like</Anchor>.
            </Text>
          </Section>
          {surplus.length > 0 && (
            <Section title="To give away or put by" note="lost within a fortnight otherwise">
              {surplus.map((w) => (
                <Flex key={w.id} justify="space-between" py="1.5" borderTopWidth="1px" borderColor="ruleSoft">
                  <Text>{w.name}</Text>
                  <Text fontWeight="600">{w.surplus}</Text>
                </Flex>
              ))}
            </Section>
          )}
          <DishesPart dishes={dishes} />
          <Section title="Places">
            {places.map((p) => (
              <PlaceBar key={p.place.id} place={p} />
            ))}
            {places.length === 0 && (
              <Text>
                Say where things are kept, under <Anchor to="/keep/places">places</Anchor>.
              </Text>
            )}
          </Section>
          {(replant.rows.length > 0 || replant.others.length > 0) && (
            <Section title="For next year’s planting" note="the best set aside before the rest is eaten">
              {replant.rows.map((r) => (
                <Box key={r.id} py="1.5" borderTopWidth="1px" borderColor="ruleSoft">
                  <Flex justify="space-between" gap="3">
                    {r.lotId ? <RowAnchor to={`/keep/lots/${r.lotId}`}>{r.name}</RowAnchor> : <Text>{r.name}</Text>}
                    <Text fontWeight="600" color={r.enough ? "ink" : "madder"}>
                      {r.have}
                    </Text>
                  </Flex>
                  <Text fontSize="sm" color="inkSoft">
                    wants {r.need}; {r.words}
                  </Text>
                </Box>
              ))}
              {replant.others.map((l) => (
                <Flex key={l.id} justify="space-between" gap="3" py="1.5" borderTopWidth="1px" borderColor="ruleSoft">
                  <RowAnchor to={`/keep/lots/${l.id}`}>{l.kind}</RowAnchor>
                  <Text>{l.left}</Text>
                </Flex>
              ))}
            </Section>
          )}
          {given.length > 0 && (
            <Section title="Given away this year">
              {given.map((g) => (
                <Flex key={g.who} justify="space-between" gap="3" py="1.5" borderTopWidth="1px" borderColor="ruleSoft">
                  <Text>{g.who}</Text>
                  <Text fontWeight="600">{g.amount}</Text>
                </Flex>
              ))}
            </Section>
          )}
        </Box>
      </Grid>
    </Page>
  );
}

/** Ripe ones ticked off as they come: they move on to the table, the rest ripens on. */
function RipeToday({ lot, pieces }: { lot: LotLine; pieces: number }) {
  return (
    <LotForm lot={lot} from="/keep">
      <input type="hidden" name="intent" value="ripe" />
      <Flex gap="2" mt="1.5" align="center" wrap="wrap" role="group" aria-label="How many are ripe">
        <Text fontSize="sm" color="inkSoft">
          {pieces} left; ripe:
        </Text>
        {[1, 2, 3, 5]
          .filter((n) => n < pieces)
          .map((n) => (
            <Button
              key={n}
              type="submit"
              name="ripe-count"
              value={n}
              variant="outline"
              size="sm"
              minW="48px"
              minH="48px"
            >
              {n}
            </Button>
          ))}
        <Button type="submit" name="ripe-count" value="all" variant="outline" size="sm" minH="48px">
          all
        </Button>
      </Flex>
    </LotForm>
  );
}

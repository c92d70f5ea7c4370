import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { Form, useSubmit } from "react-router";
import { formOf, typedOf } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { Cautions } from "../ui/cautions";
import { CropGlyph } from "../ui/crop-glyph";
import { FiguresTable } from "../ui/figures-table";
import { TickRow } from "../ui/tick-row";
import { Anchor, Button, LinkButton, Note, Page, Section, Select } from "../ui/ui";
import type { Route } from "./+types/season-beds";
import { bedsView, clearBed } from "./season-beds.server";
import { SeasonNav } from "./season-nav";

export const loader = ({ url }: Route.LoaderArgs) => bedsView(gardenNow(), url.searchParams);
export const action = async ({ request }: Route.ActionArgs) => clearBed(gardenNow(), typedOf(await formOf(request)));

export const meta: Route.MetaFunction = () => [{ title: "Clearing and replanting · Akmedon" }];

type View = Route.ComponentProps["loaderData"];

/** After the last pick: what to clear and why, what still fits in, what stood where, what stands for years. */
export default function SeasonBeds({ loaderData }: Route.ComponentProps) {
  const { over, free, standing, shoots, covers, risk, soil } = loaderData;
  const submit = useSubmit();
  return (
    <Page
      title="Clearing and replanting"
      lead="Clear with a reason, then fill the gap: what still ripens there, and what may follow what stood there."
    >
      <SeasonNav />
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0,1fr) minmax(0,1.15fr)" }} gapX="12">
        <Box>
          <Section title="To clear">
            {over.length === 0 && (
              <Text color="inkSoft">
                Nothing to clear. A crop stands here once its last pick is logged as “all, crop finished”, or once it is
                marked cleared.
              </Text>
            )}
            {over.map((o) => (
              <Clearing key={o.id} planting={o} />
            ))}
          </Section>
          {(shoots.length > 0 || covers.length > 0) && (
            <Section title="To watch">
              {shoots.map((s) => (
                <Box key={s.id} py="2" borderTopWidth="1px" borderColor="ruleSoft">
                  <Flex justify="space-between" gap="3">
                    <Text>
                      <Anchor to={`/walk/${s.id}`} fontWeight="650">
                        {s.name}
                      </Anchor>
                      , {s.bed}: side shoots
                    </Text>
                    <Text fontWeight="600" color={s.due ? "madder" : "ink"}>
                      look {s.look}
                    </Text>
                  </Flex>
                  {s.rots && <Text fontSize="sm">{s.rots}</Text>}
                </Box>
              ))}
              {covers.map((c) => (
                <Flex key={c.id} justify="space-between" gap="3" py="2" borderTopWidth="1px" borderColor="ruleSoft">
                  <Text>
                    {c.name}, {c.bed}: fleece off, for the bees and before it squashes them
                  </Text>
                  <Text fontWeight="600" color={c.late ? "madder" : "ink"}>
                    {c.late ? `since ${c.day}` : `by ${c.day}`}
                  </Text>
                </Flex>
              ))}
            </Section>
          )}
          {standing.length > 0 && (
            <Section title="What stands for years">
              {standing.map((s) => (
                <Box key={s.id} py="2" borderTopWidth="1px" borderColor="ruleSoft">
                  <Anchor to={`/plot/plantings/${s.id}`} fontWeight="650">
                    {s.name}
                  </Anchor>
                  <Text as="span" color="inkSoft">
                    {" "}
                    {s.bed}, {s.age === 0 ? "started this year" : `in its year ${s.age + 1}`}
                  </Text>
                  {s.says.map((words) => (
                    <Text key={words} fontSize="sm">
                      {words}
                    </Text>
                  ))}
                  {s.tasks.map((t) => (
                    <TickRow key={t.id} id={t.id} done={t.done}>
                      {t.words} <em>{t.when}</em>. {t.why}
                    </TickRow>
                  ))}
                </Box>
              ))}
            </Section>
          )}
        </Box>
        <Section title="Free beds" note="what still ripens there by the warmth and light that are left">
          <Form method="get" onChange={(e) => submit(e.currentTarget, { replace: true, preventScrollReset: true })}>
            <Flex align="center" gap="3" wrap="wrap" mb="3">
              <label htmlFor="risk">Frost may come earlier in</label>
              <Select id="risk" name="risk" defaultValue={String(risk)} w="auto">
                <option value="0.1">one year in ten</option>
                <option value="0.25">one year in four</option>
                <option value="0.5">every second year</option>
              </Select>
            </Flex>
          </Form>
          {soil && <Note title="The soil">It is {soil}</Note>}
          {free.length === 0 && <Text color="inkSoft">Every bed is taken.</Text>}
          {free.map((b) => (
            <FreeBed key={b.id} bed={b} />
          ))}
        </Section>
      </Grid>
      <BedHistory view={loaderData} />
    </Page>
  );
}

function Clearing({ planting: o }: { planting: View["over"][number] }) {
  const left = o.tasks.filter((t) => !t.done).length;
  return (
    <Box py="3" borderTopWidth="1px" borderColor="ruleSoft" data-over={o.id}>
      <Flex align="center" gap="3" mb="1">
        <CropGlyph kind={o.glyph} stage={1.9} size={36} />
        <Box flex="1">
          <Anchor to={`/plot/plantings/${o.id}`} fontWeight="650">
            {o.name}
          </Anchor>
          <Text fontSize="sm" color="inkSoft">
            {o.bed}, {o.when}
            {left === 0 ? ", all done" : ""}
          </Text>
        </Box>
        {!o.cleared && (
          <Form method="post">
            <input type="hidden" name="plantingId" value={o.id} />
            <Button type="submit" variant="outline" size="sm" minH="48px">
              It is cleared
            </Button>
          </Form>
        )}
      </Flex>
      {left > 0 && <Cautions of={o.cautions} />}
      {o.tasks.map((t) => (
        <TickRow key={t.id} id={t.id} done={t.done}>
          <span title={t.source}>
            {t.words} <Why>{t.why}</Why>
            {t.caution && <strong> {t.caution}</strong>}
          </span>
        </TickRow>
      ))}
    </Box>
  );
}

const Why = ({ children }: { children: string }) => (
  <Text as="span" color="inkSoft" fontSize="sm">
    {children}
  </Text>
);

function FreeBed({ bed: b }: { bed: View["free"][number] }) {
  return (
    <Box py="3" borderTopWidth="1px" borderColor="ruleSoft" data-free={b.id}>
      <Flex justify="space-between" gap="3" wrap="wrap" align="baseline">
        <Text fontFamily="heading" fontSize="lg" fontWeight="600">
          {b.share ? `${b.name}, ${b.share}` : b.name}
        </Text>
        <Text fontSize="sm" color="inkSoft">
          {[
            b.before && `${b.before} ${b.share ? "in the rest" : "before"}${b.since ? `, until ${b.since}` : ""}`,
            b.left === null ? "" : b.left === 0 ? "frost is due" : `${b.left} days to ${b.frost}`,
          ]
            .filter(Boolean)
            .join("; ")}
        </Text>
      </Flex>
      {b.fits.length === 0 && (
        <Text mt="1">
          Nothing from the handbook still ripens there. Compost and a mulch, or a green manure until spring.
        </Text>
      )}
      {b.fits.map((f) => (
        <Flex key={f.id} align="center" gap="3" py="1.5">
          <CropGlyph kind={f.glyph} stage={1.25} size={30} />
          <Box flex="1">
            <Text>
              <strong>{f.name}</strong>, {f.ready}
            </Text>
            {(f.why || f.spare <= 10) && (
              <Text fontSize="sm" color="inkSoft">
                {[f.why, f.spare <= 10 ? `${f.spare === 0 ? "today at the latest" : `within ${f.spare} days`}` : ""]
                  .filter(Boolean)
                  .join("; ")}
              </Text>
            )}
          </Box>
          <LinkButton
            size="sm"
            variant="quiet"
            minH="48px"
            to={`/plot/plantings/new?bed=${b.id}&crop=${f.id}&how=${f.how}`}
          >
            Plant it
          </LinkButton>
        </Flex>
      ))}
      {b.not.length > 0 && (
        <Text fontSize="sm" color="inkSoft" mt="1">
          Do not plant {b.not.map((n) => `${n.names}: ${n.why}`).join(". Nor ")}.
        </Text>
      )}
    </Box>
  );
}

/** What stood in each bed, year by year. */
function BedHistory({ view }: { view: View }) {
  return (
    <Section title="What stood where" note="rotation goes by the family, not by the crop">
      <FiguresTable label="What stood where">
        <thead>
          <tr>
            <th>Bed</th>
            {view.years.map((y) => (
              <th key={y}>{y}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {view.history.map((b) => (
            <tr key={b.id}>
              <th scope="row" className="name">
                {b.name}
              </th>
              {b.years.map((list, i) => (
                <td key={view.years[i]}>
                  {list.map((x) => (
                    <Flex key={x.id} align="center" gap="1.5" title={x.family}>
                      <CropGlyph kind={x.glyph} stage={1.25} size={20} />
                      <Text as="span">{x.name}</Text>
                    </Flex>
                  ))}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </FiguresTable>
    </Section>
  );
}

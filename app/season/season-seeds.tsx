import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { formOf, typedOf } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { CheckedForm } from "../ui/checked-form";
import { CropGlyph } from "../ui/crop-glyph";
import { DateInput } from "../ui/date-input";
import { FiguresTable } from "../ui/figures-table";
import { Fold } from "../ui/fold";
import {
  Anchor,
  Button,
  type Faults,
  Field,
  FormError,
  Input,
  Options,
  Page,
  Section,
  Select,
  shownValue,
} from "../ui/ui";
import type { Route } from "./+types/season-seeds";
import { RowNeeds } from "./row-needs";
import { SeasonNav } from "./season-nav";
import { changeSeeds, seedsView } from "./season-seeds.server";
import { seedForm } from "./seed.form";

export const loader = () => seedsView(gardenNow());
export const action = async ({ request }: Route.ActionArgs) => changeSeeds(gardenNow(), typedOf(await formOf(request)));

export const meta: Route.MetaFunction = () => [{ title: "Seeds · Akmedon" }];

type View = Route.ComponentProps["loaderData"];

/** Packets in the order of sowing, what is expected to come up of each, and what to order for next year's plan. */
export default function SeasonSeeds({ loaderData, actionData }: Route.ComponentProps) {
  const { lots, needs, planned, unsized } = loaderData;
  const faults: Faults = actionData && "errors" in actionData ? actionData : null;
  const at = faults?.typed.id ?? null;
  const toOrder = needs.filter((n) => n.order > 0);
  return (
    <Page
      title="Seeds"
      lead="In the order of sowing. What comes up is reckoned from age and from your own tests: lay twenty on damp paper, count what sprouts."
    >
      <SeasonNav />
      <FormError faults={faults} />
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0,1.2fr) minmax(0,1fr)" }} gapX="12">
        <Section title="In the box" note={lots.length > 0 ? `${lots.length}` : undefined}>
          {lots.length === 0 && <Text color="inkSoft">Empty. Begin with the packet that is open on the table.</Text>}
          {lots.map((l) => (
            <Box key={l.lot.id} py="2.5" borderTopWidth="1px" borderColor="ruleSoft" data-seed={l.lot.id}>
              <Flex gap="3" align="center">
                <CropGlyph kind={l.glyph} stage={1.25} size={36} />
                <Box flex="1" minW="0">
                  <Text>
                    <strong>{l.name}</strong>, {l.left}
                  </Text>
                  <Text fontSize="sm" color="inkSoft">
                    {[l.age, l.lot.source, l.lot.note].filter(Boolean).join(", ")}
                    {l.sow && `; sown next ${l.sow}`}
                  </Text>
                  <Text fontSize="sm" color="inkSoft">
                    {l.words}
                    {l.tested && `, ${l.tested}`}; {l.good}
                    {l.cost && `; ${l.cost}`}
                  </Text>
                </Box>
                <Box textAlign="right" flexShrink="0">
                  <Text fontWeight="650" color={l.poor ? "madder" : "ink"}>
                    {l.share} % up
                  </Text>
                  <Text fontSize="sm" color="inkSoft">
                    {l.between}
                  </Text>
                </Box>
              </Flex>

              <Fold title="Test it, or change it" open={at === l.lot.id}>
                <SeedForm view={loaderData} lot={l.lot} faults={at === l.lot.id ? faults : null} />
              </Fold>
            </Box>
          ))}
        </Section>
        <Box>
          <Section title="To have for next year" note="by your plan of the plot, soonest first">
            {!planned && (
              <Text color="inkSoft">
                There is no plan yet. <Anchor to="/season/next">Draw up next year’s plot</Anchor>, and what to order
                stands here.
              </Text>
            )}
            {planned && (
              <>
                <Text mb="3" fontWeight="650">
                  {toOrder.length === 0
                    ? "All of it is in the box."
                    : `${toOrder.length} ${toOrder.length === 1 ? "thing" : "things"} to order or set aside.`}
                </Text>
                <FiguresTable label="To have for next year">
                  <thead>
                    <tr>
                      <th>Seed</th>
                      <th>First</th>
                      <th className="number">Plants</th>
                      <th className="number">Covered</th>
                      <th className="number">To get</th>
                    </tr>
                  </thead>
                  <tbody>
                    {needs.map((n) => (
                      <tr key={n.key}>
                        <th scope="row" className="name">
                          {n.name}
                          {n.kept && (
                            <Text fontSize="sm" fontWeight="400" color="inkSoft">
                              or keep {n.kept}
                            </Text>
                          )}
                        </th>
                        <td>{n.first}</td>
                        <td className="number">{n.plants}</td>
                        <td className="number">{Math.min(n.covers, n.plants)}</td>
                        <td className="number">{n.order > 0 ? `${n.order} ${n.what}` : "enough"}</td>
                      </tr>
                    ))}
                  </tbody>
                </FiguresTable>
                {unsized > 0 && (
                  <Text fontSize="sm" color="inkSoft" mt="2">
                    {unsized} planned without a number of plants {unsized === 1 ? "is" : "are"} not counted.
                  </Text>
                )}
              </>
            )}
          </Section>
          <RowNeeds rows={loaderData.rows} units={loaderData.garden} />
          <Section title="Another packet">
            <SeedForm key={lots.length} view={loaderData} lot={null} faults={at === "" ? faults : null} />
          </Section>
        </Box>
      </Grid>
    </Page>
  );
}

function SeedForm({ view, lot, faults }: { view: View; lot: View["lots"][number]["lot"] | null; faults: Faults }) {
  const key = lot?.id ?? "new";
  const input = (
    name: string,
    label: string,
    v: string | number | null | undefined,
    kind: "text" | "numeric" | "date",
  ) => (
    <Field name={name} of={key} label={label}>
      {(p) =>
        kind === "date" ? (
          <DateInput {...p} defaultValue={shownValue(faults, name, v)} />
        ) : (
          <Input
            {...p}
            inputMode={kind === "numeric" ? "decimal" : undefined}
            defaultValue={shownValue(faults, name, v)}
            minW="0"
          />
        )
      }
    </Field>
  );
  return (
    <CheckedForm method="post" schema={seedForm} faults={faults}>
      <input type="hidden" name="id" value={lot?.id ?? ""} />
      <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="3">
        <Field name="cropId" of={key} label="Crop">
          {(p) => (
            <Select {...p} defaultValue={shownValue(faults, "cropId", lot?.cropId)} minW="0">
              <option value="">choose</option>
              <Options of={view.crops} />
            </Select>
          )}
        </Field>
        {input("kind", "Kind", lot?.kind, "text")}
        {input("left", "Left", lot?.left, "numeric")}
        <Field name="unit" of={key} label="of">
          {(p) => (
            <Select {...p} defaultValue={shownValue(faults, "unit", lot?.unit ?? "seeds")} minW="0">
              <Options of={view.units} say={(u) => u.words} />
            </Select>
          )}
        </Field>
        {input("year", "Grown or packed in", lot?.year ?? view.year, "numeric")}
        {input("source", "From", lot?.source, "text")}
        {input("price", "The packet cost", lot?.price, "numeric")}
        {input("packed", "How many were in it", lot?.packed, "numeric")}
        {input("testedOn", "Tested on", lot?.testedOn, "date")}
        <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="3">
          {input("tested", "Laid out", lot?.tested, "numeric")}
          {input("sprouted", "Sprouted", lot?.sprouted, "numeric")}
        </Grid>
      </Grid>
      <Box mt="3">{input("note", "Note", lot?.note, "text")}</Box>
      <Flex gap="3" mt="4">
        <Button type="submit" name="intent" value="keep" variant={lot ? "outline" : "solid"}>
          {lot ? "Save it" : "Put it in the box"}
        </Button>
        {lot && (
          <Button type="submit" name="intent" value="remove" variant="danger" formNoValidate>
            Remove
          </Button>
        )}
      </Flex>
    </CheckedForm>
  );
}

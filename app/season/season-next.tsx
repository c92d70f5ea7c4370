import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useMemo } from "react";
import { Form } from "react-router";
import { formOf, typedOf } from "../server/forms.server";
import { gardenNow } from "../server/garden-now.server";
import { CheckedForm } from "../ui/checked-form";
import { CropGlyph } from "../ui/crop-glyph";
import { DateInput } from "../ui/date-input";
import { FiguresTable } from "../ui/figures-table";
import { Fold } from "../ui/fold";
import { Anchor, Button, type Faults, Field, FormError, Input, Page, Section, Select, shownValue } from "../ui/ui";
import type { Route } from "./+types/season-next";
import { plannedForm } from "./planned.form";
import { SeasonNav } from "./season-nav";
import { changeNext, nextView } from "./season-next.server";

export const loader = () => nextView(gardenNow());
export const action = async ({ request }: Route.ActionArgs) => changeNext(gardenNow(), typedOf(await formOf(request)));

export const meta: Route.MetaFunction = () => [{ title: "Next year’s plot · Akmedon" }];

type View = Route.ComponentProps["loaderData"];
type Row = View["beds"][number]["rows"][number];
const HOW = { sown: "sown in place", transplanted: "set out as plants", planted: "planted" } as const;

/** Next year's plot: the season copied, beds moved by rotation, plants by what the house uses; changed by hand. */
export default function SeasonNext({ loaderData, actionData }: Route.ComponentProps) {
  const { year, count, open, beds, astray, compared } = loaderData;
  const faults: Faults = actionData && "errors" in actionData ? actionData : null;
  const at = faults?.typed.id ?? null;
  const wary = beds.flatMap((b) => b.rows).filter((r) => r.wary && !r.made).length;
  return (
    <Page
      title={`The plot of ${year}`}
      lead={
        count === 0
          ? "This year’s plot copied a year on: each bed moves by rotation, all beds weighed together, and plants follow what you eat. Then change what you like."
          : `${open} to start. ${wary === 0 ? "Nothing stands where its family stood too lately." : `${wary} stand where their family stood lately.`}`
      }
    >
      <SeasonNav />
      <FormError faults={faults} />
      <Form method="post">
        <Flex gap="3" wrap="wrap" align="center" mb="6">
          <Select name="counts" aria-label="How many plants" defaultValue="use" w="auto">
            <option value="use">plants by what the house eats</option>
            <option value="same">as many plants as this year</option>
          </Select>
          <Button type="submit" name="intent" value="draw" variant={count === 0 ? "solid" : "outline"}>
            {count === 0 ? "Draw it up" : "Draw it up again"}
          </Button>
          {open > 0 && (
            <Button type="submit" name="intent" value="clear" variant="quiet">
              Wipe it
            </Button>
          )}
        </Flex>
      </Form>
      <Grid templateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0,1.35fr) minmax(0,1fr)" }} gapX="12">
        <Box>
          {beds
            .filter((b) => b.rows.length > 0)
            .map((b) => (
              <Section key={b.id} title={b.name}>
                {b.rows.map((r) => (
                  <PlannedRow key={r.id} row={r} view={loaderData} faults={at === r.id ? faults : null} />
                ))}
              </Section>
            ))}
          {astray.length > 0 && (
            <Section title="Without a bed" note="their bed was removed">
              {astray.map((r) => (
                <PlannedRow key={r.id} row={r} view={loaderData} faults={at === r.id ? faults : null} />
              ))}
            </Section>
          )}
          <Section title={count === 0 ? "Or begin by hand" : "Another"}>
            <PlannedForm key={count} row={null} view={loaderData} faults={at === "" ? faults : null} />
          </Section>
        </Box>
        <Section title={`${year - 1} and ${year}`} note="plants, or metres of row">
          <FiguresTable label={`${year - 1} and ${year}`}>
            <thead>
              <tr>
                <th>Crop</th>
                <th className="number">{year - 1}</th>
                <th className="number">gave</th>
                <th className="number">{year}</th>
              </tr>
            </thead>
            <tbody>
              {compared.map((c) => (
                <tr key={c.id}>
                  <th scope="row" className="name">
                    {c.name}
                  </th>
                  <td className="number">{c.had}</td>
                  <td className="number">{c.gave}</td>
                  <td className="number">{c.planned}</td>
                </tr>
              ))}
            </tbody>
          </FiguresTable>
          <Text fontSize="sm" color="inkSoft" mt="3">
            What to order for it stands in the <Anchor to="/season/seeds">seed box</Anchor>; why so many plants, under{" "}
            <Anchor to="/season/weeks">gluts and gaps</Anchor>. What stands for years keeps its bed.
          </Text>
        </Section>
      </Grid>
    </Page>
  );
}

function PlannedRow({ row: r, view, faults }: { row: Row; view: View; faults: Faults }) {
  return (
    <Box py="2" borderTopWidth="1px" borderColor="ruleSoft" data-planned={r.id} opacity={r.made ? 0.65 : 1}>
      <Flex gap="3" align="center">
        {r.glyph && <CropGlyph kind={r.glyph} stage={1.25} size={32} />}
        <Box flex="1" minW="0">
          <Text>
            <strong>{r.name}</strong>
          </Text>
          <Text fontSize="sm" color="inkSoft">
            {[r.tray, `${HOW[r.how]} ${r.start}`, r.amount, r.from && `from ${r.from}`].filter(Boolean).join("; ")}
          </Text>
          {r.turn && (
            <Text fontSize="sm" color={r.wary ? "madder" : "ink"} fontWeight={r.wary ? "600" : "400"}>
              {r.turn}
            </Text>
          )}
          {r.late && !r.made && (
            <Text fontSize="sm" fontWeight="600">
              due since {r.late}
            </Text>
          )}
        </Box>
        {r.made ? (
          <Anchor to={`/plot/plantings/${r.made}`}>started</Anchor>
        ) : (
          r.due && (
            <Form method="post">
              <input type="hidden" name="id" value={r.id} />
              <Button type="submit" name="intent" value="make" variant="outline" size="sm" minH="48px">
                It is in
              </Button>
            </Form>
          )
        )}
      </Flex>
      {!r.made && (
        <Fold title="Change" small open={faults}>
          <PlannedForm row={r} view={view} faults={faults} />
        </Fold>
      )}
    </Box>
  );
}

function PlannedForm({ row: r, view, faults }: { row: Row | null; view: View; faults: Faults }) {
  const key = r?.id ?? "new";
  const schema = useMemo(() => plannedForm(view.year, view.units), [view.year, view.units]);
  const value = (name: string, v: string | number | null | undefined) => shownValue(faults, name, v);
  const input = (
    name: string,
    label: string,
    v: string | number | null | undefined,
    kind: "text" | "date" | "number",
  ) => (
    <Field name={name} of={key} label={label}>
      {(p) =>
        kind === "date" ? (
          <DateInput {...p} defaultValue={value(name, v)} />
        ) : (
          <Input {...p} inputMode={kind === "number" ? "decimal" : undefined} defaultValue={value(name, v)} minW="0" />
        )
      }
    </Field>
  );
  const select = (
    name: string,
    label: string,
    v: string | undefined,
    options: readonly (readonly [string, string])[],
  ) => (
    <Field name={name} of={key} label={label}>
      {(p) => (
        <Select {...p} defaultValue={value(name, v)} minW="0">
          {options.map(([id, words]) => (
            <option key={id} value={id}>
              {words}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
  return (
    <CheckedForm method="post" schema={schema} faults={faults}>
      <input type="hidden" name="id" value={r?.id ?? ""} />
      <Grid templateColumns={{ base: "repeat(2, minmax(0, 1fr))", md: "repeat(3, minmax(0,1fr))" }} gap="3">
        {select("cropId", "Crop", r?.cropId, [["", "choose"], ...view.crops.map((c) => [c.id, c.name] as const)])}
        {input("kind", "Kind", r?.kind, "text")}
        {select(
          "bedId",
          "Bed",
          r?.bedId,
          view.beds.map((b) => [b.id, b.name] as const),
        )}
        {select(
          "startedHow",
          "How",
          r?.how ?? "sown",
          view.starts.map((s) => [s, HOW[s]] as const),
        )}
        {input("startOn", "On", r?.startOn ?? `${view.year}-04-15`, "date")}
        {input("trayOn", "In trays from", r?.trayOn, "date")}
        {input("plants", "Plants", r?.plants, "number")}
        {input("rowM", "Row", r?.row, "text")}
      </Grid>
      <Flex gap="3" mt="3">
        <Button type="submit" name="intent" value="keep" variant="outline">
          {r ? "Save it" : "Plan it"}
        </Button>
        {r && (
          <Button type="submit" name="intent" value="remove" variant="danger" formNoValidate>
            Take it out
          </Button>
        )}
      </Flex>
    </CheckedForm>
  );
}

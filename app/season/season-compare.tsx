import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { Download } from "lucide-react";
import { Form, useSearchParams, useSubmit } from "react-router";
import { SPLITS } from "#core/season/compare-ways";
import { MEASURE_WORDS, SPLIT_WORDS } from "#core/season/words";
import { gardenNow } from "../server/garden-now.server";
import { FiguresTable } from "../ui/figures-table";
import { LinkButton, Options, Page, Section, Select } from "../ui/ui";
import type { Route } from "./+types/season-compare";
import { compareView } from "./season-compare.server";
import { SeasonNav } from "./season-nav";
import { SideBySide, SideMark } from "./side-by-side";

export const loader = ({ url }: Route.LoaderArgs) => compareView(gardenNow(), url.searchParams);

export const meta: Route.MetaFunction = () => [{ title: "Compare · Akmedon" }];

/** Two kinds or ways side by side: count, spread, and whether the difference means anything. */
export default function SeasonCompare({ loaderData }: Route.ComponentProps) {
  const { crops, cropId, crop, split, measure, measures, groups, a, b, names, points, found, difference, interval } =
    loaderData;
  const submit = useSubmit();
  const [params] = useSearchParams();
  const enough = a !== "" && b !== "";
  return (
    <Page
      title="Compare"
      lead="Two kinds or two ways of one crop. Where both grew in one bed in one year, sun and weather were the same, and the difference is taken there."
      actions={
        points.length > 0 && (
          <LinkButton to={`/out/season/compare?${params}`} variant="outline" reloadDocument>
            <Download size={18} /> CSV
          </LinkButton>
        )
      }
    >
      <SeasonNav />
      <Form
        key={`${cropId} ${split} ${measure} ${a} ${b}`}
        method="get"
        onChange={(e) => {
          const form = new FormData(e.currentTarget);
          // another crop or split asks anew: the sides of the old one mean nothing there
          if (form.get("crop") !== cropId) for (const k of ["split", "measure", "a", "b"]) form.delete(k);
          if (form.get("split") !== split) for (const k of ["measure", "a", "b"]) form.delete(k);
          submit(form, { method: "get", replace: true, preventScrollReset: true });
        }}
      >
        <Grid templateColumns={{ base: "minmax(0, 1fr)", md: "repeat(3, minmax(0, 1fr))" }} gap="3" mb="4">
          <Select name="crop" aria-label="Crop" defaultValue={cropId}>
            {crops.map((c) => (
              <option key={c.id} value={c.id}>
                {c.name}, {c.n} {c.n === 1 ? "planting" : "plantings"}
              </option>
            ))}
          </Select>
          <Select name="split" aria-label="What differs" defaultValue={split}>
            {SPLITS.map((s) => (
              <option key={s} value={s}>
                by {SPLIT_WORDS[s]}
              </option>
            ))}
          </Select>
          <Select name="measure" aria-label="What is measured" defaultValue={measure}>
            {measures.length === 0 && <option value="">nothing measured yet</option>}
            <Options of={measures} say={(m) => MEASURE_WORDS[m]} />
          </Select>
        </Grid>
        {enough && (
          <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap={{ base: "3", md: "8" }} mb="6">
            {([a, b] as const).map((chosen, side) => {
              const s = found.sides[side];
              return (
                <Box
                  key={side === 0 ? "a" : "b"}
                  borderTopWidth="3px"
                  borderColor={side === 0 ? "moss" : "ochre"}
                  pt="3"
                >
                  <Flex align="center" gap="2" mb="2">
                    <SideMark side={side === 0 ? 0 : 1} />
                    <Select
                      name={side === 0 ? "a" : "b"}
                      aria-label={side === 0 ? "First" : "Second"}
                      defaultValue={chosen}
                      minW="0"
                    >
                      {groups.map((g) => (
                        <option key={g.id} value={g.id}>
                          {g.name} ({g.n})
                        </option>
                      ))}
                    </Select>
                  </Flex>
                  <Text fontFamily="heading" fontSize={{ base: "2xl", md: "4xl" }} lineHeight="1.1">
                    {s?.said ?? "–"}
                  </Text>
                  <Text color="inkSoft" fontSize="sm">
                    {s ? [`of ${s.n}`, s.spread, s.range].filter(Boolean).join("; ") : ""}
                  </Text>
                </Box>
              );
            })}
          </Grid>
        )}
      </Form>
      {!enough && (
        <Text color="inkSoft">
          {crops.length === 0
            ? "Nothing was picked yet."
            : `There are no two sides to ${crop.toLowerCase()} here yet: ${groups.length === 1 ? `all of it is ${groups[0]!.name}` : "nothing of this kind was measured"}. Ask by something else above, or grow two next year.`}
        </Text>
      )}
      {enough && (
        <>
          <Box mb="7" maxW="72ch" data-verdict={found.verdict}>
            <Text fontSize="xl" fontWeight="650">
              {difference}
            </Text>
            <Text fontSize="lg">{found.words}</Text>
            {interval && <Text color="inkSoft">{interval}</Text>}
          </Box>
          <Section
            title={`By bed and year`}
            note={`${MEASURE_WORDS[measure]}; beds and years that had both come first`}
          >
            <SideBySide points={points} label={MEASURE_WORDS[measure]} />
          </Section>
          <Section title="The figures">
            <FiguresTable label="The figures">
              <thead>
                <tr>
                  <th>Planting</th>
                  <th>{SPLIT_WORDS[split]}</th>
                  <th>Bed</th>
                  <th>Year</th>
                  <th className="number">{MEASURE_WORDS[measure]}</th>
                </tr>
              </thead>
              <tbody>
                {points.slice(0, 200).map((p) => (
                  <tr key={p.id}>
                    <th scope="row" className="name">
                      {p.name}
                    </th>
                    <td>{names[p.side]}</td>
                    <td>{p.bed}</td>
                    <td>{p.year}</td>
                    <td className="number">{p.said}</td>
                  </tr>
                ))}
              </tbody>
            </FiguresTable>
            {points.length > 200 && <Text color="inkSoft">and {points.length - 200} more, in the CSV</Text>}
          </Section>
        </>
      )}
    </Page>
  );
}

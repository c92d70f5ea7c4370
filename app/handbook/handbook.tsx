import { Box, chakra, Flex, Grid, Text } from "@chakra-ui/react";
import { Form, Link, useSearchParams, useSubmit } from "react-router";
import { FAMILIES } from "#core/handbook/index";
import { pickMonths } from "#core/handbook/season";
import { gardenOf } from "#db/garden";
import { db, gardenNow, handbook } from "../server/garden-now.server";
import { CropGlyph } from "../ui/crop-glyph";
import { Tickbox } from "../ui/tickbox";
import { Input, LinkButton, Page, Section, Select } from "../ui/ui";
import type { Route } from "./+types/handbook";

const HABIT_WORDS: Record<string, string> = {
  "once-over": "lifted or cut once",
  repeat: "picked again and again",
  "leaf-by-leaf": "leaf by leaf",
  "cut-again": "cut and grows again",
  "lift-as-needed": "lifted as needed",
  "main-then-side": "main cut, then side shoots",
  perennial: "every year",
};
const MONTHS = [
  "January",
  "February",
  "March",
  "April",
  "May",
  "June",
  "July",
  "August",
  "September",
  "October",
  "November",
  "December",
];

export function loader({ url }: Route.LoaderArgs) {
  const query = url.searchParams;
  const q = (query.get("q") ?? "").trim().toLowerCase();
  const month = Number(query.get("month")) || null;
  const { snapshot } = gardenNow();
  const latitude = gardenOf(db()).latitudeDeg;
  const own = new Set(snapshot.ownCrops.map((c) => c.id));
  const grown = new Set(snapshot.plantings.map((p) => p.cropId));
  const found = handbook()
    .all.filter((c) => q === "" || [c.name, c.latin, c.family, ...c.synonyms].some((n) => n.toLowerCase().includes(q)))
    .filter((c) => month === null || pickMonths(c, latitude).includes(month))
    .filter((c) => query.get("mine") !== "1" || grown.has(c.id) || own.has(c.id))
    .map((c) => ({
      id: c.id,
      name: c.name,
      latin: c.latin,
      family: c.family,
      glyph: c.glyph,
      habit: HABIT_WORDS[c.habit] ?? c.habit,
      nature: c.nature === "ripens" ? "must ripen" : "only needs to be big enough",
      own: own.has(c.id),
    }));
  const common = new Map(FAMILIES.map((f) => [f.family, f]));
  const families = [...new Set(found.map((c) => c.family))].map((family) => ({
    family,
    common: common.get(family)?.common ?? family,
    rotation: common.get(family)?.rotation ?? "",
    crops: found.filter((c) => c.family === family),
  }));
  return { families: families.sort((a, b) => b.crops.length - a.crops.length), count: found.length };
}

export const meta: Route.MetaFunction = () => [{ title: "Handbook · Akmedon" }];
const Card = chakra(Link, {
  base: {
    display: "flex",
    gap: "3",
    alignItems: "center",
    px: "3",
    py: "2",
    minH: "64px",
    bg: "sheet",
    borderWidth: "1px",
    borderColor: "rule",
    borderRadius: "leaf",
    color: "ink",
    textDecoration: "none",
    _hover: { bg: "mossTint" },
  },
});

export default function Handbook({ loaderData }: Route.ComponentProps) {
  const { families, count } = loaderData;
  const [params] = useSearchParams();
  const submit = useSubmit();
  return (
    <Page
      title="Handbook"
      lead="Two questions only: is it ripe, or is it big enough? For each crop, what to look at and what it says."
      actions={
        <LinkButton variant="outline" to="/handbook/new/change">
          Add your own crop
        </LinkButton>
      }
    >
      <Form method="get" role="search" onChange={(e) => submit(e.currentTarget, { replace: true })}>
        <Flex gap="3" wrap="wrap" mb="5" align="center">
          <Input
            name="q"
            type="search"
            aria-label="Search crops"
            placeholder="carrot, zucchini, Allium …"
            defaultValue={params.get("q") ?? ""}
            maxW="320px"
          />
          <Select name="month" aria-label="Picked in" defaultValue={params.get("month") ?? ""} maxW="220px">
            <option value="">picked in any month</option>
            {MONTHS.map((m, i) => (
              <option key={m} value={i + 1}>
                picked in {m}
              </option>
            ))}
          </Select>
          <Tickbox name="mine" value="1" label="only what I grow" checked={params.get("mine") === "1"} />
          <Text color="inkSoft" aria-live="polite">
            {count} {count === 1 ? "crop" : "crops"}
          </Text>
        </Flex>
      </Form>
      {families.map((f) => (
        <Section key={f.family} title={f.common} note={`${f.family}${f.rotation ? ` · rotation: ${f.rotation}` : ""}`}>
          <Grid
            templateColumns={{
              base: "minmax(0, 1fr)",
              sm: "repeat(2, minmax(0, 1fr))",
              lg: "1fr 1fr 1fr",
              xl: "repeat(4, 1fr)",
            }}
            gap="3"
          >
            {f.crops.map((c) => (
              <Card key={c.id} to={`/handbook/${c.id}`}>
                <CropGlyph kind={c.glyph} stage={1.2} size={46} />
                <Box>
                  <Text fontFamily="heading" fontWeight="600" fontSize="lg" lineHeight="1.15">
                    {c.name}
                  </Text>
                  <Text fontSize="sm" color="inkSoft" lineHeight="1.25">
                    {c.own ? "yours; " : ""}
                    {c.nature}; {c.habit}
                  </Text>
                </Box>
              </Card>
            ))}
          </Grid>
        </Section>
      ))}
      {count === 0 && (
        <Text color="inkSoft">No crop of that name or month. You can add your own, or copy one and change it.</Text>
      )}
    </Page>
  );
}

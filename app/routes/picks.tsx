import { Box, chakra, Flex, Grid, Text } from "@chakra-ui/react";
import { Download, Plus, Upload } from "lucide-react";
import { Form, Link, useSearchParams, useSubmit } from "react-router";
import { sayDate } from "#core/calendar/day";
import { sayMass } from "#core/units/mass";
import { GRADE_WORDS, GRADES } from "#core/weighing/pick";
import { Anchor, Input, LinkButton, Page, Select } from "../components/ui";
import { desk } from "../server/desk.server";
import { findPicks, loggedPicks, type PickSort } from "../server/picks.server";
import type { Route } from "./+types/picks";

const PAGE = 60;
export function loader({ request }: Route.LoaderArgs) {
  const { snapshot } = desk();
  const q = new URL(request.url).searchParams;
  const all = loggedPicks(snapshot);
  const { found, sort, down } = findPicks(all, q);
  const page = Math.min(
    Math.max(1, Math.floor(Number(q.get("page")) || 1)),
    Math.max(1, Math.ceil(found.length / PAGE)),
  );
  const total = (estimated: boolean) =>
    found.filter((r) => r.reckoned.estimated === estimated).reduce((s, r) => s + r.net, 0);
  return {
    rows: found.slice((page - 1) * PAGE, page * PAGE).map(({ pick, reckoned, net, at, kind, crop, bed, by }) => ({
      id: pick.id,
      at,
      kind,
      crop,
      bed,
      net,
      by,
      estimated: reckoned.estimated,
      count: pick.count,
      grade: pick.grade,
    })),
    found: found.length,
    all: all.length,
    page,
    pages: Math.max(1, Math.ceil(found.length / PAGE)),
    weighedG: total(false),
    estimatedG: total(true),
    sort,
    down,
    units: snapshot.garden.units,
    crops: [...new Map(all.map((r) => [r.cropId, r.crop]))].sort((a, b) => (a[1] < b[1] ? -1 : 1)),
    years: [...new Set(all.map((r) => r.at.slice(0, 4)))].sort().reverse(),
  };
}

export const meta: Route.MetaFunction = () => [{ title: "Picks · Akmedon" }];

export default function Picks({ loaderData }: Route.ComponentProps) {
  const { rows, found, all, page, pages, weighedG, estimatedG, sort, down, units, crops, years } = loaderData;
  const [params] = useSearchParams();
  const submit = useSubmit();
  const to = (changes: Record<string, string>) => {
    const next = new URLSearchParams(params);
    next.delete("done");
    for (const [k, v] of Object.entries(changes)) next.set(k, v);
    return `?${next}`;
  };
  const head = (key: PickSort, name: string, end = false) => (
    <chakra.th
      textAlign={end ? "right" : "left"}
      pr="4"
      pb="2"
      fontWeight="600"
      aria-sort={sort === key ? (down ? "descending" : "ascending") : "none"}
    >
      <Link
        to={to({ sort: key, down: sort === key && down ? "0" : "1", page: "1" })}
        preventScrollReset
        style={{ color: "inherit", textDecoration: "none" }}
      >
        {name}
        {sort === key ? (down ? " ↓" : " ↑") : ""}
      </Link>
    </chakra.th>
  );
  return (
    <Page
      title="Picks"
      lead={
        all === 0
          ? "Nothing logged yet."
          : `${found === all ? `${all} picks` : `${found} of ${all} picks`}: ${sayMass(weighedG, units)} weighed${estimatedG > 0 ? `, and ${sayMass(estimatedG, units)} estimated` : ""}.`
      }
      actions={
        <>
          <LinkButton to="/picks/new">
            <Plus size={18} /> Log a pick
          </LinkButton>
          <LinkButton variant="outline" to="/picks/import">
            <Upload size={18} /> From a table
          </LinkButton>
          {all > 0 && (
            <LinkButton variant="outline" to={`/out/picks.csv?${params}`} reloadDocument>
              <Download size={18} /> CSV
            </LinkButton>
          )}
        </>
      }
    >
      {all === 0 ? (
        <Box py="10" textAlign="center" borderWidth="1px" borderStyle="dashed" borderColor="rule">
          <Text fontFamily="heading" fontSize="2xl" mb="3">
            The first basket goes here
          </Text>
          <LinkButton to="/picks/new" size="lg">
            Log a pick
          </LinkButton>
        </Box>
      ) : (
        <>
          <Form
            method="get"
            onChange={(e) => submit(e.currentTarget, { replace: true, preventScrollReset: true })}
            role="search"
          >
            <input type="hidden" name="sort" value={sort} />
            <input type="hidden" name="down" value={down ? "1" : "0"} />
            <Grid templateColumns={{ base: "1fr 1fr", md: "2fr 1fr 1fr 1fr" }} gap="3" mb="5">
              <Input
                name="q"
                type="search"
                aria-label="Search"
                placeholder="kind, bed, who, note"
                defaultValue={params.get("q") ?? ""}
                gridColumn={{ base: "1 / -1", md: "auto" }}
              />
              <Select name="crop" aria-label="Crop" defaultValue={params.get("crop") ?? ""}>
                <option value="">every crop</option>
                {crops.map(([id, name]) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </Select>
              <Select name="year" aria-label="Year" defaultValue={params.get("year") ?? ""}>
                <option value="">every year</option>
                {years.map((y) => (
                  <option key={y}>{y}</option>
                ))}
              </Select>
              <Select name="grade" aria-label="Grade" defaultValue={params.get("grade") ?? ""}>
                <option value="">every grade</option>
                {GRADES.map((g) => (
                  <option key={g} value={g}>
                    {GRADE_WORDS[g]}
                  </option>
                ))}
              </Select>
            </Grid>
          </Form>
          {rows.length === 0 && <Text color="inkSoft">No pick is like that.</Text>}
          <Box overflowX="auto" display={{ base: "none", md: "block" }}>
            <chakra.table
              w="100%"
              borderCollapse="collapse"
              css={{
                "& tbody tr": { borderTop: "1px solid var(--ak-colors-rule-soft)" },
                "& tbody tr:hover": { background: "var(--ak-colors-tint)" },
                "& td": { padding: "0.6rem 1rem 0.6rem 0", verticalAlign: "baseline" },
                "& td a": { color: "var(--ak-colors-moss)", textDecoration: "underline", textUnderlineOffset: "3px" },
                "& .when": { whiteSpace: "nowrap" },
                "& small, & .plain": { color: "var(--ak-colors-ink-soft)" },
                "& .kind": { fontWeight: 650 },
                "& .odd": { color: "var(--ak-colors-madder)" },
                "& .number": { textAlign: "right", whiteSpace: "nowrap", fontVariantNumeric: "tabular-nums" },
              }}
            >
              <thead>
                <tr>
                  {head("at", "When")}
                  {head("kind", "Kind")}
                  {head("crop", "Crop")}
                  {head("bed", "Bed")}
                  {head("net", "Net", true)}
                  <chakra.th textAlign="right" pr="4" pb="2" fontWeight="600">
                    Pieces
                  </chakra.th>
                  {head("by", "Who")}
                  <chakra.th textAlign="left" pb="2" fontWeight="600">
                    Grade
                  </chakra.th>
                </tr>
              </thead>
              <tbody>
                {rows.map((r) => (
                  <tr key={r.id}>
                    <td className="when">
                      <Link to={`/picks/${r.id}`}>{sayDate(r.at.slice(0, 10))}</Link> <small>{r.at.slice(11)}</small>
                    </td>
                    <td className="kind">{r.kind}</td>
                    <td>{r.crop}</td>
                    <td>{r.bed}</td>
                    <td className="number">
                      {r.estimated ? "about " : ""}
                      {sayMass(r.net, units)}
                    </td>
                    <td className="number">{r.count ?? ""}</td>
                    <td>{r.by}</td>
                    <td className={r.grade === "sound" ? "plain" : "odd"}>{GRADE_WORDS[r.grade]}</td>
                  </tr>
                ))}
              </tbody>
            </chakra.table>
          </Box>
          <Box display={{ base: "block", md: "none" }}>
            {rows.map((r) => (
              <Flex
                key={r.id}
                justify="space-between"
                gap="3"
                py="2.5"
                borderTopWidth="1px"
                borderColor="ruleSoft"
                minH="56px"
              >
                <Box>
                  <Anchor to={`/picks/${r.id}`} fontWeight="650">
                    {r.kind}
                  </Anchor>
                  <Text fontSize="sm" color="inkSoft">
                    {sayDate(r.at.slice(0, 10))}, {r.bed}, {r.by}
                  </Text>
                </Box>
                <Text whiteSpace="nowrap" fontWeight="600">
                  {r.estimated ? "about " : ""}
                  {sayMass(r.net, units)}
                </Text>
              </Flex>
            ))}
          </Box>
          {pages > 1 && (
            <Flex gap="3" mt="5" align="center">
              {page > 1 && (
                <LinkButton variant="outline" to={to({ page: String(page - 1) })}>
                  Newer
                </LinkButton>
              )}
              <Text color="inkSoft">
                page {page} of {pages}
              </Text>
              {page < pages && (
                <LinkButton variant="outline" to={to({ page: String(page + 1) })}>
                  Older
                </LinkButton>
              )}
            </Flex>
          )}
        </>
      )}
    </Page>
  );
}

import { Box, Flex, Text } from "@chakra-ui/react";
import { Form, useSearchParams } from "react-router";
import { sayDate } from "#core/calendar/day";
import { listChanges } from "#db/change";
import { gardenOf } from "#db/garden";
import { sayEntry } from "#formats/trail";
import { db } from "../server/garden-now.server";
import { Fold } from "../ui/fold";
import { Button, Input, LinkButton, Page } from "../ui/ui";
import type { Route } from "./+types/changes";

const PAGE = 40;
/** Rows of one change that are told; of an import the rest is only counted. */
const TOLD = 12;

export function loader({ url }: Route.LoaderArgs) {
  const q = url.searchParams;
  const words = (q.get("q") ?? "").trim();
  const asked = Math.max(1, Math.floor(Number(q.get("page")) || 1));
  const { all } = listChanges(db(), words, 0, 0);
  const pages = Math.max(1, Math.ceil(all / PAGE));
  const page = Math.min(asked, pages);
  const { rows } = listChanges(db(), words, (page - 1) * PAGE, PAGE);
  return {
    all,
    page,
    pages,
    undoYears: gardenOf(db()).undoYears,
    rows: rows.map((r) => ({
      id: r.id,
      at: r.at,
      label: r.label,
      undone: r.undoneBy !== null,
      thinned: r.thinned,
      told: r.entries.slice(0, TOLD).map((e) => ({ key: `${e.table} ${e.key}`, ...sayEntry(e) })),
      more: Math.max(0, r.entries.length - TOLD),
    })),
  };
}

export const meta: Route.MetaFunction = () => [{ title: "Changes · Akmedon" }];

const keptFor = (years: number) =>
  years === 0
    ? "Nothing is ever lost: what stood before is kept here."
    : `What stood before is kept for ${years === 1 ? "a year" : `${years} years`}, as Settings says.`;

/** The audit trail: every change of the garden with what stood there before and after, and a way back. */
export default function Changes({ loaderData }: Route.ComponentProps) {
  const { all, page, pages, rows, undoYears } = loaderData;
  const [params] = useSearchParams();
  const q = params.get("q") ?? "";
  const to = (n: number) => `?${new URLSearchParams({ ...(q ? { q } : {}), page: String(n) })}`;
  return (
    <Page
      title="Changes"
      lead={
        all === 0
          ? q
            ? "No change is like that."
            : "Nothing has been changed yet."
          : `${all} ${all === 1 ? "change" : "changes"}, latest first. ${keptFor(undoYears)}`
      }
      actions={
        <LinkButton to="/picks" variant="outline">
          Picks
        </LinkButton>
      }
    >
      <Form method="get" role="search">
        <Flex gap="2" mb="5" maxW="420px">
          <Input name="q" type="search" aria-label="Search" placeholder="words of the change" defaultValue={q} />
          <Button type="submit" variant="outline">
            Find
          </Button>
        </Flex>
      </Form>
      {rows.map((r) => (
        <Box key={r.id} py="3" borderTopWidth="1px" borderColor="ruleSoft">
          <Flex gap="4" align="center" wrap="wrap">
            <Text w="9.5em" color="inkSoft">
              {sayDate(r.at.slice(0, 10))} {r.at.slice(11)}
            </Text>
            <Text flex="1" minW="14em" fontWeight="600" textDecoration={r.undone ? "line-through" : undefined}>
              {r.label}
            </Text>
            {r.undone || r.thinned ? (
              <Text color="inkSoft">{r.undone ? "taken back" : "too long ago to be taken back"}</Text>
            ) : (
              <Form method="post" action="/undo">
                <input type="hidden" name="id" value={r.id} />
                <input type="hidden" name="back" value={`/changes?${params}`} />
                <Button type="submit" variant="quiet" size="sm">
                  Take back
                </Button>
              </Form>
            )}
          </Flex>
          <Fold title="what changed" small hidden={r.thinned}>
            <Box as="ul" pl="5" fontSize="sm">
              {r.told.map((e) => (
                <li key={e.key}>
                  {e.what}
                  {e.fields.length > 0 && ` (${e.fields.join("; ")})`}
                </li>
              ))}
              {r.more > 0 && <li>and {r.more} more</li>}
            </Box>
          </Fold>
        </Box>
      ))}
      {pages > 1 && (
        <Flex gap="3" mt="5" align="center">
          {page > 1 && (
            <LinkButton variant="outline" to={to(page - 1)}>
              Newer
            </LinkButton>
          )}
          <Text color="inkSoft">
            page {page} of {pages}
          </Text>
          {page < pages && (
            <LinkButton variant="outline" to={to(page + 1)}>
              Older
            </LinkButton>
          )}
        </Flex>
      )}
    </Page>
  );
}

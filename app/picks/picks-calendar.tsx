import { Box, Flex, Grid, Text, VisuallyHidden } from "@chakra-ui/react";
import { Link } from "react-router";
import { addDays, dayRange, daysBetween, sayDate } from "#core/calendar/day";
import { sayMass } from "#core/units/mass";
import { groupPicks, picksIn, totalsOf, weekOf } from "#core/weighing/pick-log";
import { monthName } from "#core/weighing/words";
import { gardenNow } from "../server/garden-now.server";
import { LinkButton, Page } from "../ui/ui";
import type { Route } from "./+types/picks-calendar";
import { loggedPicks } from "./picks.server";

const MONTH = /^\d{4}-(0[1-9]|1[0-2])$/;
const monthAfter = (month: string, by: number): string => {
  const n = Number(month.slice(0, 4)) * 12 + Number(month.slice(5)) - 1 + by;
  return `${Math.floor(n / 12)}-${String((n % 12) + 1).padStart(2, "0")}`;
};
/** Kinds named in a day's field before the rest is only counted. */
const NAMED = 3;

export function loader({ url }: Route.LoaderArgs) {
  const { snapshot, today } = gardenNow();
  const asked = url.searchParams.get("month") ?? "";
  const month = MONTH.test(asked) ? asked : today.slice(0, 7);
  const { units } = snapshot.garden;
  const all = loggedPicks(snapshot);
  const here = picksIn(all, month);
  const year = month.slice(0, 4);
  const months = groupPicks(picksIn(all, year), "month");
  const first = `${month}-01`;
  const from = weekOf(first);
  const last = addDays(`${monthAfter(month, 1)}-01`, -1);
  const days = dayRange(from, 7 * Math.ceil((daysBetween(from, last) + 1) / 7)).map((day) => {
    const picks = picksIn(here, day);
    const t = totalsOf(picks);
    const kinds = groupPicks(picks, "kind");
    return {
      day,
      inside: day.startsWith(month),
      massG: t.weighedG + t.estimatedG,
      words:
        picks.length === 0 ? "" : `${t.estimatedG > 0 ? "about " : ""}${sayMass(t.weighedG + t.estimatedG, units)}`,
      kinds: kinds.slice(0, NAMED).map((k) => k.name),
      more: Math.max(0, kinds.length - NAMED),
    };
  });
  const total = totalsOf(here);
  return {
    month,
    name: monthName(month),
    before: monthAfter(month, -1),
    after: monthAfter(month, 1),
    today,
    days,
    picks: here.length,
    said: `${sayMass(total.weighedG, units)} weighed${total.estimatedG > 0 ? `, ${sayMass(total.estimatedG, units)} estimated` : ""}`,
    year: Array.from({ length: 12 }, (_, i) => {
      const key = `${year}-${String(i + 1).padStart(2, "0")}`;
      const t = months.find((m) => m.key === key)?.totals;
      return { key, massG: t ? t.weighedG + t.estimatedG : 0, short: monthName(key).slice(0, 3) };
    }),
  };
}

export const meta: Route.MetaFunction = () => [{ title: "Picks by day · Akmedon" }];

export default function PicksCalendar({ loaderData }: Route.ComponentProps) {
  const { month, name, before, after, days, picks, said, year, today } = loaderData;
  const most = Math.max(1, ...year.map((m) => m.massG));
  return (
    <Page
      title={name}
      lead={picks === 0 ? "Nothing was picked in this month." : `${picks} ${picks === 1 ? "pick" : "picks"}: ${said}.`}
      actions={
        <>
          <LinkButton to={`?month=${before}`} variant="outline" aria-label="The month before">
            ←
          </LinkButton>
          <LinkButton to={`?month=${after}`} variant="outline" aria-label="The month after">
            →
          </LinkButton>
          <LinkButton to="/picks" variant="outline">
            As a list
          </LinkButton>
        </>
      }
    >
      <Grid
        templateColumns={{ base: "repeat(6, minmax(0, 1fr))", md: "repeat(12, minmax(0, 1fr))" }}
        gap={{ base: "0", md: "1" }}
        mb="6"
        as="nav"
        aria-label="Months of the year"
      >
        {year.map((m) => (
          <Link
            key={m.key}
            style={{ display: "block" }}
            to={`?month=${m.key}`}
            aria-current={m.key === month ? "date" : undefined}
          >
            <Flex h="40px" align="flex-end" borderBottomWidth="2px" borderColor={m.key === month ? "madder" : "rule"}>
              <Box w="100%" bg="moss" style={{ height: `${(100 * m.massG) / most}%` }} />
            </Flex>
            <Text fontSize="sm" textAlign="center" fontWeight={m.key === month ? "650" : "400"}>
              {m.short}
            </Text>
          </Link>
        ))}
      </Grid>
      <Grid
        templateColumns="repeat(7, minmax(0, 1fr))"
        borderTopWidth="1px"
        borderLeftWidth="1px"
        borderColor="ruleSoft"
      >
        {["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"].map((d) => (
          <Text key={d} fontSize="sm" color="inkSoft" px="2" py="1" borderRightWidth="1px" borderColor="ruleSoft">
            {d}
          </Text>
        ))}
        {days.map((d) => (
          <Box
            key={d.day}
            minH={{ base: "68px", md: "92px" }}
            p={{ base: "1", md: "2" }}
            borderRightWidth="1px"
            borderBottomWidth="1px"
            borderColor="ruleSoft"
            bg={d.massG > 0 ? "mossTint" : d.inside ? "sheet" : "transparent"}
            outline={d.day === today ? "2px solid" : undefined}
            outlineColor="madder"
            outlineOffset="-2px"
          >
            <Text fontSize="sm" color="inkSoft" visibility={d.inside ? "visible" : "hidden"}>
              {Number(d.day.slice(8))}
            </Text>
            {d.words && (
              <Link to={`/picks?from=${d.day}&to=${d.day}`}>
                <VisuallyHidden>{sayDate(d.day)}:</VisuallyHidden>
                <Text fontWeight="650" fontSize={{ base: "sm", md: "md" }} lineHeight="1.2">
                  {d.words}
                </Text>
                <Text fontSize="sm" display={{ base: "none", md: "block" }} lineHeight="1.25" mt="1">
                  {d.kinds.join(", ")}
                  {d.more > 0 ? ` and ${d.more} more` : ""}
                </Text>
              </Link>
            )}
          </Box>
        ))}
      </Grid>
    </Page>
  );
}

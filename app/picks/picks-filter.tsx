import { Box, chakra, Flex, Grid, Text } from "@chakra-ui/react";
import { useRef } from "react";
import { Form, useSubmit } from "react-router";
import { GRADES, PARTS, PURPOSES, WAYS } from "#core/weighing/pick";
import { GROUPS } from "#core/weighing/pick-log";
import { GRADE_WORDS, GROUP_WORDS, PART_WORDS, PURPOSE_WORDS, WAY_WORDS } from "#core/weighing/words";
import { DateInput } from "../ui/date-input";
import { Fold } from "../ui/fold";
import { Button, Input, Select } from "../ui/ui";
import type { Column } from "./log-columns";

type Props = {
  params: URLSearchParams;
  sort: string;
  down: boolean;
  crops: readonly (readonly [string, string])[];
  years: readonly string[];
  people: readonly string[];
  columns: readonly Column[];
  names: Readonly<Record<Column, string>>;
};
const MORE = ["from", "to", "who", "way", "part", "purpose", "figure"] as const;

/** What of the log is shown, how it is drawn together, and in which columns. Without scripts a button does it. */
export function PicksFilter({ params, sort, down, crops, years, people, columns, names }: Props) {
  const submit = useSubmit();
  const form = useRef<HTMLFormElement>(null);
  // a day is in the form once it has been drawn
  const soon = () =>
    setTimeout(() => form.current && submit(form.current, { replace: true, preventScrollReset: true }));
  const is = (name: string) => params.get(name) ?? "";
  const choice = (name: string, label: string, every: string, options: readonly (readonly [string, string])[]) => (
    <Select name={name} aria-label={label} defaultValue={is(name)} minW="0">
      <option value="">{every}</option>
      {options.map(([value, words]) => (
        <option key={value} value={value}>
          {words}
        </option>
      ))}
    </Select>
  );
  const pairs = <T extends string>(all: readonly T[], words: Record<T, string>) =>
    all.filter(Boolean).map((x) => [x, words[x]] as const);
  const kept = ["planting", "round"].filter((n) => is(n) !== "");
  return (
    <Form
      ref={form}
      method="get"
      onChange={(e) => submit(e.currentTarget, { replace: true, preventScrollReset: true })}
      role="search"
    >
      <input type="hidden" name="sort" value={sort} />
      <input type="hidden" name="down" value={down ? "1" : "0"} />
      {kept.map((n) => (
        <input key={n} type="hidden" name={n} value={is(n)} />
      ))}
      <Grid templateColumns={{ base: "repeat(2, minmax(0, 1fr))", md: "1.6fr 1fr 1fr 1fr 1.2fr" }} gap="3" mb="2">
        <Input
          name="q"
          type="search"
          aria-label="Search"
          placeholder="kind, bed, who, note"
          defaultValue={is("q")}
          gridColumn={{ base: "1 / -1", md: "auto" }}
        />
        {choice("crop", "Crop", "every crop", crops)}
        {choice(
          "year",
          "Year",
          "every year",
          years.map((y) => [y, y]),
        )}
        {choice("grade", "Grade", "every grade", pairs(GRADES, GRADE_WORDS))}
        {choice(
          "group",
          "Draw together",
          "pick by pick",
          GROUPS.map((g) => [g, `by ${GROUP_WORDS[g]}`]),
        )}
      </Grid>
      <Fold title="More filters, and columns" open={MORE.some((n) => is(n) !== "")} mb="4">
        <Grid templateColumns={{ base: "repeat(2, minmax(0, 1fr))", md: "repeat(4, minmax(0, 1fr))" }} gap="3" mb="3">
          <Labelled words="from">
            <DateInput name="from" defaultValue={is("from")} onDay={soon} />
          </Labelled>
          <Labelled words="to">
            <DateInput name="to" defaultValue={is("to")} onDay={soon} />
          </Labelled>
          <Labelled words="who">
            {choice(
              "who",
              "Who",
              "anyone",
              people.map((p) => [p, p]),
            )}
          </Labelled>
          <Labelled words="weighed or not">
            {choice("figure", "Figure", "both", [
              ["weighed", "weighed"],
              ["estimated", "estimated"],
            ])}
          </Labelled>
          <Labelled words="went">{choice("way", "Where it went", "anywhere", pairs(WAYS, WAY_WORDS))}</Labelled>
          <Labelled words="part">{choice("part", "Part", "any part", pairs(PARTS, PART_WORDS))}</Labelled>
          <Labelled words="what for">
            {choice("purpose", "What for", "anything", pairs(PURPOSES, PURPOSE_WORDS))}
          </Labelled>
        </Grid>
        <Flex
          gap="1.5"
          wrap="wrap"
          as="fieldset"
          css={{
            "& label": {
              display: "inline-flex",
              gap: "0.4rem",
              alignItems: "center",
              minHeight: "48px",
              padding: "0 0.6rem",
              border: "1px solid var(--ak-colors-rule)",
              borderRadius: "2px 10px 2px 10px",
              background: "var(--ak-colors-sheet)",
            },
            "& input": { accentColor: "var(--ak-colors-moss)" },
            "& label:has(input:checked)": {
              borderColor: "var(--ak-colors-moss)",
              background: "var(--ak-colors-moss-tint)",
            },
          }}
        >
          <chakra.legend fontSize="sm" color="inkSoft" mb="1">
            columns
          </chakra.legend>
          {(Object.keys(names) as Column[]).map((c) => (
            <label key={c}>
              <input
                type="checkbox"
                name="col"
                value={c}
                aria-label={`column ${names[c]}`}
                defaultChecked={columns.includes(c)}
              />
              {names[c]}
            </label>
          ))}
        </Flex>
      </Fold>
      <noscript>
        <button type="submit">Show</button>
      </noscript>
    </Form>
  );
}

function Labelled({ words, children }: { words: string; children: React.ReactNode }) {
  return (
    <Box>
      <Text fontSize="sm" color="inkSoft">
        {words}
      </Text>
      {children}
    </Box>
  );
}

/** What an address really asks for, said always in the same order. */
function askedOf(params: URLSearchParams): string {
  const usual: Record<string, string> = { sort: "at", down: "1" };
  const asked = [...params].filter(([k, v]) => v !== "" && usual[k] !== v && !["done", "said", "page"].includes(k));
  return new URLSearchParams(asked.sort()).toString();
}

type ViewsProps = { views: readonly { id: string; name: string; query: string }[]; params: URLSearchParams };

/** Ways of looking at the log that were kept under a name, and the one on the screen to be kept. */
export function SavedViews({ views, params }: ViewsProps) {
  const here = askedOf(params);
  const current = views.find((v) => askedOf(new URLSearchParams(v.query)) === here);
  const asks = here !== "";
  if (views.length === 0 && !asks) return null;
  return (
    <Flex gap="2" wrap="wrap" align="center" mb="4" data-noprint>
      {views.map((v) => (
        <chakra.a
          key={v.id}
          href={`/picks?${v.query}`}
          px="3"
          minH="48px"
          display="inline-flex"
          alignItems="center"
          borderWidth="1px"
          borderColor={v === current ? "moss" : "rule"}
          bg={v === current ? "mossTint" : "sheet"}
          borderRadius="leaf"
        >
          {v.name}
        </chakra.a>
      ))}
      {current ? (
        <Form method="post">
          <input type="hidden" name="id" value={current.id} />
          <Button type="submit" name="intent" value="forget-view" variant="quiet" size="sm">
            Forget “{current.name}”
          </Button>
        </Form>
      ) : (
        asks && (
          <Form method="post">
            <input type="hidden" name="query" value={here} />
            <Flex gap="2">
              <Input
                name="name"
                aria-label="Name for what is shown"
                placeholder="name for this"
                required
                maxLength={60}
              />
              <Button type="submit" name="intent" value="keep-view" variant="outline" size="sm">
                Keep
              </Button>
            </Flex>
          </Form>
        )
      )}
    </Flex>
  );
}

import { Flex, Text } from "@chakra-ui/react";
import { Download } from "lucide-react";
import { useState } from "react";
import { GRADES, PURPOSES, WAYS } from "#core/weighing/pick";
import { GRADE_WORDS, PURPOSE_WORDS, WAY_WORDS } from "#core/weighing/words";
import { Button, LinkButton, Select } from "../ui/ui";

const GIVES = { way: "went", grade: "graded", purpose: "picked for", by: "picked by" } as const;
type Give = keyof typeof GIVES;

/** What can be done with the picks that are chosen in the table: one thing changed in all, taken out, sent out. */
export function ChosenPicks({
  ids,
  people,
  query,
  onNone,
}: {
  ids: readonly string[];
  people: readonly string[];
  /** the log's own address, to come back to */
  query: string;
  onNone: () => void;
}) {
  const [give, setGive] = useState<Give>("way");
  if (ids.length === 0) return null;
  const options: Record<Give, readonly (readonly [string, string])[]> = {
    way: WAYS.map((w) => [w, w === "" ? "not said" : WAY_WORDS[w]]),
    grade: GRADES.map((g) => [g, GRADE_WORDS[g]]),
    purpose: PURPOSES.map((p) => [p, PURPOSE_WORDS[p]]),
    by: [["", "nobody named"], ...people.map((p) => [p, p] as const)],
  };
  const out = new URLSearchParams(ids.map((id) => ["id", id]));
  return (
    <Flex
      role="group"
      aria-label="The chosen picks"
      position="sticky"
      bottom={{ base: "64px", lg: "0" }}
      zIndex="4"
      bg="mossTint"
      borderWidth="1.5px"
      borderColor="moss"
      borderRadius="leaf"
      px="4"
      py="2"
      mt="3"
      gap="3"
      align="center"
      wrap="wrap"
      display={{ base: "none", md: "flex" }}
      data-noprint
    >
      <Text fontWeight="650" aria-live="polite">
        {ids.length === 1 ? "1 pick chosen" : `${ids.length} picks chosen`}
      </Text>
      <input type="hidden" name="query" value={query} />
      <Select name="give" aria-label="Change" value={give} onChange={(e) => setGive(e.target.value as Give)} w="9rem">
        {Object.entries(GIVES).map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </Select>
      <Select key={give} name="value" aria-label="To" w="13rem">
        {options[give].map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </Select>
      <Button name="intent" value="change-picks">
        Change
      </Button>
      <LinkButton variant="outline" to={`/out/picks.csv?${out}`} reloadDocument>
        <Download size={18} aria-hidden /> CSV
      </LinkButton>
      <Button name="intent" value="remove-picks" variant="danger">
        Remove
      </Button>
      <Button type="button" variant="quiet" ml="auto" onClick={onNone}>
        None
      </Button>
    </Flex>
  );
}

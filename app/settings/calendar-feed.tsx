import { Box, Clipboard, Fieldset, Flex, Text } from "@chakra-ui/react";
import { Copy } from "lucide-react";
import { Form } from "react-router";
import { FEED_PARTS, FEED_WORDS, type FeedPart } from "#formats/feed-parts";
import { Tickbox } from "../ui/tickbox";
import { Button, Field, Input, Section } from "../ui/ui";

/** The garden in one's own calendar: the secret address, what it holds, a new one, none. */
export function CalendarFeed({ feed }: { feed: { address: string | null; parts: FeedPart[]; alarm: number | null } }) {
  const { address } = feed;
  return (
    <Section title="In your calendar" note="rounds, jobs and dates, kept up to date">
      <Form method="post">
        {address && (
          <Box mb="4">
            <Text mb="1">
              Subscribe to this address in your calendar. Whoever has it can read it: keep it to yourselves.
            </Text>
            <Clipboard.Root value={address}>
              <Clipboard.Control display="flex" gap="2" alignItems="center">
                <Clipboard.Input asChild>
                  <Input aria-label="Address of the calendar" minW="0" fontSize="sm" />
                </Clipboard.Input>
                <Clipboard.Trigger asChild>
                  <Button type="button" variant="outline" aria-label="Copy the address">
                    <Copy size={18} aria-hidden />
                    <Clipboard.Indicator copied="Copied">Copy</Clipboard.Indicator>
                  </Button>
                </Clipboard.Trigger>
              </Clipboard.Control>
            </Clipboard.Root>
          </Box>
        )}
        <Fieldset.Root mb="3">
          <Fieldset.Legend>It holds</Fieldset.Legend>
          {FEED_PARTS.map((p) => (
            <Tickbox key={p} name="part" value={p} label={FEED_WORDS[p]} checked={feed.parts.includes(p)} />
          ))}
        </Fieldset.Root>
        <Field name="alarm" label="Call before a round, minutes" hint="empty: never" faults={null}>
          {(p) => (
            <Input
              {...p}
              inputMode="numeric"
              maxW="8rem"
              defaultValue={feed.alarm === null ? "" : String(feed.alarm)}
            />
          )}
        </Field>
        <Flex gap="2" wrap="wrap" mt="4">
          <Button type="submit" name="intent" value="feed">
            {address ? "Keep these" : "Open the calendar"}
          </Button>
          {address && (
            <>
              <Button type="submit" name="intent" value="feed-renew" variant="outline">
                A new address
              </Button>
              <Button type="submit" name="intent" value="feed-close" variant="quiet">
                Close it
              </Button>
            </>
          )}
        </Flex>
      </Form>
    </Section>
  );
}

import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { FileDown, Link2 } from "lucide-react";
import { Form } from "react-router";
import { FileInput } from "../ui/file-input";
import { Button, type Faults, Field, LinkButton, Section } from "../ui/ui";

type Link = { address: string | null; code: string | null; atHome: boolean };

/** The sheet for a stand-in who has a phone: by a secret link into this garden, or as a file that needs no network. */
export function StandInWays({ who, link, faults }: { who: string; link: Link; faults: Faults }) {
  const name = who === "whoever stands in" ? "the stand-in" : who;
  return (
    <Box data-noprint>
      <Section title="On the phone" note="the same sheet, with a box at each line for what was picked">
        <Flex gap="10" wrap="wrap" align="flex-start">
          <Box flex="1" minW="18rem">
            <Text fontWeight="650">By a link</Text>
            {link.address ? (
              <>
                <Flex gap="4" align="center" wrap="wrap" my="2">
                  {link.code && <chakra.img src={link.code} alt="Code of the link" w="132px" h="132px" />}
                  <Text flex="1" minW="12rem" fontSize="sm" overflowWrap="anywhere">
                    {link.address}
                  </Text>
                </Flex>
                <Text fontSize="sm" color="inkSoft" mb="2">
                  Whoever has it sees only this sheet, from the day before the trip to the day after it. What {name}{" "}
                  writes there stands in the log under that name.
                </Text>
              </>
            ) : (
              <Text my="2">A secret address for {name}, open during the trip only. No passphrase is needed.</Text>
            )}
            {!link.atHome && (
              <Text fontSize="sm" color="madder" mb="2">
                Only this machine can open the garden now. A link reaches a phone when the garden is started with{" "}
                <code>--lan</code>.
              </Text>
            )}
            <Form method="post" preventScrollReset>
              <Flex gap="2" wrap="wrap">
                <Button type="submit" name="intent" value={link.address ? "renew-link" : "open-link"} variant="outline">
                  <Link2 size={18} /> {link.address ? "Renew the link" : "Make a link"}
                </Button>
                {link.address && (
                  <Button type="submit" name="intent" value="close-link" variant="quiet">
                    Close it
                  </Button>
                )}
              </Flex>
            </Form>
          </Box>
          <Box flex="1" minW="18rem">
            <Text fontWeight="650">As a file</Text>
            <Text my="2">
              Send it to {name}: it opens in any browser, also without a signal, and makes a file of what was picked.
            </Text>
            <LinkButton to="/out/stand-in.html" reloadDocument download variant="outline" mb="4">
              <FileDown size={18} /> Get the file
            </LinkButton>
            <Form method="post" encType="multipart/form-data" preventScrollReset>
              <Field name="file" label={`The file that ${name} gives back`} faults={faults}>
                {(p) => <FileInput {...p} accept=".json,application/json" />}
              </Field>
              <Button type="submit" name="intent" value="read-back" variant="outline" mt="2">
                Read it into the log
              </Button>
            </Form>
          </Box>
        </Flex>
      </Section>
    </Box>
  );
}

import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Form } from "react-router";
import { Button, Section } from "./ui";

/** How to reach the garden from the beds: the address with its code, or how to let the home network in. */
type Home = {
  address: string;
  code: string;
  sessions: { id: string; device: string; last: string; own: boolean }[];
};
export function HomeNetwork({ home }: { home: Home | null }) {
  return (
    <Section title="From the beds" note="Your phone on the home network, behind a passphrase">
      {home ? (
        <Flex gap="5" align="center" wrap="wrap">
          <chakra.img src={home.code} alt={`Code of ${home.address}`} w="148px" h="148px" />
          <Box>
            <Text>Point the phone’s camera at the code, or type</Text>
            <Text fontSize="xl" fontWeight="650" mb="3">
              {home.address}
            </Text>
            <form method="post" action="/sign-out">
              <Button type="submit" variant="outline">
                Sign out here
              </Button>
            </form>
          </Box>
          <Box w="100%">
            <Text fontWeight="650">Signed in</Text>
            {home.sessions.length === 0 && <Text color="inkSoft">No device yet.</Text>}
            {home.sessions.map((s) => (
              <Form method="post" key={s.id} preventScrollReset>
                <input type="hidden" name="session" value={s.id} />
                <Flex py="1.5" gap="3" align="center" borderBottomWidth="1px" borderColor="ruleSoft" minH="52px">
                  <Text flex="1">
                    {s.device}
                    {s.own && " (this one)"} <chakra.span color="inkSoft">{s.last}</chakra.span>
                  </Text>
                  <Button type="submit" name="intent" value="end-session" variant="quiet">
                    End
                  </Button>
                </Flex>
              </Form>
            ))}
          </Box>
        </Flex>
      ) : (
        <Text color="inkSoft">
          Only this machine can open the garden now. Start it with <code>npm start -- --lan</code> (or{" "}
          <code>npm run demo -- --lan</code>): it asks for a passphrase, then shows its address and a code for the
          phone.
        </Text>
      )}
    </Section>
  );
}

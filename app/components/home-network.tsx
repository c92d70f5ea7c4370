import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Button, Section } from "./ui";

/** How to reach the garden from the beds: the address with its code, or how to let the home network in. */
export function HomeNetwork({ home }: { home: { address: string; code: string } | null }) {
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

import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import type { FormEvent } from "react";
import { Form } from "react-router";
import { forgetKept } from "../offline/queue";
import { Button, Section } from "../ui/ui";

/** How to reach the garden from the beds: the address with its code, or how to let the home network in. */
type Home = {
  address: string;
  code: string;
  trust: { address: string; code: string; fingerprint: string } | null;
  sessions: { id: string; device: string; last: string; own: boolean }[];
};
/** Signs out once no page of the garden is left on the device. */
async function leave(event: FormEvent<HTMLFormElement>) {
  event.preventDefault();
  const form = event.currentTarget;
  await forgetKept().catch(() => undefined);
  form.submit();
}

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
            <form method="post" action="/sign-out" onSubmit={leave}>
              <Button type="submit" variant="outline">
                Sign out here
              </Button>
            </form>
          </Box>
          {home.trust ? (
            <Flex gap="5" align="center" wrap="wrap" w="100%">
              <chakra.img src={home.trust.code} alt={`Code of ${home.trust.address}`} w="148px" h="148px" />
              <Box flex="1" minW="15rem">
                <Text fontWeight="650">A phone that has not been here before</Text>
                <Text>
                  begins with this code, or at <strong>{home.trust.address}</strong>: there it comes to trust the
                  garden’s encryption, once. The fingerprint it shows must be
                </Text>
                <Text fontSize="sm" overflowWrap="anywhere" fontVariantNumeric="tabular-nums">
                  {home.trust.fingerprint}
                </Text>
              </Box>
            </Flex>
          ) : (
            <Text w="100%">
              Not encrypted: whoever is on this network can read the passphrase and what you enter. Started without{" "}
              <code>--plain</code>, it is, and the pages then open without a signal too.
            </Text>
          )}
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

import { Box, Flex, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { useRevalidator } from "react-router";
import { discard, sendWaiting } from "../offline/queue";
import { useWaiting } from "../offline/use-waiting";
import { Button } from "./ui";

/** How often what waits is tried again, ms. */
const AGAIN_MS = 15_000;

/**
 * What waits in this browser for the signal: how many looks and picks, and those the server would not take, with its
 * reason, to be thrown away or entered again. Tries again by itself.
 */
export function WaitingBar() {
  const waiting = useWaiting();
  const [online, setOnline] = useState(true);
  const revalidator = useRevalidator();
  useEffect(() => {
    let gone = false;
    const send = async () => {
      setOnline(navigator.onLine);
      const taken = await sendWaiting().catch(() => 0);
      if (taken > 0 && !gone) revalidator.revalidate();
    };
    const lost = () => setOnline(false);
    void send();
    const timer = setInterval(send, AGAIN_MS);
    window.addEventListener("online", send);
    window.addEventListener("offline", lost);
    return () => {
      gone = true;
      clearInterval(timer);
      window.removeEventListener("online", send);
      window.removeEventListener("offline", lost);
    };
  }, [revalidator]);
  const refused = waiting.filter((w) => w.refused);
  const open = waiting.length - refused.length;
  if (waiting.length === 0 && online) return null;
  return (
    <Box bg="ochreTint" borderBottomWidth="1px" borderColor="ochre" px={{ base: "4", md: "8" }} py="2" data-noprint>
      <Text role="status" fontWeight="600">
        {open > 0
          ? `${open} ${open === 1 ? "entry waits" : "entries wait"} on this device${online ? "; sending" : " for the signal"}.`
          : online
            ? ""
            : "No signal. Looks and picks are kept on this device until it is back."}
      </Text>
      {refused.map((w) => (
        <Flex key={w.id} gap="3" align="center" wrap="wrap" mt="1.5">
          <Text flex="1" minW="14rem">
            {w.label} was not taken: {w.refused}
          </Text>
          <Button type="button" size="md" variant="outline" onClick={() => void discard(w.id)}>
            Throw away
          </Button>
        </Flex>
      ))}
    </Box>
  );
}

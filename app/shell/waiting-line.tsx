import { Box, Flex, Text } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import { useLocation, useNavigation, useRevalidator } from "react-router";
import { sayNear } from "#core/calendar/day";
import { localTimeOf } from "#core/calendar/zone";
import { discard, insist, sendWaiting, type Waiting } from "../offline/queue";
import { showingKept, useKeptSince } from "../offline/signal";
import { useWaiting } from "../offline/use-waiting";
import { Button } from "../ui/ui";
import { keepAhead, keepSeen } from "./ahead";

/** How often what waits is tried again, ms. */
const AGAIN_MS = 15_000;

/** "as it was at 14:05", "as it was yesterday, 18:30", by this device's clock. */
function sayKept(ms: number): string {
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const then = localTimeOf(ms, zone);
  const today = localTimeOf(Date.now(), zone).slice(0, 10);
  const clock = then.slice(11);
  return then.slice(0, 10) === today
    ? `as it was at ${clock}`
    : `as it was ${sayNear(then.slice(0, 10), today)}, ${clock}`;
}

/**
 * What waits in this browser for the signal, how old the page is when it is a kept copy, and the changes that the
 * server would not take: with its reason, beside what was done meanwhile. Tries again by itself.
 */
export function WaitingBar() {
  const waiting = useWaiting();
  const keptSince = useKeptSince();
  const [online, setOnline] = useState(true);
  const revalidator = useRevalidator();
  const idle = useNavigation().state === "idle" && revalidator.state === "idle";
  // asked for by a clock, so it reads what is true then
  const page = useRef({ revalidator, idle });
  page.current = { revalidator, idle };
  const { pathname } = useLocation();
  useEffect(() => {
    let gone = false;
    const send = async (again: boolean) => {
      setOnline(navigator.onLine);
      const taken = await sendWaiting().catch(() => 0);
      // a kept copy is had anew as soon as there is somebody to ask
      const stale = taken > 0 || (again && showingKept());
      if (stale && !gone && page.current.idle) page.current.revalidator.revalidate();
    };
    const tryAgain = () => void send(true);
    const lost = () => setOnline(false);
    void send(false);
    const timer = setInterval(tryAgain, AGAIN_MS);
    window.addEventListener("online", tryAgain);
    window.addEventListener("offline", lost);
    return () => {
      gone = true;
      clearInterval(timer);
      window.removeEventListener("online", tryAgain);
      window.removeEventListener("offline", lost);
    };
  }, []);
  useEffect(() => keepAhead(), []);
  useEffect(() => keepSeen(pathname), [pathname]);
  const refused = waiting.filter((w) => w.refused);
  const open = waiting.length - refused.length;
  const away = !online || keptSince !== null;
  if (waiting.length === 0 && !away) return null;
  return (
    <Box bg="ochreTint" borderBottomWidth="1px" borderColor="ochre" px={{ base: "4", md: "8" }} py="2" data-noprint>
      <Text role="status" fontWeight="600">
        {[
          away ? "No signal." : "",
          keptSince === null ? "" : `This page is ${sayKept(keptSince)}.`,
          open > 0
            ? `${open} ${open === 1 ? "entry waits" : "entries wait"} on this device${away ? " for the signal" : "; sending"}.`
            : away
              ? "Looks, picks and ticks are kept on this device until it is back."
              : "",
        ]
          .filter(Boolean)
          .join(" ")}
      </Text>
      {refused.map((w) => (
        <Refused key={w.id} item={w} />
      ))}
    </Box>
  );
}

/** A change that was not taken: why, or what was done meanwhile beside it, and what can be done about that. */
function Refused({ item }: { item: Waiting }) {
  return (
    <Flex gap="3" align="center" wrap="wrap" mt="1.5">
      {item.meanwhile ? (
        <Flex flex="1" minW="14rem" gap="6" wrap="wrap">
          <Box>
            <Text fontSize="sm">On this device</Text>
            <Text fontWeight="600">{item.label}</Text>
          </Box>
          <Box>
            <Text fontSize="sm">Meanwhile</Text>
            <Text fontWeight="600">{item.meanwhile}</Text>
          </Box>
        </Flex>
      ) : (
        <Text flex="1" minW="14rem">
          {item.label} was not taken: {item.refused}
        </Text>
      )}
      {item.meanwhile && (
        <Button type="button" size="md" onClick={() => void insist(item.id)}>
          Do it all the same
        </Button>
      )}
      <Button type="button" size="md" variant="outline" onClick={() => void discard(item.id)}>
        {item.meanwhile ? "Leave it as it is now" : "Throw away"}
      </Button>
    </Flex>
  );
}

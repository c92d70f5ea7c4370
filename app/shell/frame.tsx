import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { LayoutGrid } from "lucide-react";
import { Suspense, useState } from "react";
import { NavLink, Outlet, useLocation, useNavigation } from "react-router";
import { dateOrderOf, writeDates } from "#core/calendar/date-order";
import { sayDay } from "#core/calendar/day";
import { undoable } from "#db/change";
import { gardenOf, nowAt } from "#db/garden";
import { lastGood, useKept } from "../offline/last-good";
import { db } from "../server/garden-now.server";
import { CountryContext } from "../ui/country";
import { lazyOr } from "../ui/lazy-or";
import { LookButton } from "../ui/looks";
import { useAwake } from "../ui/use-awake";
import { usePressedOpen } from "../ui/use-pressed-open";
import type { Route } from "./+types/frame";
import { PlainMore, Tab } from "./frame-links";
import { MORE, PARTS, WITHIN_REACH } from "./parts";
import { Shortcuts } from "./shortcuts";
import { WaitingBar } from "./waiting-line";

export function loader({ url }: Route.LoaderArgs) {
  const params = url.searchParams;
  const garden = gardenOf(db());
  writeDates(dateOrderOf(garden.units));
  const doneId = params.get("done");
  return {
    gardenName: garden.name,
    units: garden.units,
    now: nowAt(garden),
    pinned: garden.pinnedNow !== null,
    undo: doneId ? { id: doneId, label: undoable(db(), doneId) } : null,
    said: params.get("said"),
  };
}

/** The frame stands without a signal too, as it was when the server last answered. */
export const clientLoader = ({ serverLoader }: Route.ClientLoaderArgs) => lastGood("frame", () => serverLoader());

const Done = lazyOr(() => import("./done"));
/** What was done last is said by a part that is loaded with the first change of a visit. */
function DoneWhenSaid(done: { undo: { id: string; label: string } | null; said: string | null; back: string }) {
  const any = done.undo !== null || done.said !== null;
  const awake = useAwake();
  const [since, setSince] = useState(any);
  if (any && !since) setSince(true);
  return since && awake ? (
    <Suspense fallback={null}>
      <Done {...done} />
    </Suspense>
  ) : null;
}

const HOME = { display: "flex", alignItems: "center", gap: 10, minHeight: 48, minWidth: 0, textDecoration: "none" };
const Thumb = chakra(NavLink, {
  base: {
    flex: "1",
    display: "flex",
    flexDirection: "column",
    alignItems: "center",
    justifyContent: "center",
    minH: "58px",
    fontSize: "xs",
    fontWeight: "600",
    color: "inkSoft",
    textDecoration: "none",
    borderTopWidth: "3px",
    borderColor: "transparent",
    "&[aria-current=page]": { color: "ink", borderColor: "madder", bg: "tint" },
  },
});

export default function Frame({ loaderData }: Route.ComponentProps) {
  const { gardenName, units, now, pinned, undo, said } = loaderData;
  writeDates(dateOrderOf(units));
  useKept("frame", loaderData);
  const location = useLocation();
  const busy = useNavigation().state !== "idle";
  const here = location.pathname + location.search;
  return (
    <Box minH="100vh" pb={{ base: "74px", lg: "0" }}>
      <chakra.a
        href="#main"
        position="absolute"
        left="-999px"
        _focus={{ left: "3", top: "3", bg: "sheet", p: "3", zIndex: "10" }}
      >
        To the page
      </chakra.a>
      <Flex
        as="header"
        align="center"
        gap={{ base: "2", md: "4" }}
        px={{ base: "4", md: "8" }}
        borderBottomWidth="1px"
        borderColor="rule"
        bg="sheet"
        data-noprint
        minH="60px"
      >
        <NavLink to="/" style={{ ...HOME, color: "inherit" }}>
          <img src="/seed.svg" alt="" width={26} height={26} />
          <Text
            fontFamily="heading"
            fontWeight="600"
            fontSize="xl"
            color="ink"
            truncate
            maxW={{ base: "36vw", sm: "44vw", md: "15rem" }}
          >
            {gardenName}
          </Text>
        </NavLink>
        <Flex
          as="nav"
          aria-label="Parts"
          display={{ base: "none", lg: "flex" }}
          flex="1"
          justify="center"
          alignSelf="stretch"
        >
          {PARTS.map((p) => (
            <Tab key={p.to} to={p.to} end={p.to === "/"}>
              {p.name}
            </Tab>
          ))}
        </Flex>
        <Box ml={{ base: "auto", lg: "0" }} fontSize={{ base: "xs", sm: "sm" }} color="inkSoft" whiteSpace="nowrap">
          {pinned ? (
            <chakra.span title="The demo garden’s clock stands still; let time pass in Settings">
              <NavLink to="/settings#clock" style={{ color: "inherit" }}>
                {sayDay(now.slice(0, 10))}, {now.slice(11)}
              </NavLink>
            </chakra.span>
          ) : (
            `${sayDay(now.slice(0, 10))}, ${now.slice(11)}`
          )}
        </Box>
        <LookButton back={here} />
      </Flex>
      <Box
        h="3px"
        bg={busy ? "ochre" : "transparent"}
        transition="background 0.2s 0.3s"
        role="progressbar"
        aria-hidden={!busy}
        aria-label="Working"
        data-noprint
      />
      <WaitingBar />
      <DoneWhenSaid undo={undo?.label ? { id: undo.id, label: undo.label } : null} said={said} back={here} />
      <CountryContext value={{ order: dateOrderOf(units), today: now.slice(0, 10) }}>
        <Outlet />
      </CountryContext>
      <Flex
        as="nav"
        aria-label="Parts, at the thumb"
        display={{ base: "flex", lg: "none" }}
        position="fixed"
        bottom="0"
        left="0"
        right="0"
        bg="sheet"
        borderTopWidth="1px"
        borderColor="rule"
        zIndex="5"
        data-noprint
      >
        {PARTS.slice(0, WITHIN_REACH).map((p) => (
          <Thumb key={p.to} to={p.to} end={p.to === "/"}>
            <p.icon size={22} aria-hidden />
            {p.name}
          </Thumb>
        ))}
        <MoreParts />
      </Flex>
      <Shortcuts parts={PARTS} />
    </Box>
  );
}

const MoreMenu = lazyOr(() => import("./more-menu"), PlainMore);

/** Opens the rest of the parts on a phone, and has the focus back when they close. */
function MoreParts() {
  const { open, close, press } = usePressedOpen<HTMLButtonElement>();
  return (
    <Box flex="1">
      <chakra.button
        id={MORE}
        type="button"
        w="100%"
        minH="58px"
        display="flex"
        flexDirection="column"
        alignItems="center"
        justifyContent="center"
        fontSize="xs"
        fontWeight="600"
        color="inkSoft"
        borderTopWidth="3px"
        borderColor="transparent"
        aria-haspopup="menu"
        {...press}
      >
        <LayoutGrid size={22} aria-hidden />
        More
      </chakra.button>
      {open && (
        <Suspense fallback={null}>
          <MoreMenu onClose={close} />
        </Suspense>
      )}
    </Box>
  );
}

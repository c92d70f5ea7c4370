import { Box, chakra, Flex, Menu, Portal, Text } from "@chakra-ui/react";
import { LayoutGrid } from "lucide-react";
import { NavLink, Outlet, useLocation, useNavigation } from "react-router";
import { sayDay } from "#core/calendar/day";
import { undoable } from "#db/change";
import { gardenOf, nowAt } from "#db/garden";
import { lastGood, useKept } from "../offline/last-good";
import { db } from "../server/garden-now.server";
import { CountryContext } from "../ui/country";
import { Hint } from "../ui/hint";
import { LookButton } from "../ui/looks";
import type { Route } from "./+types/frame";
import { Done } from "./done";
import { PARTS } from "./parts";
import { Shortcuts } from "./shortcuts";
import { WaitingBar } from "./waiting-line";

export function loader({ url }: Route.LoaderArgs) {
  const params = url.searchParams;
  const garden = gardenOf(db());
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

const Tab = chakra(NavLink, {
  base: {
    display: "flex",
    alignItems: "center",
    gap: "2",
    px: "3",
    minH: "48px",
    color: "inkSoft",
    fontWeight: "600",
    textDecoration: "none",
    borderBottomWidth: "3px",
    borderColor: "transparent",
    "&[aria-current=page]": { color: "ink", borderColor: "madder" },
    _hover: { color: "ink" },
  },
});
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
            <Hint words="The demo garden’s clock stands still; let time pass in Settings.">
              <NavLink to="/settings#clock" style={{ color: "inherit" }}>
                {sayDay(now.slice(0, 10))}, {now.slice(11)}
              </NavLink>
            </Hint>
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
      <Done undo={undo?.label ? { id: undo.id, label: undo.label } : null} said={said} back={here} />
      <CountryContext value={{ order: units === "us" ? "month-first" : "day-first", today: now.slice(0, 10) }}>
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
        {PARTS.slice(0, 4).map((p) => (
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

/** The rest of the parts on a phone: a menu that opens above the thumb, goes by keys and Escape, and gives the focus back. */
function MoreParts() {
  return (
    <Box flex="1">
      <Menu.Root positioning={{ placement: "top-end", gutter: 8 }} lazyMount unmountOnExit>
        <Menu.Trigger asChild>
          <chakra.button
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
          >
            <LayoutGrid size={22} aria-hidden />
            More
          </chakra.button>
        </Menu.Trigger>
        <Portal>
          <Menu.Positioner>
            <Menu.Content>
              {PARTS.slice(4).map((p) => (
                <Menu.Item key={p.to} value={p.to} asChild>
                  <Tab to={p.to} minH="52px" px="5" borderBottomWidth="0">
                    <p.icon size={20} aria-hidden /> {p.name}
                  </Tab>
                </Menu.Item>
              ))}
            </Menu.Content>
          </Menu.Positioner>
        </Portal>
      </Menu.Root>
    </Box>
  );
}

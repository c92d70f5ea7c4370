import { Box, chakra, Flex, Heading, Text } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { Button } from "../ui/ui";

const Key = chakra("kbd", {
  base: {
    fontFamily: "body",
    fontWeight: "650",
    borderWidth: "1.5px",
    borderColor: "inkSoft",
    borderRadius: "soft",
    px: "2",
    minW: "28px",
    textAlign: "center",
    bg: "sheet",
  },
});

/** Keys that work everywhere: g and a letter goes to a part, n logs a pick, ? shows the sheet. */
export function Shortcuts({ parts }: { parts: { to: string; name: string; key: string }[] }) {
  const navigate = useNavigate();
  const dialog = useRef<HTMLDialogElement>(null);
  const [waiting, setWaiting] = useState(false);
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const target = e.target as HTMLElement | null;
      if (e.ctrlKey || e.metaKey || e.altKey || target?.closest("input, textarea, select, [contenteditable]")) return;
      if (e.key === "?") {
        e.preventDefault();
        dialog.current?.showModal();
      } else if (waiting) {
        setWaiting(false);
        const part = parts.find((p) => p.key === e.key);
        if (part) navigate(part.to);
      } else if (e.key === "g") setWaiting(true);
      else if (e.key === "n") navigate("/picks/new");
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, [navigate, parts, waiting]);
  return (
    <chakra.dialog
      ref={dialog}
      m="auto"
      p="6"
      bg="paper"
      color="ink"
      borderWidth="1px"
      borderColor="rule"
      borderRadius="leaf"
      maxW="420px"
      w="92vw"
      aria-labelledby="keys-title"
    >
      <Heading as="h2" id="keys-title" fontSize="xl" mb="3">
        Keys
      </Heading>
      {parts.map((p) => (
        <Flex key={p.to} gap="2" py="1" align="center">
          <Key>g</Key>
          <Key>{p.key}</Key>
          <Text>{p.name}</Text>
        </Flex>
      ))}
      {[
        ["n", "Log a pick"],
        ["?", "This sheet"],
        ["1 … 8", "On a walk: answer"],
        ["Enter", "On a walk: save and go on"],
        ["=", "On a walk: same as last time"],
        ["Shift ← →", "On a walk: the planting before, after"],
        ["← →", "On the lanes: move the round in focus"],
      ].map(([key, name]) => (
        <Flex key={key} gap="2" py="1" align="center">
          <Key>{key}</Key>
          <Text>{name}</Text>
        </Flex>
      ))}
      <Box mt="4">
        <form method="dialog">
          <Button type="submit" variant="outline">
            Close
          </Button>
        </form>
      </Box>
    </chakra.dialog>
  );
}

import { Box, Text } from "@chakra-ui/react";
import { useNavigation } from "react-router";

/** Shown while a file of weather comes in: how much there is of it, and that it is being read. */
export function ComingIn() {
  const { state, formData } = useNavigation();
  const intent = String(formData?.get("intent") ?? "");
  if (state === "idle" || !["import", "columns", "preview"].includes(intent)) return null;
  const file = formData?.get("file");
  const text = String(formData?.get("text") ?? "");
  const size = file instanceof File && file.size > 0 ? file.size : text.length;
  const lines = text.split("\n").length;
  const much = file instanceof File && file.size > 0 ? `${Math.ceil(size / 1024)} kB` : `${lines} lines`;
  return (
    <Box role="status" flexBasis="100%">
      <Text fontSize="sm">
        {state === "submitting"
          ? `Reading ${much}, checking every row …`
          : "All of it is in; working out what it means …"}
      </Text>
      <Box
        as="progress"
        w="100%"
        maxW="420px"
        h="10px"
        aria-label="Weather coming in"
        css={{ appearance: "auto", accentColor: "var(--ak-colors-moss)" }}
      />
    </Box>
  );
}

import { chakra, Text } from "@chakra-ui/react";
import { Note } from "../ui/ui";
import type { lessonsDue } from "./learned.server";

/** Lessons of earlier years whose time has come; nothing when there are none. */
export function LessonsNote({ lessons }: { lessons: ReturnType<typeof lessonsDue> }) {
  if (lessons.length === 0) return null;
  return (
    <Note title="You learned this before">
      {lessons.map((l) => (
        <Text key={l.id}>
          {l.words} <strong>{l.next}</strong>{" "}
          <chakra.span color="inkSoft">{[l.about, l.year].filter(Boolean).join(", ")}</chakra.span>
        </Text>
      ))}
    </Note>
  );
}

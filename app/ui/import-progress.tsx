import { Progress } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { useNavigation } from "react-router";

const ASK_EVERY_MS = 200;

/** How far a file has come in, asked of the server while it reads; nothing while no file is on its way. */
export function ImportProgress({ token, rows }: { token: string; rows: number | null }) {
  const busy = useNavigation().state === "submitting";
  const [done, setDone] = useState<number | null>(null);
  useEffect(() => {
    if (!busy) {
      setDone(null);
      return;
    }
    const ask = setInterval(async () => {
      const answer = await fetch(`/progress/${token}`).catch(() => null);
      if (answer?.ok) setDone(((await answer.json()) as { done: number | null }).done);
    }, ASK_EVERY_MS);
    return () => clearInterval(ask);
  }, [busy, token]);
  if (!busy) return null;
  const words =
    done === null
      ? "Reading …"
      : done < 1
        ? rows === null
          ? `${Math.round(done * 100)} % read`
          : `${Math.round(done * rows)} of ${rows} rows read`
        : "All of it is read; writing it down …";
  return (
    <Progress.Root value={done} max={1} size="lg" maxW="420px" mt="3" role="status">
      <Progress.Label fontSize="sm">{words}</Progress.Label>
      <Progress.Track aria-label="Picks coming in">
        <Progress.Range />
      </Progress.Track>
    </Progress.Root>
  );
}

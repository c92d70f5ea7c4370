import { useEffect, useState } from "react";
import { listWaiting, type Waiting } from "./queue";

/** What waits in this browser, as it changes. */
export function useWaiting(): Waiting[] {
  const [waiting, setWaiting] = useState<Waiting[]>([]);
  useEffect(() => {
    let gone = false;
    const show = () => void listWaiting().then((all) => !gone && setWaiting(all));
    show();
    window.addEventListener("akmedon-waiting", show);
    return () => {
      gone = true;
      window.removeEventListener("akmedon-waiting", show);
    };
  }, []);
  return waiting;
}

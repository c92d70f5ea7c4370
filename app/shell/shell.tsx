import { useEffect } from "react";
import { useNavigate } from "react-router";
import { Page } from "../ui/ui";

/** Only paths of this very application. */
const within = (to: string | null): string => (to && /^\/(?![/\\])/.test(to) ? to : "/");

/**
 * The document that stands for every page without a signal: the service worker keeps it, and it opens the page that
 * was asked for from what is kept.
 */
export default function Shell() {
  const navigate = useNavigate();
  useEffect(() => {
    void navigate(within(new URLSearchParams(window.location.search).get("to")), { replace: true });
  }, [navigate]);
  return (
    <Page title="No signal" lead="Opening what is kept on this device.">
      {null}
    </Page>
  );
}

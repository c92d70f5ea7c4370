import { Flex } from "@chakra-ui/react";
import { isRouteErrorResponse, Outlet, useLocation } from "react-router";
import { reachedNobody } from "../offline/unreachable";
import { LinkButton, Page } from "../ui/ui";
import type { Route } from "./+types/inside";

/** What stands inside the frame; a page that fails does so here, and the way to every other page stays. */
export default function Inside() {
  return <Outlet />;
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const { pathname } = useLocation();
  const known = isRouteErrorResponse(error);
  const missing = known && error.status === 404;
  if (reachedNobody(error))
    return (
      <Page
        title="No signal"
        lead="This page was not opened on this device before, so it is not kept here. It needs the signal."
      >
        <Flex gap="3" wrap="wrap">
          <LinkButton to="/">Today</LinkButton>
          <LinkButton variant="outline" to="/walk">
            Walk
          </LinkButton>
          <LinkButton variant="outline" to="/picks/new">
            Log a pick
          </LinkButton>
        </Flex>
      </Page>
    );
  const said: string | undefined = known
    ? (((typeof error.data === "object" && error.data?.message) || (missing ? undefined : error.statusText)) as string)
    : "Something went wrong while making this page. Nothing you entered was lost.";
  return (
    <Page
      title={missing ? "Nothing grows here" : "That did not work"}
      lead={said || `There is no page at ${pathname}.`}
    >
      <Flex gap="3" wrap="wrap">
        <LinkButton to="/">Today</LinkButton>
        <LinkButton variant="outline" to="/plot">
          The plot
        </LinkButton>
        <LinkButton variant="outline" to="/handbook">
          The handbook
        </LinkButton>
      </Flex>
    </Page>
  );
}

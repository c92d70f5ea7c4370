import "@fontsource-variable/fraunces/wght.css";
import "@fontsource-variable/source-sans-3/wght.css";
import "./global.css";
import { ChakraProvider, Flex } from "@chakra-ui/react";
import headingFont from "@fontsource-variable/fraunces/files/fraunces-latin-wght-normal.woff2?url";
import bodyFont from "@fontsource-variable/source-sans-3/files/source-sans-3-latin-wght-normal.woff2?url";
import { type ReactNode, useContext, useEffect } from "react";
import {
  isRouteErrorResponse,
  Links,
  Meta,
  Outlet,
  Scripts,
  ScrollRestoration,
  type ShouldRevalidateFunction,
  useRouteLoaderData,
} from "react-router";
import { dateOrderOf, writeDates } from "#core/calendar/date-order";
import { gardenOf } from "#db/garden";
import type { Route } from "./+types/root";
import { db } from "./server/garden-now.server";
import { modeOf } from "./server/mode.server";
import { writesInOrder } from "./server/turns.server";
import { PARTS } from "./shell/parts";
import { worksAhead } from "./shell/works-ahead.server";
import { NonceContext } from "./ui/nonce";
import { system } from "./ui/theme";
import { LinkButton, Page } from "./ui/ui";

export const meta: Route.MetaFunction = () => [
  { title: "Akmedon" },
  { name: "description", content: "A picking desk for home gardeners: look, plan, pick, weigh." },
];

/** Both faces are asked for with the page, so that no line breaks anew when they come. */
export const links: Route.LinksFunction = () =>
  [headingFont, bodyFont].map((href) => ({
    rel: "preload",
    href,
    as: "font",
    type: "font/woff2",
    crossOrigin: "anonymous",
  }));

/** A change waits while a thread writes years of weather or a whole garden. */
export const middleware: Route.MiddlewareFunction[] = [writesInOrder, worksAhead];

export function loader({ request }: Route.LoaderArgs) {
  return { mode: modeOf(request), order: dateOrderOf(gardenOf(db()).units) };
}

/** The look of the page is known already when the signal is gone; how dates are written follows the settings. */
export const shouldRevalidate: ShouldRevalidateFunction = ({ formAction }) =>
  formAction === "/mode" || (formAction?.startsWith("/settings") ?? false);

export function Layout({ children }: { children: ReactNode }) {
  const nonce = useContext(NonceContext);
  const root = useRouteLoaderData<typeof loader>("root");
  const mode = root?.mode ?? "device";
  if (root) writeDates(root.order);
  return (
    <html lang="en" data-mode={mode}>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta property="csp-nonce" content={nonce} suppressHydrationWarning />
        <link rel="icon" href="/seed.svg" type="image/svg+xml" />
        <link rel="apple-touch-icon" href="/icon-180.png" />
        <link rel="manifest" href="/manifest.webmanifest" crossOrigin="use-credentials" />
        <meta name="theme-color" content="#fcf9f2" />
        <Meta />
        <Links nonce={nonce} />
      </head>
      <body>
        <ChakraProvider value={system}>{children}</ChakraProvider>
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

export default function App() {
  // keys and taps count from here on: the page says so, for those who look on
  useEffect(() => document.documentElement.setAttribute("data-awake", ""), []);
  return <Outlet />;
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const known = isRouteErrorResponse(error);
  const said = known
    ? (typeof error.data === "object" && error.data?.message) || error.statusText
    : "Something went wrong while making this page. Nothing you entered was lost.";
  return (
    <Page title={known && error.status === 404 ? "Nothing grows here" : "That did not work"} lead={String(said)}>
      <Flex as="nav" aria-label="Parts" gap="2" wrap="wrap">
        {PARTS.map((p) => (
          <LinkButton key={p.to} to={p.to} reloadDocument variant={p.to === "/" ? "solid" : "outline"}>
            <p.icon size={18} aria-hidden /> {p.name}
          </LinkButton>
        ))}
      </Flex>
    </Page>
  );
}

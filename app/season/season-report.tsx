import { Box, Text } from "@chakra-ui/react";
import { Download, Printer } from "lucide-react";
import { Form, useSubmit } from "react-router";
import { svgAddress, weekBarsSvg } from "#formats/season-report";
import { gardenNow } from "../server/garden-now.server";
import { FiguresTable } from "../ui/figures-table";
import { Button, LinkButton, Options, Page, Section, Select } from "../ui/ui";
import type { Route } from "./+types/season-report";
import { SeasonNav } from "./season-nav";
import { reportOf } from "./season-report.server";

export function loader({ url }: Route.LoaderArgs) {
  const { years, year, report } = reportOf(gardenNow(), url.searchParams.get("year"));
  return { years, year, report, picture: svgAddress(weekBarsSvg(report.weeks, report.unit)) };
}

export const meta: Route.MetaFunction = () => [{ title: "Season report · Akmedon" }];

/** The season on paper, in one piece; the same as a Markdown file. */
export default function SeasonReportPage({ loaderData }: Route.ComponentProps) {
  const { years, year, report, picture } = loaderData;
  const submit = useSubmit();
  return (
    <Page
      title={report.title}
      lead={report.lead}
      actions={
        <>
          <Button type="button" onClick={() => window.print()}>
            <Printer size={18} /> Print
          </Button>
          <LinkButton to={`/out/season.md?year=${year}`} variant="outline" reloadDocument>
            <Download size={18} /> Markdown
          </LinkButton>
        </>
      }
    >
      <SeasonNav />
      <Form
        method="get"
        data-noprint
        onChange={(e) => submit(e.currentTarget, { replace: true, preventScrollReset: true })}
      >
        <Select name="year" aria-label="Season" defaultValue={year} w="auto" mb="5">
          <Options of={years} />
        </Select>
      </Form>
      {report.weeks.length === 0 && <Text color="inkSoft">Nothing was picked in {year}.</Text>}
      {report.weeks.length > 0 && (
        <Box mb="8" bg="sheet" p="2">
          <img
            src={picture}
            alt="What came in week by week; the table below has the figures"
            style={{ width: "100%" }}
          />
        </Box>
      )}
      {report.parts.map((p) => (
        <Section key={p.title} title={p.title}>
          {p.lines.length > 0 && (
            <Box as="ul" pl="5" mb="3" listStyleType="disc">
              {p.lines.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </Box>
          )}
          {p.table && p.table.rows.length > 0 && (
            <FiguresTable label={p.title}>
              <thead>
                <tr>
                  {p.table.head.map((h, i) => (
                    <th key={h} className={p.table?.numbers.includes(i) ? "number" : undefined}>
                      {h}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {p.table.rows.map((row) => (
                  <tr key={row.join("|")}>
                    {row.map((cell, i) => (
                      <td
                        key={p.table?.head[i]}
                        className={i === 0 ? "name" : p.table?.numbers.includes(i) ? "number" : undefined}
                      >
                        {cell}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </FiguresTable>
          )}
        </Section>
      ))}
    </Page>
  );
}

import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Fieldset } from "../../components/Fieldset";
import { Notice } from "../../components/Notice";
import { Tick } from "../../components/Tick";
import { benchQuery, type TestView, type Worked } from "./queries";

/** Films under equal light: a reference, what each does beside it, what was not equal. */
export function SideBySide({
  view,
  change,
}: {
  view: TestView;
  change: (changed: Partial<TestView["test"]>) => void;
}) {
  const { test } = view;
  const tests = (useQuery(benchQuery).data?.tests ?? []).filter((each) => each.id !== test.id);
  const others = test.others ?? [];
  const more = tests.filter((each) => each.id !== test.beside);
  if (tests.length === 0) return null;
  return (
    <Box as="section" aria-label="Films side by side">
      <Box as="h2" fontSize="17px" fontWeight={600} paddingBottom="2">
        Films side by side
      </Box>
      <Flex gap="6" wrap="wrap" align="flex-start">
        <Box width={{ base: "100%", md: "280px" }}>
          <Choose
            label="Reference"
            value={test.beside ?? ""}
            options={[
              { value: "", label: others.length ? test.title : "no other film" },
              ...tests.map((each) => ({ value: each.id, label: each.title })),
            ]}
            onChange={(beside) =>
              change({ beside: beside || null, others: others.filter((id) => id !== beside) })
            }
          />
        </Box>
        {more.length > 0 && (
          <Fieldset legend="Also compare">
            <Flex wrap="wrap" columnGap="5">
              {more.map((each) => (
                <Tick
                  key={each.id}
                  on={others.includes(each.id)}
                  set={(on) =>
                    change({
                      others: on ? [...others, each.id] : others.filter((id) => id !== each.id),
                    })
                  }
                >
                  {each.title}
                </Tick>
              ))}
            </Flex>
          </Fieldset>
        )}
      </Flex>
    </Box>
  );
}

/** Films in lines, best or least first by the column one touches. */
export function FilmTable({ table }: { table: NonNullable<Worked["compared"]>["table"] }) {
  const [by, setBy] = useState<number | null>(null);
  const order = (line: (typeof table.lines)[number]) =>
    (by === null ? null : line.cells[by]?.order) ?? Number.POSITIVE_INFINITY;
  const lines =
    by === null ? table.lines : table.lines.toSorted((a, b) => order(a) - order(b) || 0);
  const columns = table.columns as [string, string][];
  return (
    <Box overflowX="auto" tabIndex={0} role="group" aria-label="Films in lines, a table">
      <Box
        as="table"
        aria-label="Films in lines"
        css={{
          "& td, & th": {
            padding: "7px 16px 7px 0",
            textAlign: "left",
            fontWeight: 400,
            whiteSpace: "nowrap",
          },
          "& td:last-of-type": { whiteSpace: "normal", minWidth: "280px" },
          "& tbody tr": { borderTop: "1px solid", borderColor: "line" },
        }}
      >
        <thead>
          <tr>
            <td />
            {columns.map(([key, name], place) => (
              <th key={key} scope="col" aria-sort={by === place ? "ascending" : "none"}>
                {table.lines.some((line) => line.cells[place]?.order != null) ? (
                  <Button
                    variant="word"
                    fontSize="13px"
                    aria-label={`Sort by ${name.toLowerCase()}`}
                    onClick={() => setBy(by === place ? null : place)}
                  >
                    {name}
                    {by === place && " ↓"}
                  </Button>
                ) : (
                  <Box as="span" fontSize="13px" color="ink2">
                    {name}
                  </Box>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <tr key={line.id}>
              <th scope="row">
                <b>{line.title}</b>
              </th>
              {line.cells.map((cell, place) => (
                <td key={columns[place]?.[0]}>{cell.text}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}

/** Every figure and observation in a row, a column for each film. */
export function Beside({ compared }: { compared: NonNullable<Worked["compared"]> }) {
  const { films } = compared;
  const what = [...new Set(films.flatMap((each) => each.rows.map(([name]) => name)))];
  const seen = compared.observed.map(([name]) => name);
  const of = (rows: [string, string][], name: string) =>
    rows.find(([each]) => each === name)?.[1] ?? "";
  return (
    <Box paddingTop="3">
      {films.length > 1 && <FilmTable table={compared.table} />}
      <Box
        overflowX="auto"
        tabIndex={0}
        role="group"
        aria-label="Films side by side, a table"
        paddingTop={films.length > 1 ? "6" : undefined}
      >
        <Box
          as="table"
          aria-label={`Beside ${compared.title}`}
          width="100%"
          css={{
            "& td, & th": { padding: "7px 16px 7px 0", textAlign: "left", fontWeight: 400 },
            "& thead th": { fontSize: "13px", color: "ink2", verticalAlign: "bottom" },
            "& tbody tr": { borderTop: "1px solid", borderColor: "line" },
            "& td:last-of-type": { color: "ink2" },
          }}
        >
          <thead>
            <tr>
              <td />
              {films.map((each) => (
                <th key={each.id} scope="col">
                  {each.title}
                </th>
              ))}
              <th scope="col">{compared.title}</th>
            </tr>
          </thead>
          <tbody>
            {what.map((name) => (
              <Row
                key={name}
                name={name}
                cells={films.map((each) => of(each.rows as [string, string][], name))}
                last="reference"
              />
            ))}
            {seen.map((name) => {
              const cells = films.map((each) => of(each.observed as [string, string][], name));
              const last = of(compared.observed as [string, string][], name);
              return (
                (cells.some(Boolean) || last) && (
                  <Row key={name} name={name} cells={cells} last={last} />
                )
              );
            })}
          </tbody>
        </Box>
      </Box>
      {films.map(
        (each) =>
          (each.problem || each.says.length > 0 || each.unequal.length > 0) && (
            <Box key={each.id} paddingTop="3" display="flex" flexDirection="column" gap="2">
              {each.problem && <Notice tone="warning">{each.problem}</Notice>}
              {each.says.length > 0 && <Box>{each.says.join(" ")}</Box>}
              {each.unequal.length > 0 && (
                <Notice tone="caution">
                  {each.title}: not everything was equal. {each.unequal.join(" ")}
                </Notice>
              )}
            </Box>
          ),
      )}
    </Box>
  );
}

function Row({ name, cells, last }: { name: string; cells: string[]; last: string }) {
  return (
    <tr>
      <th scope="row">{name}</th>
      {cells.map((cell, place) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: one cell for each film, in their order
        <td key={place}>{cell}</td>
      ))}
      <td>{last}</td>
    </tr>
  );
}

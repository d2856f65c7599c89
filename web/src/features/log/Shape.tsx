import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Button } from "../../components/Button";
import { count } from "../../components/count";
import { type Sought, shapeQuery } from "./queries";

type Seek = (more: Sought) => void;

/** The log from afar: how much for which N, and in which month; each touched to narrow by it. */
export function Shape({ sought, seek }: { sought: Sought; seek: Seek }) {
  const shape = useQuery(shapeQuery(sought)).data;
  if (!shape || (shape.by_n.length === 0 && shape.by_month.length === 0)) return null;
  return (
    <Flex gap={{ base: "4", md: "6" }} wrap={{ base: "wrap", md: "nowrap" }} flexShrink={0}>
      <Comb counted={shape.by_n} sought={sought} seek={seek} />
      <Months counted={shape.by_month} sought={sought} seek={seek} />
    </Flex>
  );
}

const HIGH = 34;
const FILM_GREYS = ["#161616", "#767676", "#a8a8a8", "#4a4a4a", "#c6c6c6"];
const ALWAYS: Record<string, string> = {
  "-2": "N−2",
  "-1": "N−1",
  "0": "N",
  "1": "N+1",
  "2": "N+2",
};

type Counted = { n: number; n_text: string; film_name: string; count: number };

/** Bars of exposures by N, each film a grey of its own. */
function Comb({ counted, sought, seek }: { counted: Counted[]; sought: Sought; seek: Seek }) {
  const films = [...new Set(counted.map((each) => each.film_name))];
  const named: Record<string, string> = { ...ALWAYS };
  for (const each of counted) named[String(each.n)] = each.n_text;
  const columns = Object.keys(named).sort((a, b) => Number(a) - Number(b));
  const of = (n: string) => counted.filter((each) => String(each.n) === n);
  const sum = (n: string) => of(n).reduce((total, each) => total + each.count, 0);
  const most = Math.max(1, ...columns.map(sum));
  return (
    <Box as="fieldset" minWidth="0">
      <Box as="legend" fontSize="13px" color="ink2">
        By development
      </Box>
      <Flex align="flex-end">
        {columns.map((n) => {
          const total = sum(n);
          const chosen = sought.n === n;
          return (
            <Button
              key={n}
              variant="quiet"
              flexDirection="column"
              justifyContent="flex-end"
              gap="1"
              paddingInline="1"
              minWidth="46px"
              borderWidth="0"
              borderRadius="4px"
              fontSize="13px"
              aria-pressed={chosen}
              disabled={total === 0}
              background={chosen ? "accentSoft" : "transparent"}
              color={chosen ? "accent" : "ink"}
              aria-label={`${named[n]}: ${count(total, "exposure")}`}
              title={of(n)
                .map((each) => `${each.film_name}: ${each.count}`)
                .join(", ")}
              onClick={() => seek({ n: chosen ? "" : n })}
            >
              <Box as="span" display="flex" flexDirection="column-reverse" height={`${HIGH}px`}>
                {of(n).map((each) => (
                  <Box
                    as="span"
                    key={each.film_name}
                    display="block"
                    width="22px"
                    minHeight="3px"
                    height={`${(HIGH * each.count) / most}px`}
                    border="1px solid"
                    borderColor="paper"
                    style={{
                      background: FILM_GREYS[films.indexOf(each.film_name) % FILM_GREYS.length],
                    }}
                  />
                ))}
              </Box>
              <b>{named[n]}</b>
            </Button>
          );
        })}
      </Flex>
    </Box>
  );
}

const LETTERS = "JFMAMJJASOND";
const two = (number: number) => String(number).padStart(2, "0");

/** A year's months, the darker the more was exposed in them. */
function Months({
  counted,
  sought,
  seek,
}: {
  counted: { month: string; count: number }[];
  sought: Sought;
  seek: Seek;
}) {
  const years = [...new Set(counted.map(({ month }) => Number(month.slice(0, 4))))];
  const last = years.at(-1) ?? new Date().getFullYear();
  const sought_year = sought.day_from ? Number(sought.day_from.slice(0, 4)) : last;
  const [turned, turn] = useState<number | null>(null);
  const year = turned ?? (years.includes(sought_year) ? sought_year : last);
  const most = Math.max(1, ...counted.map((each) => each.count));
  const earlier = years.filter((each) => each < year).at(-1);
  const later = years.find((each) => each > year);
  return (
    <Box as="fieldset" minWidth="0">
      <Box as="legend" fontSize="13px" color="ink2">
        By month, {year}
      </Box>
      <Flex align="flex-end" paddingTop="2">
        {years.length > 1 && (
          <Turn to={earlier} what="Earlier" sign="‹" turn={() => turn(earlier ?? null)} />
        )}
        {[...LETTERS].map((letter, place) => {
          const month = `${year}-${two(place + 1)}`;
          const number = counted.find((each) => each.month === month)?.count ?? 0;
          const from = `${month}-01`;
          const to = `${month}-${two(new Date(year, place + 1, 0).getDate())}`;
          const chosen = sought.day_from === from && sought.day_to === to;
          const name = new Date(year, place, 1).toLocaleDateString("en-GB", { month: "long" });
          return (
            <Button
              key={month}
              variant="quiet"
              flexDirection="column"
              gap="1"
              minWidth="28px"
              paddingInline="0"
              borderWidth="0"
              borderRadius="4px"
              fontSize="13px"
              fontWeight={chosen ? 650 : 450}
              disabled={number === 0}
              aria-pressed={chosen}
              background={chosen ? "accentSoft" : "transparent"}
              color={chosen ? "accent" : "ink"}
              aria-label={`${name} ${year}: ${count(number, "exposure")}`}
              onClick={() =>
                seek(chosen ? { day_from: "", day_to: "" } : { day_from: from, day_to: to })
              }
            >
              <Box
                as="span"
                display="block"
                width="25px"
                height="24px"
                border="1px solid"
                borderColor="line"
                position="relative"
              >
                <Box
                  as="span"
                  position="absolute"
                  inset="0"
                  background="ink"
                  style={{ opacity: number ? 0.18 + (0.82 * number) / most : 0 }}
                />
              </Box>
              {letter}
            </Button>
          );
        })}
        {years.length > 1 && (
          <Turn to={later} what="Later" sign="›" turn={() => turn(later ?? null)} />
        )}
      </Flex>
    </Box>
  );
}

function Turn({
  to,
  what,
  sign,
  turn,
}: {
  to: number | undefined;
  what: string;
  sign: string;
  turn: () => void;
}) {
  return (
    <Button
      variant="quiet"
      minWidth="28px"
      paddingInline="0"
      disabled={to === undefined}
      aria-label={to === undefined ? `${what}: none` : `${what}: ${to}`}
      onClick={turn}
    >
      {sign}
    </Button>
  );
}

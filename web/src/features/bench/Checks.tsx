import { Box, Flex, Grid } from "@chakra-ui/react";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { devicesQuery, kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { typedNumber } from "../../components/typedNumber";
import { useWrite } from "../../shared/useWrite";
import { PaperCheck } from "./PaperCheck";
import { metersQuery, shutterQuery, takeMeters, takeShutter, testShutter } from "./queries";

/** Shutters, meters and papers: what one trusts is checked here, and the kit goes by it. */
export function Checks() {
  const kit = useQuery(kitQuery).data;
  const [open, setOpen] = useState<"shutter" | "meters" | "paper" | null>(null);
  const lenses = (kit?.lenses ?? []).filter((each) => !each.archived);
  const meters = (kit?.meters ?? []).filter((each) => !each.archived);
  const papers = (kit?.papers ?? []).filter((each) => !each.archived);
  return (
    <Box as="section" aria-label="Shutters, meters, papers">
      <Box as="h2" fontSize="19px" borderBottom="2px solid" borderColor="ink" paddingBlock="2">
        Shutters, meters, papers
      </Box>
      <Flex gap="3" wrap="wrap" paddingTop="3">
        <Button disabled={lenses.length === 0} onClick={() => setOpen("shutter")}>
          Check a shutter
        </Button>
        <Button disabled={meters.length < 2} onClick={() => setOpen("meters")}>
          Compare two meters
        </Button>
        <Button disabled={papers.length === 0} onClick={() => setOpen("paper")}>
          Measure a paper
        </Button>
      </Flex>
      {kit && meters.length < 2 && (
        <Box color="ink2" fontSize="14px" paddingTop="2">
          Comparing needs two meters in the kit.
        </Box>
      )}
      {open === "shutter" && <ShutterCheck close={() => setOpen(null)} />}
      {open === "paper" && <PaperCheck close={() => setOpen(null)} />}
      {open === "meters" && <MeterCheck close={() => setOpen(null)} />}
    </Box>
  );
}

/** `1/60  0.0208 0.0212` on a line: a mark and its readings. */
const marksIn = (text: string) =>
  text
    .split("\n")
    .filter((line) => line.trim())
    .map((line) => {
      const [mark = "", ...rest] = line.trim().split(/\s+/);
      return { mark, seconds: rest.map((each) => typedNumber(each.replace(",", "."))) };
    });

function ShutterCheck({ close }: { close: () => void }) {
  const kit = useQuery(kitQuery).data;
  const lenses = (kit?.lenses ?? []).filter((each) => !each.archived);
  const simulated = useQuery(devicesQuery).data?.simulated;
  const [lensId, setLensId] = useState("");
  const lens = lenses.find((each) => each.id === lensId) ?? lenses[0];
  const [text, setText] = useState("");
  const { write, ask, problem, busy } = useWrite(close);
  const readings = { lens_id: lens?.id ?? "", marks: marksIn(text) };
  const found = useQuery({
    ...shutterQuery(readings),
    enabled: Boolean(lens) && readings.marks.length > 0,
    placeholderData: keepPreviousData,
  });
  const test = () =>
    ask(async () => {
      if (!lens) return;
      const said = await testShutter({ ...lens.optics.shutter, measured: [] });
      setText((before) => {
        const known = new Map(before.split("\n").flatMap((line) => entry(line)));
        return said.measured
          .map(
            (each) =>
              `${each.mark}  ${[known.get(each.mark), each.seconds].filter(Boolean).join(" ")}`,
          )
          .join("\n");
      });
    });
  return (
    <Sheet
      open
      close={close}
      title="Check a shutter"
      footer={
        <>
          <Button onClick={close}>Cancel</Button>
          <Button
            variant="main"
            disabled={busy || !found.data || Boolean(found.error)}
            onClick={() => void write(takeShutter(readings))}
          >
            Use these times
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4">
        <Choose
          label="Lens"
          value={lens?.id ?? ""}
          options={lenses.map((each) => ({ value: each.id, label: each.name }))}
          onChange={setLensId}
        />
        <Entry
          label="Readings: mark, then seconds"
          help="one mark on a line, as 1/60 0.0208 0.0213 0.0209"
          multiline
          rows={7}
          value={text}
          onChange={(event) => setText(event.target.value)}
          problem={found.error?.message ?? null}
        />
        {simulated && (
          <Box>
            <Button onClick={test}>Test with the simulated tester</Button>
          </Box>
        )}
        {found.data && readings.marks.length > 0 && !found.error && (
          <Box aria-live="polite">
            <Box
              as="table"
              width="100%"
              css={{
                "& td, & th": { padding: "6px 8px 6px 0", textAlign: "left" },
                "& b": { whiteSpace: "nowrap" },
              }}
            >
              <thead>
                <Box as="tr" color="ink2" fontSize="13px">
                  <th>Mark</th>
                  <th>gives</th>
                  <th>against its mark</th>
                  <th>
                    <Box as="span" srOnly>
                      remark
                    </Box>
                  </th>
                </Box>
              </thead>
              <tbody>
                {found.data.marks.map((each) => (
                  <Box as="tr" key={each.mark} borderTop="1px solid" borderColor="line">
                    <td>{each.mark}</td>
                    <td>
                      <b>{each.mean_text}</b>
                    </td>
                    <td>{each.error_text}</td>
                    <Box as="td" color="ochre" fontSize="13px">
                      {each.says}
                    </Box>
                  </Box>
                ))}
              </tbody>
            </Box>
            <Box color="ink2" paddingTop="2">
              {found.data.says}
            </Box>
          </Box>
        )}
        <Problem of={problem} />
      </Flex>
    </Sheet>
  );
}

function entry(line: string): [string, string][] {
  const [mark, ...rest] = line.trim().split(/\s+/);
  return mark && rest.length ? [[mark, rest.join(" ")]] : [];
}

/** `slate 9.3 9.6` on a line: a patch, the trusted meter's EV, the other's. */
const pairsIn = (text: string) =>
  text
    .split("\n")
    .filter((line) => line.trim())
    .map((line) => {
      const words = line.trim().split(/\s+/);
      const [one = "", two = ""] = words.slice(-2);
      return {
        label: words.slice(0, -2).join(" ").slice(0, 80),
        trusted_ev: typedNumber(one.replace(",", ".")),
        other_ev: typedNumber(two.replace(",", ".")),
      };
    });

function MeterCheck({ close }: { close: () => void }) {
  const meters = (useQuery(kitQuery).data?.meters ?? []).filter((each) => !each.archived);
  const [trusted, setTrusted] = useState("");
  const [other, setOther] = useState("");
  const [text, setText] = useState("");
  const one = meters.find((each) => each.id === trusted) ?? meters[0];
  const rest = meters.filter((each) => each.id !== one?.id);
  const two = rest.find((each) => each.id === other) ?? rest[0];
  const { write, problem, busy } = useWrite(close);
  const readings = {
    trusted_id: one?.id ?? "",
    other_id: two?.id ?? "",
    pairs: pairsIn(text),
  };
  const found = useQuery({
    ...metersQuery(readings),
    enabled: Boolean(one && two) && readings.pairs.length > 0,
    placeholderData: keepPreviousData,
  });
  const named = (list: typeof meters) => list.map((each) => ({ value: each.id, label: each.name }));
  return (
    <Sheet
      open
      close={close}
      title="Compare two meters"
      footer={
        <>
          <Button onClick={close}>Cancel</Button>
          <Button
            variant="main"
            disabled={busy || !found.data || Boolean(found.error)}
            onClick={() => void write(takeMeters(readings))}
          >
            Correct {two?.name ?? "the other"}
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4">
        <Grid templateColumns={{ base: "1fr", md: "1fr 1fr" }} gap="4">
          <Choose
            label="Trusted meter"
            value={one?.id ?? ""}
            options={named(meters)}
            onChange={setTrusted}
          />
          <Choose
            label="Other meter"
            value={two?.id ?? ""}
            options={named(rest)}
            onChange={setOther}
          />
        </Grid>
        <Entry
          label="The same patches, EV at ISO 100"
          help="one patch on a line: its name, the trusted meter, the other, as slate 9.3 9.6"
          multiline
          rows={5}
          value={text}
          onChange={(event) => setText(event.target.value)}
          problem={found.error?.message ?? null}
        />
        <Notice tone="caution">Never aim a meter or a viewfinder at the sun.</Notice>
        {found.data && readings.pairs.length > 0 && !found.error && (
          <Box aria-live="polite">
            <Box>
              Patch by patch: {found.data.differences.join(", ")}. Add <b>{found.data.add_text}</b>{" "}
              to {two?.name}.
            </Box>
            <Box color="ink2">{found.data.says.join(" ")}</Box>
          </Box>
        )}
        <Problem of={problem} />
      </Flex>
    </Sheet>
  );
}

import { Box, Flex, Grid } from "@chakra-ui/react";
import { memo, useRef, useState } from "react";
import { ask } from "../../api/ask";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Tick } from "../../components/Tick";
import { asTyped } from "../../components/typedNumber";
import { BEGUN, HANDLES } from "../../service/service";
import { onItsOwn } from "./edits";
import type { Drawing } from "./Picture";
import type { Area, Plan } from "./queries";

/** One area: what it is called, what it gets, in which part, and its place in the order. */
export function AreaPanel({
  area,
  plan,
  filters,
  change,
  move,
  redraw,
  again,
  remove,
  close,
}: {
  area: Area;
  plan: Plan;
  /** those the paper knows */
  filters: string[];
  change: (to: (before: Area) => Area) => void;
  move: (by: -1 | 1) => void;
  redraw: (kind: Drawing["kind"]) => void;
  /** the same shape through another filter */
  again: () => void;
  remove: () => void;
  close: () => void;
}) {
  const by = area.stops !== null ? "stops" : "seconds";
  const amount = area.stops ?? area.seconds ?? 0;
  const [text, setText] = useState(asTyped(amount));
  const latest = useRef(text);
  const show = (next: string) => {
    setText(next);
    latest.current = next;
  };
  const give = (value: number) => change((before) => ({ ...before, [by]: value }));
  const type = async (typed: string) => {
    show(typed);
    const read = await ask("service_number", { query: { text: typed } }).catch(() => null);
    if (read && read.value >= 0 && latest.current === typed) give(read.value);
  };
  const handle = HANDLES[by === "stops" ? "area_stops" : "area_seconds"];
  const drag = (value: number) => {
    const held = asTyped(value);
    show(held);
    give(Number(held));
  };
  return (
    <Box
      as="section"
      aria-label={`Area ${area.label}`}
      border="2px solid"
      borderColor="accent"
      borderRadius="6px"
      padding="4"
    >
      <Flex direction="column" gap="3">
        <Fields
          label={area.label}
          act={area.act}
          part={area.part}
          by={by}
          parts={plan.parts}
          areas={plan.areas}
          change={change}
          setText={show}
        />
        {onItsOwn(area) && (
          <Own area={area} usual={plan.setting.aperture} {...{ filters, change }} />
        )}
        <Entry
          label={by === "stops" ? "Stops" : "Seconds"}
          inputMode="decimal"
          value={text}
          onText={(text) => void type(text)}
        />
        <Box as="label" display="block">
          <Box as="span" srOnly>
            {by === "stops" ? "Stops, by dragging" : "Seconds, by dragging"}
          </Box>
          <input
            type="range"
            min={handle.lowest}
            max={handle.highest}
            step={handle.step}
            value={amount}
            style={{ width: "100%", height: 44, accentColor: "var(--chakra-colors-accent)" }}
            onChange={(event) => drag(Number(event.target.value))}
          />
        </Box>
        <Flex gap="2" wrap="wrap">
          <Button onClick={() => move(-1)}>Move earlier</Button>
          <Button onClick={() => move(1)}>Move later</Button>
          <Button onClick={() => redraw(area.shape?.kind ?? "outline")}>Redraw outline</Button>
          {area.act === "burn" && <Button onClick={again}>Again through another filter</Button>}
          <Button variant="quiet" onClick={remove}>
            Remove area
          </Button>
          <Button variant="quiet" onClick={close}>
            Close
          </Button>
        </Flex>
      </Flex>
    </Box>
  );
}

type Change = (to: (before: Area) => Area) => void;

/** What a burn of its own is given by. */
function Own({
  area,
  usual,
  filters,
  change,
}: {
  area: Area;
  /** the print's aperture */
  usual: string | number;
  filters: string[];
  change: Change;
}) {
  const own = area.own ?? BEGUN.own_light;
  const give = (to: Partial<typeof own>) =>
    change((before) => ({ ...before, own: { ...own, ...before.own, ...to } }));
  return (
    <>
      <Grid templateColumns="1fr 1fr" gap="3">
        <Entry
          label="Filter or grade"
          value={own.filter}
          placeholder="white light"
          maxLength={80}
          suggest={filters}
          onText={(text) => give({ filter: text })}
        />
        <Entry
          label="Aperture"
          inputMode="decimal"
          value={own.aperture === null ? "" : String(own.aperture)}
          placeholder={String(usual)}
          maxLength={16}
          onText={(text) => give({ aperture: text || null })}
        />
      </Grid>
      <Tick on={own.by_eye} set={(on) => give({ by_eye: on })}>
        Ended by eye
      </Tick>
    </>
  );
}

/** What does not change while an amount is dragged. */
const Fields = memo(
  function Fields({
    label,
    act,
    part,
    by,
    parts,
    areas,
    change,
    setText,
  }: {
    label: string;
    act: Area["act"];
    part: string;
    by: "stops" | "seconds";
    parts: Plan["parts"];
    areas: Area[];
    change: Change;
    setText: (text: string) => void;
  }) {
    return (
      <>
        <Entry
          label="Area"
          value={label}
          maxLength={80}
          onText={(text) => change((before) => ({ ...before, label: text }))}
        />
        <Grid templateColumns="1fr 1fr" gap="3">
          <Choose
            label="Burn or hold back"
            value={act}
            options={[
              { value: "burn", label: "burn" },
              { value: "dodge", label: "hold back" },
            ]}
            onChange={(act) =>
              change((before) => ({
                ...before,
                act: act as Area["act"],
                part: parts.some((each) => each.id === before.part)
                  ? before.part
                  : (parts[0]?.id ?? ""),
              }))
            }
          />
          <Choose
            label={act === "burn" ? "Light" : "During"}
            value={part}
            options={[
              ...parts.map((each) => ({ value: each.id, label: each.label })),
              ...(act === "burn"
                ? [{ value: "none", label: "its own" }]
                : areas
                    .filter(onItsOwn)
                    .map((each) => ({ value: each.id, label: `burn of ${each.label}` }))),
            ]}
            onChange={(to) => {
              change((before) =>
                to === "none"
                  ? { ...before, part: to, stops: null, seconds: before.seconds ?? 5 }
                  : { ...before, part: to },
              );
              if (to === "none" && by === "stops") setText("5");
            }}
          />
          {part !== "none" && (
            <Choose
              label="Unit"
              value={by}
              options={[
                { value: "stops", label: "stops" },
                { value: "seconds", label: "seconds" },
              ]}
              onChange={(to) => {
                const value = to === "stops" ? 1 : 3;
                setText(String(value));
                change((before) => ({
                  ...before,
                  stops: to === "stops" ? value : null,
                  seconds: to === "seconds" ? value : null,
                }));
              }}
            />
          )}
        </Grid>
      </>
    );
  },
  (before, now) =>
    before.label === now.label &&
    before.act === now.act &&
    before.part === now.part &&
    before.by === now.by &&
    before.areas === now.areas &&
    before.parts === now.parts,
);

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { useSize } from "../../../components/useSize";
import { Fringe } from "./Fringe";
import {
  along,
  fitted,
  heights,
  labelled,
  lanes,
  lostSaid,
  named,
  type RailSpan,
  spread,
  widthOf,
  wrapped,
} from "./geometry";
import { Handle } from "./Handle";
import { ink2, LOST, Words } from "./ink";
import { Pin } from "./Pin";
import type { BridgeProps } from "./props";
import { Rail, Texture } from "./Rail";
import { Strand } from "./Strand";

/** Two rails: the tones as the light falls, and as the print shows them after development. */
export function ToneBridge(props: BridgeProps) {
  const [ref, size] = useSize<HTMLDivElement>();
  return (
    <Box
      ref={ref}
      // one that stands has its height, whatever is said beneath it: a drag is measured by it
      flex={props.upright ? "0 0 auto" : "1"}
      height={props.upright ? "clamp(232px, 36dvh, 300px)" : undefined}
      minHeight={props.upright ? undefined : props.low ? "330px" : "368px"}
      flexShrink={0}
      minWidth="0"
      position="relative"
    >
      {size.width > 0 && (
        <svg
          width={size.width}
          height={size.height}
          role="group"
          aria-label={`Tone bridge${props.upright ? ", upright, shadows below" : ""}: readings as the light falls, and as the print shows them`}
          style={{ position: "absolute", inset: 0, touchAction: "pan-y", userSelect: "none" }}
        >
          <Drawing {...props} width={size.width} height={size.height} />
        </svg>
      )}
    </Box>
  );
}

/** The pin under the hand leads and all others move with it; the core's answer catches up. */
function Drawing(props: BridgeProps & { width: number; height: number }) {
  const [lead, setLead] = useState<{ id: string; zone: number } | null>(null);
  const led = lead && props.pins.find((pin) => pin.id === lead.id);
  const shift = lead && led ? lead.zone - led.zone : 0;
  const pins = shift ? props.pins.map((pin) => ({ ...pin, zone: pin.zone + shift })) : props.pins;
  const place = async (id: string, zone: number, done: boolean) => {
    setLead({ id, zone });
    await props.onPlace(id, zone, done);
    if (done) setLead(null);
  };
  const moved = { ...props, pins, onPlace: place };
  return props.upright ? <Upright {...moved} /> : <Level {...moved} />;
}

function Level({
  pins,
  width,
  height,
  range,
  rangeText,
  high,
  nText,
  ...rest
}: BridgeProps & { width: number; height: number }) {
  const cell = (width - 28) / 11;
  const span: RailSpan = { start: 14, cell, upright: false };
  const { rail, top, bottom, room } = heights(height, rest.low);
  const shown = named(pins, rest.pinned, high);
  const said = lostSaid(pins, LOST);
  const spoken = pins.filter((pin) => shown.has(pin.id));
  const wanted = spoken.map((pin) => {
    const wide = widthOf(pin.label, Boolean(pin.doubt_text));
    const at = along(span, pin.zone);
    return { at: Math.max(wide / 2, Math.min(width - wide / 2, at)), width: wide };
  });
  const lane = lanes(wanted, room);
  const names = fitted(
    spoken.map((pin) => pin.label),
    wanted,
    lane,
  );
  const highPin = pins.find((pin) => pin.id === high);
  return (
    <>
      {rest.seen && <Fringe span={span} at={top} seen={rest.seen} />}
      <Rail span={span} at={top} thickness={rail} named />
      <Rail span={span} at={bottom} thickness={rail} />
      {/* under a picture and its print these words stand already */}
      {!rest.low && (
        <>
          <Words x={14} y={top + rail + 20} fontSize={13} fill={ink2}>
            as the light falls
          </Words>
          <Words x={14} y={bottom - 10} fontSize={13} fill={ink2} halo>
            as the print shows it
          </Words>
        </>
      )}
      {pins.map((pin) => {
        const from = along(span, pin.zone);
        const to = along(span, pin.lands);
        const half = (bottom - top - rail) / 2;
        return (
          <Strand
            key={pin.id}
            d={`M${from},${top + rail} C${from},${top + rail + half} ${to},${bottom - half} ${to},${bottom}`}
            end={[to, bottom]}
            pin={pin}
            pinned={pin.id === rest.pinned}
            says={said.get(pin.id)}
            upright={false}
          />
        );
      })}
      {range && <Texture span={span} at={bottom + rail + 8} range={range} text={rangeText} />}
      {pins.map((pin) => {
        const index = spoken.indexOf(pin);
        const { head, words } = labelled(top, index < 0 ? 0 : (lane[index] ?? 0));
        return (
          <Pin
            key={pin.id}
            pin={pin}
            lines={index < 0 ? [] : [names[index] ?? pin.label]}
            span={span}
            at={along(span, pin.zone)}
            head={head}
            foot={top}
            label={[wanted[index]?.at ?? 0, words]}
            isHigh={pin.id === high}
            {...rest}
          />
        );
      })}
      <Handle
        span={span}
        pin={highPin}
        nText={nText}
        noN={rest.noN}
        base={bottom + rail}
        at={bottom + rail + 40}
        onTarget={rest.onTarget}
      />
    </>
  );
}

/** Beside a rail that stands: what a letter takes, and the ring with its line. */
const [LETTER, RING] = [8.4, 46];

function Upright({
  pins,
  width,
  height,
  range,
  rangeText,
  high,
  nText,
  ...rest
}: BridgeProps & { width: number; height: number }) {
  const cell = (height - 8) / 11;
  const span: RailSpan = { start: 4, cell, upright: true };
  const rail = 42;
  const left = Math.round(width * 0.42);
  const right = width - 66;
  const shown = named(pins, rest.pinned, high);
  const said = lostSaid(pins, LOST);
  const letters = Math.max(5, Math.floor((left - RING) / LETTER));
  const names = pins.map((pin) => (shown.has(pin.id) ? wrapped(pin.label, letters) : []));
  const tall = names.some((lines) => lines.length > 1);
  const spoken = pins.filter((pin) => shown.has(pin.id));
  const places = spread(
    spoken.map((pin) => along(span, pin.zone)),
    tall ? 46 : 30,
    tall ? 30 : 16,
    height - 16,
  );
  const headOf = (pin: (typeof pins)[number]) => {
    const place = spoken.indexOf(pin);
    return place < 0 ? along(span, pin.zone) : (places[place] ?? 0);
  };
  const highPin = pins.find((pin) => pin.id === high);
  return (
    <>
      {rest.seen && <Fringe span={span} at={left} seen={rest.seen} />}
      <Rail span={span} at={left} thickness={rail} named />
      <Rail span={span} at={right} thickness={rail} />
      {pins.map((pin) => {
        const from = along(span, pin.zone);
        const to = along(span, pin.lands);
        const half = (right - left - rail) / 2;
        return (
          <Strand
            key={pin.id}
            d={`M${left + rail},${from} C${left + rail + half},${from} ${right - half},${to} ${right},${to}`}
            end={[right, to]}
            pin={pin}
            pinned={pin.id === rest.pinned}
            says={said.get(pin.id)}
            upright
          />
        );
      })}
      {range && <Texture span={span} at={right + rail + 10} range={range} text={rangeText} />}
      {pins.map((pin, index) => (
        <Pin
          key={pin.id}
          pin={pin}
          lines={names[index] ?? []}
          span={span}
          at={along(span, pin.zone)}
          head={left - 26}
          foot={left}
          slid={headOf(pin)}
          label={[left - 42, headOf(pin)]}
          isHigh={pin.id === high}
          {...rest}
        />
      ))}
      <Handle
        span={span}
        pin={highPin}
        nText={nText}
        noN={rest.noN}
        base={right + rail / 2}
        at={right + rail / 2 - 29}
        onTarget={rest.onTarget}
      />
    </>
  );
}

import { Box } from "@chakra-ui/react";
import { useSize } from "../../../components/useSize";
import type { FocusSeen } from "./queries";

const SCALE_H = 46;
const CHART_H = 132;
const LEFT = 8;
const FOOT = 22;
const INK = "var(--chakra-colors-ink)";
const INK2 = "var(--chakra-colors-ink2)";
const LINE = "var(--chakra-colors-line)";
const ACCENT = "var(--chakra-colors-accent)";

/** The focusing scale with near, far and where to focus; under it what each aperture blurs: by depth,
 * by diffraction, by both, against what counts as sharp. */
export function DepthDrawn({ seen }: { seen: FocusSeen }) {
  const [ref, { width }] = useSize<HTMLDivElement>();
  const { scale, blurs, blur_mm } = seen;
  const wide = Math.max(220, width);
  const step = (wide - 2 * LEFT) / Math.max(1, blurs.length);
  const x = (place: number) => LEFT + step * (place + 0.5);
  const most = 2.4 * blur_mm;
  const y = (blur: number) => CHART_H - FOOT - (Math.min(blur, most) / most) * (CHART_H - FOOT - 6);
  const line = (of: (each: FocusSeen["blurs"][number]) => number) =>
    blurs.map((each, k) => `${k ? "L" : "M"}${x(k)} ${y(of(each))}`).join("");
  const said = blurs
    .map((each) => `${each.mark_text} ${each.enough ? "sharp" : "not sharp"}`)
    .join(", ");
  return (
    <Box ref={ref} paddingBlock="1">
      {scale && <DrawScale scale={scale} width={wide} />}
      <svg width={wide} height={CHART_H} role="img" aria-label={`By aperture: ${said}`}>
        {blurs.map((each, k) => (
          <g key={each.mark} aria-hidden>
            {each.enough && (
              <rect
                x={x(k) - step / 2}
                y={4}
                width={step}
                height={CHART_H - FOOT - 4}
                fill="var(--chakra-colors-accent-soft, rgba(27,63,122,.1))"
              />
            )}
            <text x={x(k)} y={CHART_H - 5} textAnchor="middle" fontSize="13" fill={INK2}>
              {each.mark}
            </text>
          </g>
        ))}
        <g fill="none" aria-hidden>
          <line x1={LEFT} x2={wide - LEFT} y1={y(blur_mm)} y2={y(blur_mm)} stroke={INK2} />
          <path d={line((each) => each.defocus_mm)} stroke={INK2} strokeDasharray="5 4" />
          <path d={line((each) => each.diffraction_mm)} stroke={INK2} strokeDasharray="1.5 4" />
          <path d={line((each) => each.together_mm)} stroke={ACCENT} strokeWidth="2.5" />
        </g>
        <text x={LEFT} y={y(blur_mm) - 4} fontSize="12" fill={INK2} aria-hidden>
          counts as sharp
        </text>
      </svg>
      <Box fontSize="13px" color="ink2">
        Dashes: what near and far blur; dots: diffraction; the line: both. Apertures that are sharp
        throughout are shaded.
      </Box>
    </Box>
  );
}

/** Draws beyond infinity as on the rail of a camera. */
function DrawScale({ scale, width }: { scale: NonNullable<FocusSeen["scale"]>; width: number }) {
  const last = 1.15 * scale.near_mm;
  const x = (mm: number) => LEFT + 6 + (Math.max(0, mm) / last) * (width - 2 * LEFT - 12);
  const marks = [
    { at: scale.far_mm, says: scale.far_text, below: true },
    { at: scale.set_mm, says: scale.set_text, below: false },
    { at: scale.near_mm, says: scale.near_text, below: true },
  ];
  return (
    <svg
      width={width}
      height={SCALE_H}
      role="img"
      aria-label={`On the focusing scale, past infinity: ${marks.map((each) => each.says).join(", ")}`}
    >
      <line x1={x(0)} x2={x(last)} y1="22" y2="22" stroke={INK} strokeWidth="1.5" />
      <line x1={x(0)} x2={x(0)} y1="16" y2="28" stroke={INK} strokeWidth="1.5" />
      <rect
        x={x(scale.far_mm)}
        y="19"
        width={x(scale.near_mm) - x(scale.far_mm)}
        height="6"
        fill={LINE}
        stroke={INK2}
      />
      {marks.map((each) => (
        <g key={each.says}>
          <line
            x1={x(each.at)}
            x2={x(each.at)}
            y1={each.below ? 17 : 13}
            y2={each.below ? 29 : 27}
            stroke={each.below ? INK : ACCENT}
            strokeWidth={each.below ? 1.5 : 3}
          />
          <text
            x={Math.max(30, Math.min(width - 40, x(each.at)))}
            y={each.below ? 43 : 10}
            textAnchor="middle"
            fontSize="13"
            fontWeight={each.below ? 400 : 650}
            fill={each.below ? INK2 : INK}
          >
            {each.says}
          </text>
        </g>
      ))}
    </svg>
  );
}

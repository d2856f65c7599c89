import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import type { Schemas } from "../../../api/calls";
import type { Refusal } from "../../../api/refusal";
import { Button } from "../../../components/Button";
import { Choose } from "../../../components/Choose";
import { Entry } from "../../../components/Entry";
import { Small } from "../../../components/text";
import { typedIn, typedNumber } from "../../../components/typedNumber";
import { FormSheet } from "../../../shared/FormSheet";
import { useWrite } from "../../../shared/useWrite";
import type { Edit, Scene, Solution } from "../queries";
import { Refused } from "../words/Said";
import { CornersDrawn } from "./CornersDrawn";
import { DepthDrawn } from "./DepthDrawn";
import { seenQuery } from "./queries";
import { TiltDrawn } from "./TiltDrawn";

type Asked = Schemas["FocusAsked"];
type Kind = "" | "draws" | "limits" | "spread";

/** Where to focus and how far to stop down, how the lens leans, what the corners get: drawn while one
 * types, taken over at a touch. */
export default function FocusSheet({
  scene,
  said,
  edit,
  close,
}: {
  scene: Scene;
  said: Solution["sharp"];
  edit: (edits: Edit[]) => Promise<void>;
  close: () => void;
}) {
  const [kind, setKind] = useState<Kind>(scene.depth?.kind ?? "limits");
  const [typed, setTyped] = useState({
    ...said,
    nearDraw: "",
    farDraw: "",
    points: "",
  });
  const [leans, setLeans] = useState(said.hinge ? "hinge" : "tilt");
  const metres = (text: string) => typedIn(text, "m");
  const said_ = (text: string) => (text.trim() ? typedNumber(text) : null);
  const depth = depthOf(kind, typed);
  const movements: Edit = {
    kind: "movements",
    movements:
      typed.tilt.trim() || typed.hinge.trim() || typed.rise.trim() || typed.shift.trim()
        ? {
            tilt_deg: leans === "tilt" ? said_(typed.tilt) : null,
            hinge_mm: leans === "hinge" && typed.hinge.trim() ? metres(typed.hinge) : null,
            rise_mm: said_(typed.rise) ?? 0,
            shift_mm: said_(typed.shift) ?? 0,
          }
        : null,
  };
  const edits = [depth, movements].filter((each) => each !== null);
  const draws = kind === "draws" && typed.nearDraw.trim() && typed.farDraw.trim();
  const asked: Asked = {
    draws: draws
      ? { near_draw_mm: typedNumber(typed.nearDraw), far_draw_mm: typedNumber(typed.farDraw) }
      : null,
    points: typed.points,
  };
  const { data: seen, error } = useQuery(seenQuery(scene, edits, asked));
  const writing = useWrite();
  const keep = async (more: Edit[]) => {
    if (await writing.ask(() => edit([...edits, ...more]).then(() => true))) close();
  };
  const entry = (field: keyof typeof typed, label: string, more: object = {}) => (
    <Entry
      label={label}
      inputMode="decimal"
      value={typed[field]}
      onText={(text) => setTyped({ ...typed, [field]: text })}
      {...more}
    />
  );
  const wrong = error ? (error as Refusal).message : seen?.problem;
  return (
    <FormSheet
      close={close}
      title="Focus and movements"
      wide
      writing={writing}
      keep={() => void keep([])}
      says="Set"
      instead={
        seen &&
        seen.take.length > 0 && (
          <Button onClick={() => void keep(seen.take)}>{seen.take_text}</Button>
        )
      }
    >
      <Grid templateColumns={{ base: "minmax(0,1fr)", md: "300px minmax(0,1fr)" }} gap="6">
        <Flex direction="column" gap="3">
          <Choose
            label="What must be sharp"
            value={kind}
            options={[
              { value: "limits", label: "from near to far, as it lies there" },
              { value: "draws", label: "near and far on the focusing scale" },
              { value: "spread", label: "focus spread on the ground glass" },
              { value: "", label: "not set" },
            ]}
            onChange={(value) => setKind(value as Kind)}
          />
          {kind === "limits" && (
            <Pair>
              {entry("near", "Near, m")}
              {entry("far", "Far, m", { help: "empty: the horizon" })}
            </Pair>
          )}
          {kind === "draws" && (
            <Pair>
              {entry("nearDraw", "Near past infinity, mm")}
              {entry("farDraw", "Far past infinity, mm")}
            </Pair>
          )}
          {kind === "spread" && entry("spread", "Near to far focus, mm")}
          <Choose
            label="The lens leans forward"
            value={leans}
            options={[
              { value: "tilt", label: "by its angle" },
              { value: "hinge", label: "by the hinge of its plane" },
            ]}
            onChange={setLeans}
          />
          {leans === "tilt"
            ? entry("tilt", "Tilt, degrees", { help: "empty: upright" })
            : entry("hinge", "Hinge below the lens, m", {
                help: "how far under the lens the plane you want sharp passes it",
              })}
          {(typed.tilt.trim() || typed.hinge.trim()) &&
            entry("points", "Points that shall be sharp", {
              multiline: true,
              inputMode: "text",
              placeholder: "2 -1.4",
              help: "a line each: how far away, how high over the lens, in metres",
            })}
          <Pair>
            {entry("rise", "Rise, mm", { help: "a fall with −" })}
            {entry("shift", "Shift, mm", { help: "to the left with −" })}
          </Pair>
        </Flex>
        <Box aria-live="polite">
          {wrong && <Refused text={wrong} />}
          {seen && !seen.problem && (
            <>
              <Part title="Depth" texts={seen.texts}>
                {seen.blurs.length > 0 && <DepthDrawn seen={seen} />}
              </Part>
              {seen.tilt && (
                <Part title="Tilt" texts={seen.tilt.texts}>
                  <TiltDrawn tilt={seen.tilt} />
                </Part>
              )}
              {seen.corners && (
                <Part
                  title="Corners"
                  texts={[...seen.corners.texts, ...seen.corners.advice.map((each) => each.text)]}
                >
                  <CornersDrawn corners={seen.corners} />
                </Part>
              )}
              <Small>{[seen.blur_text, seen.night_text].join(". ")}.</Small>
            </>
          )}
        </Box>
      </Grid>
    </FormSheet>
  );
}

/** What must be sharp, as an edit; nothing while it is half typed. */
function depthOf(kind: Kind, typed: { spread: string; near: string; far: string }): Edit | null {
  const metres = (text: string) => typedIn(text, "m");
  if (kind === "spread" && typed.spread.trim())
    return { kind: "depth", depth: { kind, focus_spread_mm: typedNumber(typed.spread) } };
  if (kind === "limits" && typed.near.trim())
    return {
      kind: "depth",
      depth: { kind, near_mm: metres(typed.near), far_mm: metres(typed.far.trim() || "horizon") },
    };
  return kind === "draws" ? null : { kind: "depth", depth: null };
}

function Part({ title, texts, children }: { title: string; texts: string[]; children: ReactNode }) {
  if (texts.length === 0) return null;
  return (
    <Box paddingBottom="4">
      <Box as="h3" fontSize="13px" color="ink2">
        {title}
      </Box>
      {children}
      {texts.map((each) => (
        <Box key={each} fontSize="15px">
          {each}
          {each.endsWith(".") ? "" : "."}
        </Box>
      ))}
    </Box>
  );
}

const Pair = ({ children }: { children: ReactNode }) => (
  <Grid templateColumns="1fr 1fr" gap="3" alignItems="start">
    {children}
  </Grid>
);

import { Box, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { kitQuery } from "../../api/queries";
import type { Refusal } from "../../api/refusal";
import { Button } from "../../components/Button";
import { Choose, named } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Tick } from "../../components/Tick";
import { Quiet } from "../../components/text";
import { typedNumber } from "../../components/typedNumber";
import { OFFERED } from "../../service/service";
import { FormSheet } from "../../shared/FormSheet";
import { offered } from "../../shared/offered";
import { type Group, weighQuery } from "../../shared/runs";
import { useWrite } from "../../shared/useWrite";
import { AS_PLANNED, decide } from "./queries";
import { WhichPieces } from "./WhichPieces";

/** The photographer's word over the plan: another recipe or other minutes, with the reason. */
export function DecideSheet({
  group,
  degrees_c,
  close,
}: {
  group: Group;
  degrees_c: number;
  close: () => void;
}) {
  const kit = useQuery(kitQuery).data;
  const { choice } = group;
  const [left, setLeft] = useState<string[]>([]);
  const [recipe, setRecipe] = useState(choice.recipe_id ?? "");
  const [minutes, setMinutes] = useState(group.own_minutes);
  const [reason, setReason] = useState(choice.reason ?? "");
  const [held, setHeld] = useState(choice.hold_highlights);
  const [weight, setWeight] = useState(String(group.sheets[0]?.weight ?? 1));
  const writing = useWrite(close);
  const pieces = group.sheets
    .filter((each) => !left.includes(each.exposure_id))
    .flatMap((each) => each.piece_ids);
  const wanted: Schemas["Choice"] = {
    recipe_id: recipe || null,
    plain_n: false,
    hold_highlights: held,
    minutes: minutes.trim() ? typedNumber(minutes) : null,
    reason,
  };
  const whole = wanted.minutes == null || reason.trim() !== "";
  const weighed = useQuery({
    ...weighQuery({
      piece_id: pieces[0] ?? "",
      choice: wanted,
      temperature_c: degrees_c,
      temperature_f: null,
      tank_id: null,
      bottle_ids: [],
    }),
    enabled: whole && pieces.length > 0,
  });
  const own = offered(kit?.recipes, recipe).filter((each) => each.film_id === group.film_id);
  const keep = () => {
    void writing.write(decide({ piece_ids: pieces, choice: wanted, weight: Number(weight) }));
  };
  const refused = weighed.error as Refusal | null;
  const decided =
    choice.recipe_id ||
    choice.plain_n ||
    choice.hold_highlights ||
    choice.minutes != null ||
    choice.reason;
  return (
    <FormSheet
      close={close}
      title={`Develop ${group.film_name}, ${group.n_text}, otherwise`}
      writing={writing}
      keep={keep}
      unready={pieces.length === 0}
      beside={
        decided && (
          <Button
            variant="quiet"
            disabled={writing.busy}
            onClick={() =>
              writing.write(decide({ piece_ids: pieces, choice: AS_PLANNED, weight: null }))
            }
          >
            As planned again
          </Button>
        )
      }
    >
      {group.sheets.length > 1 && (
        <WhichPieces legend="For these" group={group} left={left} setLeft={setLeft} />
      )}
      <Choose
        label="Recipe"
        value={recipe}
        options={named(own, "as it was exposed for")}
        onChange={setRecipe}
        field="choice.recipe_id"
      />
      {group.sheets.some((each) => each.error_stops !== 0) && (
        <Tick on={held} set={setHeld}>
          Hold the highlights: develop for how it was exposed
        </Tick>
      )}
      <Grid templateColumns="1fr 2fr" gap="4">
        <Entry
          label="Your time"
          placeholder="as worked out"
          help="as 6:50"
          value={minutes}
          onText={setMinutes}
          field="choice.minutes"
          problem={refused?.field === "choice.minutes" ? refused.message : null}
        />
        <Entry
          label="Why"
          help="kept with the film"
          value={reason}
          onText={setReason}
          field="choice.reason"
        />
      </Grid>
      <Choose label="Priority" value={weight} options={OFFERED.weights} onChange={setWeight} />
      {refused && refused.field !== "choice.minutes" && (
        <Notice tone="caution" live>
          {refused.message}
        </Notice>
      )}
      {weighed.data && whole && (
        <Box role="status" data-weighed>
          <Box fontSize="26px" fontWeight={620}>
            {weighed.data.minutes_text}
          </Box>
          <Quiet>
            {wanted.minutes == null
              ? `${weighed.data.origin}${weighed.data.who ? ` by ${weighed.data.who}` : ""}`
              : `High values ${weighed.data.off_text}`}
          </Quiet>
          {weighed.data.advice.map((each) => (
            <Notice key={each.code} tone={each.severity}>
              {each.text}
            </Notice>
          ))}
        </Box>
      )}
    </FormSheet>
  );
}

import { Flex, Grid } from "@chakra-ui/react";
import { ArrowDown, ArrowUp } from "lucide-react";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { newId } from "../../api/newId";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Fieldset } from "../../components/Fieldset";
import { Problem } from "../../components/Problem";
import { Small } from "../../components/text";
import { typedNumber } from "../../components/typedNumber";
import { BEGUN, OFFERED } from "../../service/service";
import { useMeasures } from "../../shared/measures";
import { AgitationField } from "./AgitationField";

type Bath = Schemas["Bath"];

/** The baths of a line, one after the other, strictly one way. */
export function BathsField({
  value,
  paper,
  agitations,
  onChange,
  problem,
}: {
  value: Bath[];
  /** a print's baths: its developer has a time of its own */
  paper: boolean;
  /** ways of moving film, in words */
  agitations: Record<string, string>;
  onChange: (baths: unknown) => void;
  problem: string | null;
}) {
  const set = (place: number, more: Partial<Bath>) =>
    onChange(value.map((bath, at) => (at === place ? { ...bath, ...more } : bath)));
  const { ml } = useMeasures();
  // each bath keeps a key of its own, so that what was typed moves with it
  const [keys, setKeys] = useState(() => value.map(() => newId()));
  const change = (baths: Bath[], moved: string[]) => {
    setKeys(moved);
    onChange(baths);
  };
  const insert = (place: number) =>
    change(value.toSpliced(place, 0, { ...BEGUN.bath }), keys.toSpliced(place, 0, newId()));
  const remove = (place: number) => change(value.toSpliced(place, 1), keys.toSpliced(place, 1));
  const move = (from: number, to: number) => {
    const [bath, key] = [value[from], keys[from]];
    if (!bath || !key) return;
    change(
      value.toSpliced(from, 1).toSpliced(to, 0, bath),
      keys.toSpliced(from, 1).toSpliced(to, 0, key),
    );
  };
  return (
    <Fieldset legend={<>Baths, in the order the {paper ? "print" : "film"} goes through them</>}>
      {value.map((bath, place) => (
        <Grid
          key={keys[place]}
          templateColumns="1fr 1fr"
          gap="2"
          borderBottom="1px solid"
          borderColor="line"
          paddingBlock="2"
        >
          <Entry
            label={`${place + 1}. name`}
            value={bath.name}
            onText={(text) => set(place, { name: text })}
          />
          <Choose
            label={`${place + 1}. type`}
            value={bath.kind}
            options={OFFERED.baths}
            onChange={(kind) => set(place, { kind: kind as Bath["kind"] })}
          />
          {bath.kind === "developer" && !paper ? (
            <Small alignSelf="center">its time comes from the film</Small>
          ) : (
            <Entry
              label={`${place + 1}. time`}
              help="seconds, or 5:00"
              defaultValue={String(bath.seconds)}
              onText={(text) => set(place, { seconds: typedNumber(text) })}
            />
          )}
          <AgitationField
            label={`${place + 1}. agitation`}
            value={bath.agitation ?? ""}
            agitations={agitations}
            none={paper ? "none" : "as the tank"}
            onChange={(agitation) => set(place, { agitation })}
          />
          {(paper || bath.kind !== "developer") && (
            <>
              <Entry
                label={`${place + 1}. dilution`}
                placeholder="1+4, empty: water"
                value={bath.dilution ?? ""}
                onText={(text) => set(place, { dilution: text })}
              />
              <Entry
                label={`${place + 1}. volume, ${ml.name}`}
                placeholder={paper ? "as the tray" : "as the tank"}
                inputMode="decimal"
                defaultValue={bath.volume_ml == null ? "" : ml.show(bath.volume_ml)}
                onText={(text) =>
                  set(place, {
                    volume_ml: text.trim() ? ml.typed(text) : null,
                  })
                }
              />
              {bath.kind === "fixer" && !paper && (
                <Entry
                  label={`${place + 1}. hardener`}
                  placeholder="1+39, empty: none"
                  value={bath.hardener ?? ""}
                  onText={(text) => set(place, { hardener: text })}
                />
              )}
              {OFFERED.water_baths.some(({ value }) => value === bath.kind) && (
                <Entry
                  label={`${place + 1}. changes of water`}
                  inputMode="numeric"
                  defaultValue={String(bath.changes ?? 1)}
                  help="its time is shared between them"
                  onText={(text) => set(place, { changes: typedNumber(text) })}
                />
              )}
            </>
          )}
          <Flex gridColumn="1 / -1" justify="flex-end" gap="1" wrap="wrap">
            <Button
              variant="quiet"
              paddingInline="2"
              aria-label={`Move ${bath.name || "bath"} up`}
              disabled={place === 0}
              onClick={() => move(place, place - 1)}
            >
              <ArrowUp size={18} aria-hidden />
            </Button>
            <Button
              variant="quiet"
              paddingInline="2"
              aria-label={`Move ${bath.name || "bath"} down`}
              disabled={place === value.length - 1}
              onClick={() => move(place, place + 1)}
            >
              <ArrowDown size={18} aria-hidden />
            </Button>
            <Button variant="quiet" paddingInline="2" onClick={() => insert(place + 1)}>
              Insert after {bath.name || "this bath"}
            </Button>
            <Button variant="quiet" paddingInline="2" onClick={() => remove(place)}>
              Remove {bath.name || "this bath"}
            </Button>
          </Flex>
        </Grid>
      ))}
      <Problem text={problem} />
      <Button variant="word" onClick={() => insert(value.length)}>
        Add a bath
      </Button>
    </Fieldset>
  );
}

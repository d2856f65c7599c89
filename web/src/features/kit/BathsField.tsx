import { Box, Flex, Grid } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Problem } from "../../components/Problem";
import { typedNumber } from "../../components/typedNumber";
import { named } from "./named";

type Bath = Schemas["Bath"];

const KINDS = [
  "presoak",
  "developer",
  "stop",
  "fixer",
  "rinse",
  "washing aid",
  "wash",
  "wetting agent",
  "dry",
].map((kind) => ({ value: kind, label: kind }));

/** The baths of a line, one after the other, strictly one way. */
export function BathsField({
  value,
  agitations,
  onChange,
  problem,
}: {
  value: Bath[];
  /** ways of moving film, in words */
  agitations: Record<string, string>;
  onChange: (baths: unknown) => void;
  problem: string | null;
}) {
  const set = (place: number, more: Partial<Bath>) =>
    onChange(value.map((bath, at) => (at === place ? { ...bath, ...more } : bath)));
  return (
    <Box as="fieldset">
      <Box as="legend" fontSize="14px" color="ink2">
        Baths, in the order the film goes through them
      </Box>
      {value.map((bath, place) => (
        <Grid
          // biome-ignore lint/suspicious/noArrayIndexKey: a bath has no name of its own
          key={place}
          templateColumns="1fr 1fr"
          gap="2"
          borderBottom="1px solid"
          borderColor="line"
          paddingBlock="2"
        >
          <Entry
            label={`${place + 1}. name`}
            value={bath.name}
            onChange={(event) => set(place, { name: event.target.value })}
          />
          <Choose
            label="Type"
            value={bath.kind}
            options={KINDS}
            onChange={(kind) => set(place, { kind: kind as Bath["kind"] })}
          />
          {bath.kind === "developer" ? (
            <Box fontSize="14px" color="ink2" alignSelf="center">
              as long as the film wants
            </Box>
          ) : (
            <Entry
              label="Seconds"
              inputMode="decimal"
              defaultValue={String(bath.seconds)}
              onChange={(event) => set(place, { seconds: typedNumber(event.target.value) })}
            />
          )}
          <Choose
            label="Agitation"
            value={bath.agitation ?? ""}
            options={[{ value: "", label: "as the tank" }, ...named(agitations)]}
            onChange={(key) => set(place, { agitation: key || null })}
          />
          {bath.kind !== "developer" && (
            <>
              <Entry
                label="Dilution"
                placeholder="1+4, empty: water"
                value={bath.dilution ?? ""}
                onChange={(event) => set(place, { dilution: event.target.value })}
              />
              <Entry
                label="Volume, ml"
                placeholder="as the tank"
                inputMode="decimal"
                defaultValue={bath.volume_ml == null ? "" : String(bath.volume_ml)}
                onChange={(event) =>
                  set(place, {
                    volume_ml: event.target.value.trim() ? typedNumber(event.target.value) : null,
                  })
                }
              />
            </>
          )}
          <Flex gridColumn="1 / -1" justify="flex-end">
            <Button
              variant="quiet"
              paddingInline="2"
              onClick={() => onChange(value.filter((_, at) => at !== place))}
            >
              Remove {bath.name || "this bath"}
            </Button>
          </Flex>
        </Grid>
      ))}
      <Problem text={problem} />
      <Button
        variant="word"
        onClick={() =>
          onChange([
            ...value,
            { name: "", kind: "rinse", seconds: 60, agitation: null, dilution: "" },
          ])
        }
      >
        add a bath
      </Button>
    </Box>
  );
}

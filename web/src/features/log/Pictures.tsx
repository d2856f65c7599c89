import { Box, Flex, Grid } from "@chakra-ui/react";
import { Link } from "wouter";
import { ToneSlip } from "../../shared/drawn/ToneSlip";
import { stateWord } from "../../shared/states";
import type { Line } from "./queries";
import type { Roving, Virtual } from "./useRoving";

/** So many scans are looked at together. */
export const MOST = 6;

/** The log as a sheet of contact prints: the attached picture, or what is known of it. */
export function Pictures({
  lines,
  across,
  virtual,
  roving,
  chosen,
  choose,
}: {
  lines: Line[];
  across: number;
  /** pictures to be looked at side by side */
  chosen: string[];
  choose: (picture_id: string) => void;
  virtual: Virtual;
  roving: Roving;
}) {
  return (
    <Box
      as="ul"
      ref={roving.field}
      aria-label="Exposures"
      position="relative"
      marginTop="4"
      height={`${virtual.getTotalSize()}px`}
    >
      {virtual.getVirtualItems().flatMap((item) =>
        Array.from({ length: across }, (_, column) => {
          const place = item.index * across + column;
          const line = lines[place];
          if (!line) return null;
          return (
            <Box
              as="li"
              key={line.exposure_id}
              position="absolute"
              top="0"
              left={`${(100 * column) / across}%`}
              width={`calc(${100 / across}% - 12px)`}
              height={`${item.size}px`}
              style={{ transform: `translateY(${item.start}px)` }}
            >
              {line.picture_id && (
                <Box
                  as="label"
                  position="absolute"
                  top="0"
                  left="0"
                  display="grid"
                  placeItems="center"
                  width="44px"
                  height="44px"
                  zIndex="1"
                  cursor="pointer"
                >
                  <input
                    type="checkbox"
                    tabIndex={roving.rove(place).tabIndex}
                    aria-label={`Side by side: ${line.where}, ${line.scene_title}`}
                    checked={chosen.includes(line.picture_id)}
                    disabled={chosen.length >= MOST && !chosen.includes(line.picture_id)}
                    onChange={() => choose(line.picture_id as string)}
                  />
                </Box>
              )}
              <Link
                to={`/log/${line.exposure_id}`}
                {...roving.rove(place)}
                style={{ display: "block", textDecoration: "none", color: "inherit" }}
              >
                <Picture line={line} />
                <Flex justify="space-between" gap="2" fontSize="13px" paddingTop="1">
                  <Box
                    fontWeight={600}
                    overflow="hidden"
                    textOverflow="ellipsis"
                    whiteSpace="nowrap"
                  >
                    {line.where} · {line.scene_title}
                  </Box>
                  <Box color="ink2" whiteSpace="nowrap">
                    {line.n_text}
                  </Box>
                </Flex>
              </Link>
            </Box>
          );
        }),
      )}
    </Box>
  );
}

function Picture({ line }: { line: Line }) {
  const frame = { height: "132px", border: "1px solid", borderColor: "edge" };
  if (line.picture_id) {
    return (
      <Box {...frame} background="ink">
        <img
          src={`/api/attachments/${line.picture_id}/thumbnail`}
          alt=""
          loading="lazy"
          style={{ width: "100%", height: "100%", objectFit: "contain" }}
        />
      </Box>
    );
  }
  return (
    <Grid {...frame} placeItems="center" textAlign="center" fontSize="14px" padding="2">
      <div>
        {line.set_text}
        <Box color="ink2" fontSize="13px" paddingBottom="1">
          {line.film_name}
          <br />
          {stateWord(line.state)}, no picture yet
        </Box>
        {line.slip && <ToneSlip slip={line.slip} />}
      </div>
    </Grid>
  );
}

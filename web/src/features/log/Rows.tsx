import { Box, Grid } from "@chakra-ui/react";
import { Link } from "wouter";
import { dayOf } from "../../components/days";
import { Small } from "../../components/text";
import { usePhone } from "../../components/useNarrow";
import { NWedge, ToneSlip } from "../../shared/drawn/ToneSlip";
import { Needle, Way } from "../../shared/drawn/Way";
import type { Line } from "./queries";
import type { Roving, Virtual } from "./useRoving";

const FULL = "88px 50px minmax(0,1fr) 154px 80px 146px 76px 100px";
const LESS = "88px 50px minmax(0,1fr) 154px 146px 100px";

/** As many columns as there is room for: the wedge and the needle become words first. */
const columns = {
  gridTemplateColumns: FULL,
  "& [data-less]": { display: "none" },
  "@media (max-width: 1239.9px)": {
    gridTemplateColumns: LESS,
    "& > [data-more]": { display: "none" },
    "& [data-less]": { display: "block" },
  },
};

/** The log as lines, only those in sight drawn; arrows go from one to the next, Enter opens. */
export function Rows({
  lines,
  virtual,
  roving,
}: {
  lines: Line[];
  virtual: Virtual;
  roving: Roving;
}) {
  const phone = usePhone();
  return (
    <>
      {!phone && (
        <Grid
          css={columns}
          columnGap="4"
          fontSize="13px"
          color="ink2"
          borderBottom="2px solid"
          borderColor="ink"
          paddingBottom="1"
          paddingTop="3"
          position="sticky"
          top="0"
          zIndex="1"
          background="paper"
          aria-hidden
        >
          <span>When</span>
          <span>Where</span>
          <span>Scene</span>
          <span>Readings on film</span>
          <span data-more>N</span>
          <span>Given</span>
          <span data-more>Off by</span>
          <span>State</span>
        </Grid>
      )}
      <Box
        as="ul"
        ref={roving.field}
        aria-label="Exposures"
        position="relative"
        height={`${virtual.getTotalSize()}px`}
      >
        {virtual.getVirtualItems().map((item) => {
          const line = lines[item.index];
          if (!line) return null;
          return (
            <Box
              as="li"
              key={line.exposure_id}
              position="absolute"
              top="0"
              left="0"
              right="0"
              height={`${item.size}px`}
              style={{ transform: `translateY(${item.start}px)` }}
              borderBottom="1px solid"
              borderColor="line"
              aria-setsize={-1}
              aria-posinset={item.index + 1}
            >
              <Link
                to={`/log/${line.exposure_id}`}
                {...roving.rove(item.index)}
                style={{
                  display: "block",
                  height: "100%",
                  textDecoration: "none",
                  color: "inherit",
                }}
              >
                {phone ? <Narrow line={line} /> : <Wide line={line} />}
              </Link>
            </Box>
          );
        })}
      </Box>
    </>
  );
}

const clip = { overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" } as const;
const kitText = (line: Line) =>
  [line.film_name, line.lens_name, line.filter_names].filter(Boolean).join(", ");

function Wide({ line }: { line: Line }) {
  return (
    <Grid
      css={columns}
      columnGap="4"
      alignItems="center"
      height="100%"
      _hover={{ color: "accent" }}
    >
      <Small lineHeight={1.25}>{dayOf(line.exposed_at)}</Small>
      <Box fontWeight={650}>{line.where}</Box>
      <Box lineHeight={1.25} minWidth="0" title={kitText(line)}>
        <Box fontWeight={550} {...clip}>
          {line.scene_title}
        </Box>
        <Box fontSize="13px" color="ink2" {...clip}>
          {[kitText(line), line.note].filter(Boolean).join(" · ")}
        </Box>
      </Box>
      <Box>{line.slip && <ToneSlip slip={line.slip} />}</Box>
      <Box data-more>
        <NWedge n={line.n} text={line.n_text} />
      </Box>
      <Box lineHeight={1.25}>
        {line.set_text}
        <Small data-less>{[line.n_text, line.off_text].filter(Boolean).join(", ")}</Small>
      </Box>
      <Box data-more>
        <Needle stops={line.error_stops} text={line.off_text || "as planned"} />
      </Box>
      <Way state={line.state} printed={line.printed} />
    </Grid>
  );
}

function Narrow({ line }: { line: Line }) {
  return (
    <Grid
      templateColumns="44px minmax(0,1fr) auto"
      columnGap="2"
      alignItems="center"
      alignContent="center"
      height="100%"
      lineHeight={1.3}
    >
      <Box fontWeight={650}>{line.where}</Box>
      <Box minWidth="0">
        <Box fontWeight={550} {...clip}>
          {line.scene_title}
        </Box>
        <Box fontSize="13px" color="ink2" {...clip}>
          {dayOf(line.exposed_at)}, {line.film_name}
        </Box>
      </Box>
      <Box textAlign="right" fontSize="14px">
        {line.set_text}
      </Box>
      <Box />
      <Box paddingTop="1">{line.slip && <ToneSlip slip={line.slip} width={140} />}</Box>
      <Box textAlign="right" fontSize="14px">
        <NWedge n={line.n} text={line.n_text} />
      </Box>
    </Grid>
  );
}

import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { kitQuery } from "../../../api/queries";
import { Button } from "../../../components/Button";
import { Choose } from "../../../components/Choose";
import { Entry } from "../../../components/Entry";
import { FormFooter } from "../../../components/FormFooter";
import { Notice } from "../../../components/Notice";
import { Problem } from "../../../components/Problem";
import { Sheet } from "../../../components/Sheet";
import { Tick } from "../../../components/Tick";
import { typedNumber } from "../../../components/typedNumber";
import { OFFERED } from "../../../service/service";
import { Conflict } from "../../../shared/Conflict";
import { FileLink } from "../../../shared/FileLink";
import { offered } from "../../../shared/offered";
import { useWrite } from "../../../shared/useWrite";
import { type Metering, meterBy, type Picture, takeAway } from "./queries";

/** What a scene's picture is metered by: as its file says, or as one knows better. */
export function PictureSheet({ picture, close }: { picture: Picture; close: () => void }) {
  const { attachment, version, typed } = picture;
  const known = attachment.metering as Metering;
  const [time, setTime] = useState(typed.time);
  const [aperture, setAperture] = useState(typed.aperture);
  const [iso, setIso] = useState(typed.iso);
  const [view, setView] = useState(typed.view);
  const [offset, setOffset] = useState(typed.offset);
  const [corners, setCorners] = useState(known.corners);
  const [flare, setFlare] = useState(`${known.flare_share}`);
  const [paperId, setPaperId] = useState(known.paper_id);
  const papers = offered(useQuery(kitQuery).data?.papers, known.paper_id);
  const { problem, write, busy, at, take } = useWrite(close);
  const said = [time, aperture, iso].some((each) => each.trim());
  const wanted: Metering = {
    ...known,
    settings: said
      ? { time_s: typedNumber(time), aperture: typedNumber(aperture), iso: typedNumber(iso) }
      : null,
    view_deg: view.trim() ? typedNumber(view) : null,
    offset_stops: offset.trim() ? typedNumber(offset) : 0,
    corners,
    flare_share: typedNumber(flare),
    paper_id: paperId,
  };
  const keep = (base: string) => write(meterBy(attachment.id, wanted, base));
  return (
    <Sheet
      open
      close={close}
      title={attachment.name}
      footer={
        <>
          <Button variant="quiet" color="brick" onClick={() => write(takeAway(attachment.id))}>
            Remove
          </Button>
          <FormFooter close={close} form="metering" disabled={busy}>
            Save
          </FormFooter>
        </>
      }
    >
      <Flex
        as="form"
        id="metering"
        direction="column"
        gap="4"
        onSubmit={(event: FormEvent) => {
          event.preventDefault();
          void keep(version);
        }}
      >
        <Box color="ink2" fontSize="14px">
          Its settings are a first guess, half a stop either way; one reading of your meter is worth
          more. Where it was taken is not read.
        </Box>
        {known.doubts?.map((each) => (
          <Notice key={each} tone="note">
            {each}
          </Notice>
        ))}
        <Flex gap="3">
          <Entry
            label="Time, s"
            value={time}
            onChange={(event) => setTime(event.target.value)}
            problem={at("settings.time_s")}
          />
          <Entry
            label="Aperture"
            value={aperture}
            onChange={(event) => setAperture(event.target.value)}
            problem={at("settings.aperture")}
          />
          <Entry
            label="ISO"
            value={iso}
            onChange={(event) => setIso(event.target.value)}
            problem={at("settings.iso")}
          />
        </Flex>
        <Entry
          label="Sees across, in degrees"
          help="How wide the picture sees tells how large the meter's circle is in it."
          value={view}
          onChange={(event) => setView(event.target.value)}
          problem={at("view_deg")}
        />
        <Entry
          label="This camera's own offset, in stops"
          value={offset}
          onChange={(event) => setOffset(event.target.value)}
          problem={at("offset_stops")}
        />
        <Tick on={corners} set={setCorners}>
          its corners are darker than what was there
        </Tick>
        <Flex gap="3" wrap={{ base: "wrap", md: "nowrap" }}>
          <Choose
            label="Its print is seen on"
            value={paperId ?? ""}
            options={[
              { value: "", label: "a normal paper" },
              ...papers.map((each) => ({ value: each.id, label: each.name })),
            ]}
            onChange={(id) => setPaperId(id || null)}
          />
          <Choose
            label="Flare of the lens"
            value={flare}
            options={OFFERED.flares}
            onChange={setFlare}
            problem={at("flare_share")}
          />
        </Flex>
        <Flex columnGap="4" wrap="wrap">
          <FileLink href={`/api/attachments/${attachment.id}`}>Save as it was added</FileLink>
          <FileLink href={`/api/scenes/${attachment.scene_id}/page.pdf`}>
            Page of this scene as PDF
          </FileLink>
          <FileLink href={`/api/scenes/${attachment.scene_id}/calibration.json`}>
            Calibration as JSON
          </FileLink>
        </Flex>
        <Problem
          of={problem}
          fields={[
            "settings.time_s",
            "settings.aperture",
            "settings.iso",
            "view_deg",
            "offset_stops",
            "flare_share",
          ]}
        />
        <Conflict problem={problem} mine={wanted} keep={keep} take={take} />
      </Flex>
    </Sheet>
  );
}

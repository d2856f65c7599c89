import { Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { kitQuery } from "../../../api/queries";
import { Button } from "../../../components/Button";
import { Choose, named } from "../../../components/Choose";
import { Entry } from "../../../components/Entry";
import { Notice } from "../../../components/Notice";
import { Tick } from "../../../components/Tick";
import { Small } from "../../../components/text";
import { typedNumber } from "../../../components/typedNumber";
import { OFFERED } from "../../../service/service";
import { FileLink } from "../../../shared/FileLink";
import { FormSheet } from "../../../shared/FormSheet";
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
  const writing = useWrite(close);
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
  const keep = (base: string) => writing.write(meterBy(attachment.id, wanted, base));
  return (
    <FormSheet
      close={close}
      title={attachment.name}
      writing={writing}
      keep={keep}
      base={version}
      mine={wanted}
      beside={
        <Button
          variant="quiet"
          color="brick"
          onClick={() => writing.write(takeAway(attachment.id))}
        >
          Remove
        </Button>
      }
    >
      <Small>
        Its settings are a first guess, half a stop either way; one reading of your meter is worth
        more. Where it was taken is not read.
      </Small>
      {known.doubts?.map((each) => (
        <Notice key={each} tone="note">
          {each}
        </Notice>
      ))}
      <Flex gap="3">
        <Entry label="Time, s" value={time} onText={setTime} field="settings.time_s" />
        <Entry label="Aperture" value={aperture} onText={setAperture} field="settings.aperture" />
        <Entry label="ISO" value={iso} onText={setIso} field="settings.iso" />
      </Flex>
      <Entry
        label="Sees across, in degrees"
        help="How wide the picture sees tells how large the meter's circle is in it."
        value={view}
        onText={setView}
        field="view_deg"
      />
      <Entry
        label="This camera's own offset, in stops"
        value={offset}
        onText={setOffset}
        field="offset_stops"
      />
      <Tick on={corners} set={setCorners}>
        its corners are darker than what was there
      </Tick>
      <Flex gap="3" wrap={{ base: "wrap", md: "nowrap" }}>
        <Choose
          label="Its print is seen on"
          value={paperId ?? ""}
          options={named(papers, "a normal paper")}
          onChange={(id) => setPaperId(id || null)}
        />
        <Choose
          label="Flare of the lens"
          value={flare}
          options={OFFERED.flares}
          onChange={setFlare}
          field="flare_share"
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
    </FormSheet>
  );
}

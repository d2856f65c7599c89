import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { type DragEvent, useState } from "react";
import { Link } from "wouter";
import { carryOut } from "../../api/acts";
import { newId } from "../../api/newId";
import { Button } from "../../components/Button";
import { FileButton } from "../../components/FileButton";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { Quiet, Small } from "../../components/text";
import { FileLink } from "../../shared/FileLink";
import { useWrite } from "../../shared/useWrite";
import { attach, type Story, takeOff } from "./queries";
import { ScanSheet } from "./ScanSheet";

const KINDS = "image/jpeg,image/png,image/tiff,.jpg,.jpeg,.png,.tif,.tiff";

/** Reference pictures and scans: dropped or chosen, shown small, each with its sidecar. */
export function Attachments({ story }: { story: Story }) {
  const client = useQueryClient();
  const { problem, write } = useWrite();
  const [described, setDescribed] = useState<Story["attachments"][number] | null>(null);
  const [over, setOver] = useState(false);
  const [going, setGoing] = useState<{ name: string; share: number } | null>(null);
  const [refused, setRefused] = useState<string[]>([]);
  const { id } = story.exposure;
  const send = async (files: File[]) => {
    const problems: string[] = [];
    for (const file of files) {
      try {
        setGoing({ name: file.name, share: 0 });
        await carryOut(client, attach(newId(), id, file), (share) =>
          setGoing({ name: file.name, share }),
        );
      } catch (refusal) {
        problems.push(`${file.name}: ${(refusal as Error).message}`);
      }
    }
    setGoing(null);
    setRefused(problems);
  };
  const dropped = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void send([...event.dataTransfer.files]);
  };
  const sidecar = (beside?: string) =>
    `/api/log/${id}/sidecar.xmp${beside ? `?${new URLSearchParams({ beside })}` : ""}`;
  return (
    <Box
      as="section"
      aria-label="Pictures"
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={dropped}
      outline={over ? "3px dashed" : undefined}
      outlineColor="accent"
      outlineOffset="6px"
    >
      <Box as="h2" fontSize="13px" color="ink2" paddingBottom="2">
        Pictures
      </Box>
      <Grid templateColumns="repeat(auto-fill, minmax(150px, 1fr))" gap="4">
        {story.attachments.map((each) => (
          <Box as="figure" key={each.id} minWidth="0">
            <Link to={`/log/together?of=${each.id}`} aria-label={`Look at ${each.name} large`}>
              <img
                src={`/api/attachments/${each.id}/thumbnail`}
                alt={each.name}
                style={{ width: "100%", height: 120, objectFit: "contain" }}
              />
            </Link>
            <Box as="figcaption" fontSize="13px" overflowWrap="anywhere" lineHeight={1.3}>
              {each.name}
              <Quiet>
                {each.width} × {each.height}, {megabytes(each.bytes)}
                {story.scans[each.id]?.text && <div>{story.scans[each.id]?.text}</div>}
              </Quiet>
              <Flex columnGap="3" align="center" wrap="wrap">
                <FileLink
                  href={`/api/attachments/${each.id}`}
                  label={`Save ${each.name} as it was added`}
                >
                  Save
                </FileLink>
                <FileLink href={sidecar(each.id)}>XMP</FileLink>
                <Button
                  variant="word"
                  fontSize="13px"
                  aria-label={`Scan details of ${each.name}`}
                  onClick={() => setDescribed(each)}
                >
                  Scan details
                </Button>
                <Button
                  variant="word"
                  fontSize="13px"
                  aria-label={`Remove ${each.name}`}
                  onClick={() => write(takeOff(each.id))}
                >
                  Remove
                </Button>
              </Flex>
            </Box>
          </Box>
        ))}
      </Grid>
      {story.together.length > 0 && (
        <Flex columnGap="4" wrap="wrap" align="center" paddingTop="2">
          Side by side with
          {story.together.map((each) => (
            <Link key={each.says} to={`/log/together?of=${each.picture_ids.join(",")}`}>
              {each.says}
            </Link>
          ))}
        </Flex>
      )}
      <Flex align="center" gap="4" paddingTop="2" wrap="wrap">
        <FileButton
          name="Pictures to attach"
          accept={KINDS}
          several
          disabled={going !== null}
          take={(files) => void send(files)}
        >
          Attach a picture
        </FileButton>
        <Small>or drop it here; JPEG, PNG or TIFF, up to 256 MB</Small>
        {!story.attachments.length && <FileLink href={sidecar()}>XMP for a scan</FileLink>}
      </Flex>
      {going && (
        <Box paddingTop="2" role="status">
          {going.name}: <progress max={1} value={going.share} aria-label={going.name} />
        </Box>
      )}
      {refused.map((each) => (
        <Box key={each} paddingTop="2">
          <Notice tone="refusal" live>
            {each}
          </Notice>
        </Box>
      ))}
      <Problem of={problem} />
      {described && (
        <ScanSheet
          picture={described}
          version={story.scans[described.id]?.version ?? ""}
          close={() => setDescribed(null)}
        />
      )}
    </Box>
  );
}

const megabytes = (bytes: number) =>
  bytes < 100_000 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`;

import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useLocation } from "wouter";
import { newId } from "../../api/newId";
import { Button } from "../../components/Button";
import { Empty } from "../../components/Empty";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { Small } from "../../components/text";
import { RoomHeader } from "../../shared/RoomHeader";
import { useWrite } from "../../shared/useWrite";
import { PrintCard } from "./PrintCard";
import { beginPrint, type Negative, roomQuery } from "./queries";

/** Prints, and the negatives there are to print. */
export function PrintRoom() {
  const room = useQuery(roomQuery);
  const [, navigate] = useLocation();
  const [choosing, setChoosing] = useState(false);
  const { write, problem, busy } = useWrite();
  const { prints = [], negatives = [] } = room.data ?? {};
  const longest_s = Math.max(1, ...prints.map((each) => each.total_s));
  const begin = (negative: Negative, from_scan = false) => {
    const id = newId();
    void write(beginPrint(id, negative.exposure_id, from_scan), {
      at_once: () => navigate(`/print/${id}`),
    });
  };
  return (
    <>
      <RoomHeader title="Print">
        <Button aria-expanded={choosing} onClick={() => setChoosing(!choosing)}>
          Plan a print
        </Button>
      </RoomHeader>
      <Box as="main" flex="1" overflow="auto" padding={{ base: "4", md: "6" }}>
        {room.error && (
          <Notice tone="warning" live>
            {room.error.message}
          </Notice>
        )}
        <Problem of={problem} />
        {(choosing || (room.data && prints.length === 0)) && (
          <Box as="section" aria-label="Negatives" paddingBottom="6">
            <Box as="h2" fontSize="19px" borderBottom="2px solid" borderColor="ink" paddingY="2">
              Choose a negative
            </Box>
            {negatives.length === 0 && (
              <Empty title="No developed negative yet.">
                A negative can be printed once its run is marked developed in the Darkroom.
              </Empty>
            )}
            <Box as="ul">
              {negatives.map((each) => (
                <Flex
                  as="li"
                  key={each.exposure_id}
                  align="center"
                  justify="space-between"
                  gap="4"
                  minHeight="60px"
                  borderBottom="1px solid"
                  borderColor="line"
                >
                  <Flex gap="3" align="center" minWidth="0">
                    <Thumb id={each.picture_id} />
                    <Box minWidth="0">
                      <b>{each.label}</b> {each.scene_title}
                      <Small>
                        {each.film_name}
                        {each.best && each.in_bracket && ", best of its bracket"}
                      </Small>
                    </Box>
                  </Flex>
                  <Flex gap="2">
                    {each.picture_id && (
                      <Button
                        variant="quiet"
                        disabled={busy}
                        aria-label={`Inkjet print of ${each.label}, ${each.scene_title}`}
                        onClick={() => begin(each, true)}
                      >
                        Inkjet
                      </Button>
                    )}
                    <Button
                      disabled={busy}
                      aria-label={`Print ${each.label}, ${each.scene_title}`}
                      onClick={() => begin(each)}
                    >
                      Print
                    </Button>
                  </Flex>
                </Flex>
              ))}
            </Box>
          </Box>
        )}
        {prints.length > 0 && (
          <Grid
            as="ul"
            templateColumns="repeat(auto-fill, minmax(240px, 1fr))"
            gap="6"
            listStyleType="none"
          >
            {prints.map((each) => (
              <PrintCard key={each.id} line={each} longest_s={longest_s} />
            ))}
          </Grid>
        )}
      </Box>
    </>
  );
}

function Thumb({ id }: { id: string | null }) {
  const size = { width: 60, height: 46 } as const;
  if (!id) return <div aria-hidden style={{ ...size, background: "#8a8a8a", flexShrink: 0 }} />;
  return (
    <img
      src={`/api/attachments/${id}/thumbnail`}
      alt=""
      style={{ ...size, objectFit: "cover", flexShrink: 0 }}
    />
  );
}

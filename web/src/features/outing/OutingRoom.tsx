import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { ChevronRight as Chevron } from "lucide-react";
import { useState } from "react";
import { useLocation } from "wouter";
import { newId } from "../../api/newId";
import { outingsQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { count } from "../../components/count";
import { dayText, today } from "../../components/days";
import { Notice } from "../../components/Notice";
import { Small } from "../../components/text";
import { useNarrow } from "../../components/useNarrow";
import { BEGUN } from "../../service/service";
import { RoomHeader } from "../../shared/RoomHeader";
import { Glance } from "./Glance";
import { OutingSection, type Planning } from "./OutingSection";
import { OutingSheet } from "./OutingSheet";
import { PackSheet } from "./PackSheet";
import type { Outing, OutingView } from "./queries";
import { RevisitSheet } from "./RevisitSheet";

const AT_ONCE = 12;

const begun = (): Outing => ({ ...BEGUN.outing, id: newId(), day: today() });

interface Planned {
  outing: Outing;
  what: Planning;
}

export function OutingRoom() {
  const [, navigate] = useLocation();
  const narrow = useNarrow();
  const [limit, setLimit] = useState(AT_ONCE);
  const outings = useQuery(outingsQuery(limit));
  const [planned, setPlanned] = useState<Planned | null>(null);
  const begin = () => setPlanned({ outing: begun(), what: "change" });
  const all = outings.data ?? [];
  const [latest, ...earlier] = all;
  const close = () => setPlanned(null);
  const of = all.find((each) => each.outing.id === planned?.outing.id);
  return (
    <>
      <RoomHeader title="Outing" sub={latest ? latest.outing.title : undefined}>
        <Button onClick={begin}>New outing</Button>
      </RoomHeader>
      <Box flex="1" overflow="auto" minHeight="0">
        {outings.error && (
          <Box padding="6">
            <Notice tone="warning" live>
              {outings.error.message}
            </Notice>
          </Box>
        )}
        {outings.data && !latest && (
          <Flex
            as="main"
            direction="column"
            gap="3"
            padding="6"
            maxWidth="560px"
            align="flex-start"
          >
            <Box fontSize="19px" fontWeight={600}>
              No outing yet.
            </Box>
            <Box>
              An outing holds the scenes of a day. The first reading begins today's, or plan one
              ahead with what to pack.
            </Box>
            <Flex gap="3" wrap="wrap">
              <Button variant="main" onClick={() => navigate("/scene")}>
                Take a reading
              </Button>
              <Button onClick={begin}>Plan an outing</Button>
            </Flex>
          </Flex>
        )}
        {latest && (
          <Grid
            templateColumns={{ base: "minmax(0,1fr)", md: "minmax(0,1fr) 356px" }}
            templateRows={{ base: "auto 1fr", md: "auto" }}
            minHeight="100%"
          >
            <Box as="main" padding={{ base: "4", md: "6" }}>
              <OutingSection
                view={latest}
                plan={(what) => setPlanned({ outing: latest.outing, what })}
              />
              {earlier.length > 0 && (
                <Box borderTop="2px solid" borderColor="ink" marginTop="8">
                  {earlier.map((view) => (
                    <Folded key={view.outing.id} view={view} plan={setPlanned} />
                  ))}
                </Box>
              )}
              {all.length === limit && (
                <Box paddingTop="6">
                  <Button onClick={() => setLimit(limit + 4 * AT_ONCE)}>
                    Show earlier outings
                  </Button>
                </Box>
              )}
            </Box>
            <Box
              as="aside"
              aria-label="Film at a glance"
              borderStyle="solid"
              borderWidth="0"
              borderLeftWidth={{ md: "1px" }}
              borderBottomWidth={{ base: "1px", md: "0" }}
              borderColor="line"
              background="sheet"
              paddingInline={{ base: "4", md: "5" }}
              paddingBlock={{ base: "1", md: "5" }}
              order={{ base: -1, md: 0 }}
            >
              <Glance narrow={narrow} />
            </Box>
          </Grid>
        )}
      </Box>
      {planned?.what === "change" && (
        <OutingSheet
          outing={planned.outing}
          kept={of}
          before={
            all.find(({ outing }) => outing.id !== planned.outing.id && outing.latitude != null)
              ?.outing
          }
          close={close}
        />
      )}
      {planned?.what === "revisit" && <RevisitSheet outing={planned.outing} close={close} />}
      {planned?.what === "pack" && <PackSheet outing={planned.outing} close={close} />}
    </>
  );
}

/** An outing of before: one line, opened to its scenes. */
function Folded({ view, plan }: { view: OutingView; plan: (what: Planned) => void }) {
  const [open, setOpen] = useState(false);
  const { outing, scenes } = view;
  const exposed = scenes.reduce((sum, each) => sum + each.exposures, 0);
  return (
    <Box borderBottom="1px solid" borderColor="line">
      <Button
        variant="quiet"
        width="100%"
        justifyContent="flex-start"
        borderRadius="0"
        paddingInline="0"
        paddingBlock="2"
        gap="4"
        whiteSpace="normal"
        textAlign="left"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        <Chevron size={18} aria-hidden style={{ transform: open ? "rotate(90deg)" : "none" }} />
        <Box as="span" flex="1" fontSize="17px" fontWeight={600}>
          {outing.title}
        </Box>
        <Small as="span" fontWeight={400}>
          {[
            dayText(outing.day),
            count(scenes.length, "scene"),
            exposed ? `${exposed} exposed` : "not exposed",
          ].join(" · ")}
        </Small>
      </Button>
      {open && (
        <Box paddingBottom="6" paddingTop="2">
          <OutingSection view={view} plan={(what) => plan({ outing, what })} />
        </Box>
      )}
    </Box>
  );
}

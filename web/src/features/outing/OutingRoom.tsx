import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { newId } from "../../api/newId";
import { outingsQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { today } from "../../components/days";
import { Notice } from "../../components/Notice";
import { BEGUN } from "../../service/service";
import { RoomHeader } from "../../shared/RoomHeader";
import { Glance } from "./Glance";
import { OutingSection, type Planning } from "./OutingSection";
import { OutingSheet } from "./OutingSheet";
import { PackSheet } from "./PackSheet";
import type { Outing } from "./queries";
import { RevisitSheet } from "./RevisitSheet";

const AT_ONCE = 12;

const begun = (): Outing => ({ ...BEGUN.outing, id: newId(), day: today() });

export function OutingRoom() {
  const navigate = useNavigate();
  const [limit, setLimit] = useState(AT_ONCE);
  const outings = useQuery(outingsQuery(limit));
  const [planned, setPlanned] = useState<{ outing: Outing; what: Planning } | null>(null);
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
            minHeight="100%"
          >
            <Box as="main" padding={{ base: "4", md: "6" }}>
              {[latest, ...earlier].map((view, place) => (
                <Box key={view.outing.id} paddingTop={place ? "8" : "0"}>
                  <OutingSection
                    view={view}
                    plan={(what) => setPlanned({ outing: view.outing, what })}
                  />
                </Box>
              ))}
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
              borderTopWidth={{ base: "1px", md: "0" }}
              borderColor="line"
              background="sheet"
              padding={{ base: "4", md: "5" }}
            >
              <Glance outingId={latest.outing.id} />
            </Box>
          </Grid>
        )}
      </Box>
      {planned?.what === "change" && (
        <OutingSheet outing={planned.outing} kept={of} close={close} />
      )}
      {planned?.what === "revisit" && <RevisitSheet outing={planned.outing} close={close} />}
      {planned?.what === "pack" && <PackSheet outing={planned.outing} close={close} />}
    </>
  );
}

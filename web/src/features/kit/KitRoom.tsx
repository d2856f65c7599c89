import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { newId } from "../../api/newId";
import { kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { Small } from "../../components/text";
import { BEGUN } from "../../service/service";
import { RoomHeader } from "../../shared/RoomHeader";
import { useAsked } from "../../shared/useAsked";
import { Cards } from "./Cards";
import { DataSheet } from "./DataSheet";
import { RecordDrawing } from "./Drawn";
import { KINDS, type Kind } from "./fields";
import { drawnQuery } from "./queries";
import { RecordSheet } from "./RecordSheet";
import { Starters } from "./Starters";
import { YourWay } from "./YourWay";

interface Edited {
  kind: Kind;
  record: { id: string; name?: string; archived?: boolean };
  known: boolean;
}

export function KitRoom() {
  const kit = useQuery(kitQuery);
  const drawings = useQuery(drawnQuery);
  const drawn = drawings.data ?? {};
  const [edited, setEdited] = useState<Edited | null>(null);
  const [pasting, setPasting] = useState(false);
  const [archive, setArchive] = useState(false);
  const [sets, setSets] = useState(false);
  const [way, setWay] = useState(false);
  const archived = kit.data
    ? (Object.keys(KINDS) as Kind[])
        .flatMap((kind) => kit.data[kind] as { archived?: boolean }[])
        .filter((each) => each.archived).length
    : 0;
  const bare = Boolean(
    kit.data && !kit.data.cameras.length && !kit.data.lenses.length && !kit.data.tanks.length,
  );
  const add = (kind: Kind, filled: object = {}) =>
    setEdited({
      kind,
      record: { ...BEGUN[kind], id: newId(), ...filled },
      known: false,
    });
  useAsked(kit.isSuccess, {
    recipe: (of) => add("recipes", { film_id: of.get("film") ?? "" }),
    preferences: () => setWay(true),
  });
  return (
    <>
      <RoomHeader title="Kit">
        {!bare && (
          <Button variant="quiet" aria-expanded={sets} onClick={() => setSets(!sets)}>
            Starter sets
          </Button>
        )}
        {archived > 0 && (
          <Button variant="quiet" aria-pressed={archive} onClick={() => setArchive(!archive)}>
            {archive ? "Hide archived" : `Show ${archived} archived`}
          </Button>
        )}
      </RoomHeader>
      <Box as="main" flex="1" overflow="auto" padding={{ base: "4", md: "6" }}>
        {kit.error && (
          <Notice tone="warning" live>
            {kit.error.message}
          </Notice>
        )}
        {/* rows that moved when their drawings came would lose a click */}
        {kit.data && !drawings.isPending && (
          <Grid
            templateColumns={{ base: "minmax(0,1fr)", md: "repeat(2, minmax(0,1fr))" }}
            columnGap="10"
            rowGap="8"
          >
            {(bare || sets) && <Starters starters={kit.data.starters} stay={() => setSets(true)} />}
            {(Object.keys(KINDS) as Kind[]).map((kind) => {
              const spec = KINDS[kind];
              const all = kit.data[kind] as { id: string; name: string; archived?: boolean }[];
              const records = all.filter((each) => archive || !each.archived);
              return (
                <Box as="section" key={kind} aria-label={spec.title}>
                  <Flex
                    justify="space-between"
                    align="center"
                    borderBottom="2px solid"
                    borderColor="ink"
                  >
                    <Box as="h2" fontSize="19px" flex="1">
                      {spec.title}
                    </Box>
                    {kind === "recipes" && (
                      <Button variant="quiet" onClick={() => setPasting(true)}>
                        Paste a data sheet
                      </Button>
                    )}
                    <Button variant="quiet" onClick={() => add(kind)}>
                      Add {/^[aeiou]/.test(spec.one) ? "an" : "a"} {spec.one}
                    </Button>
                  </Flex>
                  {records.length === 0 && (
                    <Box color="ink2" paddingBlock="3">
                      {spec.teach}
                    </Box>
                  )}
                  <ul>
                    {records.map((record) => (
                      <Box as="li" key={record.id} borderBottom="1px solid" borderColor="line">
                        <Box
                          as="button"
                          width="100%"
                          textAlign="left"
                          paddingBlock="2"
                          minHeight="44px"
                          background="transparent"
                          border="none"
                          cursor="pointer"
                          display="flex"
                          gap="4"
                          alignItems="center"
                          justifyContent="space-between"
                          _hover={{ color: "accent" }}
                          onClick={() => setEdited({ kind, record, known: true })}
                        >
                          <Box minWidth="0">
                            <Box fontWeight={550}>
                              {record.name}
                              {record.archived && (
                                <Box as="span" color="ink2" fontWeight={400}>
                                  {" "}
                                  · archived
                                </Box>
                              )}
                            </Box>
                            <Small>{kit.data.said[record.id]}</Small>
                          </Box>
                          {drawn[record.id] && (
                            <RecordDrawing drawn={drawn[record.id] as Schemas["RecordDrawn"]} />
                          )}
                        </Box>
                      </Box>
                    ))}
                  </ul>
                </Box>
              );
            })}
            <YourWay open={way} setOpen={setWay} />
            <Cards kit={kit.data} />
          </Grid>
        )}
      </Box>
      {pasting && kit.data && <DataSheet kit={kit.data} close={() => setPasting(false)} />}
      {edited && kit.data && (
        <RecordSheet {...edited} kit={kit.data} close={() => setEdited(null)} />
      )}
    </>
  );
}

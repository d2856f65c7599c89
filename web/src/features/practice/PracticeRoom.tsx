import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { RoomHeader } from "../../shared/RoomHeader";
import { Course } from "./Course";
import { Due } from "./Due";
import { KeptSheet } from "./KeptSheet";
import { roomQuery } from "./queries";
import { Heading, Scenes } from "./Scenes";
import { SetSheet } from "./SetSheet";

/** A place where a mistake costs nothing: what is due, the course, and scenes to go out to. */
export function PracticeRoom() {
  const { data: room, error } = useQuery(roomQuery());
  const [open, setOpen] = useState<"set" | "kept" | null>(null);
  const dueToday = room?.due.filter((each) => each.today).length ?? 0;
  return (
    <>
      <RoomHeader title="Practice" sub={room?.today_text}>
        <Button onClick={() => setOpen("set")}>A set for everybody</Button>
      </RoomHeader>
      <Grid
        as="main"
        flex="1"
        overflow="auto"
        padding={{ base: "4", md: "6" }}
        alignContent="start"
        templateColumns={{ base: "minmax(0,1fr)", md: "minmax(300px, 400px) minmax(0,1fr)" }}
        columnGap="10"
        rowGap="8"
      >
        {error && (
          <Notice tone="warning" live>
            {error.message}
          </Notice>
        )}
        {room && (
          <>
            <Flex direction="column" gap="6">
              <Button asChild variant="main" minHeight="56px" fontSize="17px" textDecoration="none">
                <Link to="/practice/questions">
                  Five short ones{dueToday > 0 && `, ${dueToday} to mend today`}
                </Link>
              </Button>
              <Box as="section" aria-label="To mend">
                <Heading>To mend</Heading>
                <Due due={room.due} />
              </Box>
              <Box as="section" aria-label="The course">
                <Heading>The course</Heading>
                <Course topics={room.topics} />
              </Box>
              <Button variant="word" alignSelf="flex-start" onClick={() => setOpen("kept")}>
                What is kept of practice
              </Button>
            </Flex>
            <Scenes room={room} />
          </>
        )}
      </Grid>
      {open === "set" && room && <SetSheet topics={room.topics} close={() => setOpen(null)} />}
      {open === "kept" && <KeptSheet close={() => setOpen(null)} />}
    </>
  );
}

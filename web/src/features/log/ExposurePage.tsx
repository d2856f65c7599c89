import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { Link, useParams } from "wouter";
import { kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { dayText, momentText } from "../../components/days";
import { Quiet, Small } from "../../components/text";
import { ExposureSheet, JudgeSheet } from "../../shared/exposure";
import { History } from "../../shared/History";
import { Opened } from "../../shared/Opened";
import { SeenBefore } from "../../shared/picture/SeenBefore";
import { RoomHeader } from "../../shared/RoomHeader";
import { stateWord } from "../../shared/states";
import { useAsked } from "../../shared/useAsked";
import { Attachments } from "./Attachments";
import { KeptLedger } from "./KeptLedger";
import { NameHolder } from "./NameHolder";
import { type Story, storyQuery } from "./queries";

/** One exposure's whole story, from its box to its judgement. */
export function ExposurePage() {
  const { id = "" } = useParams();
  const story = useQuery(storyQuery(id));
  return (
    <Opened query={story} title="Log" back={["/log", "Back to the log"]}>
      {(found) => <Told story={found} />}
    </Opened>
  );
}

function Told({ story }: { story: Story }) {
  const { exposure: view, scene, outing } = story;
  const recipes = useQuery(kitQuery).data?.recipes ?? [];
  const [open, setOpen] = useState<"correct" | "judge" | null>(null);
  const recipe = recipes.find((each) => each.id === view.recipe_id);
  const developed = story.state === "developed" || story.state === "judged";
  const close = () => setOpen(null);
  useAsked(developed, { judge: () => setOpen("judge") });
  return (
    <>
      <RoomHeader title={`${view.where} · ${scene.title}`} sub={momentText(view.exposed_at)}>
        <Box display={{ base: "none", md: "block" }}>
          <Link to="/log">Back to the log</Link>
        </Box>
      </RoomHeader>
      <Box as="main" flex="1" overflow="auto" padding={{ base: "4", md: "6" }}>
        <Grid
          templateColumns={{ base: "minmax(0,1fr)", md: "minmax(0,1fr) minmax(0,1fr)" }}
          columnGap="10"
          rowGap="6"
        >
          <Flex direction="column" gap="5">
            <Box>
              <Flex align="baseline" columnGap="4" wrap="wrap" data-result>
                <Box fontSize="38px" fontWeight={620} lineHeight={1.1}>
                  {view.set_text}
                </Box>
                <Box fontSize="26px" fontWeight={620}>
                  {view.n_text}
                </Box>
              </Flex>
              <Quiet>
                {[view.off_text, story.planned_text, view.part_text, story.rating_text]
                  .filter(Boolean)
                  .join(", ")}
              </Quiet>
              <Box paddingTop="1">
                <Link to={`/bench/film/${story.film_id}`}>{story.film_name}</Link>
                {[story.lens_name, ...story.filter_names]
                  .filter(Boolean)
                  .map((each) => `, ${each}`)
                  .join("")}
              </Box>
              {story.scene.intention && (
                <Box paddingTop="1">Meant to show: {story.scene.intention}</Box>
              )}
              {view.note && <Box paddingTop="1">“{view.note}”</Box>}
              {story.doubts.map((doubt) => (
                <Small key={doubt} paddingTop="1">
                  {doubt}
                </Small>
              ))}
              {view.where === "no holder" && <NameHolder pieceId={view.piece_id} />}
              <Flex gap="3" paddingTop="2" wrap="wrap">
                <Button onClick={() => setOpen("correct")}>Correct</Button>
                {developed && (
                  <Button onClick={() => setOpen("judge")}>
                    {story.judgement ? "Judge again" : "Judge"}
                  </Button>
                )}
                <History id={view.id} />
              </Flex>
            </Box>
            <Part title="Scene and readings">
              <Link to={`/scene/${scene.id}`}>{scene.title}</Link>
              {`, ${outing.title}`}
              <Quiet>
                {[dayText(outing.day), outing.place, outing.conditions, outing.light]
                  .filter(Boolean)
                  .join(" · ")}
              </Quiet>
              {story.readings.map((reading) => (
                <Box key={reading} fontSize="15px">
                  {reading}
                </Box>
              ))}
            </Part>
            {story.picture_id && (
              <Part title="Seen before the shutter">
                <SeenBefore id={view.id} pictureId={story.picture_id} />
              </Part>
            )}
            <Part title="Film history">
              {story.box && <Quiet>From a {story.box}</Quiet>}
              <ol>
                {story.steps.map((step) => (
                  <Flex
                    as="li"
                    key={`${step.at} ${step.said}`}
                    gap="3"
                    borderBottom="1px solid"
                    borderColor="line"
                    paddingBlock="1.5"
                  >
                    <Small minWidth="148px">{momentText(step.at)}</Small>
                    <Box>
                      {step.said}
                      {step.note && `: ${step.note}`}
                    </Box>
                  </Flex>
                ))}
              </ol>
              <Box paddingTop="1">
                Now {stateWord(story.state)}
                {story.kept_in && `, in the box “${story.kept_in}”`}.
              </Box>
              {story.shares.length > 0 && (
                <Box>
                  Exposed more than once, as intended:{" "}
                  {story.shares.map((share) => (
                    <Link key={share.id} to={`/log/${share.id}`}>
                      {share.set_text}{" "}
                    </Link>
                  ))}
                </Box>
              )}
            </Part>
            <Part title="Development and negative">
              <Box>
                {story.run_text ||
                  (recipe
                    ? `Meant for ${recipe.name}, ${view.development_text}`
                    : `Meant for ${view.development_text}`)}
              </Box>
              {story.decided && <Box fontSize="15px">Decided: {story.decided}</Box>}
              {story.went_text && <Box fontSize="15px">As it went: {story.went_text}</Box>}
              <Box color={story.showed ? "ink" : "ink2"}>
                {story.showed ? `Showed ${story.showed}` : "Not judged yet"}
                {story.next_time && (
                  <Box as="span" color="ochre" fontWeight={600}>
                    {" "}
                    Next time: {story.next_time}
                  </Box>
                )}
              </Box>
              {story.afterwards && <Small>Still possible: {story.afterwards}.</Small>}
              {story.latitude_text && <Box>The bracket {story.latitude_text}</Box>}
            </Part>
          </Flex>
          <Flex direction="column" gap="5">
            <KeptLedger story={story} />
            <Attachments story={story} />
            {story.prints.length > 0 && (
              <Box as="section" aria-label="Prints">
                <Box as="h2" fontSize="13px" color="ink2" paddingBottom="2">
                  Prints
                </Box>
                {story.prints.map((each) => (
                  <Box key={each.id}>
                    <Link to={`/print/${each.id}`} aria-label={`Print ${each.title}`}>
                      {each.title}
                    </Link>
                    : {each.says}
                  </Box>
                ))}
              </Box>
            )}
          </Flex>
        </Grid>
      </Box>
      {open === "correct" && (
        <ExposureSheet
          view={view}
          recipes={recipes.filter((each) => each.film_id === scene.film_id)}
          close={close}
        />
      )}
      {open === "judge" && (
        <JudgeSheet
          line={{
            piece_id: view.piece_id,
            where: view.where,
            scene_title: scene.title,
            n_text: view.n_text,
            part_text: view.part_text,
            judgement: story.judgement,
            version: story.judgement_version,
            in_bracket: story.in_bracket,
          }}
          close={close}
        />
      )}
    </>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box as="section" aria-label={title}>
      <Box as="h2" fontSize="13px" color="ink2" paddingBottom="1">
        {title}
      </Box>
      {children}
    </Box>
  );
}

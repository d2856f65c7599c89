import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { lazy, type ReactNode, Suspense, useMemo } from "react";
import { Quiet } from "../../components/text";
import { type Edit, opinionsQuery, type Scene, type SceneView } from "./queries";

const SIDE_BY_SIDE = "repeat(auto-fill, minmax(108px, 1fr))";
const SmallPrints = lazy(() => import("./picture/SmallPrints"));

interface OpinionProps {
  scene: Scene;
  /** that it is metered by: then each way is seen as a print */
  picture: SceneView["picture"];
  stamp: number;
  take: (edits: Edit[]) => void;
  /** one under the other, as on a phone */
  stacked?: boolean;
}

/** Ways of taking the scene as the prints they would become, where it has a picture. */
function Prints({
  scene,
  picture,
  ways,
  columns,
  stacked,
}: Pick<OpinionProps, "scene" | "picture" | "stacked"> & {
  ways: { id: string; name: string; edits: Edit[] }[];
  columns: string;
}) {
  if (!picture) return null;
  return (
    <Suspense fallback={<Box minHeight="104px" />}>
      <SmallPrints
        scene={scene}
        picture={picture}
        ways={ways}
        columns={stacked ? SIDE_BY_SIDE : columns}
        named={stacked}
      />
    </Suspense>
  );
}

/** A way to take the scene, which is taken by a touch; one that cannot be is read only. */
function Way({
  chosen,
  stacked,
  take,
  children,
}: {
  chosen?: boolean;
  stacked?: boolean;
  take: (() => void) | null;
  children: ReactNode;
}) {
  return (
    <Box
      as="button"
      aria-pressed={chosen}
      aria-disabled={!take}
      onClick={() => take?.()}
      display="flex"
      flexDirection="column"
      alignItems="stretch"
      textAlign="left"
      padding="2"
      minHeight={stacked ? "56px" : "92px"}
      border="none"
      borderRight={stacked ? "none" : "1px solid"}
      borderBottom={stacked ? "1px solid" : "none"}
      borderColor="line"
      cursor={take ? "pointer" : "default"}
      background={chosen ? "accentSoft" : "transparent"}
      boxShadow={chosen ? "inset 0 3px 0 var(--chakra-colors-accent)" : "none"}
      color="ink"
      lineHeight={1.25}
    >
      {children}
    </Box>
  );
}

/** What each school of placing would make of the same readings, side by side. */
export function Schools({ scene, picture, stamp, take, stacked }: OpinionProps) {
  const { data, error } = useQuery(opinionsQuery(scene, stamp));
  const ways = useMemo(
    () =>
      (data?.schools ?? [])
        .filter(({ row }) => !row.problem)
        .map(({ row, edits }) => ({ id: row.school, name: row.name, edits })),
    [data],
  );
  if (error) return <Quiet>{error.message}</Quiet>;
  if (!data) return <Box minHeight="76px" />;
  const columns = stacked ? "1fr" : "repeat(7, minmax(0, 1fr))";
  return (
    <>
      <Prints scene={scene} picture={picture} ways={ways} columns={columns} stacked={stacked} />
      <Grid
        templateColumns={columns}
        borderTop="1px solid"
        borderColor="line"
        role="group"
        aria-label="Placement methods"
      >
        {data.schools.map(({ row, chosen, edits }) => (
          <Way
            key={row.school}
            chosen={chosen}
            stacked={stacked}
            take={edits.length ? () => take(edits) : null}
          >
            <Box fontWeight={600} fontSize="14px">
              {row.name}
            </Box>
            {row.problem ? (
              <Box fontSize="12.5px" color="ink2">
                {row.problem}
              </Box>
            ) : (
              <>
                <Box fontSize="14px">
                  EV {row.camera_ev_text} · {row.n_text}
                </Box>
                <Box fontSize="12.5px" color="ink2">
                  {row.difference_text}
                  {row.lost.length > 0 && (
                    <Box as="span" color="ochre">
                      {" "}
                      · loses {row.lost.join(", ")}
                    </Box>
                  )}
                </Box>
                {stacked && (
                  <Box fontSize="13px" color="ink2">
                    {row.text}
                  </Box>
                )}
              </>
            )}
          </Way>
        ))}
      </Grid>
    </>
  );
}

/** Up to three whole plans, each with its reason and its price. */
export function SecondOpinion({ scene, picture, stamp, take, stacked }: OpinionProps) {
  const { data, error } = useQuery(opinionsQuery(scene, stamp));
  const ways = useMemo(
    () =>
      (data?.plans ?? []).map(({ plan, edits }, place) => ({
        id: `plan ${place + 1}`,
        name: plan.text,
        edits,
      })),
    [data],
  );
  if (error) return <Quiet>{error.message}</Quiet>;
  if (!data) return <Box minHeight="76px" />;
  const columns = stacked ? "1fr" : "repeat(3, minmax(0, 1fr))";
  return (
    <>
      <Prints scene={scene} picture={picture} ways={ways} columns={columns} stacked={stacked} />
      <Grid
        templateColumns={columns}
        borderTop="1px solid"
        borderColor="line"
        role="group"
        aria-label="Second opinion: plans, best first"
      >
        {data.plans.map(({ plan, edits }, place) => (
          <Way key={`${plan.says} ${plan.text}`} stacked={stacked} take={() => take(edits)}>
            <Flex justify="space-between" gap="2">
              <Box fontWeight={600} fontSize="15px">
                {place + 1} · {plan.text}
              </Box>
              <Box color="ink2" fontSize="12.5px" whiteSpace="nowrap">
                {plan.cost_text}
              </Box>
            </Flex>
            <Box fontSize="13px">{plan.says}</Box>
            <Box fontSize="12.5px" color="ink2">
              {plan.reason} {plan.costs}
            </Box>
            {plan.sum_text && (
              <Box fontSize="12px" color="ink2">
                {plan.sum_text}
              </Box>
            )}
          </Way>
        ))}
      </Grid>
    </>
  );
}

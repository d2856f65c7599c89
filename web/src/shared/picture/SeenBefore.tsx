import { Box } from "@chakra-ui/react";
import { lazy, Suspense } from "react";

const PlannedPrint = lazy(() => import("./PlannedPrint"));

/** What was seen before the shutter, loaded where there is a picture. */
export const SeenBefore = (of: { id: string; pictureId: string }) => (
  <Suspense fallback={<Box minHeight="180px" />}>
    <PlannedPrint {...of} />
  </Suspense>
);

import { Box } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { Link } from "wouter";
import type { Schemas } from "../api/calls";
import { learnedQuery } from "./learned";

/** What the judged negatives of a recipe say, where its minutes are chosen; nothing without any. */
export function LearnedLine({ recipeId }: { recipeId: string }) {
  const learned: Schemas["Learned"] | undefined = useQuery({
    ...learnedQuery(recipeId, []),
    retry: false,
  }).data;
  if (!learned || learned.answer.development.negatives === 0) return null;
  return (
    <Box fontSize="15px" color="ink2">
      {learned.minutes_text} <Link to="/bench">Bench</Link>
    </Box>
  );
}

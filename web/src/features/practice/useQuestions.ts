import { useQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useState } from "react";
import { useSearchParams } from "react-router";
import type { Refusal } from "../../api/refusal";
import { type Asked, nextQuestion, type PracticeSet, setQuery, type Topic } from "./queries";

const FIVE = 5;

/** The set in the address, where there is one. */
function setOf(params: URLSearchParams): PracticeSet | null {
  const seed = params.get("seed");
  if (seed === null) return null;
  const topics = params.get("topics");
  return {
    seed: Number(seed),
    many: Number(params.get("many") ?? "12"),
    level: Number(params.get("level") ?? "1"),
    topics: topics ? (topics.split(",") as Topic[]) : [],
  };
}

/** Questions one after the other: five of what is due, of a topic that was chosen, or a set. */
export function useQuestions() {
  const [params] = useSearchParams();
  const set = setOf(params);
  const ofSet = useQuery({ ...setQuery(set ?? NO_SET), enabled: set !== null }).data;
  const [place, setPlace] = useState(0);
  const [asked, setAsked] = useState<Asked | null>(null);
  const [problem, setProblem] = useState<Refusal | null>(null);
  const topic = params.get("topic") as Topic | null;
  const misconception = params.get("misconception") ?? "";
  const many = set ? set.many : FIVE;
  const fetchNext = useCallback(async () => {
    try {
      setAsked(await nextQuestion(topic, misconception));
      setProblem(null);
    } catch (refusal) {
      setProblem(refusal as Refusal);
    }
  }, [topic, misconception]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked once for each place
  useEffect(() => {
    if (place >= many) return;
    if (!set) void fetchNext();
    else if (ofSet?.[place])
      setAsked({
        question: ofSet[place],
        why: `set ${set.seed}`,
        misconception: null,
        kit: NOBODYS,
      });
  }, [place, many, ofSet, fetchNext]);
  return {
    asked: place < many ? asked : null,
    place,
    many,
    set: set?.seed ?? null,
    problem,
    next: () => setPlace(place + 1),
    anew: () => {
      setAsked(null);
      setPlace(0);
      if (!set && place === 0) void fetchNext();
    },
  };
}

const NO_SET: PracticeSet = { seed: 0, many: 1, level: 1, topics: [] };
const NOBODYS: Asked["kit"] = { focal_length_mm: null, exponent: null };

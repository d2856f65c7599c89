import { useQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Refusal } from "../../api/refusal";
import { useQueried } from "../../shared/useAddress";
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

/** Questions one after the other: five of what is due, of a topic that was chosen, or a set. The one
    that was answered stays until the next is there, so that nothing typed meets the wrong one. */
export function useQuestions() {
  const params = useQueried();
  const set = setOf(params);
  const ofSet = useQuery({ ...setQuery(set ?? NO_SET), enabled: set !== null }).data;
  const [at, setAt] = useState<{ place: number; asked: Asked | null }>(BEGUN);
  const [problem, setProblem] = useState<Refusal | null>(null);
  const topic = params.get("topic") as Topic | null;
  const misconception = params.get("misconception") ?? "";
  const many = set ? set.many : FIVE;
  const drawn = set === null;
  const latest = useRef(0);
  const go = useCallback(
    async (place: number) => {
      const mine = ++latest.current;
      try {
        const asked = drawn && place < many ? await nextQuestion(topic, misconception) : null;
        if (mine !== latest.current) return;
        setAt({ place, asked });
        setProblem(null);
      } catch (refusal) {
        if (mine === latest.current) setProblem(refusal as Refusal);
      }
    },
    [topic, misconception, drawn, many],
  );
  useEffect(() => {
    void go(0);
  }, [go]);
  const { place } = at;
  const question = ofSet?.[place];
  const given = set && question ? { ...NOBODYS, question, why: `set ${set.seed}` } : at.asked;
  return {
    asked: place < many ? given : null,
    place,
    many,
    set: set?.seed ?? null,
    problem,
    next: () => void go(place + 1),
    anew: () => {
      setAt(BEGUN);
      void go(0);
    },
  };
}

const BEGUN = { place: 0, asked: null };
const NO_SET: PracticeSet = { seed: 0, many: 1, level: 1, topics: [] };
const NOBODYS = { misconception: null, kit: { focal_length_mm: null, exponent: null } };

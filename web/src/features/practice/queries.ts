import { queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { ask, question } from "../../api/ask";
import type { Schemas } from "../../api/calls";
import { newId } from "../../api/newId";
import { today } from "../../components/days";

export type Room = Schemas["PracticeRoom"];
export type Asked = Schemas["QuestionAsked"];
export type Told = Schemas["AnswerTold"];
export type Topic = Asked["question"]["topic"];
export type Offered = Schemas["SceneOffered"];
export type PracticeSet = Schemas["PracticeSet"];

export const roomQuery = () => question("practice_read", { query: { day: today() } });

/** The question to ask now: of a topic, where one is chosen. */
export const nextQuestion = (topic: Topic | null, misconception: string) =>
  ask("practice_question", { query: { day: today(), topic, misconception } });

/** The questions of a set, as they would be asked one by one. */
export const setQuery = (asked: PracticeSet) =>
  queryOptions({
    ...question("practice_as_set", { body: asked }),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const answerTo = ({ question, kit }: Asked, typed: string, of_set: number | null) => {
  const { topic, seed, level } = question;
  return act("practice_answer", {
    body: { id: newId(), day: today(), topic, seed, level, kit, typed, of_set },
  });
};

export const goOut = (going: Omit<Schemas["GoingOut"], "id">) =>
  act("practice_go_out", { body: { ...going, id: newId() } });

export const deleteAll = () => act("practice_delete_all", {});

export const deleteScene = (id: string) => act("practice_delete_scene", { path: { id } });

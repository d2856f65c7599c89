export { PracticeRoom } from "./PracticeRoom";
export { QuestionsPage } from "./QuestionsPage";

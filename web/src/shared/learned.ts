import { question } from "../api/ask";

/** What the judged negatives of a recipe say, without those that are left out. */
export const learnedQuery = (recipe_id: string, without: string[]) =>
  question("learning_weigh", { path: { id: recipe_id }, body: { without } });

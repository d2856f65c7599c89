/** Keys with their words, as a choice offers them. */
export const named = (words: Record<string, string>) =>
  Object.entries(words).map(([value, label]) => ({ value, label }));

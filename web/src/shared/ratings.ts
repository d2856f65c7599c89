/** Why film is rated at another EI than its own; a higher one nobody explains is a push. */
export const RATING_REASONS = [
  { value: "", label: "not said" },
  { value: "index", label: "my own index" },
  { value: "push_pull", label: "pushed or pulled" },
  { value: "filter", label: "a filter or bellows counted in it" },
  { value: "safety", label: "for safety" },
];

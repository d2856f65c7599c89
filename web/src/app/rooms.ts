/* The rooms in the order of work; g and its digit opens each. */
export const ROOMS = [
  { name: "Outing", path: "/outing", key: "1" },
  { name: "Scene", path: "/scene", key: "2" },
  { name: "Film", path: "/film", key: "3" },
  { name: "Darkroom", path: "/darkroom", key: "4" },
  { name: "Bench", path: "/bench", key: "5" },
  { name: "Print", path: "/print", key: "6" },
  { name: "Log", path: "/log", key: "7" },
  { name: "Kit", path: "/kit", key: "8" },
] as const;

type Room = (typeof ROOMS)[number];

/** Rooms a phone keeps behind “More”. */
export const MORE: readonly Room[] = ROOMS.filter(
  ({ path }) => path === "/bench" || path === "/print" || path === "/log" || path === "/kit",
);

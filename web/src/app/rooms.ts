/* The rooms in the order of work; g and its digit opens each. */
export const ROOMS = [
  { name: "Outing", path: "/outing", key: "1" },
  { name: "Scene", path: "/scene", key: "2" },
  { name: "Film", path: "/film", key: "3" },
  { name: "Darkroom", path: "/darkroom", key: "4" },
  { name: "Bench", path: "/bench", key: "5" },
  { name: "Print", path: "/print", key: "6" },
  { name: "Log", path: "/log", key: "7" },
  { name: "Practice", path: "/practice", key: "8" },
  { name: "Kit", path: "/kit", key: "9" },
] as const;

type Room = (typeof ROOMS)[number];

const BEHIND = ["/bench", "/print", "/log", "/practice", "/kit"];
/** Rooms a phone keeps behind “More”. */
export const MORE: readonly Room[] = ROOMS.filter(({ path }) => BEHIND.includes(path));

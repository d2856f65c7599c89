/* Ways of moving film, as the core knows them by their keys (core/data/agitation.py). */
export const AGITATIONS = [
  { value: "30+10", label: "30 s, then 10 s each minute" },
  { value: "60+10", label: "60 s, then 10 s each minute" },
  { value: "60+15", label: "60 s, then 15 s each minute" },
  { value: "inversions", label: "5 inversions each minute" },
  { value: "tap", label: "5 s and a tap, each half minute" },
  { value: "hangers", label: "hangers lifted each minute" },
  { value: "semi-stand", label: "semi-stand: 10 s every 10 min" },
  { value: "stand", label: "stand: 30 s, then still" },
  { value: "rotary", label: "continuous rotary" },
  { value: "shuffle", label: "tray shuffle" },
];

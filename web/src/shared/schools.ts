/* The ways of placing as they are offered, in one order; what each means is the core's. */
export const SCHOOLS = [
  { value: "", label: "by the pin: each scene as you place it" },
  { value: "shadow", label: "shadow: the darkest on your shadow zone" },
  { value: "midtone", label: "mid-tone: a middle tone on V" },
  { value: "highlight", label: "highlight: the brightest on your highlight zone" },
  { value: "average", label: "average of darkest and brightest" },
  { value: "incident", label: "incident: a reading of the light" },
  { value: "incident_pair", label: "incident pair: shadow side and lit side" },
  { value: "as_metered", label: "as metered: the first reading on V" },
];

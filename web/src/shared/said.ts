/** A stored value as it is said beside another: empty is “nothing”, long ones are cut. */
export function said(value: unknown): string {
  if (value === "" || value == null) return "nothing";
  const text = typeof value === "object" ? JSON.stringify(value) : `“${value}”`;
  return text.length > 80 ? `${text.slice(0, 79)}…` : text;
}

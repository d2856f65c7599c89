/* How numbers typed by hand are read for the wire; what they mean is the core's. */

/** "9" and "2:10" are seconds by the watch, "1/60" stays the engraved mark it is. */
export function timeFromText(text: string): string | number {
  const trimmed = text.trim().replace(/\s*s$/, "");
  const minutes = /^(\d+):([0-5]?\d)$/.exec(trimmed);
  if (minutes) return Number(minutes[1]) * 60 + Number(minutes[2]);
  return /^\d+(\.\d+)?$/.test(trimmed) ? Number(trimmed) : trimmed;
}

/** A mark as typed without its f. */
export const apertureFromText = (text: string) => text.trim().replace(/^f\s*\/?\s*/i, "");

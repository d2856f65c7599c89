/* What is typed goes out as it was typed: the core reads it, and says what is wrong with it. */

/** What is kept, as it stands in a field to be typed over. */
export const asTyped = (value: number | null | undefined) =>
  value == null ? "" : String(Number(value.toPrecision(6)));

export const typedNumber = (text: string) => text as unknown as number;

/** A bare number goes with the unit that stands beside its field. */
export const typedIn = (text: string, unit: string) =>
  typedNumber(/^[-−\d.,\s]+$/.test(text) ? `${text.trim()} ${unit}` : text);

/** A table typed as lines, a row each; the core takes them apart. */
export const typedRows = <Row>(text: string) => text as unknown as Row[];

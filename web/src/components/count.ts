/** A number and its noun: one sheet, 3 sheets. */
export const count = (number: number, one: string, many = `${one}s`) =>
  `${number} ${number === 1 ? one : many}`;

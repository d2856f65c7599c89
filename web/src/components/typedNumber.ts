/**
 * The number that was typed, or the text itself, which the core then refuses by name: NaN would
 * silently become nothing on the wire.
 */
export function typedNumber(text: string): number {
  const trimmed = text.trim().replace("−", "-");
  const number = Number(trimmed);
  return trimmed !== "" && Number.isFinite(number) ? number : (text as unknown as number);
}

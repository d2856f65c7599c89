/** Minutes as a developing clock shows them: 6:50, never 6.83. */
export function clockText(minutes: number): string {
  const seconds = Math.round(minutes * 60);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}

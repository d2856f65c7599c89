/** What of one's kit is offered: all that was not put away, and what is chosen all the same. */
export const offered = <One extends { id: string; archived?: boolean }>(
  records: One[] | undefined,
  ...chosen: (string | null | undefined)[]
) => (records ?? []).filter((each) => !each.archived || chosen.includes(each.id));

/** A fresh id, made here so that a write handed in twice is one write. */
export const newId = () => crypto.randomUUID() as string;

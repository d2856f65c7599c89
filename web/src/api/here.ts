/** A whole address; a page that is one file has none, and any will do. */
export const here = (path: string) =>
  `${window.location.protocol === "file:" ? "http://127.0.0.1" : window.location.origin}${path}`;

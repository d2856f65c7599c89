const REST_MS = 500;

/** Something as it is being changed: shown at once, kept after a moment's rest on the version it was
    changed from, and never written over by what it was before. */
export function keeping<T>(
  stored: { value: T; version: string },
  show: (value: T) => void,
  /** the version it has when it is kept; null when it was refused */
  put: (value: T, base: string) => Promise<string | null>,
) {
  let { value, version } = stored;
  let waits = false;
  let going: Promise<boolean> | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const later = () => {
    clearTimeout(timer);
    timer = setTimeout(() => void flush(), REST_MS);
  };
  const send = async () => {
    const sent = value;
    const kept = await put(sent, version);
    if (kept === null) return false;
    version = kept;
    // what was changed while this was on its way is told by itself, shown or not
    waits = value !== sent;
    return true;
  };
  /** Keep what waits, now, one after the other; whether nothing was refused. */
  const flush = async (): Promise<boolean> => {
    clearTimeout(timer);
    while (going) await going;
    if (!waits) return true;
    going = send().finally(() => {
      going = null;
    });
    const kept = await going;
    if (kept && waits) later();
    return kept;
  };
  return {
    flush,
    change(edit: (before: T) => T) {
      value = edit(value);
      waits = true;
      show(value);
      later();
    },
    /** What another act, or undo, made of it is taken over when nothing of one's own waits. */
    meet(now: { value: T; version: string }) {
      if (waits) return;
      ({ value, version } = now);
      show(value);
    },
    /** Mine over what another hand kept meanwhile. */
    over(base: string) {
      version = base;
      return flush();
    },
    letGo() {
      waits = false;
    },
  };
}

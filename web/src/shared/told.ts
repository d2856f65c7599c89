import { useSyncExternalStore } from "react";

/** Something that changes while one drags: who shows it is told, and nobody else is drawn anew. */
export class Told<T> {
  private readonly listeners = new Set<() => void>();
  constructor(private value: T) {}
  get = () => this.value;
  set = (value: T) => {
    if (Object.is(value, this.value)) return;
    this.value = value;
    for (const each of this.listeners) each();
  };
  listen = (listener: () => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
}

/** What one only listens to. */
export type Heard<T> = Pick<Told<T>, "get" | "listen">;

export const useTold = <T>(told: Heard<T>): T => useSyncExternalStore(told.listen, told.get);

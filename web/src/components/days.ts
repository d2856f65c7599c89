import { keptOutside } from "../api/kept";

/* Days and moments as people write them, without asking where the sun is. */

export type DateForm = "day first" | "month first" | "iso";

const form = keptOutside<{ form: DateForm }>("emulsa-dates");

/** How dates are written on this device, as the preferences say. */
export const writeDates = (next: DateForm) =>
  form.read()?.form !== next && form.keep({ form: next });

export const useDates = () => form.use()?.form ?? "day first";

const LOCALE = { "day first": "en-GB", "month first": "en-US", iso: "sv-SE" } as const;
const locale = () => LOCALE[form.read()?.form ?? "day first"];
const isIso = () => form.read()?.form === "iso";

export const today = () => {
  const now = new Date();
  const local = new Date(now.getTime() - now.getTimezoneOffset() * 60_000);
  return local.toISOString().slice(0, 10);
};

/** The midnight a day begins with on the clock on the wall here, with its zone. */
export function midnight(day: string): string {
  const at = new Date(`${day}T00:00:00`);
  const east = -at.getTimezoneOffset();
  const two = (each: number) => String(Math.abs(each)).padStart(2, "0");
  return `${day}T00:00:00${east < 0 ? "-" : "+"}${two(Math.trunc(east / 60))}:${two(east % 60)}`;
}

export function dayText(day: string): string {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(day) || isIso()) return day;
  return new Date(`${day}T12:00:00`).toLocaleDateString(locale(), {
    day: "numeric",
    month: "long",
    year: "numeric",
  });
}

/** The day of a moment, by the clock on the wall here; short, as in a column. */
export function dayOf(at: string): string {
  const moment = new Date(at);
  if (Number.isNaN(moment.getTime())) return at;
  return moment.toLocaleDateString(locale(), {
    day: "numeric",
    month: isIso() ? "2-digit" : "short",
    year: "numeric",
  });
}

/** A moment of the log, by the clock on the wall here. */
export function momentText(at: string): string {
  const moment = new Date(at);
  if (Number.isNaN(moment.getTime())) return at;
  return moment.toLocaleString(locale(), {
    day: "numeric",
    month: isIso() ? "2-digit" : "short",
    year: "numeric",
    hour: "2-digit",
    minute: "2-digit",
  });
}

/** A moment of late: today's by its hour alone. */
export function lately(at: string): string {
  const moment = new Date(at);
  if (moment.toDateString() !== new Date().toDateString()) return momentText(at);
  return `${moment.toLocaleTimeString(locale(), { hour: "2-digit", minute: "2-digit" })} today`;
}

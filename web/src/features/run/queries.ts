import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { ask, question } from "../../api/ask";
import type { Schemas } from "../../api/calls";

export const finished = (id: string, went: Schemas["Went"]) =>
  act("runs_finished", { path: { id }, body: went });

export const retime = (id: string, body: Schemas["Retiming"]) =>
  ask("runs_retime", { path: { id }, body });

export const readThermometer = (began_c: number, minute: number) =>
  ask("devices_thermometer", { query: { began_c, minute } });

/** When one pair of hands can begin a run beside others that go. */
export const besideQuery = (id: string, others: Schemas["Going"][], moment: number) =>
  queryOptions({
    ...question("runs_begin_beside", { path: { id }, body: { others } }),
    queryKey: ["runs_begin_beside", { id, others: others.length, moment }], // asked each moment
    enabled: others.length > 0,
    placeholderData: keepPreviousData,
    retry: false,
  });

/** The run with the next bath now, or this one so much longer. */
export const shift = (body: Schemas["Shift"]) => ask("runs_shift", { body });

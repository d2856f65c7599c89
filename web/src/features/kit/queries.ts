import { api, unwrap } from "../../api/client";
import type { Kind } from "./fields";

/** Keep a record of any kind; the server knows each kind's rules. */
export const putRecord = (kind: Kind, record: { id: string }) =>
  unwrap(
    api.PUT(`/api/kit/${kind}/{id}`, {
      params: { path: { id: record.id } },
      body: record as never,
    }),
  );

export const deleteRecord = (kind: Kind, id: string) =>
  unwrap(api.DELETE(`/api/kit/${kind}/{id}`, { params: { path: { id } } }));

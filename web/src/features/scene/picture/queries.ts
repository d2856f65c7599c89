import { act } from "../../../api/acts";
import { ask } from "../../../api/ask";
import type { Schemas } from "../../../api/calls";
import type { Edit } from "../queries";

export type Seen = Schemas["PictureSeen"];
export type Place = Schemas["PlaceSeen"];
export type Spot = Schemas["Spot"];
export type Metering = Schemas["Metering"];
export type Picture = NonNullable<Schemas["SceneView"]["picture"]>;
export type Asked = Schemas["Seeing"];

export const seen = (asked: Asked) => ask("scenes_seen", { body: asked });

export const takeAway = (id: string) => act("attachments_delete", { path: { id } });

export const meterBy = (id: string, metering: Metering, base: string) =>
  act("attachments_metering", { path: { id }, query: { base }, body: metering });

/** A place that was read off the picture, moved to another. */
export const readOff = (
  id: string,
  label: string,
  reading: Schemas["PhotoReading"],
  spot: Spot,
): Edit => ({
  kind: "read",
  id,
  label,
  reading,
  taken_at: null,
  incident: false,
  through: false,
  spot,
});

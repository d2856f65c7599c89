import { save } from "../components/save";
import { type CameOf, type HandIn, handInActs, outgoing, PICTURE, version } from "./handingIn";
import { deviceName } from "./mode";

/* What was done out there as a file of one's own: plain JSON, handed in where the page is at home, or
   by `emulsa hand-in FILE`. */

/** Save what is to be handed in. */
export async function saveFile(): Promise<void> {
  const acts = (await outgoing()).filter((each) => each.name !== PICTURE);
  const name = `emulsa-outing-${new Date().toISOString().slice(0, 16).replace(/[:T]/g, "-")}.json`;
  const device = deviceName();
  const text = JSON.stringify({ device, version: await version(), acts }, null, 1);
  save(new Blob([text], { type: "application/json" }), name);
}

const NOT_OURS = "This file was not saved by Emulsa out there; choose emulsa-outing-….json.";

/** Hand in what a file holds; sent again, nothing is done twice. */
export async function handInFile(
  file: File,
  tell: (done: number, total: number) => void,
): Promise<CameOf[]> {
  let saved: Partial<HandIn> | null;
  try {
    saved = JSON.parse(await file.text());
  } catch {
    throw new Error(NOT_OURS);
  }
  const { device, version, acts } = saved ?? {};
  if (!device || !version || !Array.isArray(acts)) throw new Error(NOT_OURS);
  return handInActs({ device, version, acts }, tell);
}

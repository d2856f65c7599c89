import { here } from "../api/here";
import { save } from "../components/save";
import { type CameOf, type HandIn, handInActs, outgoing, PICTURE, version } from "./handingIn";
import { deviceName } from "./mode";
import { type Attached, sendPicture, waitingPictures } from "./pictures";
import { SINGLE } from "./single";

/* What was done out there as a file of one's own: plain JSON, pictures in base64; handed in where the
   page is at home, or by `emulsa hand-in FILE`. */

const PICTURES = "/api/attachments/"; // where they may be sent, whatever a file says
const MOST_BYTES = 200_000_000; // of pictures: more no page could read again as one text

interface SavedPicture {
  id: string;
  moment: string;
  target: string;
  content: string;
}
type Saved = HandIn & { pictures?: SavedPicture[] };

/** Save what is to be handed in; answers how many pictures did not find room in the file. */
export async function saveFile(): Promise<number> {
  const done = await outgoing();
  const acts = done.filter((each) => each.name !== PICTURE);
  const undone = new Set(done.filter((each) => each.taken_back).map((each) => each.id));
  const told = { device: deviceName(), version: await version(), acts };
  const waiting = SINGLE ? [] : await waitingPictures();
  const all = waiting.filter(({ id }) => !undone.has(id));
  let bytes = 0;
  const taken = all.filter(({ file }) => {
    const fits = bytes + file.size <= MOST_BYTES;
    if (fits) bytes += file.size;
    return fits;
  });
  const parts: string[] = [];
  for (const each of taken) parts.push(JSON.stringify(await withContent(each)));
  const text = JSON.stringify(told, null, 1).slice(0, -2); // without its end
  const name = `emulsa-outing-${new Date().toISOString().slice(0, 16).replace(/[:T]/g, "-")}.json`;
  const whole = [text, ',\n "pictures": [', parts.join(",\n"), "]\n}"];
  save(new Blob(whole, { type: "application/json" }), name);
  return all.length - taken.length;
}

async function withContent({ file, ...named }: Attached): Promise<SavedPicture> {
  const address = await new Promise<string>((done, failed) => {
    const reader = new FileReader();
    reader.onload = () => done(reader.result as string);
    reader.onerror = () => failed(new Error("A picture could not be read; try again."));
    reader.readAsDataURL(file);
  });
  return { ...named, content: address.slice(address.indexOf(",") + 1) };
}

const DAMAGED = "The picture in this file is damaged.";
const NOT_OURS = "This file was not saved by Emulsa out there; choose emulsa-outing-….json.";

/** Hand in what a file holds; sent again, nothing is done twice. Answers what came of the acts, how
    many pictures are at home, and why others are not taken. */
export async function handInFile(
  file: File,
  tell: (done: number, total: number) => void,
): Promise<{ came: CameOf[]; taken: number; left: string[] }> {
  let saved: Partial<Saved> | null;
  try {
    saved = JSON.parse(await file.text());
  } catch {
    throw new Error(NOT_OURS);
  }
  const { device, version, acts, pictures = [] } = saved ?? {};
  if (!device || !version || !Array.isArray(acts) || !Array.isArray(pictures))
    throw new Error(NOT_OURS);
  if (!pictures.every(({ target }) => isOfPicture(target))) throw new Error(NOT_OURS);
  const came = await handInActs({ device, version, acts }, tell);
  const left: string[] = [];
  for (const { content, ...named } of pictures) {
    const file = fileOf(content);
    const why = file ? await sendPicture({ ...named, file }) : DAMAGED;
    if (why) left.push(why);
  }
  return { came, taken: pictures.length - left.length, left };
}

/** As the browser would follow it, whatever stands in between. */
const isOfPicture = (target: unknown) =>
  typeof target === "string" &&
  target.startsWith("/") &&
  new URL(here(target)).pathname.startsWith(PICTURES);

/** None when it is no base64. */
function fileOf(content: unknown): Blob | null {
  try {
    return new Blob([Uint8Array.from(atob(String(content)), (letter) => letter.charCodeAt(0))]);
  } catch {
    return null;
  }
}

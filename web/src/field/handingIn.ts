import type { Schemas } from "../api/calls";
import { compared } from "../api/clocks";
import { here } from "../api/here";
import { OWN } from "../api/own";
import { transport } from "../api/transport";
import { dropPicture, sendPictures } from "./pictures";

/* Handing in: what was done here is done at home, by the same acts, each once. */

type Outgoing = Schemas["Outgoing"];
/** Acts as this copy tells them; home decodes each by itself. */
export type HandIn = Omit<Schemas["HandIn"], "acts"> & { acts: Outgoing[] };
export type CameOf = Schemas["CameOf"];

export const PICTURE = "attachments.attach";
const addressOf = ({ request }: Outgoing) =>
  here(`/api/attachments/${(JSON.parse(request) as { path: { id: string } }).path.id}`);

/** Who answers for the copy: whoever the mode says, or one that is told. */
type Asking = (request: Request) => Promise<Response>;

const MOST_ACTS = 100;
const MOST_TEXT = 400_000;
const ANSWERS_WITHIN_MS = 30_000; // away from home a request may hang rather than fail

/** What was done in this copy since it was taken. */
export async function outgoing(asking: Asking = transport): Promise<Outgoing[]> {
  const answer = await asking(new Request(here("/api/carry/outgoing"), { headers: OWN }));
  if (!answer.ok) throw new Error("What was done here could not be read; try again.");
  return (await answer.json()) as Outgoing[];
}

/** Which version did it. */
export async function version(asking: Asking = transport): Promise<string> {
  const answer = await asking(new Request(here("/api/health"), { headers: OWN }));
  return ((await answer.json()) as Schemas["Health"]).version;
}

/** Send everything home; sent again, nothing is done twice. Throws when home is not reached. */
export async function handIn(
  device: string,
  tell: (done: number, total: number) => void,
  asking: Asking = transport,
): Promise<CameOf[]> {
  const [all, of] = [await outgoing(asking), await version(asking)];
  // pictures follow what they show, as files
  const acts = all.filter((each) => each.name !== PICTURE);
  for (const each of all)
    if (each.name === PICTURE && each.taken_back) await dropPicture(addressOf(each));
  const came = await handInActs({ device, version: of, acts }, tell);
  await sendPictures();
  return came;
}

/** Acts of a copy, or of a file that was saved from one; home does each once, however often. */
export async function handInActs(
  { device, version: of, acts }: HandIn,
  tell: (done: number, total: number) => void,
): Promise<CameOf[]> {
  const came: CameOf[] = [];
  for (let at = 0; at < acts.length; ) {
    let text = 0;
    const batch: HandIn["acts"] = [];
    for (const each of acts.slice(at, at + MOST_ACTS)) {
      text += (each.request?.length ?? 0) + (each.answer?.length ?? 0);
      if (batch.length && text > MOST_TEXT) break;
      batch.push(each);
    }
    came.push(...(await sent({ device, version: of, acts: batch })));
    at += batch.length;
    tell(at, acts.length);
  }
  return came;
}

async function sent(handed: HandIn): Promise<CameOf[]> {
  const answer = compared(
    await fetch("/api/acts", {
      method: "POST",
      headers: { ...OWN, "content-type": "application/json" },
      body: JSON.stringify(handed),
      signal: AbortSignal.timeout(ANSWERS_WITHIN_MS),
    }),
  );
  const said = await answer.json().catch(() => null);
  if (!answer.ok)
    throw new Error(said?.error?.message ?? `Home answered ${answer.status}; try again.`);
  return (said as { came: CameOf[] }).came;
}

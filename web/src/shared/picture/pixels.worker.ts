import { counted } from "./pixels";

/* Pictures are read and counted beside the page, so that it never waits for one. */

const LONGEST = 900;

/** The picture to be read, by the addresses it may be found at, the best first. */
export interface Wanted {
  number: number;
  addresses: string[];
}

self.onmessage = async ({ data: { number, addresses } }: MessageEvent<Wanted>) => {
  const found = await read(addresses).catch(() => null);
  if (!found) return self.postMessage({ number, pixels: null });
  const transfer = [found.image, found.rgba.buffer, found.levels.buffer];
  self.postMessage({ number, pixels: found }, { transfer });
};

async function read(addresses: string[]) {
  const file = await opened(addresses);
  if (!file) return null;
  const scale = Math.min(1, LONGEST / Math.max(file.width, file.height));
  const [width, height] = [file.width, file.height].map((each) =>
    Math.max(1, Math.round(each * scale)),
  ) as [number, number];
  const canvas = new OffscreenCanvas(width, height);
  const pen = canvas.getContext("2d", { willReadFrequently: true });
  if (!pen) return null;
  pen.drawImage(file, 0, 0, width, height);
  file.close();
  const found = counted(pen.getImageData(0, 0, width, height).data, width, height);
  return { ...found, image: canvas.transferToImageBitmap() };
}

/** Out there a picture may be here in small only, or not at all. */
async function opened(addresses: string[]): Promise<ImageBitmap | null> {
  for (const each of addresses) {
    const answer = await fetch(each).catch(() => null);
    if (!answer?.ok) continue;
    const image = await createImageBitmap(await answer.blob()).catch(() => null);
    if (image) return image;
  }
  return null;
}

import { readCarrying } from "../field/mode";
import { compared } from "./clocks";

/* The one way out of the page: a request and its answer, from home by HTTP or from the copy that is
   carried. Which of them is a mode that is seen; no request changes it by itself. */

export type Progress = (share: number) => void;

/** A file that goes out with a request, and how far it is. */
export interface Upload {
  file: Blob;
  progress: Progress;
}

export async function transport(request: Request, upload?: Upload): Promise<Response> {
  if (import.meta.env.MODE === "single")
    return (await import("../field/single")).ask(request, upload?.file);
  if (readCarrying()) return (await import("../field/carried")).ask(request, upload?.file);
  return compared(await (upload ? sent(request, upload) : fetch(request)));
}

/** Fetch cannot tell how far an upload is. */
function sent(request: Request, { file, progress }: Upload): Promise<Response> {
  return new Promise((done, failed) => {
    const way = new XMLHttpRequest();
    way.open(request.method, request.url);
    request.headers.forEach((value, name) => {
      way.setRequestHeader(name, value);
    });
    way.setRequestHeader("content-type", "application/octet-stream");
    way.upload.onprogress = (event) => progress(event.loaded / event.total);
    way.onerror = () => failed(new TypeError("the request did not arrive"));
    way.onload = () => {
      const headers = new Headers();
      for (const line of way
        .getAllResponseHeaders()
        .trim()
        .split(/[\r\n]+/)) {
        const [name = "", ...value] = line.split(": ");
        if (name) headers.append(name, value.join(": "));
      }
      done(new Response(way.responseText || null, { status: way.status, headers }));
    };
    way.send(file);
  });
}

import { problemOf } from "../api/client";
import { beginUpload } from "../api/queries";
import type { Received } from "./received";

export interface Progress {
  files: number;
  filesDone: number;
  bytes: number;
  bytesDone: number;
  secondsLeft?: number;
  /** What was refused so far, in the server's words. */
  refused: { path: string; why: string }[];
}

const AT_ONCE = 3;

/** Larger files are sent in pieces, so that one that breaks off goes on where it stopped. */
const IN_ONE = 64 * 1024 * 1024;
const PIECE = 16 * 1024 * 1024;
const TRIES = 6;

/** What a request came to: an answer, or why there is none; `broke` if asking again may help. */
interface Outcome {
  body?: unknown;
  why?: string;
  broke?: boolean;
}

function put(
  url: string,
  content: Blob,
  onBytes: (sent: number) => void,
  signal: AbortSignal,
): Promise<Outcome> {
  return new Promise((resolve) => {
    const request = new XMLHttpRequest();
    request.open("PUT", url);
    request.setRequestHeader("Content-Type", "application/octet-stream");
    request.upload.onprogress = (event) => onBytes(event.loaded);
    request.onload = () => {
      let body: unknown;
      try {
        body = JSON.parse(request.responseText);
      } catch {
        body = undefined;
      }
      resolve(
        request.status < 400
          ? { body }
          : {
              why: problemOf(request.status, body).message,
              broke: request.status === 409 || request.status >= 502,
            },
      );
    };
    request.onerror = () =>
      resolve({ why: "the connection broke while it was sent; send it again", broke: true });
    request.onabort = () => resolve({ why: "you stopped it" });
    const abort = () => request.abort();
    signal.addEventListener("abort", abort);
    request.onloadend = () => signal.removeEventListener("abort", abort);
    request.send(content);
  });
}

/** One file; resolves to why it was refused, or undefined. */
async function send(
  deliveryId: string,
  received: Received,
  onBytes: (sent: number) => void,
  signal: AbortSignal,
): Promise<string | undefined> {
  if (received.file.size > IN_ONE) {
    return sendInPieces(deliveryId, received, onBytes, signal);
  }
  const url = `/api/deliveries/${encodeURIComponent(deliveryId)}/files?name=${encodeURIComponent(received.path)}`;
  return (await put(url, received.file, onBytes, signal)).why;
}

const wait = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

async function sendInPieces(
  deliveryId: string,
  { path, file }: Received,
  onBytes: (sent: number) => void,
  signal: AbortSignal,
): Promise<string | undefined> {
  let why: string | undefined;
  for (let tries = 0; tries < TRIES && !signal.aborted; tries++) {
    if (tries > 0) {
      await wait(500 * 2 ** tries);
    }
    try {
      // Asked anew after each break: the server knows what has arrived.
      const upload = await beginUpload(deliveryId, path, file.size);
      let at = upload.received;
      while (at < file.size) {
        const from = at;
        const outcome = await put(
          `/api/uploads/${upload.id}?offset=${from}`,
          file.slice(from, from + PIECE),
          (sent) => onBytes(from + sent),
          signal,
        );
        if (outcome.why) {
          why = outcome.why;
          if (!outcome.broke) {
            return why;
          }
          break;
        }
        at = (outcome.body as { received: number }).received;
        tries = 0;
      }
      if (at >= file.size) {
        return undefined;
      }
    } catch (error) {
      why = error instanceof Error ? error.message : String(error);
    }
  }
  return signal.aborted ? "you stopped it" : why;
}

/** Sends files, a few at a time, and says how far it is. A refused file does not stop the rest. */
export async function sendAll(
  deliveryId: string,
  received: Received[],
  onProgress: (progress: Progress) => void,
  signal: AbortSignal,
): Promise<Progress> {
  const began = performance.now();
  const sent = new Map<Received, number>();
  const progress: Progress = {
    files: received.length,
    filesDone: 0,
    bytes: received.reduce((sum, one) => sum + one.file.size, 0),
    bytesDone: 0,
    refused: [],
  };
  const say = () => {
    progress.bytesDone = [...sent.values()].reduce((sum, count) => sum + count, 0);
    const seconds = (performance.now() - began) / 1000;
    progress.secondsLeft =
      progress.bytesDone > 0 && seconds > 1
        ? (seconds / progress.bytesDone) * (progress.bytes - progress.bytesDone)
        : undefined;
    onProgress({ ...progress });
  };
  const queue = [...received];
  const work = async () => {
    for (let one = queue.shift(); one && !signal.aborted; one = queue.shift()) {
      const current = one;
      const why = await send(
        deliveryId,
        current,
        (count) => {
          sent.set(current, count);
          say();
        },
        signal,
      );
      if (why) {
        progress.refused.push({ path: current.path, why });
      }
      sent.set(current, current.file.size);
      progress.filesDone++;
      say();
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  return progress;
}

import { messageOf, Problem, problemOf } from "../api/client";
import { beginUpload, upload } from "../resources/uploads";
import type { Received } from "./received";

export interface Progress {
  files: number;
  filesDone: number;
  bytes: number;
  bytesDone: number;
  secondsLeft?: number;
  /** What was refused so far, in the server's words. */
  refused: { path: string; why: string }[];
  /** What could not be sent: the server knows nothing of it. */
  unsent: { received: Received; why: string }[];
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

const wait = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

/** What a try came to: over, refused or not; or to be tried again, from further on if it `went`. */
type Tried = { over: true; why?: string } | { over: false; why: string; went?: boolean };

/** What became of a file: taken in; refused, and why; or never sent whole, and why. */
interface Sent {
  refused?: string;
  unsent?: string;
}

/** Tries until it is over, waiting longer each time. */
async function untilOver(once: () => Promise<Tried>, signal: AbortSignal): Promise<Sent> {
  let tried: Tried = { over: false, why: "" };
  for (let tries = 0; tries < TRIES && !signal.aborted; tries++) {
    if (tries > 0) {
      await wait(500 * 2 ** tries);
    }
    tried = await once();
    if (tried.over && !signal.aborted) {
      return { refused: tried.why };
    }
    if (!tried.over && tried.went) {
      tries = 0;
    }
  }
  return { unsent: signal.aborted ? "you stopped it" : tried.why };
}

/** One file. */
function send(
  deliveryId: string,
  received: Received,
  onBytes: (sent: number) => void,
  signal: AbortSignal,
): Promise<Sent> {
  if (received.file.size > IN_ONE) {
    return sendInPieces(deliveryId, received, onBytes, signal);
  }
  const url = `/api/deliveries/${encodeURIComponent(deliveryId)}/files?name=${encodeURIComponent(received.path)}`;
  return untilOver(async () => {
    const { why, broke } = await put(url, received.file, onBytes, signal);
    return why && broke ? { over: false, why } : { over: true, why };
  }, signal);
}

function sendInPieces(
  deliveryId: string,
  { path, file }: Received,
  onBytes: (sent: number) => void,
  signal: AbortSignal,
): Promise<Sent> {
  let id: string | undefined;
  const once = async (): Promise<Tried> => {
    // Asked anew after each break: the server knows what has arrived, and what became of it.
    let state = id ? await upload(id) : await beginUpload(deliveryId, path, file);
    id = state.id;
    let went = false;
    while (!state.done && state.received < file.size) {
      const from = state.received;
      const outcome = await put(
        `/api/uploads/${state.id}?offset=${from}`,
        file.slice(from, from + PIECE),
        (sent) => onBytes(from + sent),
        signal,
      );
      if (outcome.why) {
        return outcome.broke
          ? { over: false, why: outcome.why, went }
          : { over: true, why: outcome.why };
      }
      state = outcome.body as typeof state;
      went = true;
    }
    return state.done
      ? { over: true, why: state.fault }
      : { over: false, why: "it has arrived, and is still being taken in; look again later", went };
  };
  return untilOver(
    () =>
      once().catch((error: unknown) => {
        // An upload that is not there any more is begun again.
        id = error instanceof Problem && error.status === 404 ? undefined : id;
        return { over: false, why: messageOf(error) };
      }),
    signal,
  );
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
    unsent: [],
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
      const { refused, unsent } = await send(
        deliveryId,
        current,
        (count) => {
          sent.set(current, count);
          say();
        },
        signal,
      );
      if (refused !== undefined) {
        progress.refused.push({ path: current.path, why: refused });
      }
      if (unsent !== undefined) {
        progress.unsent.push({ received: current, why: unsent });
      }
      sent.set(current, current.file.size);
      progress.filesDone++;
      say();
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  return progress;
}

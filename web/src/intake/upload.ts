import { problemOf } from "../api/client";
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

/** One file as the body of one request; resolves to why it was refused, or undefined. */
function send(
  deliveryId: string,
  { path, file }: Received,
  onBytes: (sent: number) => void,
  signal: AbortSignal,
): Promise<string | undefined> {
  return new Promise((resolve) => {
    const request = new XMLHttpRequest();
    request.open(
      "PUT",
      `/api/deliveries/${encodeURIComponent(deliveryId)}/files?name=${encodeURIComponent(path)}`,
    );
    request.setRequestHeader("Content-Type", "application/octet-stream");
    request.upload.onprogress = (event) => onBytes(event.loaded);
    request.onload = () => {
      if (request.status < 400) {
        resolve(undefined);
        return;
      }
      let body: unknown;
      try {
        body = JSON.parse(request.responseText);
      } catch {
        body = undefined;
      }
      resolve(problemOf(request.status, body).message);
    };
    request.onerror = () => resolve("the connection broke while it was sent; send it again");
    request.onabort = () => resolve("you stopped it");
    signal.addEventListener("abort", () => request.abort());
    request.send(file);
  });
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

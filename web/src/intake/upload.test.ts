// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { answers, withServer } from "../testing/render";
import { sendAll, type Progress } from "./upload";

withServer();

const MB = 1024 * 1024;

/** What the server has of the large file, and what it answers next to a piece. */
let there = 0;
let breaks: number[] = [];
let sent: { url: string; bytes: number }[] = [];

class Request {
  upload: { onprogress?: (event: { loaded: number }) => void } = {};
  status = 0;
  responseText = "";
  onload?: () => void;
  onerror?: () => void;
  onabort?: () => void;
  onloadend?: () => void;
  private url = "";

  open(_method: string, url: string) {
    this.url = url;
  }

  setRequestHeader() {}

  abort() {
    this.onabort?.();
  }

  send(content: Blob) {
    sent.push({ url: this.url, bytes: content.size });
    queueMicrotask(() => {
      this.upload.onprogress?.({ loaded: content.size });
      if (breaks.shift()) {
        this.onerror?.();
        return;
      }
      if (this.url.includes("refused")) {
        this.status = 422;
        this.responseText = JSON.stringify({ detail: "“refused.wav” is no audio file." });
      } else {
        this.status = 200;
        there += content.size;
        this.responseText = JSON.stringify({ id: "u1", received: there, done: there >= 70 * MB });
      }
      this.onload?.();
    });
  }
}

beforeEach(() => {
  there = 0;
  breaks = [];
  sent = [];
  vi.stubGlobal("XMLHttpRequest", Request);
});

afterEach(() => vi.useRealTimers());

const file = (path: string, size: number) => ({
  path,
  file: { size, slice: (from: number, to: number) => ({ size: Math.min(to, size) - from }) },
});

function send(...files: ReturnType<typeof file>[]): Promise<Progress> {
  const received = files as unknown as Parameters<typeof sendAll>[1];
  return sendAll("d1", received, () => undefined, new AbortController().signal);
}

/** The same, where waiting between tries takes no time. */
async function sendHurried(...files: ReturnType<typeof file>[]): Promise<Progress> {
  vi.useFakeTimers();
  const sending = send(...files);
  let over = false;
  void sending.finally(() => (over = true));
  while (!over) {
    await vi.advanceTimersByTimeAsync(500);
  }
  return sending;
}

describe("sending", () => {
  it("sends a small file as one request, and goes on when one is refused", async () => {
    const end = await send(file("refused.wav", 100), file("kick.wav", 200));
    expect(sent.map((one) => one.bytes)).toEqual([100, 200]);
    expect(end.filesDone).toBe(2);
    expect(end.refused).toEqual([{ path: "refused.wav", why: "“refused.wav” is no audio file." }]);
  });

  it("sends a large one in pieces that follow one another", async () => {
    answers.set("POST /api/deliveries/d1/uploads", { id: "u1", received: 0, bytes: 70 * MB });
    const end = await send(file("long.wav", 70 * MB));
    expect(sent.map((one) => one.bytes / MB)).toEqual([16, 16, 16, 16, 6]);
    expect(sent[1]?.url).toBe(`/api/uploads/u1?offset=${16 * MB}`);
    expect(end.refused).toEqual([]);
  });

  it("goes on where it stopped when the connection breaks", async () => {
    breaks = [0, 1];
    answers.set("POST /api/deliveries/d1/uploads", { id: "u1", received: 0, bytes: 70 * MB });
    const end = send(file("long.wav", 70 * MB));
    await vi.waitFor(() => expect(sent).toHaveLength(2));
    // What had arrived before the break is there; the server is asked how far it got.
    answers.set("GET /api/uploads/u1", { id: "u1", received: 16 * MB, bytes: 70 * MB });
    expect((await end).refused).toEqual([]);
    expect(sent.map((one) => one.bytes / MB)).toEqual([16, 16, 16, 16, 16, 6]);
    expect(sent[2]?.url).toBe(`/api/uploads/u1?offset=${16 * MB}`);
  });

  it("asks what became of a file whose last answer was lost, and sends nothing again", async () => {
    breaks = [0, 0, 0, 0, 1];
    answers.set("POST /api/deliveries/d1/uploads", { id: "u1", received: 0, bytes: 70 * MB });
    answers.set("GET /api/uploads/u1", {
      id: "u1",
      received: 70 * MB,
      done: true,
      fault: "“long.wav” is damaged.",
    });
    const end = await sendHurried(file("long.wav", 70 * MB));
    expect(sent).toHaveLength(5);
    expect(end.refused).toEqual([{ path: "long.wav", why: "“long.wav” is damaged." }]);
  });

  it("waits for a file that has arrived whole and is not taken in yet", async () => {
    vi.useFakeTimers();
    const whole = { id: "u1", received: 70 * MB, bytes: 70 * MB };
    answers.set("POST /api/deliveries/d1/uploads", whole);
    answers.set("GET /api/uploads/u1", whole);
    const patient = send(file("long.wav", 70 * MB));
    await vi.advanceTimersByTimeAsync(60_000);
    expect((await patient).unsent[0]?.why).toContain("still being taken in");
    answers.set("GET /api/uploads/u1", { ...whole, done: true });
    const late = send(file("long.wav", 70 * MB));
    await vi.advanceTimersByTimeAsync(60_000);
    expect((await late).refused).toEqual([]);
    expect(sent).toEqual([]);
  });

  it("keeps apart what never came there from what was refused", async () => {
    breaks = [1, 1, 1, 1, 1, 1];
    const end = await sendHurried(file("kick.wav", 200));
    expect(end.refused).toEqual([]);
    expect(end.unsent).toMatchObject([{ received: { path: "kick.wav" } }]);
    expect(end.unsent[0]?.why).toContain("the connection broke");
  });

  it("sends a small file again when the connection breaks", async () => {
    breaks = [1, 0];
    const end = await sendHurried(file("kick.wav", 200));
    expect(sent).toHaveLength(2);
    expect(end.refused).toEqual([]);
  });
});

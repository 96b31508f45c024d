// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { renderHook, waitFor } from "@testing-library/react";
import { act, type ReactNode } from "react";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { dismiss, useNotices } from "../shell/notices";
import { answers, asked, channel, view, withServer } from "../testing/render";
import type { Edit, MixView } from "../api/client";
import { readAhead } from "./ahead";
import { useLedger } from "./ledger";
import { useEdit, useFollowMix, useMix, useUndo } from "./mixes";

withServer();

/** Server-sent events that a test can send. */
class Events {
  static all: Events[] = [];
  listener: (event: { data: string }) => void = () => undefined;
  close = vi.fn();
  constructor(readonly url: string) {
    Events.all.push(this);
  }
  addEventListener(_: string, listener: (event: { data: string }) => void) {
    this.listener = listener;
  }
}

const mute: Edit = { edit: "set-channels", channels: ["kick"], set: { mute: true } };
const change = (from: number, more = {}) => ({
  from,
  revision: from + 1,
  undo: "mute “kick”",
  channels: [channel("kick", { output: "mix", mute: true })],
  facts: {},
  ...more,
});

let client: QueryClient;
const within = ({ children }: { children: ReactNode }) => (
  <QueryClientProvider client={client}>{children}</QueryClientProvider>
);
const shown = () => client.getQueryData<MixView>(["mix", "m1"]);

beforeEach(() => {
  client = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: Infinity } } });
  client.setQueryData(["mix", "m1"], view());
  Events.all = [];
  vi.stubGlobal("EventSource", Events);
  dismiss();
});

describe("an edit", () => {
  it("by a key waits for a server that is away, and is asked under the same id", async () => {
    vi.useFakeTimers({ shouldAdvanceTime: true });
    try {
      const reached = globalThis.fetch;
      const ids: string[] = [];
      vi.stubGlobal("fetch", async (request: Request) => {
        if (request.method === "POST") {
          ids.push(((await request.clone().json()) as { id: string }).id);
          if (ids.length < 7) {
            throw new TypeError("away");
          }
        }
        return reached(request);
      });
      answers.set("POST /api/mixes/m1/edits", change(4));
      const edit = renderHook(() => useEdit("m1"), { wrapper: within });
      const notices = renderHook(() => useNotices());
      act(() => edit.result.current.mutate(mute));
      await vi.advanceTimersByTimeAsync(6_000);
      expect(notices.result.current.map((one) => one.text).join()).toContain(
        "Your change is kept on this page",
      );
      await vi.advanceTimersByTimeAsync(8_000);
      expect(shown()?.revision).toBe(5);
      expect(new Set(ids).size).toBe(1);
      expect(ids.length).toBe(7);
    } finally {
      vi.useRealTimers();
    }
  });

  it("is sent with the revision that is shown, and its answer is laid over it", async () => {
    answers.set("POST /api/mixes/m1/edits", change(4));
    const edit = renderHook(() => useEdit("m1"), { wrapper: within });
    const before = shown();
    act(() => edit.result.current.mutate(mute));
    await waitFor(() => expect(shown()?.revision).toBe(5));
    expect(asked[0]?.body).toMatchObject({ basedOn: 4, edit: mute });
    expect(shown()?.document.channels[0]?.mute).toBe(true);
    // What did not change is the same object, and is not drawn again.
    expect(shown()?.document.channels[1]).toBe(before?.document.channels[1]);
    expect(shown()?.undo).toBe("mute “kick”");
  });

  it("waits for the one before it, so that each is told from where that led", async () => {
    answers.set("POST /api/mixes/m1/edits", change(4));
    const edit = renderHook(() => useEdit("m1"), { wrapper: within });
    act(() => {
      edit.result.current.mutate(mute);
      edit.result.current.mutate({
        edit: "set-channels",
        channels: ["kick"],
        set: { mute: false },
      });
    });
    await waitFor(() => expect(asked.filter((one) => one.method === "POST")).toHaveLength(2));
    const sent = asked.filter((one) => one.method === "POST").map((one) => one.body);
    expect(sent).toMatchObject([{ basedOn: 4 }, { basedOn: 5 }]);
  });

  it("made before the Mix has come is told from the revision that comes", async () => {
    client.removeQueries({ queryKey: ["mix", "m1"] });
    answers.set("GET /api/mixes/m1", { ...view(), revision: 7 });
    answers.set("POST /api/mixes/m1/edits", change(7));
    const edit = renderHook(() => useEdit("m1"), { wrapper: within });
    act(() => edit.result.current.mutate(mute));
    await waitFor(() => expect(shown()?.revision).toBe(8));
    expect(asked.map((one) => one.body)).toMatchObject(["", { basedOn: 7 }]);
  });

  it("that no longer applies is told in words, and the Mix is read anew", async () => {
    const words = "You wanted to mute “kick”; meanwhile the Mix went on to revision 6.";
    answers.set("POST /api/mixes/m1/edits", Response.json({ detail: words }, { status: 409 }));
    answers.set("GET /api/mixes/m1", { ...view(), revision: 6 });
    const hooks = renderHook(
      () => ({ edit: useEdit("m1"), mix: useMix("m1"), notices: useNotices() }),
      { wrapper: within },
    );
    act(() => hooks.result.current.edit.mutate(mute));
    await waitFor(() => expect(hooks.result.current.mix.data?.revision).toBe(6));
    expect(hooks.result.current.notices).toMatchObject([{ text: words, kind: "wrong" }]);
  });

  it("whose answer is told from another revision has the whole Mix read", async () => {
    answers.set("POST /api/mixes/m1/undo", change(9));
    answers.set("GET /api/mixes/m1", { ...view(), revision: 10 });
    const hooks = renderHook(() => ({ undo: useUndo("m1"), mix: useMix("m1") }), {
      wrapper: within,
    });
    act(() => hooks.result.current.undo.mutate("undo"));
    await waitFor(() => expect(hooks.result.current.mix.data?.revision).toBe(10));
  });
});

describe("the Ledger", () => {
  const ledger = { revision: 4, name: "Song", columns: [], rows: [] };

  it("is there before the Mix, and is not asked for again when that has come", async () => {
    answers.set("GET /api/mixes/m1/ledger", ledger);
    const ahead = readAhead(client, "/mixes/m1/ledger");
    const hook = renderHook(({ revision }: { revision?: number }) => useLedger("m1", revision), {
      wrapper: within,
      initialProps: {},
    });
    await ahead;
    await waitFor(() => expect(hook.result.current.data).toEqual(ledger));
    hook.rerender({ revision: 4 });
    expect(hook.result.current.data).toEqual(ledger);
    expect(asked.filter((one) => one.path.endsWith("/ledger"))).toHaveLength(1);
  });
});

describe("following a Mix", () => {
  it("asks for what has changed since, when another page has edited", async () => {
    answers.set("GET /api/mixes/m1/changes", change(4));
    renderHook(() => useFollowMix("m1"), { wrapper: within });
    expect(Events.all[0]?.url).toBe("/api/mixes/m1/events");
    act(() => Events.all[0]?.listener({ data: "5" }));
    await waitFor(() => expect(shown()?.revision).toBe(5));
    expect(shown()?.document.channels[0]?.mute).toBe(true);
  });

  it("asks for nothing when the revision is the one that is shown", () => {
    renderHook(() => useFollowMix("m1"), { wrapper: within });
    act(() => Events.all[0]?.listener({ data: "4" }));
    expect(asked).toEqual([]);
  });

  it("does not listen while nobody sees the page", () => {
    const hidden = vi.spyOn(document, "hidden", "get").mockReturnValue(true);
    const { unmount } = renderHook(() => useFollowMix("m1"), { wrapper: within });
    expect(Events.all).toHaveLength(0);
    hidden.mockReturnValue(false);
    act(() => void document.dispatchEvent(new Event("visibilitychange")));
    expect(Events.all).toHaveLength(1);
    unmount();
    expect(Events.all[0]?.close).toHaveBeenCalled();
    hidden.mockRestore();
  });
});

describe("reading ahead", () => {
  it("asks for the Mix of the page, and on the shelf for what every place needs", async () => {
    client.clear();
    await readAhead(client, "/mixes/m1/flow");
    expect(asked.map((one) => one.path).sort()).toEqual(["/api/knowledge", "/api/mixes/m1"]);
    asked.length = 0;
    client.clear();
    await readAhead(client, "/shelf");
    expect(asked.map((one) => one.path)).toEqual(["/api/knowledge"]);
  });
});

describe("a change whose answer is lost", () => {
  it("is asked for again under its own id, and told as failed only when it was refused", async () => {
    const edit = renderHook(() => useEdit("m1"), { wrapper: within });
    const sent: string[] = [];
    vi.stubGlobal("fetch", async (request: Request) => {
      sent.push(await request.text());
      if (sent.length < 3) {
        throw new TypeError("the connection was lost");
      }
      return Response.json(change(4));
    });
    act(() => edit.result.current.mutate(mute));
    await waitFor(() => expect(shown()?.revision).toBe(5), { timeout: 4000 });
    expect(sent).toHaveLength(3);
    const ids = sent.map((body) => (JSON.parse(body) as { id: string }).id);
    expect(new Set(ids).size).toBe(1);
    expect(ids[0]).toBeTruthy();
  });
});

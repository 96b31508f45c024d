// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { PrintView } from "../api/client";
import { hinted, answers, asked, edits, output, show, view, withServer } from "../testing/render";
import { DeliverySheet } from "./DeliverySheet";

withServer();

const mix = view({
  outputs: [output("all", { kind: "mix", specification: "r128" }), output("drums")],
  specifications: [
    { id: "r128", name: "EBU R 128", source: "EBU R 128", loudness: -23, tolerance: 0.5 },
  ],
});

const printed = (id: string, peak: number) => ({
  output: id,
  name: id,
  file: `${id}.wav`,
  frames: 48_000,
  samplePeakDbfs: peak - 0.3,
  truePeakDbtp: peak,
  integratedLufs: -22.6,
  loudnessRangeLu: 4,
  clippedSamples: 0,
  unusableSamples: 0,
  checks: [],
});

const done: PrintView = {
  id: "p1",
  mixId: "m1",
  revision: 4,
  outputs: [],
  state: "done",
  done: 1,
  askedAt: "2026-03-14T12:00:00Z",
  report: {
    mix: "Test",
    sampleRate: 48_000,
    seconds: 61,
    wallSeconds: 1.5,
    files: [printed("all", 0.4), printed("drums", -3)],
    nullTests: [{ stemSet: "s", name: "Stems", residualDbfs: -141, limitDbfs: -119, passes: true }],
    sources: [],
    passedBy: [],
    notCompared: [],
  },
};

/** Server-sent events that a test can send. */
class Events {
  static last: Events | undefined;
  listeners = new Map<string, (event: { data: string }) => void>();
  close = vi.fn();
  constructor(readonly url: string) {
    Events.last = this;
  }
  addEventListener(name: string, listener: (event: { data: string }) => void) {
    this.listeners.set(name, listener);
  }
}

beforeEach(() => {
  vi.stubGlobal("EventSource", Events);
  answers.set("GET /api/mixes/m1/prints", []);
  answers.set("GET /api/mixes/m1/coverage", { revision: 4, cells: [], categories: [] });
});

const row = (name: string) =>
  screen.getByRole("checkbox", { name: `Print ${name}` }).closest("tr") as HTMLElement;
const prints = () => asked.filter((one) => one.method === "POST" && one.path.endsWith("/prints"));

describe("the delivery sheet", () => {
  it("says in a print whose stems leave too much that they do not add up", async () => {
    const wrong = { stemSet: "s", name: "Stems", residualDbfs: -34, passes: false };
    answers.set("GET /api/mixes/m1/prints", [
      { ...done, report: { ...done.report, nullTests: [wrong] } },
    ]);
    show(<DeliverySheet view={mix} />);
    expect(await screen.findByText(/Stems do not add up to the mix/)).toBeTruthy();
  });

  it("says what a print found: outputs that miss what is asked, and sources that ended early", async () => {
    const missed = {
      what: "Loudness",
      asked: "−23 ± 0.5 LUFS",
      measured: "−22.1 LUFS",
      verdict: "fail" as const,
      says: "Turn it down by 0.4 LU.",
    };
    const report = {
      ...done.report,
      files: [{ ...printed("all", -1), checks: [missed], verdict: "fail" as const }],
      sources: [{ channel: "kick", file: "kick.wav", unusableSamples: 0, missingFrames: 24_000 }],
      passedBy: [{ channel: "kick", processor: "warmer" }],
      nullTests: [
        { stemSet: "s", name: "Stems", passes: false, why: "“drums” is mono and “all” stereo." },
      ],
    };
    answers.set("GET /api/mixes/m1/prints", [{ ...done, report }]);
    show(<DeliverySheet view={mix} />);
    const runs = await screen.findByRole("complementary", { name: "Print runs" });
    await within(runs).findByText(/loudness −22.1 LUFS, asked −23 ± 0.5 LUFS. Turn it down/);
    within(runs).getByText(/“kick.wav” ends 0.50 s early; silence was played instead/);
    within(runs).getByText(/“warmer” on .* does not run here/);
    within(runs).getByText(/Stems do not add up to the mix: “drums” is mono/);
    expect(within(row("all")).getByText("missed")).toBeTruthy();
  });

  it("shows what each output answers to", async () => {
    show(<DeliverySheet view={mix} />);
    expect(hinted(/^EBU R 128: −23.0 LUFS ± 0.5$/, row("all"))).toBeTruthy();
    expect(within(row("drums")).getByText("as mixed")).toBeTruthy();
  });

  it("says before a print what is asked, and how long files will be", () => {
    const { document } = mix;
    const ended = { ...document, startFrame: 0, endFrame: 61 * document.sampleRate };
    show(<DeliverySheet view={{ ...mix, document: ended }} />);
    expect(row("all").textContent).toContain("asks −23.0");
    expect(row("all").textContent).toContain("1:01");
    expect(hinted(/Will be .*\.wav/, row("all"))).toBeTruthy();
    expect(row("drums").textContent).not.toContain("asks");
  });

  it("prints all, or those that are ticked", async () => {
    answers.set("POST /api/mixes/m1/prints", { ...done, state: "waiting", report: undefined });
    show(<DeliverySheet view={mix} />);
    await userEvent.keyboard("p");
    await waitFor(() => expect(prints()).toHaveLength(1));
    expect(prints()[0]?.body).toEqual({ outputs: [] });
    await userEvent.click(screen.getByRole("checkbox", { name: "Print all" }));
    await userEvent.click(screen.getByRole("button", { name: /Print 1 output/ }));
    await waitFor(() => expect(prints()).toHaveLength(2));
    expect(prints()[1]?.body).toEqual({ outputs: ["drums"] });
    await userEvent.click(screen.getByRole("checkbox", { name: "All outputs" }));
    expect(screen.getByRole("button", { name: /Print 2 outputs/ })).toBeTruthy();
  });

  it("shows what was measured, what clips, and that stems add up", async () => {
    answers.set("GET /api/mixes/m1/prints", [done]);
    show(<DeliverySheet view={mix} />);
    const link = await screen.findByRole("link", { name: "Download all.wav" });
    expect(link.getAttribute("href")).toBe("/api/prints/p1/files/all.wav");
    expect(row("all").textContent).toContain("over 0.4");
    expect(row("drums").textContent).not.toContain("over");
    expect(screen.getByText(/Stems add up to the mix: −141 dBFS left over/)).toBeTruthy();
    expect(screen.getByText(/2 files of 1:01 in 1.5 s/)).toBeTruthy();
  });

  it("says that the Mix has moved on since", async () => {
    answers.set("GET /api/mixes/m1/prints", [{ ...done, revision: 2 }]);
    show(<DeliverySheet view={mix} />);
    expect(await screen.findByText(/has moved on to revision 4/)).toBeTruthy();
  });

  it("follows a run to its end, and can cancel it", async () => {
    answers.set("GET /api/mixes/m1/prints", [
      { ...done, state: "running", done: 0.25, secondsLeft: 9, report: undefined },
    ]);
    show(<DeliverySheet view={mix} />);
    expect(await screen.findByText(/25 %.*0:09 left/)).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "Cancel" }));
    await waitFor(() => expect(asked.at(-1)?.path).toBe("/api/mixes/m1/prints"));
    expect(asked.some((one) => one.path === "/api/prints/p1/cancel")).toBe(true);
    expect(Events.last?.url).toBe("/api/prints/p1/events");
    Events.last?.listeners.get("print")?.({ data: JSON.stringify(done) });
    expect(await screen.findByRole("link", { name: "Download all.wav" })).toBeTruthy();
    expect(Events.last?.close).toHaveBeenCalled();
  });

  it("removes an output with Delete on its name", async () => {
    show(<DeliverySheet view={mix} />);
    screen.getByRole("button", { name: "drums" }).focus();
    await userEvent.keyboard("{Delete}");
    expect(edits()).toEqual([{ edit: "remove-outputs", outputs: ["drums"] }]);
  });

  it("offers to add the first one", async () => {
    show(<DeliverySheet view={view()} />);
    expect(screen.getByText(/prints nothing yet/)).toBeTruthy();
    expect(screen.getByRole("button", { name: /Print 0 outputs/ })).toHaveProperty(
      "disabled",
      true,
    );
    await userEvent.keyboard("a");
    expect(screen.getByRole("dialog", { name: "Add an output" })).toBeTruthy();
  });
});

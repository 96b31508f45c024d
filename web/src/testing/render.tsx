import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, configure, render } from "@testing-library/react";
import type { ReactNode } from "react";
import { MemoryRouter } from "react-router";
import { afterEach, beforeEach, vi } from "vitest";
import type { Channel, Knowledge, MixView, Output } from "../api/client";
import { flow } from "./flow";
import { ActsProvider, useActs } from "../shell/acts";

// A busy machine is slow, and not wrong.
configure({ asyncUtilTimeout: 8000 });

export interface Asked {
  method: string;
  path: string;
  body: unknown;
}

/** What a component asked the server for, in order. */
export const asked: Asked[] = [];

/** Answers by "METHOD path", or whole responses; what is not there answers {}. */
export const answers = new Map<string, unknown>();

const knowledge: Knowledge = {
  categories: [
    { path: "drums", family: "drums" },
    { path: "vocals", family: "vocals" },
  ],
  families: [
    { id: "drums", mark: "Dr" },
    { id: "neutral", mark: "··" },
  ],
  processors: [
    { id: "compressor", label: "Compressor", parameters: [] },
    { id: "limiter", label: "Limiter", parameters: [] },
  ],
  channelKinds: ["seat", "bus", "return", "master", "reference"],
  keptUnder: { return: "print/return", master: "print" },
  positions: ["close", "room"],
  slots: [
    { id: "output", label: "Sent to" },
    { id: "sends", label: "Send" },
  ],
  fields: [
    { of: "Channel", id: "trimDb", label: "Trim", unit: "DECIBELS", least: -60, most: 60 },
    { of: "Channel", id: "faderDb", label: "Fader", unit: "DECIBELS", least: -144, most: 24 },
    { of: "Channel", id: "pan", label: "Pan", unit: "PAN", least: -1, most: 1 },
    { of: "Channel", id: "frontBack", label: "Back", unit: "FRONT_BACK", least: 0, most: 1 },
    { of: "Channel", id: "height", label: "Height", unit: "HEIGHT", least: 0, most: 1 },
    { of: "Channel", id: "lfeDb", label: "LFE", unit: "DECIBELS", least: -144, most: 24 },
    { of: "Send", id: "levelDb", label: "Level", unit: "DECIBELS", least: -144, most: 24 },
  ],
  layouts: [
    { id: "mono", surround: false, heights: false, lfe: false },
    { id: "stereo", surround: false, heights: false, lfe: false },
    { id: "5.1", surround: true, heights: false, lfe: true },
    { id: "7.1.4", surround: true, heights: true, lfe: true },
  ],
  taps: ["pre-chain", "pre-fader", "post-fader"],
  outputKinds: ["mix", "stem", "minus"],
  sampleRates: [44_100, 48_000, 96_000],
  panLaws: ["-3 dB", "-6 dB"],
  dithers: ["by format", "none", "flat", "shaped"],
  formats: ["16-bit", "24-bit"],
  rules: [{ id: "muted", why: "It is silent.", holds: "Nothing is muted." }],
  specifications: [
    { id: "r128", name: "EBU R 128", source: "EBU R 128", loudness: -23, truePeak: -1 },
  ],
};

/** What has a hint that says so, anywhere or within something. */
export function hinted(text: RegExp, within: ParentNode = document): Element | undefined {
  return [...within.querySelectorAll("[data-hint]")].find((element) =>
    text.test(element.getAttribute("data-hint") ?? ""),
  );
}

/** Stands in for the server in every test of a file. */
/** What is answered with a list; a form that asks while a slow test types must not fall over it. */
const LISTS = /\/(decisions|deliveries|differences|meant|named|paths|renamed|revisions)$/;

export function withServer() {
  beforeEach(() => {
    asked.length = 0;
    answers.clear();
    answers.set("GET /api/knowledge", knowledge);
    answers.set("GET /api/mixes", []);
    answers.set("GET /api/chains", []);
    answers.set("GET /api/maps", []);
    answers.set("GET /api/mixes/m1", view());
    answers.set("GET /api/mixes/m1/outputs/draft", output("", { name: "" }));
    answers.set("GET /api/mixes/m1/prints", []);
    answers.set("GET /api/mixes/m1/proof", {
      rules: ["muted"],
      idle: ["return-not-wet"],
      channels: 3,
      outputs: 1,
      ways: 1204,
      open: ["how loud each file is"],
    });
    vi.stubGlobal("fetch", async (request: Request) => {
      const path = new URL(request.url).pathname;
      const text = request.method === "GET" ? "" : await request.text();
      const json = text.startsWith("{") ? (JSON.parse(text) as unknown) : text;
      asked.push({ method: request.method, path, body: json });
      if (path === "/api/typed") {
        return typed(new URL(request.url).searchParams.get("text") ?? "");
      }
      const none = LISTS.test(path) ? [] : {};
      const answer = answers.get(`${request.method} ${path}`) ?? none;
      return answer instanceof Response ? answer.clone() : Response.json(answer);
    });
    Element.prototype.setPointerCapture = () => undefined;
    vi.stubGlobal("matchMedia", () => ({
      matches: true,
      addEventListener: () => undefined,
      removeEventListener: () => undefined,
    }));
    vi.stubGlobal(
      "ResizeObserver",
      class {
        constructor(private readonly told: (entries: unknown[]) => void) {}
        observe() {
          this.told([]);
        }
        unobserve() {
          return undefined;
        }
        disconnect() {
          return undefined;
        }
      },
    );
    Element.prototype.scrollIntoView = () => undefined;
    // What is drawn by what is seen of it needs a size, which jsdom gives to nothing.
    vi.spyOn(Element.prototype, "clientHeight", "get").mockReturnValue(700);
    vi.spyOn(Element.prototype, "clientWidth", "get").mockReturnValue(1200);
  });
  afterEach(() => {
    cleanup();
    vi.unstubAllGlobals();
    vi.restoreAllMocks();
  });
}

/** What the server says when it refuses. */
export function refusal(detail: string, status = 422): Response {
  return Response.json({ detail }, { status });
}

/** Stands in for the server's understanding of typed texts: plain numbers only. */
function typed(text: string): Response {
  const value = Number(text.replace("−", "-").replace(",", ".").replace(" back", ""));
  return text.trim() === "" || Number.isNaN(value)
    ? refusal(`“${text}” is not a number.`)
    : Response.json({ value });
}

/** The edits that were posted. */
export function edits(): unknown[] {
  return asked
    .filter((one) => one.method === "POST" && one.path.endsWith("/edits"))
    .map((one) => (one.body as { edit: unknown }).edit);
}

/** No key may do two things, whichever of them can be done now. */
function KeysOnce() {
  const keys = useActs().flatMap(({ key }) => key ?? []);
  const twice = keys.find((key, at) => keys.indexOf(key) !== at);
  if (twice !== undefined) {
    throw new Error(`Two acts have the key ${twice}.`);
  }
  return null;
}

export function show(children: ReactNode, at = "/") {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return render(
    <QueryClientProvider client={client}>
      <MemoryRouter initialEntries={[at]}>
        <ActsProvider>
          {children}
          <KeysOnce />
        </ActsProvider>
      </MemoryRouter>
    </QueryClientProvider>,
  );
}

export function channel(id: string, more: Partial<Channel> = {}): Channel {
  return {
    id,
    kind: "seat",
    name: id,
    layout: "mono",
    category: "drums",
    trimDb: 0,
    invertPolarity: false,
    chain: [],
    faderDb: 0,
    pan: 0,
    wholeImage: false,
    frontBack: 0,
    height: 0,
    mute: false,
    stowed: false,
    sends: [],
    clips: [],
    comment: "",
    pins: [],
    taken: [],
    fallbacks: [],
    ...more,
  };
}

export function output(id: string, more: Partial<Output> = {}): Output {
  return {
    id,
    name: id,
    kind: "stem",
    channel: "mix",
    tap: "post-fader",
    layout: "stereo",
    format: "24-bit",
    dither: "by format",
    namePattern: "{output}",
    without: [],
    mayBeSilent: false,
    ...more,
  };
}

/** What the server says of a channel. */
export function factsOf(one: Channel): MixView["facts"][string] {
  const holdsClips = one.kind === "seat" || one.kind === "reference";
  return {
    colour: "drums",
    takesSound: !holdsClips && !one.stowed,
    awaitsAudio: holdsClips && one.clips.length === 0,
    bus: one.kind === "bus" || one.kind === "master" ? one.id : one.output,
  };
}

/** A small band: two seats into a bus. */
export function view(more: Partial<MixView["document"]> = {}): MixView {
  const channels = more.channels ?? [
    channel("kick", { output: "mix" }),
    channel("snare", { output: "mix" }),
    channel("mix", { kind: "bus", layout: "stereo" }),
  ];
  return {
    id: "m1",
    revision: 4,
    document: {
      version: 2,
      kind: "template",
      name: "Test",
      description: "",
      job: "mix",
      sampleRate: 48_000,
      tempo: 120,
      panLaw: "-3 dB",
      startFrame: 0,
      controls: [],
      outputs: [],
      stemSets: [],
      markers: [],
      specifications: [],
      categoryMap: { entries: [] },
      ...more,
      channels,
    },
    flow: flow({ stages: [] }),
    facts: Object.fromEntries(channels.map((one) => [one.id, factsOf(one)])),
    findings: [],
  };
}

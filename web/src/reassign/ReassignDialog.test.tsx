// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { EffectLine, EffectView } from "../api/client";
import { answers, asked, channel, show, view, withServer } from "../testing/render";
import { BusDialog } from "./BusDialog";
import { CopyDialog } from "./CopyDialog";
import { grouped, leaving, nothingLeft, without } from "./leaving";
import { ReassignDialog } from "./ReassignDialog";

withServer();

const line = (name: string, more: Partial<EffectLine> = {}): EffectLine => ({
  channel: name,
  name,
  field: "output",
  slot: "output",
  label: "Sent to",
  before: "mix",
  after: "Percussion",
  why: "from the category map: drums",
  ...more,
});

const EFFECT: EffectView = {
  revision: 4,
  says: "reassign",
  lines: [line("kick"), line("snare"), line("kick", { field: "pins", slot: undefined })],
  fields: {},
  held: [],
  moves: [{ from: "mix", to: "", channels: ["kick", "snare"] }],
  coverage: [],
  check: {
    gone: [],
    come: [{ rule: "muted", severity: "note", where: [], says: "Something.", mends: [] }],
  },
};

const SONG = view({
  channels: [
    channel("kick", { category: "drums/kick", output: "mix", person: "Ada" }),
    channel("snare", { category: "drums/snare", output: "mix" }),
    channel("flute", { category: "winds/flute", output: "mix" }),
    channel("mix", { kind: "bus", name: "The mix" }),
    channel("other", { kind: "bus", name: "Other" }),
  ],
});

beforeEach(() => {
  answers.set("POST /api/mixes/m1/effect", EFFECT);
  answers.set("POST /api/mixes/m1/meant", ["kick", "snare"]);
  answers.set("POST /api/mixes/m1/seen-edits", { from: 4, revision: 5, channels: [], facts: {} });
});

const last = (path: string) =>
  asked.filter((one) => one.path.endsWith(path)).at(-1)?.body as { edit: Record<string, unknown> };

describe("reassigning", () => {
  it("asks for a category and says what follows, and carries that out", async () => {
    const closed = vi.fn();
    show(<ReassignDialog view={SONG} picked={[]} onClose={closed} />);
    await userEvent.selectOptions(await screen.findByLabelText("Sent to"), "Other");
    expect(await screen.findByText(/2 move/)).toBeTruthy();
    expect(screen.getByText("Something.")).toBeTruthy();
    expect(last("/effect").edit).toMatchObject({
      edit: "reassign",
      of: { channels: [], category: "drums" },
      inMap: true,
    });
    await userEvent.click(
      screen.getAllByRole("button", { name: /Sent to: mix/ })[0] as HTMLElement,
    );
    await userEvent.click(screen.getByRole("checkbox", { name: /snare/ }));
    expect(last("/seen-edits"), "opening a group carries nothing out").toBeUndefined();
    await userEvent.click(screen.getByRole("checkbox", { name: /snare/ }));
    await userEvent.keyboard("{Control>}{Enter}{/Control}");
    await waitFor(() => expect(closed).toHaveBeenCalled());
    expect(last("/seen-edits").edit).toMatchObject({ destination: "other" });
  });

  it("means what is picked alone, or a person, or words of the name", async () => {
    answers.set("POST /api/mixes/m1/meant", ["flute"]);
    show(<ReassignDialog view={SONG} picked={["flute"]} onClose={() => undefined} />);
    expect(await screen.findByText("1 channel: flute")).toBeTruthy();
    expect(last("/meant")).toEqual({ channels: ["flute"] });
    answers.set("POST /api/mixes/m1/meant", ["kick"]);
    await userEvent.selectOptions(screen.getByLabelText("Which"), "person");
    expect(await screen.findByText("1 channel: kick")).toBeTruthy();
    expect(last("/meant")).toEqual({ channels: [], person: "Ada" });
    answers.set("POST /api/mixes/m1/meant", ["snare"]);
    await userEvent.selectOptions(screen.getByLabelText("Which"), "words");
    await userEvent.type(screen.getByLabelText("Words"), "SNARE");
    expect(await screen.findByText("1 channel: snare")).toBeTruthy();
    await userEvent.type(screen.getByLabelText("Sends"), "Plate -12");
    await waitFor(() =>
      expect(last("/effect").edit).toMatchObject({
        of: { channels: [], words: "SNARE" },
        sends: "Plate -12",
        inMap: false,
      }),
    );
  });

  it("gives a chain of the shelf, and asks for the Flow then only when one looks", async () => {
    const chain = { name: "Warm", category: "drums", purpose: "", chain: [] };
    answers.set("GET /api/chains", [{ id: "c1", chain, at: "2026-11-01T10:00:00Z" }]);
    show(<ReassignDialog view={SONG} picked={[]} category="winds" onClose={() => undefined} />);
    await screen.findByText("Warm (drums)");
    await userEvent.selectOptions(screen.getByLabelText("Chain"), "Warm (drums)");
    expect(await screen.findByText(/2 move/)).toBeTruthy();
    expect(last("/effect").edit).toMatchObject({ of: { category: "winds" }, chain });
    expect(last("/effect/mix"), "nobody looks yet").toBeUndefined();
    answers.set("POST /api/mixes/m1/effect/mix", { from: 4, revision: 4, channels: [], facts: {} });
    await userEvent.click(screen.getByRole("radio", { name: "the Flow then" }));
    await waitFor(() => expect(last("/effect/mix").edit).toMatchObject({ chain }));
  });

  it("makes a bus of what is picked, splits one and joins two", async () => {
    const picked = SONG.document.channels.slice(0, 2);
    show(<BusDialog view={SONG} picked={picked} onClose={() => undefined} />);
    await userEvent.type(await screen.findByLabelText("Name"), "Hits");
    await waitFor(() =>
      expect(last("/effect").edit).toMatchObject({ edit: "move-out", name: "Hits", stem: true }),
    );
    await userEvent.selectOptions(screen.getByLabelText("What"), "split");
    await userEvent.selectOptions(screen.getByLabelText("By"), "person");
    await waitFor(() =>
      expect(last("/effect").edit).toMatchObject({ edit: "split-bus", bus: "mix", by: "person" }),
    );
    await userEvent.selectOptions(screen.getByLabelText("What"), "join");
    await waitFor(() =>
      expect(last("/effect").edit).toEqual({ edit: "join-buses", bus: "mix", into: "other" }),
    );
  });
});

describe("many lines of one group", () => {
  it("are shown to the last when asked for, so that each can be left out", async () => {
    const many = Array.from({ length: 90 }, (_, at) => line(`seat ${at}`));
    answers.set("POST /api/mixes/m1/effect", { ...EFFECT, lines: many });
    show(<ReassignDialog view={SONG} picked={[]} onClose={() => undefined} />);
    await userEvent.selectOptions(await screen.findByLabelText("Sent to"), "Other");
    await userEvent.click(await screen.findByRole("button", { name: /Sent to: mix/ }));
    expect(screen.queryByRole("checkbox", { name: /seat 80/ })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "and 50 more" }));
    expect(screen.getByRole("checkbox", { name: /seat 80/ })).toBeTruthy();
  });
});

describe("copying settings", () => {
  it("gives the others what is ticked", async () => {
    const picked = SONG.document.channels.slice(0, 3);
    show(<CopyDialog view={SONG} picked={picked} onClose={() => undefined} />);
    await userEvent.click(await screen.findByLabelText(/levels: trim/));
    await userEvent.selectOptions(screen.getByLabelText("Of"), "snare");
    await waitFor(() =>
      expect(last("/effect").edit).toEqual({
        edit: "copy-settings",
        from: "snare",
        channels: ["kick", "flute"],
        sends: true,
        chain: true,
        routing: false,
        levels: true,
      }),
    );
  });
});

describe("lines that are left out", () => {
  it("stand together by what becomes of them, pins last", () => {
    const groups = grouped({ ...EFFECT, lines: [...EFFECT.lines].reverse() });
    expect(groups.map((one) => [one.label, one.lines.length])).toEqual([
      ["Sent to", 2],
      ["Sent to", 1],
    ]);
    expect(groups.at(-1)?.lines[0]?.field).toBe("pins");
  });

  it("are told with the edit, and not at all when there are none", () => {
    const edit = { edit: "propose-map" } as const;
    const left = leaving(nothingLeft, [line("kick")], true);
    expect(without(edit, left, EFFECT)).toEqual({
      edit: "leave-out",
      of: edit,
      left: [{ channel: "kick", slot: "output" }],
    });
    expect(without(edit, leaving(left, [line("kick")], false), EFFECT)).toBe(edit);
    expect(without(edit, left, { lines: [line("snare")] }), "it would not change now").toBe(edit);
  });
});

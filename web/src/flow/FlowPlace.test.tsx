// @vitest-environment jsdom
import { flow } from "../testing/flow";
import { fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { MixView } from "../api/client";
import { answers, channel, edits, output, show, view, withServer } from "../testing/render";
import { FlowPlace } from "./FlowPlace";

withServer();

const ribbon = (from: string, to: string, kind: string, channels: number) => ({
  from,
  to,
  kind,
  channels,
  seats: 1,
});

const mix: MixView = {
  ...view({
    channels: [
      channel("kick", { output: "drums" }),
      channel("hat", { output: "drums" }),
      channel("lead", { output: "mix" }),
      channel("drums", { kind: "bus", layout: "stereo", output: "mix" }),
      channel("mix", { kind: "bus", layout: "stereo" }),
    ],
    outputs: [output("file", { channel: "mix", kind: "mix" })],
  }),
  flow: flow({
    stages: [
      { name: "Seats", ids: ["kick", "hat", "lead"] },
      { name: "Groups", ids: ["drums"] },
      { name: "Mix", ids: ["mix"] },
      { name: "Files", ids: ["file"] },
    ],
    returns: [],
    ribbons: [
      ribbon("kick", "drums", "output", 1),
      ribbon("hat", "drums", "output", 1),
      ribbon("lead", "mix", "output", 1),
      ribbon("drums", "mix", "output", 2),
      ribbon("mix", "file", "file", 2),
    ],
  }),
};

beforeEach(() => {
  // jsdom lays nothing out: a pane of 994 by 720, told once.
  vi.spyOn(Element.prototype, "clientWidth", "get").mockReturnValue(994);
  vi.spyOn(Element.prototype, "clientHeight", "get").mockReturnValue(720);
  answers.set("POST /api/mixes/m1/edits", { from: 4, revision: 5, channels: [], facts: {} });
});

const row = (name: string) => screen.getByRole("option", { name: new RegExp(`^${name}:`) });
const rows = () => screen.getAllByRole("option").filter((one) => one.dataset.row);
const picked = () =>
  rows()
    .filter((one) => one.getAttribute("aria-selected") === "true")
    .map((one) => one.dataset.row);

describe("the Flow", () => {
  it("has a row for each channel and file, and a ribbon for each way", () => {
    const { container } = show(<FlowPlace view={mix} />);
    expect(rows()).toHaveLength(6);
    expect(container.querySelectorAll("path.ribbon")).toHaveLength(5);
    expect(screen.getByText("Groups")).toBeTruthy();
  });

  it("is walked by arrows: down the column, and along the ribbons", async () => {
    show(<FlowPlace view={mix} />);
    row("kick").focus();
    await userEvent.keyboard("{ArrowDown}");
    expect(document.activeElement).toBe(row("hat"));
    await userEvent.keyboard("{ArrowRight}");
    expect(document.activeElement).toBe(row("drums"));
    await userEvent.keyboard("{ArrowRight}{ArrowRight}");
    expect(document.activeElement).toBe(row("file"));
    await userEvent.keyboard("{ArrowLeft}");
    expect(document.activeElement).toBe(row("mix"));
  });

  it("picks with Space and on with Shift, and acts on all that is picked", async () => {
    show(<FlowPlace view={mix} />);
    row("kick").focus();
    await userEvent.keyboard(" {Shift>}{ArrowDown}{/Shift}");
    expect(picked()).toEqual(["kick", "hat"]);
    expect(screen.getByText("2 channels picked")).toBeTruthy();
    await userEvent.keyboard("m");
    await waitFor(() =>
      expect(edits()).toEqual([
        { edit: "set-channels", channels: ["kick", "hat"], set: { mute: true } },
      ]),
    );
    await userEvent.keyboard("{Escape}");
    expect(picked()).toEqual([]);
  });

  it("shows the sheet of what is picked", async () => {
    show(<FlowPlace view={mix} />);
    await userEvent.click(row("drums"));
    const sheet = screen.getByRole("complementary", { name: "Channel sheet" });
    expect(sheet.textContent).toContain("bus · stereo");
    expect(sheet.textContent).toContain("Goes tomix");
  });

  it("folds a group to one row and back with a double click on its bus", async () => {
    show(<FlowPlace view={mix} />);
    await userEvent.dblClick(row("drums"));
    expect(screen.queryByRole("option", { name: /^kick:/ })).toBeNull();
    const fold = screen.getByRole("option", { name: /2 seats that lead to drums, folded/ });
    await userEvent.dblClick(fold);
    expect(row("kick")).toBeTruthy();
  });

  it("shows the buses alone, and says so", async () => {
    show(<FlowPlace view={mix} />);
    await userEvent.keyboard("u");
    expect(screen.getByText("Only buses are shown.")).toBeTruthy();
    expect(screen.queryByRole("option", { name: /^lead:/ })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "Show everything" }));
    expect(row("lead")).toBeTruthy();
  });

  it("says what is pinned, by which act and when, and takes out all pins of a kind", async () => {
    const pin = { id: "output", by: "send “kick” to “mix”", at: "2026-11-02T10:00:00Z" };
    const channels = mix.document.channels.map((one) =>
      one.id === "kick"
        ? { ...one, pins: [pin, { id: "sends:plate" }] }
        : one.id === "lead"
          ? { ...one, pins: [{ id: "output" }] }
          : one,
    );
    show(<FlowPlace view={{ ...mix, document: { ...mix.document, channels } }} />);
    expect(row("kick").getAttribute("aria-label") ?? row("kick").textContent).toMatch(
      /2 fields pinned by: send “kick” to “mix” \(.*2026.*\)/,
    );
    await userEvent.keyboard("{Shift>}k{/Shift}");
    await userEvent.click(await screen.findByRole("option", { name: /Sent to.*2 channels/ }));
    expect(edits()).toEqual([
      { edit: "unpin-slots", channels: ["kick", "lead"], slots: ["output"] },
    ]);
  });

  it("says in an empty Mix how to begin", () => {
    const empty = { ...mix, document: { ...mix.document, channels: [], outputs: [] } };
    show(<FlowPlace view={{ ...empty, flow: flow({ stages: [] }) }} />);
    expect(screen.getByText(/This Mix has no channels yet/)).toBeTruthy();
  });

  it("sends what is dragged to what it is dropped on", async () => {
    show(<FlowPlace view={mix} />);
    const dataTransfer = { setData: () => undefined };
    fireEvent.click(row("kick"));
    fireEvent.click(row("lead"), { ctrlKey: true });
    fireEvent.dragStart(row("lead"), { dataTransfer });
    fireEvent.dragOver(row("drums"));
    fireEvent.drop(row("drums"));
    fireEvent.dragStart(row("hat"), { dataTransfer });
    fireEvent.drop(row("mix"));
    await waitFor(() =>
      expect(edits()).toEqual([
        { edit: "send-channels-to", channels: ["kick", "lead"], destination: "drums" },
        { edit: "send-channels-to", channels: ["hat"], destination: "mix" },
      ]),
    );
  });

  it("has a menu at a row, with the acts of the bar", async () => {
    show(<FlowPlace view={mix} />);
    fireEvent.contextMenu(row("hat"));
    // What stands behind an open menu is hidden from who cannot see it.
    expect(document.querySelector("[data-row=hat]")?.getAttribute("aria-selected")).toBe("true");
    await userEvent.click(await screen.findByRole("menuitem", { name: /Stow/ }));
    await waitFor(() =>
      expect(edits()).toEqual([{ edit: "stow-channels", channels: ["hat"], stowed: true }]),
    );
  });

  it("puts the side sheet away and brings it back", async () => {
    show(<FlowPlace view={mix} />);
    expect(screen.getByRole("complementary")).toBeTruthy();
    await userEvent.keyboard(".");
    expect(screen.queryByRole("complementary")).toBeNull();
    await userEvent.keyboard(".");
    expect(screen.getByRole("complementary")).toBeTruthy();
  });
});

// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import type { LedgerView } from "../api/client";
import { answers, asked, edits, refusal, show, view, withServer } from "../testing/render";
import { LedgerPlace } from "./LedgerPlace";

withServer();

const ledger: LedgerView = {
  revision: 4,
  name: "Song",
  columns: [
    { id: "name", label: "Name", editable: true, figures: false },
    { id: "kind", label: "Kind", editable: false, figures: false },
    { id: "faderDb", label: "Fader dB", editable: true, figures: true },
  ],
  rows: [
    { channel: "kick", colour: "drums", cells: ["Kick", "seat", "−3"], figures: [] },
    { channel: "snare", colour: "drums", cells: ["Snare", "seat", "0"], figures: [] },
    { channel: "mix", colour: "drums", cells: ["Mix", "bus", "10"], figures: [] },
  ],
};

beforeEach(() => {
  answers.set("GET /api/mixes/m1/ledger", ledger);
});

async function open() {
  show(<LedgerPlace id="m1" view={view()} />);
  (await screen.findByRole("grid")).focus();
}

const cell = (text: string) => screen.getByRole("gridcell", { name: new RegExp(`^${text}$`) });

/** What the cell says that keys go to. */
const current = () =>
  document.getElementById(screen.getByRole("grid").getAttribute("aria-activedescendant") ?? "")
    ?.textContent;

const names = () =>
  screen
    .getAllByRole("row")
    .slice(1)
    .map((row) => row.querySelector("td")?.textContent?.replace("Dr", ""));

describe("the ledger", () => {
  it("writes what is typed into a cell, and goes down", async () => {
    await open();
    await userEvent.keyboard("{ArrowRight}{ArrowRight}7{Enter}");
    expect(edits()).toEqual([
      {
        edit: "paste-cells",
        channels: ["kick", "snare", "mix"],
        columns: ["faderDb"],
        cells: [["7"]],
      },
    ]);
    expect(current()).toBe("0");
  });

  it("keeps the keyboard from cell to cell", async () => {
    await open();
    await userEvent.keyboard("{ArrowRight}{ArrowRight}-8{Enter}6{Enter}");
    expect(edits()).toMatchObject([
      { channels: ["kick", "snare", "mix"], cells: [["-8"]] },
      { channels: ["snare", "mix"], cells: [["6"]] },
    ]);
    await userEvent.keyboard("1{Escape}2{Tab}");
    expect(edits()).toMatchObject([{}, {}, { channels: ["mix"], cells: [["2"]] }]);
    expect(document.activeElement).toBe(screen.getByRole("grid"));
  });

  it("stays with the channel that it is on when rows move", async () => {
    await open();
    await userEvent.keyboard("{ArrowDown}{ArrowDown}");
    expect(current()).toContain("Mix");
    await userEvent.click(screen.getByRole("button", { name: /Name/ }));
    expect(names()).toEqual(["Kick", "Mix", "Snare"]);
    expect(current()).toContain("Mix");
    screen.getByRole("grid").focus();
    await userEvent.keyboard("{Shift>}{ArrowDown}{/Shift}");
    await userEvent.click(screen.getByRole("button", { name: /Name/ }));
    fireEvent.paste(screen.getByRole("grid"), { clipboardData: { getData: () => "Main" } });
    await waitFor(() => expect(edits()).toMatchObject([{ channels: ["snare", "mix", "kick"] }]));
  });

  it("has columns as wide as one likes, in this browser", async () => {
    const head = () => screen.getByRole("columnheader", { name: /Fader/ });
    const width = () => parseInt(head().style.width);
    await open();
    const first = width();
    await userEvent.keyboard(
      "{ArrowRight}{ArrowRight}{Alt>}{Shift>}{ArrowRight}{ArrowRight}{/Shift}{/Alt}",
    );
    expect(width()).toBe(first + 24);
    const edge = head().querySelector("[aria-hidden]") as Element;
    fireEvent.pointerDown(edge, { clientX: 10 });
    fireEvent.pointerMove(edge, { clientX: 40 });
    fireEvent.pointerUp(edge);
    expect(width()).toBe(first + 54);
    cleanup();
    await open();
    expect(width()).toBe(first + 54);
    fireEvent.doubleClick(head().querySelector("[aria-hidden]") as Element);
    expect(width()).toBe(first);
  });

  it("keeps what was typed where the server refuses it", async () => {
    answers.set("POST /api/mixes/m1/edits", refusal("“loud” is not a level in dB."));
    await open();
    await userEvent.keyboard("{ArrowRight}{ArrowRight}loud{Enter}");
    const field = await screen.findByRole("textbox", { name: "Fader dB" });
    await waitFor(() => expect(field).toHaveProperty("value", "loud"));
    answers.delete("POST /api/mixes/m1/edits");
    await userEvent.keyboard("{Control>}a{/Control}-6{Enter}");
    expect(edits()).toMatchObject([{ cells: [["loud"]] }, { cells: [["-6"]] }]);
  });

  it("puts columns away and brings them back", async () => {
    await open();
    await userEvent.click(screen.getByRole("button", { name: /Columns/ }));
    await userEvent.keyboard("Kind{Enter}{Escape}");
    expect(screen.getAllByRole("columnheader").map((one) => one.textContent.trim())).toEqual([
      "Name",
      "Fader dB",
    ]);
    screen.getByRole("grid").focus();
    await userEvent.keyboard("{ArrowRight}5{Enter}");
    expect(edits()).toMatchObject([{ columns: ["faderDb"], cells: [["5"]] }]);
    await userEvent.click(screen.getByRole("button", { name: /Columns/ }));
    await userEvent.keyboard("Show all{Enter}");
    expect(screen.getAllByRole("columnheader", { hidden: true })).toHaveLength(3);
  });

  it("draws only the rows that are seen", async () => {
    const rows = Array.from({ length: 1000 }, (_, i) => ({
      channel: `c${i}`,
      colour: "drums",
      cells: [`Track ${i}`, "seat", "0"],
      figures: [],
    }));
    answers.set("GET /api/mixes/m1/ledger", { ...ledger, rows });
    await open();
    expect(screen.getAllByRole("row").length).toBeLessThan(80);
    expect(screen.getByRole("grid").getAttribute("aria-rowcount")).toBe("1001");
  });

  it("changes what stands there with Enter, and leaves it with Escape", async () => {
    await open();
    await userEvent.keyboard("{Enter}");
    expect(screen.getByRole("textbox", { name: "Name" })).toHaveProperty("value", "Kick");
    await userEvent.keyboard("x{Escape}");
    expect(edits()).toEqual([]);
    expect(names()).toEqual(["Kick", "Snare", "Mix"]);
  });

  it("does not write where nothing can be written", async () => {
    await open();
    await userEvent.keyboard("{ArrowRight}x");
    expect(screen.queryByRole("textbox", { name: "Kind" })).toBeNull();
  });

  it("copies and fills an area", async () => {
    await open();
    await userEvent.keyboard("{ArrowRight}{ArrowRight}{Shift>}{ArrowDown}{ArrowDown}{/Shift}");
    await userEvent.keyboard("{Control>}d{/Control}");
    expect(edits()).toEqual([
      {
        edit: "paste-cells",
        channels: ["kick", "snare", "mix"],
        columns: ["faderDb"],
        cells: [["−3"], ["−3"], ["−3"]],
      },
    ]);
    let copied = "";
    fireEvent.copy(screen.getByRole("grid"), {
      clipboardData: { setData: (_: string, text: string) => (copied = text) },
    });
    expect(copied).toBe("−3\n0\n10");
  });

  it("pastes a block from the upper left of the area on", async () => {
    await open();
    await userEvent.keyboard("{ArrowDown}");
    fireEvent.paste(screen.getByRole("grid"), {
      clipboardData: { getData: () => "Snare top\tseat\nMain\tbus\n" },
    });
    await waitFor(() => expect(edits()).toHaveLength(1));
    expect(edits()).toEqual([
      {
        edit: "paste-cells",
        channels: ["snare", "mix"],
        columns: ["name", "kind", "faderDb"],
        cells: [
          ["Snare top", "seat"],
          ["Main", "bus"],
        ],
      },
    ]);
  });

  it("filters by words of any column and sorts numbers as numbers", async () => {
    await open();
    await userEvent.type(screen.getByPlaceholderText("words of any column"), "seat k");
    await waitFor(() => expect(names()).toEqual(["Kick"]));
    expect(screen.getByText("1 of 3 channels")).toBeTruthy();
    await userEvent.clear(screen.getByPlaceholderText("words of any column"));
    await waitFor(() => expect(names()).toHaveLength(3));
    await userEvent.click(screen.getByRole("button", { name: /Name/ }));
    expect(names()).toEqual(["Kick", "Mix", "Snare"]);
    await userEvent.click(screen.getByRole("button", { name: /Name/ }));
    expect(names()).toEqual(["Snare", "Mix", "Kick"]);
    await userEvent.click(screen.getByRole("button", { name: /Name/ }));
    expect(names()).toEqual(["Kick", "Snare", "Mix"]);
  });

  it("reassigns the rows of the area, and shows what is pinned alone", async () => {
    answers.set("POST /api/mixes/m1/meant", ["kick", "snare"]);
    await open();
    await userEvent.keyboard("{Shift>}{ArrowDown}{/Shift}{Escape}r");
    expect(await screen.findByText("2 channels: kick, snare")).toBeTruthy();
    expect(asked.at(-1)?.body).toEqual({ channels: ["kick", "snare"] });
    await userEvent.keyboard("{Escape}");
    await userEvent.keyboard("{Shift>}u{/Shift}");
    await waitFor(() =>
      expect(edits()).toEqual([{ edit: "unpin-slots", channels: ["kick", "snare"] }]),
    );
    await userEvent.keyboard("p");
    expect(screen.getByText("No channel has these words.")).toBeTruthy();
    expect(screen.getByPlaceholderText("words of any column")).toHaveProperty("value", "pinned:");
  });

  it("goes to what is pinned where only that is shown", async () => {
    answers.set("GET /api/mixes/m1/ledger", {
      ...ledger,
      columns: [...ledger.columns, { id: "pins", label: "Pins", editable: false, figures: false }],
      rows: ledger.rows.map((row) => ({
        ...row,
        cells: [...row.cells, row.channel === "snare" ? "pinned: sent to (by hand)" : ""],
      })),
    });
    await open();
    await userEvent.keyboard("{Escape}p");
    expect(names()).toEqual(["Snare"]);
    expect(current()).toBe("pinned: sent to (by hand)");
  });

  it("stands by group, each with its count, and pastes go by what is shown", async () => {
    await open();
    await userEvent.keyboard("{Escape}g");
    await userEvent.keyboard("Kind{Enter}");
    const heads = () =>
      [...document.querySelectorAll("th[scope=rowgroup]")].map((one) => one.textContent);
    expect(heads()).toEqual(["seat · 2", "bus · 1"]);
    expect(screen.getByText("3 of 3 channels in 2 groups")).toBeTruthy();
    await userEvent.click(cell("Mix"));
    await userEvent.keyboard("{Delete}");
    expect(edits()).toEqual([
      {
        edit: "paste-cells",
        channels: ["mix"],
        columns: ["name", "kind", "faderDb"],
        cells: [[""]],
      },
    ]);
    await userEvent.click(screen.getByRole("button", { name: /Group by/ }));
    await userEvent.keyboard("Nothing{Enter}");
    expect(heads()).toEqual([]);
  });
});

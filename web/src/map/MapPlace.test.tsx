// @vitest-environment jsdom
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import type { EffectView, MapView } from "../api/client";
import { answers, asked, channel, refusal, show, view, withServer } from "../testing/render";
import { MapSection } from "../shelf/MapSection";
import { inThisMix, pasted, textOf, written, type MapRow } from "./cells";
import { MapPlace } from "./MapPlace";

withServer();

const cell = (own: string, inherited = "", from?: string) => ({ own, inherited, from });

const row = (category: string, own: string, more: Partial<MapRow> = {}): MapRow => ({
  id: category,
  category,
  asks: "",
  depth: category.includes("/") ? 1 : 0,
  channels: 1,
  pins: 0,
  cells: [cell(own), cell("")],
  ...more,
});

const MAP: MapView = {
  revision: 4,
  columns: [
    { id: "destination", label: "Sent to" },
    { id: "sends", label: "Sends" },
  ],
  rows: [
    row("drums", "Drums", { channels: 3, pins: 1 }),
    row("drums/kick", "", { cells: [cell("", "Drums", "drums"), cell("")] }),
    row("strings", "", { channels: 0 }),
  ],
};

const EFFECT: EffectView = {
  revision: 4,
  says: "write “sent to” of drums",
  lines: [
    {
      channel: "kick",
      name: "kick",
      field: "output",
      slot: "output",
      label: "Sent to",
      before: "Drums",
      after: "mix",
      why: "from the category map: drums",
    },
  ],
  fields: { "Sent to": 1 },
  held: [
    {
      channel: "snare",
      name: "snare",
      slot: "output",
      label: "Sent to",
      keeps: "Drums",
      wanted: "mix",
    },
  ],
  moves: [{ from: "Drums", to: "mix", channels: ["kick"] }],
  coverage: [{ channel: "kick", output: "out", before: -3, pathsBefore: 1, pathsAfter: 0 }],
  check: { gone: [], come: [] },
};

beforeEach(() => {
  localStorage.clear();
  // jsdom lays nothing out.
  Element.prototype.scrollIntoView = () => undefined;
  answers.set("GET /api/mixes/m1/map", MAP);
  answers.set("POST /api/mixes/m1/effect", EFFECT);
  answers.set("POST /api/mixes/m1/seen-edits", { from: 4, revision: 5, channels: [], facts: {} });
});

const grid = () => screen.findByRole("grid", { name: "Category map" });
const body = (path: string) =>
  asked.filter((one) => one.path.endsWith(path)).at(-1)?.body as Record<string, unknown>;

describe("the category map", () => {
  it("shows what is said and, apart from it, what is inherited", async () => {
    show(<MapPlace view={view()} />);
    const table = await grid();
    expect(within(table).getAllByRole("row")).toHaveLength(3);
    const kick = within(table).getByRole("row", { name: /kick/ });
    expect(within(kick).getByText("Drums").className).toContain("text-ink-2");
    await userEvent.keyboard("a");
    expect(within(table).getAllByRole("row")).toHaveLength(4);
  });

  it("completes what is typed, tells its effect, and carries out what was seen", async () => {
    show(<MapPlace view={view()} />);
    (await grid()).focus();
    await userEvent.keyboard("{Enter}");
    await userEvent.clear(screen.getByRole("combobox", { name: "Sent to of drums" }));
    await userEvent.keyboard("mi");
    expect(screen.getByRole("option", { name: "mix" })).toBeTruthy();
    await userEvent.keyboard("{Enter}");
    await screen.findByText(/1 moves/);
    expect(body("/effect").edit).toEqual({
      edit: "say-of-map",
      cells: [{ entry: "drums", field: "destination", text: "mix" }],
    });
    expect(screen.getByText(/keeps Drums; the map says/)).toBeTruthy();
    expect(screen.getByText(/1 no longer reached/)).toBeTruthy();
    await userEvent.click(screen.getByRole("checkbox", { name: /sent to: Drums to mix/ }));
    await waitFor(() =>
      expect(screen.getByRole("button", { name: "Carry out" })).toHaveProperty("disabled", false),
    );
    await userEvent.keyboard("{Control>}{Enter}{/Control}");
    await waitFor(() => expect(body("/seen-edits")).toBeTruthy());
    expect(body("/seen-edits")).toMatchObject({
      seen: 4,
      edit: { edit: "leave-out", left: [{ channel: "kick", slot: "output" }] },
    });
    await screen.findByText(/Write into the map/);
  });

  it("writes into many rows at once, and takes a block from a spreadsheet", async () => {
    show(<MapPlace view={view()} />);
    const table = await grid();
    table.focus();
    await userEvent.keyboard("{Shift>}{ArrowDown}{/Shift}");
    await userEvent.paste("mix");
    await waitFor(() =>
      expect((body("/effect").edit as { cells: unknown[] }).cells).toHaveLength(2),
    );
    await userEvent.keyboard("{Delete}");
    await waitFor(() =>
      expect((body("/effect").edit as { cells: { text: string }[] }).cells[0]?.text).toBe(""),
    );
  });

  it("offers what is seated at the level guides, when they change and by its key", async () => {
    const guides = { edit: "together", words: "set 1 seat to the level guides", edits: [] };
    answers.set("GET /api/mixes/m1/guides", {});
    show(<MapPlace view={view()} />);
    const table = await grid();
    await userEvent.keyboard("l");
    await waitFor(() => expect(asked.some((one) => one.path.endsWith("/guides"))).toBe(true));
    table.focus();
    answers.set("GET /api/mixes/m1/guides", { edit: guides });
    await userEvent.keyboard("mix{Enter}");
    await screen.findByText(/1 moves/);
    await userEvent.keyboard("{Control>}{Enter}{/Control}");
    await waitFor(() => expect(body("/effect").edit).toEqual(guides));
  });

  it("says why something cannot be, where it is asked", async () => {
    answers.set("POST /api/mixes/m1/effect", refusal("drums: There is no bus “x”."));
    show(<MapPlace view={view({ channels: [channel("a")] })} />);
    (await grid()).focus();
    await userEvent.keyboard("x{Enter}");
    expect((await screen.findByRole("alert")).textContent).toContain("no bus “x”");
    expect(screen.getByRole("button", { name: "Carry out" })).toHaveProperty("disabled", true);
    await userEvent.click(screen.getByRole("button", { name: "Drop" }));
    expect(screen.queryByRole("alert")).toBeNull();
  });
});

describe("what is put into the map", () => {
  it("is an entry that asks for more than a category", async () => {
    show(<MapPlace view={view()} />);
    await grid();
    await userEvent.keyboard("n");
    const add = await screen.findByRole("button", { name: /Add it/ });
    expect(add).toHaveProperty("disabled", true);
    await userEvent.type(screen.getByLabelText("Person"), "Ada");
    await userEvent.click(add);
    await waitFor(() =>
      expect(body("/edits").edit).toMatchObject({
        edit: "change-mix",
        set: { categoryMap: { added: [{ item: { category: "drums", person: "Ada" } }] } },
      }),
    );
  });

  it("is the map of a file, with its effect first", async () => {
    show(<MapPlace view={view()} />);
    await grid();
    await userEvent.keyboard("m");
    const file = await screen.findByLabelText(/Or of a file/);
    await userEvent.upload(file, new File(["{"], "a.json", { type: "application/json" }));
    expect((await screen.findByText(/no JSON/)).textContent).toBeTruthy();
    const map = { version: 1, name: "Other", entries: [] };
    await userEvent.upload(
      file,
      new File([JSON.stringify(map)], "b.json", { type: "application/json" }),
    );
    await waitFor(() =>
      expect(body("/effect")?.edit).toEqual({ edit: "put-map", map, inOrder: false }),
    );
    expect(screen.getByText(/“Other”, 0 entries/)).toBeTruthy();
  });
});

describe("maps on the shelf", () => {
  const entry = { id: "drums", category: "drums", chain: [], sends: [], controls: [] };
  const mapped = () => view({ categoryMap: { entries: [entry] } });
  const kept = { version: 1, name: "Loud", entries: [] };
  beforeEach(() => {
    answers.set("GET /api/maps", [
      { id: "k1", name: "Loud", entries: 3, at: "2026-01-02T03:04:05Z" },
      {
        id: "k2",
        name: "Gone",
        entries: 1,
        at: "2026-01-02T03:04:05Z",
        removedAt: "2026-01-03T03:04:05Z",
      },
    ]);
    answers.set("GET /api/maps/k1", kept);
    answers.set("GET /api/mixes", [{ id: "m1", name: "Song", kind: "session" }]);
    answers.set("GET /api/mixes/m1/map/document", { ...kept, name: "Song" });
  });

  it("get the map of a Mix under a name, and are put under another", async () => {
    answers.set("POST /api/maps", []);
    show(<MapPlace view={mapped()} />);
    await grid();
    await userEvent.keyboard("k");
    const name = await screen.findByLabelText("Name");
    await userEvent.clear(name);
    await userEvent.type(name, "Mine{Control>}{Enter}{/Control}");
    await waitFor(() => expect(body("/maps")).toEqual({ mix: "m1", name: "Mine" }));
    answers.set("GET /api/maps", [{ id: "k1", name: "Loud", entries: 3, at: "2026-01-02T03:04Z" }]);
    await userEvent.keyboard("m");
    await screen.findByText("Loud (kept)");
    expect(screen.queryByText(/Gone/), "it is removed").toBeNull();
    await userEvent.selectOptions(screen.getByLabelText("From the shelf"), "Loud (kept)");
    await waitFor(() =>
      expect(body("/effect")?.edit).toEqual({ edit: "put-map", map: kept, inOrder: false }),
    );
  });

  it("are compared, two by two", async () => {
    answers.set("POST /api/maps/differences", [
      {
        category: "drums/kick",
        asks: "of Ada",
        field: "trimDb",
        label: "Trim dB",
        one: "",
        other: "−3",
      },
    ]);
    show(<MapPlace view={mapped()} />);
    await grid();
    await userEvent.keyboard("c");
    expect((await screen.findByText("1 difference")).textContent).toBeTruthy();
    expect(
      screen.getByRole("row", { name: /drums\/kick of Ada Trim dB says nothing −3/ }),
    ).toBeTruthy();
    expect(body("/differences")).toEqual({ one: { ...kept, name: "Song" }, other: kept });
    answers.set("POST /api/maps/differences", refusal("This category map has format version 9."));
    answers.set("GET /api/maps/k1", { ...kept, version: 9 });
    await userEvent.selectOptions(screen.getByLabelText("Another map"), "Song (session)");
    expect(await screen.findByRole("alert")).toHaveProperty(
      "textContent",
      "This category map has format version 9.",
    );
  });

  it("stand on the shelf, are found by their names, removed and brought back", async () => {
    show(<MapSection wanted="lou" />);
    expect((await screen.findByRole("listitem")).textContent).toMatch(/Loud.*3 entries/);
    cleanup();
    show(<MapSection wanted="map" />);
    await userEvent.click(await screen.findByRole("button", { name: "Remove Loud" }));
    await userEvent.click(screen.getByRole("button", { name: "Bring back Gone" }));
    expect(asked.map((one) => `${one.method} ${one.path}`)).toEqual(
      expect.arrayContaining(["DELETE /api/space/map/k1", "POST /api/space/map/k2/back"]),
    );
    await userEvent.click(screen.getByRole("button", { name: "Compare two…" }));
    expect(await screen.findByText("Compare category maps")).toBeTruthy();
  });
});

describe("cells of the map", () => {
  const columns = MAP.columns;
  it("keep what is written until it says what stands there", () => {
    const once = written(new Map(), MAP.rows, columns, [{ y: 0, x: 0, text: " Mix " }]);
    expect(textOf(MAP.rows[0] as MapRow, columns, 0, once)).toBe("Mix");
    const back = written(once, MAP.rows, columns, [{ y: 0, x: 0, text: "Drums" }]);
    expect(back.size).toBe(0);
    expect(written(once, MAP.rows, columns, [{ y: 9, x: 9, text: "x" }]).size).toBe(1);
  });

  it("take a block as it is, and one word into a whole area", () => {
    const area = { top: 0, left: 0, bottom: 1, right: 1 };
    expect(pasted([["a"]], area)).toHaveLength(4);
    expect(pasted([["a", "b"], ["c"]], area)).toEqual([
      { y: 0, x: 0, text: "a" },
      { y: 0, x: 1, text: "b" },
      { y: 1, x: 0, text: "c" },
    ]);
    expect(inThisMix(MAP.rows).map((one) => one.category)).toEqual(["drums", "drums/kick"]);
  });

  it("keeps what is written when one goes away and comes back, and behind a proposal", async () => {
    const first = show(<MapPlace view={view()} />);
    (await grid()).focus();
    await userEvent.keyboard("{Enter}");
    await userEvent.clear(screen.getByRole("combobox", { name: "Sent to of drums" }));
    await userEvent.keyboard("mix{Enter}");
    await screen.findByText(/1 moves/);
    first.unmount();
    show(<MapPlace view={view()} />);
    await grid();
    await waitFor(() =>
      expect(body("/effect").edit).toEqual({
        edit: "say-of-map",
        cells: [{ entry: "drums", field: "destination", text: "mix" }],
      }),
    );
    await userEvent.keyboard("p");
    await waitFor(() => expect(body("/effect").edit).toEqual({ edit: "propose-map" }));
    await userEvent.keyboard("{Control>}{Alt>}{Backspace}{/Alt}{/Control}");
    await waitFor(() => expect(body("/effect").edit).toMatchObject({ edit: "say-of-map" }));
  });
});

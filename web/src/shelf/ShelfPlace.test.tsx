// @vitest-environment jsdom
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import type { ShelfItem } from "../api/client";
import { answers, asked, refusal, show, withServer } from "../testing/render";
import { ShelfPlace } from "./ShelfPlace";

withServer();

const item = (id: string, more: Partial<ShelfItem> = {}): ShelfItem => ({
  id,
  name: id,
  kind: "template",
  description: `About ${id}.`,
  job: "mix",
  archived: false,
  revision: 1,
  seats: 2,
  buses: 1,
  outputs: 0,
  changedAt: "2026-03-14T12:00:00Z",
  sketch: { columns: [], ties: [] },
  ...more,
});

beforeEach(() => {
  answers.set("GET /api/mixes", [
    item("Band"),
    item("Series", { job: "post" }),
    item("Old", { archived: true }),
    item("Song", { kind: "session" }),
  ]);
});

const titles = () => screen.getAllByRole("heading", { level: 2 }).map((one) => one.textContent);

describe("the shelf", () => {
  it("files templates by kind of job and keeps what is archived out of sight", async () => {
    show(<ShelfPlace />);
    await screen.findByText("Band");
    expect(titles()).toEqual([
      "Sessions 1",
      "Templates to mix 1",
      "Templates for post-production 1",
      "Category maps 0",
      "Chains 0",
    ]);
    expect(screen.queryByText("Old")).toBeNull();
    await userEvent.click(screen.getByLabelText("Archived ones too"));
    expect(screen.getByText("Old")).toBeTruthy();
  });

  it("asks a new template for its rate, tempo and pan law", async () => {
    answers.set("POST /api/mixes/templates", { id: "m2" });
    show(<ShelfPlace />);
    await screen.findByText("Band");
    await userEvent.keyboard("n");
    const rate = await screen.findByRole("combobox", { name: "Sample rate" });
    await userEvent.selectOptions(rate, "96 kHz");
    await userEvent.selectOptions(screen.getByRole("combobox", { name: "Pan law" }), "−6 dB");
    const tempo = screen.getByLabelText("Tempo, bpm");
    await userEvent.clear(tempo);
    await userEvent.type(tempo, "92.5{Control>}{Enter}{/Control}");
    await waitFor(() =>
      expect(asked.find((one) => one.path === "/api/mixes/templates")?.body).toEqual({
        name: "New template",
        sampleRate: 96_000,
        tempo: 92.5,
        panLaw: "-6 dB",
      }),
    );
  });

  it("finds by words of name and description", async () => {
    show(<ShelfPlace />);
    await screen.findByText("Band");
    await userEvent.type(screen.getByLabelText("Search"), "about ser");
    expect(screen.queryByText("Band")).toBeNull();
    expect(screen.getByText("Series")).toBeTruthy();
  });

  it("duplicates, archives, and makes a template of a session only", async () => {
    show(<ShelfPlace />);
    await screen.findByText("Band");
    await userEvent.click(screen.getByRole("button", { name: "Duplicate Band" }));
    await userEvent.click(screen.getByRole("button", { name: "Archive Series" }));
    await userEvent.click(screen.getByRole("button", { name: "Make a template of Song" }));
    expect(asked.filter((one) => one.method === "POST")).toEqual([
      expect.objectContaining({ path: "/api/mixes/Band/duplicate" }),
      { method: "POST", path: "/api/mixes/Series/archive", body: { archived: true } },
      { method: "POST", path: "/api/mixes/Song/template", body: { name: "" } },
    ]);
    expect(screen.queryByRole("button", { name: "Make a template of Band" })).toBeNull();
  });

  it("starts a session from a template under a name", async () => {
    answers.set("POST /api/mixes/sessions", { id: "new" });
    show(<ShelfPlace />);
    const row = (await screen.findByText("Band")).closest("li");
    await userEvent.click(within(row as HTMLElement).getByText("Start a session"));
    await userEvent.type(screen.getByLabelText("Name of the song or programme"), "Tide");
    await userEvent.keyboard("{Enter}");
    expect(asked).toContainEqual({
      method: "POST",
      path: "/api/mixes/sessions",
      body: { template: "Band", name: "Tide" },
    });
  });

  it("reads a file as it is", async () => {
    show(<ShelfPlace />);
    await screen.findByText("Band");
    const file = new File(['{"version":2}'], "mix.json", { type: "application/json" });
    await userEvent.upload(screen.getByLabelText("Mix file to read"), file);
    expect(asked).toContainEqual({
      method: "POST",
      path: "/api/mixes/files",
      body: { version: 2 },
    });
  });

  it("starts a session with what is dropped on it", async () => {
    answers.set("POST /api/mixes/sessions", { id: "m7" });
    answers.set("POST /api/mixes/m7/deliveries", { id: "d7" });
    show(<ShelfPlace />);
    const place = (await screen.findByText("Band")).closest('[role="presentation"]');
    const file = new File(["x"], "kick.wav");
    const entry = {
      isFile: true,
      fullPath: "/Song of storms/kick.wav",
      file: (then: (file: File) => void) => then(file),
    };
    fireEvent.drop(place ?? document.body, {
      dataTransfer: { items: [{ webkitGetAsEntry: () => entry }] },
    });
    expect(await screen.findByText("Start a session with 1 file")).toBeTruthy();
    expect(screen.getByLabelText("Name of the song or programme")).toHaveProperty(
      "value",
      "Song of storms",
    );
    await userEvent.selectOptions(screen.getByLabelText("Template"), "Series");
    await userEvent.keyboard("{Control>}{Enter}{/Control}");
    await waitFor(() =>
      expect(asked).toContainEqual({
        method: "POST",
        path: "/api/mixes/m7/deliveries",
        body: { name: "Song of storms" },
      }),
    );
    expect(asked).toContainEqual({
      method: "POST",
      path: "/api/mixes/sessions",
      body: { template: "Series", name: "Song of storms" },
    });
  });

  it("does not look empty while it is read, and says why it cannot be", async () => {
    answers.set("GET /api/mixes", refusal("The database is being copied.", 503));
    show(<ShelfPlace />);
    expect(screen.queryByText(/Sessions/)).toBeNull();
    expect((await screen.findByRole("alert")).textContent).toContain("being copied");
    answers.set("GET /api/mixes", [item("Band")]);
    await userEvent.click(screen.getByRole("button", { name: "Try again" }));
    expect(await screen.findByText("Band")).toBeTruthy();
  });
});

// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import type { DeliveryView, FileView } from "../api/client";
import { answers, asked, show, view, withServer } from "../testing/render";
import { IntakePlace } from "./IntakePlace";

withServer();

const file = (id: string, more: Partial<FileView> = {}): FileView => ({
  id,
  name: `${id}.wav`,
  category: "drums",
  confidence: 0.98,
  because: ["“kick” in the name"],
  sortedByHand: false,
  audio: {
    seconds: 62,
    sampleRate: 48_000,
    layout: "mono",
    format: "24-bit",
    integratedLufs: -19.5,
    notes: [],
    overview: [],
  },
  ...more,
});

const delivery: DeliveryView = {
  id: "d1",
  mixId: "m1",
  name: "From the client",
  at: "2026-03-14T12:00:00Z",
  seated: false,
  files: [
    file("kick", {
      place: { act: "takes", seatName: "Kick", destinationName: "Drums", because: "same name" },
    }),
    file("tom", { place: { act: "adds", seatName: "Tom 2", because: "no seat is left" } }),
    file("odd", { category: "unknown", confidence: 0, because: ["no word is known"] }),
    file("text", { fault: "This is no audio file.", audio: undefined }),
  ],
  stow: [{ id: "hat", name: "Hat" }],
};

const session = view({ kind: "session" });

beforeEach(() => {
  answers.set("GET /api/mixes/m1/deliveries", [{ id: "d1", name: delivery.name, files: 4 }]);
  answers.set("GET /api/deliveries/d1", delivery);
});

const rows = () =>
  screen
    .getAllByRole("option")
    .filter((one) => one.dataset.file)
    .map((one) => one.dataset.file);

async function open() {
  show(<IntakePlace view={session} />);
  await screen.findByText("kick.wav");
}

describe("the intake", () => {
  it("puts first what needs a person: what is refused, then what is doubtful", async () => {
    await open();
    expect(rows().slice(0, 2)).toEqual(["text", "odd"]);
    expect(screen.getByText("Refused: This is no audio file.")).toBeTruthy();
    expect(screen.getByText(/1 to look at/)).toBeTruthy();
    expect(screen.getByText(/1 refused/)).toBeTruthy();
  });

  it("tells where each file goes before anything goes", async () => {
    await open();
    const of = (id: string) => document.querySelector(`[data-file=${id}]`)?.textContent;
    expect(of("kick")).toContain("Kick → Drums");
    expect(of("tom")).toContain("new Tom 2");
    expect(screen.getByText(/1 seat added, 1 seat stowed/)).toBeTruthy();
    expect(asked.filter((one) => one.method !== "GET")).toEqual([]);
  });

  it("is walked with arrows, and gives a file another category", async () => {
    const sorted = { ...delivery, files: delivery.files.map((one) => ({ ...one })) };
    answers.set("POST /api/deliveries/d1/category", sorted);
    await open();
    await userEvent.keyboard("{ArrowDown}");
    expect(document.activeElement?.getAttribute("data-file")).toBe("odd");
    await userEvent.keyboard("k");
    await userEvent.keyboard("vocals{Enter}");
    await waitFor(() =>
      expect(asked.at(-1)).toMatchObject({
        path: "/api/deliveries/d1/category",
        body: { files: ["odd"], category: "vocals" },
      }),
    );
  });

  it("does not ask for the category of what was refused", async () => {
    await open();
    await userEvent.keyboard("k");
    expect(screen.queryByRole("dialog")).toBeNull();
  });

  it("seats all that has a place, by key", async () => {
    await open();
    expect(screen.getByRole("button", { name: /Seat 2 files/ })).toBeTruthy();
    await userEvent.keyboard("s");
    await waitFor(() =>
      expect(asked.some((one) => one.path === "/api/deliveries/d1/seat")).toBe(true),
    );
  });

  it("says in a template that it holds no audio, and takes none", async () => {
    answers.set("GET /api/mixes/m1/deliveries", []);
    show(<IntakePlace view={view()} />);
    expect(screen.getByText(/This is a template: it holds no audio/)).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Receive files…" })).toBeNull();
    expect(await screen.findByText(/Drop the delivered files/)).toBeTruthy();
  });
});

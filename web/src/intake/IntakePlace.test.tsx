// @vitest-environment jsdom
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import type { DeliveryView, FileView, SeatView } from "../api/client";
import { answers, asked, edits, show, view, withServer } from "../testing/render";
import { IntakePlace } from "./IntakePlace";

withServer();

const file = (id: string, more: Partial<FileView> = {}): FileView => ({
  id,
  name: `${id}.wav`,
  category: "drums",
  confidence: 0.98,
  because: ["“kick” in the name"],
  sortedByHand: false,
  doubtful: false,
  against: "new",
  steps: [],
  audio: {
    sha256: "ab",
    seconds: 62,
    sampleRate: 48_000,
    layout: "mono",
    container: "RIFF",
    usedBits: 24,
    format: "24-bit",
    integratedLufs: -19.5,
    notes: [],
    overview: [],
    cuts: [{ from: 10, to: 20 }],
  },
  ...more,
});

function seat(
  id: string,
  name: string,
  state: SeatView["state"],
  more: Partial<SeatView> = {},
): SeatView {
  return {
    id,
    name,
    state,
    category: "drums",
    layout: "mono",
    files: [],
    free: true,
    touched: true,
    ...more,
  };
}

const delivery: DeliveryView = {
  id: "d1",
  mixId: "m1",
  name: "From the client",
  at: "2026-03-14T12:00:00Z",
  seated: false,
  measuring: 0,
  missing: [],
  deadAir: { shortestSeconds: 3, headSeconds: 0.5, tailSeconds: 1.5 },
  facts: {
    sampleRate: 48_000,
    bitDepth: 24,
    startSeconds: 10,
    endSeconds: 38,
    tempoBpm: 96,
    because: ["tempo of “CLICK.wav”"],
  },
  rules: [],
  files: [
    file("kick", {
      place: {
        act: "takes",
        seat: "s1",
        seatName: "Kick",
        destinationName: "Drums",
        because: "same name",
        wished: false,
      },
    }),
    file("tom", {
      place: {
        act: "adds",
        seat: "s2",
        seatName: "Tom 2",
        because: "no seat is left",
        wished: false,
      },
    }),
    file("odd", {
      category: "unknown",
      confidence: 0,
      doubtful: true,
      because: ["no word is known"],
    }),
    file("text", { fault: "This is no audio file.", audio: undefined }),
  ],
  seats: [
    seat("s1", "Kick", "taken", { calledBefore: "Kick in", destinationName: "Drums" }),
    seat("hat", "Hat", "stowed"),
    seat("s2", "Tom 2", "new"),
    seat("rough", "Rough", "empty"),
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

  it("keeps the keyboard on its row when the rows change places", async () => {
    const sorted = {
      ...delivery,
      files: delivery.files.map((one) => ({ ...one, doubtful: one.id === "tom" })),
    };
    answers.set("POST /api/deliveries/d1/category", sorted);
    await open();
    await userEvent.keyboard("{ArrowDown}k");
    await userEvent.keyboard("vocals{Enter}");
    await waitFor(() => expect(rows().slice(0, 2)).toEqual(["text", "tom"]));
    await waitFor(() => expect(document.activeElement?.getAttribute("data-file")).toBe("odd"));
  });

  it("does not ask for the category of what was refused", async () => {
    await open();
    await userEvent.keyboard("k");
    expect(screen.queryByRole("dialog")).toBeNull();
  });

  it("says why a file was refused where it says all that is known of it", async () => {
    await open();
    const pane = screen.getByRole("region", { name: "The chosen file" });
    expect(within(pane).getByText("This is no audio file.")).toBeTruthy();
  });

  it("says what is wrong with a file before it says why it asks", async () => {
    const [kick] = delivery.files;
    const audio = kick?.audio && { ...kick.audio, notes: ["cut short"] };
    const files = [file("kick", { audio, doubtful: true, because: ["no word says a category"] })];
    answers.set("GET /api/deliveries/d1", { ...delivery, files });
    show(<IntakePlace view={session} />);
    expect(await screen.findByText("cut short; no word says a category")).toBeTruthy();
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

  it("shows what is known of the chosen file, and lets a step be left out", async () => {
    const flip = { kind: "flip", says: "polarity flipped", optional: true, off: false };
    const resample = { kind: "resample", says: "to 48,000 Hz", optional: false, off: false };
    const first = file("first", { confidence: 0.1, doubtful: true, steps: [flip, resample] });
    answers.set("GET /api/deliveries/d1", { ...delivery, files: [first] });
    answers.set("POST /api/deliveries/d1/steps", {
      ...delivery,
      files: [{ ...first, steps: [{ ...flip, off: true }, resample] }],
    });
    show(<IntakePlace view={session} />);
    const box = await screen.findByRole("checkbox", { name: "polarity flipped" });
    expect(screen.getByRole("checkbox", { name: "to 48,000 Hz" })).toHaveProperty("disabled", true);
    await userEvent.click(box);
    await waitFor(() => expect(box).toHaveProperty("checked", false));
    expect(asked.find((one) => one.path === "/api/deliveries/d1/steps")?.body).toEqual({
      file: "first",
      kind: "flip",
      off: true,
    });
  });

  it("says what the delivery says of its session, and what did not come again", async () => {
    answers.set("GET /api/deliveries/d1", { ...delivery, missing: ["Choir S.wav"] });
    await open();
    expect(screen.getByText(/48 kHz, 24-bit · sounds 0:10 to 0:38 · 96 BPM/)).toBeTruthy();
    expect(screen.getByText(/1 file of the delivery before did not come again/)).toBeTruthy();
  });

  it("shows seats and files side by side, and changes a place by key", async () => {
    await open();
    await userEvent.keyboard("p");
    expect(await screen.findByText("stowed, nothing came")).toBeTruthy();
    expect(rows()).toEqual(["kick", "tom"]);
    expect(document.activeElement?.getAttribute("data-file")).toBe("kick");
    expect(document.querySelector("[data-seat=s1]")?.textContent).toContain("Kick in→ Drums");
    const moved = {
      ...delivery,
      files: delivery.files.map((one) =>
        one.id === "tom"
          ? { ...one, place: { ...one.place, seat: "hat", act: "takes", wished: true } }
          : one,
      ),
    };
    answers.set("POST /api/deliveries/d1/wishes", moved);
    await userEvent.keyboard("{ArrowDown}g");
    await userEvent.keyboard("hat{Enter}");
    const wishes = () => asked.filter((one) => one.path === "/api/deliveries/d1/wishes");
    await waitFor(() =>
      expect(wishes().at(-1)?.body).toEqual({
        files: ["tom"],
        wish: { kind: "seat", channel: "hat" },
      }),
    );
    expect(await screen.findByText("by you")).toBeTruthy();
    await userEvent.keyboard("b");
    await waitFor(() => expect(wishes().at(-1)?.body).toEqual({ files: ["tom"] }));
  });

  it("folds away the seats that a plan does not touch", async () => {
    const seats = [
      ...delivery.seats,
      seat("old", "Bass", "holds", { touched: false }),
      seat("spare", "Spare", "stowed", { touched: false }),
    ];
    answers.set("GET /api/deliveries/d1", { ...delivery, seats });
    await open();
    await userEvent.keyboard("p");
    const more = await screen.findByRole("button", {
      name: "Show 1 seat with audio and 1 stowed seat that stay as they are",
    });
    expect(screen.queryByText("keeps its audio")).toBeNull();
    await userEvent.click(more);
    expect(screen.getByText("keeps its audio")).toBeTruthy();
    expect(document.querySelector("[data-seat=spare]")).toBeTruthy();
  });

  it("takes a file that is dropped on a seat, and keeps a new pattern of names", async () => {
    answers.set("POST /api/deliveries/d1/wishes", delivery);
    answers.set("PUT /api/deliveries/d1/dead-air", delivery);
    answers.set("PUT /api/deliveries/d1/seat-names", { ...delivery, seatNames: "{seat}" });
    await open();
    await userEvent.keyboard("p");
    const types = new Map([["application/x-drevik-file", "kick"]]);
    const dataTransfer = { types: [...types.keys()], getData: (type: string) => types.get(type) };
    fireEvent.drop(screen.getByText("Stays out"), { dataTransfer });
    await waitFor(() =>
      expect(asked.at(-1)).toMatchObject({
        path: "/api/deliveries/d1/wishes",
        body: { files: ["kick"], wish: { kind: "left out" } },
      }),
    );
    await userEvent.keyboard("d");
    const gap = await screen.findByLabelText("Shortest gap, s");
    await userEvent.clear(gap);
    await userEvent.type(gap, "x");
    await userEvent.click(screen.getByRole("button", { name: /^Set\b/ }));
    expect(await screen.findByText(/“x” is no number/)).toBeTruthy();
    await userEvent.clear(gap);
    await userEvent.type(gap, "7,5");
    await userEvent.click(screen.getByRole("button", { name: /^Set\b/ }));
    await waitFor(() =>
      expect(asked.at(-1)).toMatchObject({
        path: "/api/deliveries/d1/dead-air",
        body: { shortestSeconds: 7.5, headSeconds: 0.5, tailSeconds: 1.5 },
      }),
    );
    await userEvent.keyboard("n");
    expect(await screen.findByLabelText("Pattern")).toHaveProperty("value", "{file}");
    await userEvent.click(screen.getByRole("button", { name: "As in the template" }));
    await waitFor(() =>
      expect(asked.at(-1)).toMatchObject({
        path: "/api/deliveries/d1/seat-names",
        body: { pattern: "{seat}" },
      }),
    );
  });

  it("shows the report, what is wrong first", async () => {
    answers.set("GET /api/deliveries/d1/report", {
      name: "From the client",
      from: ["Wren"],
      date: "2026-03-14",
      summary: "1 file received, 1 with findings",
      lines: [
        {
          file: "kick.wav",
          format: "0:40.0, 48,000 Hz, 24-bit, mono",
          category: "drums/kick",
          wrong: ["clipped in 3 places"],
          goesTo: "Kick",
        },
      ],
      missing: [],
      empty: ["Hat"],
    });
    await open();
    await userEvent.keyboard("r");
    expect(await screen.findByText("clipped in 3 places")).toBeTruthy();
    expect(screen.getByText("Wren · 2026-03-14")).toBeTruthy();
    expect(screen.getByText("Seats that nothing came for").nextSibling?.textContent).toBe("Hat");
    expect(screen.getByRole("link", { name: "Save as PDF" }).getAttribute("href")).toBe(
      "/api/deliveries/d1/report.pdf",
    );
  });

  it("offers to set start and end until they are set", async () => {
    const times = { startSeconds: 9.5, endSeconds: 44, tempo: 96, set: false };
    answers.set("GET /api/deliveries/d1", { ...delivery, times });
    await open();
    expect(screen.getByRole("button", { name: /Set start and end: 0:10 to 0:44/ })).toBeTruthy();
    await userEvent.keyboard("t");
    await waitFor(() =>
      expect(asked.some((one) => one.path === "/api/deliveries/d1/times")).toBe(true),
    );
  });

  it("offers the delivery's sample rate to a session that holds no audio", async () => {
    answers.set("GET /api/deliveries/d1", { ...delivery, rateToTake: 44_100 });
    await open();
    expect(screen.getByRole("button", { name: /Set the session to 44.1 kHz/ })).toBeTruthy();
    await userEvent.keyboard("e");
    await waitFor(() => expect(edits()).toEqual([{ edit: "set-sample-rate", sampleRate: 44_100 }]));
  });

  it("does not seat while files are still being measured", async () => {
    answers.set("GET /api/deliveries/d1", { ...delivery, measuring: 2 });
    await open();
    expect(screen.getByText(/Measuring: 2 of 4 files left/)).toBeTruthy();
    await userEvent.keyboard("s");
    expect(asked.some((one) => one.path === "/api/deliveries/d1/seat")).toBe(false);
  });

  it("keeps whom it comes from, and forgets what was learned", async () => {
    const rule = { id: "r1", words: "zork", category: "synth" };
    answers.set("GET /api/deliveries/d1", { ...delivery, rules: [rule] });
    answers.set("PUT /api/deliveries/d1/from", { ...delivery, client: "Wren", rules: [rule] });
    answers.set("DELETE /api/deliveries/d1/rules/r1", { ...delivery, client: "Wren" });
    await open();
    await userEvent.keyboard("w");
    await userEvent.type(await screen.findByLabelText("Client"), "Wren");
    await userEvent.keyboard("{Control>}{Enter}{/Control}");
    expect(await screen.findByRole("button", { name: "Wren" })).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "1 correction learned" }));
    answers.set("PUT /api/deliveries/d1/rules/r1", { ...delivery, rules: [rule] });
    await userEvent.selectOptions(
      await screen.findByRole("combobox", { name: "Category of “zork”" }),
      "vocals",
    );
    await waitFor(() => expect(asked.at(-1)?.body).toEqual({ category: "vocals" }));
    await userEvent.click(await screen.findByRole("button", { name: "Forget “zork”" }));
    await waitFor(() => expect(screen.queryByText("zork")).toBeNull());
  });
});

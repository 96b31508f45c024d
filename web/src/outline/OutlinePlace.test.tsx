// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import { answers, asked, refusal, show, view, withServer } from "../testing/render";
import { keepDraft, keptDraft } from "./draft";
import { OutlinePlace } from "./OutlinePlace";

withServer();

const TEXT = "mix\n  kick\n  snare\n";
const LINES = [
  { line: 1, channels: ["mix"] },
  { line: 2, channels: ["kick"] },
  { line: 3, channels: ["snare"] },
];
const preview = {
  faults: [],
  lines: LINES,
  says: "add the channel “hat”",
  differences: ["added: the seat hat"],
  change: { from: 4, revision: 4, channels: [], facts: {} },
  check: { gone: [], come: [{ rule: "muted", severity: "note", where: [], says: "x", mends: [] }] },
};

beforeEach(() => {
  localStorage.clear();
  // jsdom measures no text.
  Range.prototype.getClientRects = () => [] as unknown as DOMRectList;
  Range.prototype.getBoundingClientRect = () => new DOMRect();
  answers.set("GET /api/mixes/m1/outline", { revision: 4, text: TEXT, lines: LINES });
  answers.set("POST /api/mixes/m1/outline/preview", preview);
  answers.set("POST /api/outline/completion", { from: 0, choices: [] });
});

const text = () => screen.findByRole("textbox", { name: "Outline of Test" });
const lines = (element: HTMLElement) =>
  [...element.querySelectorAll(".cm-line")].map((line) => line.textContent);
const make = () => screen.getByRole("button", { name: "Make it" });

/** A draft that was typed before: typing itself needs an editor that is laid out. */
function typed(more: string) {
  keepDraft("m1", { basedOn: 4, text: TEXT + more });
}

describe("the outline of a Mix", () => {
  it("shows the Mix as it is, with nothing to make", async () => {
    show(<OutlinePlace view={view()} />);
    expect(lines(await text())).toEqual(["mix", "  kick", "  snare", ""]);
    expect(make()).toHaveProperty("disabled", true);
    expect(screen.getByText(/This is the Mix as it is/)).toBeTruthy();
  });

  it("says what a text would make, and makes it", async () => {
    typed("  hat\n");
    answers.set("POST /api/mixes/m1/outline", {
      from: 4,
      revision: 5,
      undo: "add the channel “hat”",
      channels: [],
      facts: {},
    });
    show(<OutlinePlace view={view()} />);
    await screen.findByText(/Would add the channel “hat”/);
    expect(screen.getByText(/1 finding comes, 0 go/)).toBeTruthy();
    expect(screen.getByText("added: the seat hat")).toBeTruthy();
    await waitFor(() => expect(make()).toHaveProperty("disabled", false));
    await userEvent.click(make());
    await waitFor(() => expect(keptDraft("m1")).toBeUndefined());
    const made = asked.find((one) => one.path === "/api/mixes/m1/outline" && one.method === "POST");
    expect(made?.body).toMatchObject({ basedOn: 4, draft: { basedOn: 4, text: `${TEXT}  hat\n` } });
  });

  it("lists what cannot be read, and makes nothing", async () => {
    typed("  hat >gone\n");
    answers.set("POST /api/mixes/m1/outline/preview", {
      ...preview,
      faults: [{ line: 4, from: 7, to: 11, says: "There is no line “gone”." }],
      says: undefined,
      change: undefined,
    });
    show(<OutlinePlace view={view()} />);
    const wrong = await screen.findByRole("list", { name: "What cannot be read" });
    await userEvent.click(within(wrong).getByRole("button", { name: /Line 4/ }));
    expect(document.activeElement).toBe(await text());
    expect(make()).toHaveProperty("disabled", true);
  });

  it("keeps what was typed when the server refuses it", async () => {
    typed("  hat\n");
    answers.set("POST /api/mixes/m1/outline", refusal("“kick” was removed meanwhile.", 409));
    show(<OutlinePlace view={view()} />);
    await waitFor(() => expect(make()).toHaveProperty("disabled", false));
    await userEvent.click(make());
    expect((await screen.findByRole("alert")).textContent).toContain("removed meanwhile");
    expect(lines(await text())).toContain("  hat");
    expect(keptDraft("m1")?.text).toContain("hat");
  });

  it("starts over from the Mix as it is", async () => {
    typed("  hat\n");
    show(<OutlinePlace view={view()} />);
    expect(lines(await text())).toContain("  hat");
    await userEvent.click(screen.getByRole("button", { name: "Start over" }));
    await waitFor(async () => expect(lines(await text())).not.toContain("  hat"));
    expect(keptDraft("m1")).toBeUndefined();
  });
});

describe("a draft", () => {
  it("is of its Mix, and nothing where it cannot be read", () => {
    typed("x");
    expect(keptDraft("m1")?.basedOn).toBe(4);
    expect(keptDraft("m2")).toBeUndefined();
    localStorage.setItem("drevik-outline-m2", "{");
    expect(keptDraft("m2")).toBeUndefined();
    localStorage.setItem("drevik-outline-m2", '{"text":1}');
    expect(keptDraft("m2")).toBeUndefined();
  });
});

// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Finding, MixView } from "../api/client";
import { answers, asked, edits, show, view, withServer } from "../testing/render";
import { dismiss, notify } from "./notices";
import { Shell } from "./Shell";

withServer();

const finding = (severity: Finding["severity"]): Finding => ({
  rule: "muted",
  severity,
  where: ["kick"],
  says: "Said.",
  mends: [],
});

beforeEach(() => {
  dismiss();
  vi.stubGlobal("matchMedia", () => ({ matches: false }));
  localStorage.clear();
  answers.set("GET /api/mixes/m1/revisions", []);
});

const open = (more: Partial<MixView> = {}) =>
  show(
    <Shell mix={{ ...view(), ...more }}>
      <p>A place</p>
    </Shell>,
  );

describe("the shell", () => {
  it("says which Mix it is, and counts findings beside the line check", () => {
    open({ findings: [finding("wrong"), finding("note")] });
    expect(screen.getByText(/template · revision 4/)).toBeTruthy();
    expect(screen.getByRole("link", { name: /Line check/ }).textContent).toContain("1 wrong");
  });

  it("shows a tick where nothing was found, and a number where it is doubtful", () => {
    const { unmount } = open();
    expect(screen.getByRole("link", { name: /Line check/ }).textContent).toContain("✓");
    unmount();
    open({ findings: [finding("doubtful"), finding("note")] });
    expect(screen.getByRole("link", { name: /Line check/ }).textContent).toContain("2");
  });

  it("undoes and redoes by key, if there is something to", async () => {
    open({ undo: "mute “kick”" });
    await userEvent.keyboard("{Control>}z{/Control}");
    await waitFor(() => expect(asked.some((one) => one.path === "/api/mixes/m1/undo")).toBe(true));
    await userEvent.keyboard("{Control>}{Shift>}Z{/Shift}{/Control}");
    expect(asked.some((one) => one.path === "/api/mixes/m1/redo")).toBe(false);
  });

  it("lists what can be done, in words, and does it", async () => {
    open({ undo: "mute “kick”" });
    await userEvent.keyboard("{Control>}k{/Control}");
    await userEvent.keyboard("undo{Enter}");
    await waitFor(() => expect(asked.some((one) => one.path === "/api/mixes/m1/undo")).toBe(true));
    expect(screen.queryByRole("dialog")).toBeNull();
  });

  it("names and describes the Mix", async () => {
    open();
    await userEvent.keyboard("j");
    await userEvent.clear(screen.getByLabelText("Name"));
    await userEvent.type(screen.getByLabelText("Name"), "Weather");
    await userEvent.selectOptions(screen.getByLabelText("Kind of job"), "for post-production");
    await userEvent.keyboard("{Control>}{Enter}{/Control}");
    await waitFor(() =>
      expect(edits()).toEqual([{ edit: "change-mix", set: { name: "Weather", job: "post" } }]),
    );
  });

  it("shows the keys of the place", async () => {
    open();
    await userEvent.keyboard("?");
    expect(screen.getByRole("dialog").textContent).toContain("Go to Ledger");
  });

  it("keeps what went wrong until it is put away", async () => {
    open();
    notify("The disk is full.", "wrong");
    expect(await screen.findByText("The disk is full.")).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "Put away" }));
    expect(screen.queryByText("The disk is full.")).toBeNull();
  });
});

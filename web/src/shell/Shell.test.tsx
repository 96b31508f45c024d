// @vitest-environment jsdom
import { act, fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Finding, MixView } from "../api/client";
import { answers, asked, edits, show, view, withServer } from "../testing/render";
import { heard } from "./connection";
import { dismiss, notify, tellDone } from "./notices";
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

  it("offers to take back the last step, and only that of the Mix that is shown", async () => {
    open();
    act(() => tellDone("m1", "Mute “kick”.", true));
    act(() => tellDone("m1", "Mute “snare”.", true));
    expect(screen.queryByText("Mute “kick”.")).toBeNull();
    await userEvent.click(screen.getByText("Undo"));
    await waitFor(() => expect(asked.some((one) => one.path === "/api/mixes/m1/undo")).toBe(true));
    act(() => tellDone("another", "Mute “bass”.", true));
    expect(screen.getByText("Mute “bass”.")).toBeTruthy();
    expect(screen.queryByText("Undo")).toBeNull();
  });

  it("says when nobody answers, and asks anew for everything when somebody does", async () => {
    open();
    act(() => heard(false));
    expect(screen.getByText("Not connected")).toBeTruthy();
    await waitFor(() => expect(screen.queryByText("Not connected")).toBeNull(), { timeout: 5000 });
    expect(asked.some((one) => one.path === "/api/ready")).toBe(true);
  });

  it("names the page after Mix and place", () => {
    open();
    expect(document.title).toBe("Shelf · Test · Drevik");
  });

  it("leaves single keys alone when they are switched off", async () => {
    open();
    await userEvent.keyboard("{Control>}{Alt>}k{/Alt}{/Control}");
    await userEvent.keyboard("j");
    expect(screen.queryByRole("dialog")).toBeNull();
    await userEvent.keyboard("{Control>}k{/Control}");
    expect(screen.getByRole("dialog")).toBeTruthy();
    await userEvent.keyboard("single keys on{Enter}j");
    expect(await screen.findByRole("dialog")).toBeTruthy();
  });

  it("survives a place that cannot be drawn", async () => {
    const quiet = vi.spyOn(console, "error").mockReturnValue(undefined);
    let broken = true;
    const Place = () => {
      if (broken) {
        throw new Error("a fault of ours");
      }
      return <p>It is here.</p>;
    };
    show(
      <Shell mix={view()}>
        <Place />
      </Shell>,
    );
    expect(screen.getByText(/a fault of ours/)).toBeTruthy();
    expect(screen.getByRole("link", { name: /Ledger/ })).toBeTruthy();
    broken = false;
    await userEvent.click(screen.getByRole("button", { name: "Try again" }));
    expect(screen.getByText("It is here.")).toBeTruthy();
    quiet.mockRestore();
  });

  it("does an act once while its key is held, but for undo", async () => {
    open({ undo: "mute “kick”" });
    const press = (repeat: boolean) => fireEvent.keyDown(document.body, { key: "j", repeat });
    press(true);
    expect(screen.queryByRole("dialog")).toBeNull();
    press(false);
    expect(await screen.findByRole("dialog")).toBeTruthy();
  });
});

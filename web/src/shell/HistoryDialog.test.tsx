// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { answers, asked, show, view, withServer } from "../testing/render";
import { HistoryDialog } from "./HistoryDialog";

withServer();

const line = (number: number, says: string, name?: string) => ({
  number,
  parent: number > 1 ? number - 1 : undefined,
  at: "2026-03-14T12:00:00Z",
  says,
  name,
});

beforeEach(() => {
  answers.set("GET /api/mixes/m1/revisions", [
    line(4, "mute “kick”"),
    line(3, "stow “snare”", "Before the chorus"),
    line(2, "add 2 channels"),
    line(1, "new template"),
  ]);
  answers.set("GET /api/mixes/m1/differences", ["kick, mute: no → yes"]);
});

const chosen = () =>
  within(screen.getByRole("listbox")).getByRole("option", { selected: true }).textContent;

const went = () => asked.filter((one) => /revisions\/\d+$/.test(one.path)).map((one) => one.path);

describe("the history", () => {
  it("begins at the revision that is shown, with what it changed", async () => {
    show(<HistoryDialog mix={view()} onClose={vi.fn()} />);
    expect(await screen.findByText("kick, mute: no → yes")).toBeTruthy();
    expect(chosen()).toContain("mute “kick”");
    expect(screen.getByRole("button", { name: "The Mix is here" })).toHaveProperty(
      "disabled",
      true,
    );
  });

  it("is walked with arrows, and Enter goes there", async () => {
    const onClose = vi.fn();
    show(<HistoryDialog mix={view()} onClose={onClose} />);
    await screen.findByText("add 2 channels");
    await userEvent.keyboard("{ArrowDown}{ArrowDown}");
    expect(chosen()).toContain("add 2 channels");
    await userEvent.keyboard("{Enter}");
    expect(onClose).toHaveBeenCalled();
    await waitFor(() => expect(went()).toEqual(["/api/mixes/m1/revisions/2"]));
  });

  it("shows names and takes new ones", async () => {
    show(<HistoryDialog mix={view()} onClose={vi.fn()} />);
    await userEvent.click(await screen.findByText("Before the chorus"));
    const name = screen.getByLabelText("Name of revision 3");
    expect(name).toHaveProperty("value", "Before the chorus");
    await userEvent.clear(name);
    await userEvent.type(name, "Sent to Ada{Enter}");
    await waitFor(() =>
      expect(asked.at(-2)).toMatchObject({
        path: "/api/mixes/m1/revisions/3/name",
        body: { name: "Sent to Ada" },
      }),
    );
  });

  it("says that the first has nothing before it", async () => {
    show(<HistoryDialog mix={{ ...view(), revision: 1 }} onClose={vi.fn()} />);
    await userEvent.click(await screen.findByText("new template"));
    expect(screen.getByText("It is the first.")).toBeTruthy();
  });
});

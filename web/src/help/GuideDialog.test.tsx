// @vitest-environment jsdom
import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import { show, withServer } from "../testing/render";
import GuideDialog from "./GuideDialog";

withServer();

describe("the guide", () => {
  it("opens at the place that one is in, and is searched", async () => {
    const onClose = vi.fn();
    show(<GuideDialog at="Ledger" onClose={onClose} />);
    expect(screen.getByRole("article", { name: "Ledger" }).textContent).toContain("one row per");
    await userEvent.type(screen.getByLabelText("Search the guide"), "backup restore");
    expect(screen.getByRole("article", { name: "Keeping it" }).textContent).toContain(
      "./drevik backup",
    );
    await userEvent.clear(screen.getByLabelText("Search the guide"));
    await userEvent.click(screen.getByRole("button", { name: "Keys" }));
    // Tables are tables.
    expect(screen.getAllByRole("row").length).toBeGreaterThan(10);
    await userEvent.keyboard("{Escape}");
    expect(onClose).toHaveBeenCalled();
  });
});

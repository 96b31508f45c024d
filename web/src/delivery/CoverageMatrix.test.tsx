// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { hinted, answers, asked, output, show, view, withServer } from "../testing/render";
import { CoverageMatrix } from "./CoverageMatrix";

withServer();

const cell = { channel: "kick", output: "all", dry: 1, parallel: 0, returns: 0, gainDb: -3 };

const share = {
  output: "all",
  reached: 2,
  dry: 2,
  parallel: 0,
  twice: 0,
  leastDb: -9,
  mostDb: -3,
  dipped: false,
};

function answer(cells: unknown[], shares: unknown[] = [share]) {
  answers.set("GET /api/mixes/m1/coverage", {
    revision: 4,
    cells,
    categories: [{ category: "drums", channels: ["kick", "snare"], shares }],
  });
}

const outputs = [output("all"), output("wet")];
const row = (name: RegExp) => screen.getByRole("row", { name }).textContent;

describe("the coverage matrix", () => {
  it("begins with categories: how many of their seats arrive, and how loud", async () => {
    answer(
      [cell],
      [
        { ...share, twice: 1, dipped: true },
        { ...share, output: "wet", reached: 1, dry: 0 },
      ],
    );
    show(<CoverageMatrix view={view({ outputs })} />);
    const drums = await screen.findByRole("button", { name: "drums 2" });
    expect(drums.getAttribute("aria-expanded")).toBe("false");
    expect(row(/drums ?2/)).toContain("2× ∨−9…−3");
    expect(row(/drums ?2/)).toContain("○1 of 2");
    expect(hinted(/1 of 2 arrive.*1 by parallels or returns only/)).toBeTruthy();
    expect(screen.queryByRole("button", { name: /kick in all/ })).toBeNull();
  });

  it("unfolds one category, or all with C", async () => {
    answer([cell]);
    show(<CoverageMatrix view={view({ outputs })} />);
    await userEvent.click(await screen.findByRole("button", { name: "drums 2" }));
    expect(screen.getByRole("button", { name: /kick in all/ })).toBeTruthy();
    await userEvent.keyboard("c");
    expect(screen.queryByRole("button", { name: /kick in all/ })).toBeNull();
    await userEvent.keyboard("c");
    expect(screen.getByRole("button", { name: /kick in all/ })).toBeTruthy();
  });

  it("shows gains, ways and faults of seats", async () => {
    answer([
      cell,
      { ...cell, output: "wet", dry: 0, returns: 2 },
      { ...cell, channel: "snare", dry: 2, parallel: 1, dipped: true },
    ]);
    show(<CoverageMatrix view={view({ outputs })} />);
    await userEvent.click(await screen.findByRole("button", { name: "drums 2" }));
    const kick = screen.getByRole("button", { name: "kick in all: −3.0 dB, 1 dry path" });
    expect(kick.textContent).toBe("−3.0");
    expect(
      screen.getByRole("button", { name: /kick in wet.*2 paths by returns/ }).textContent,
    ).toBe("○");
    const snare = screen.getByRole("button", { name: /snare in all.*dipped/ });
    expect(snare.textContent).toBe("2× ∥∨−3.0");
    expect(screen.queryByRole("button", { name: /snare in wet/ })).toBeNull();
  });

  it("spells a cell's paths out", async () => {
    answer([cell]);
    answers.set("GET /api/mixes/m1/paths", [["kick", "mix"]]);
    show(<CoverageMatrix view={view({ outputs: [output("all")] })} />);
    await userEvent.click(await screen.findByRole("button", { name: "drums 2" }));
    await userEvent.click(screen.getByRole("button", { name: /kick in all/ }));
    expect(await screen.findByText("kick → mix")).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "Put away" }));
    expect(screen.queryByText("kick → mix")).toBeNull();
  });

  it("is not there for a Mix without seats or outputs", async () => {
    answers.set("GET /api/mixes/m1/coverage", { revision: 4, cells: [], categories: [] });
    const { container } = show(<CoverageMatrix view={view({ outputs })} />);
    await waitFor(() => expect(asked).toHaveLength(1));
    expect(container.textContent).toBe("");
  });
});

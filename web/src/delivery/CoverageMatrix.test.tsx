// @vitest-environment jsdom
import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { answers, channel, output, show, view, withServer } from "../testing/render";
import { CoverageMatrix } from "./CoverageMatrix";

withServer();

const cell = { channel: "kick", output: "all", dry: 1, parallel: 0, returns: 0, gainDb: -3 };

describe("the coverage matrix", () => {
  it("shows gains, ways and faults", async () => {
    answers.set("GET /api/mixes/m1/coverage", {
      revision: 4,
      cells: [
        cell,
        { ...cell, output: "wet", dry: 0, returns: 2 },
        { ...cell, channel: "snare", dry: 2, parallel: 1 },
      ],
    });
    show(<CoverageMatrix view={view({ outputs: [output("all"), output("wet")] })} />);
    const kick = await screen.findByRole("button", { name: "kick in all: −3.0 dB, 1 dry path" });
    expect(kick.textContent).toBe("−3.0");
    expect(
      screen.getByRole("button", { name: /kick in wet.*2 paths by returns/ }).textContent,
    ).toBe("○");
    expect(screen.getByRole("button", { name: /snare in all/ }).textContent).toBe("2× ∥−3.0");
    expect(screen.queryByRole("button", { name: /snare in wet/ })).toBeNull();
  });

  it("spells a cell's paths out", async () => {
    answers.set("GET /api/mixes/m1/coverage", { revision: 4, cells: [cell] });
    answers.set("GET /api/mixes/m1/paths", [["kick", "mix"]]);
    show(<CoverageMatrix view={view({ outputs: [output("all")] })} />);
    await userEvent.click(await screen.findByRole("button", { name: /kick in all/ }));
    expect(await screen.findByText("kick → mix")).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "Put away" }));
    expect(screen.queryByText("kick → mix")).toBeNull();
  });

  it("leaves stowed seats and empty Mixes out", () => {
    const stowed = [channel("kick", { stowed: true }), channel("mix", { kind: "bus" })];
    const { container } = show(
      <CoverageMatrix view={view({ channels: stowed, outputs: [output("all")] })} />,
    );
    expect(container.textContent).toBe("");
  });
});

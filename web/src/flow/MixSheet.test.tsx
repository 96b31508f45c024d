// @vitest-environment jsdom
import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { answers, channel, output, show, view, withServer } from "../testing/render";
import { MixSheet } from "./MixSheet";

withServer();

const session = view({
  kind: "session",
  name: "Weather",
  origin: { mixId: "t1", revision: 7 },
  channels: [
    channel("kick", { output: "mix" }),
    channel("old", { output: "mix", stowed: true }),
    channel("mix", { kind: "bus" }),
  ],
  outputs: [output("all", { kind: "mix" })],
});

describe("what a Mix is", () => {
  it("tells what is free, what is wrong, and offers the way on", () => {
    show(
      <MixSheet
        view={{
          ...session,
          findings: [
            { rule: "muted", severity: "wrong", where: ["kick"], says: "Said.", mends: [] },
          ],
        }}
      />,
    );
    expect(screen.getByText(/1, 1 free/)).toBeTruthy();
    expect(screen.getByText(/1 finding, 1 wrong/)).toBeTruthy();
    expect(screen.getByRole("link", { name: "Take a delivery in" }).getAttribute("href")).toBe(
      "/mixes/m1/intake",
    );
    expect(screen.getByRole("link", { name: "Mend them" })).toBeTruthy();
    expect(screen.getByRole("link", { name: "Print" })).toBeTruthy();
  });

  it("tells the last print with its loudness, and whether its template has moved on", async () => {
    answers.set("GET /api/mixes", [{ id: "t1", name: "Band", revision: 9 }]);
    answers.set("GET /api/mixes/m1/prints", [
      { id: "p2", state: "failed", revision: 4 },
      {
        id: "p1",
        state: "done",
        revision: 3,
        report: {
          files: [{ output: "all", name: "All", integratedLufs: -18.42, truePeakDbtp: -3.14 }],
        },
      },
    ]);
    show(<MixSheet view={session} />);
    expect(await screen.findByText("changed 2 times since")).toBeTruthy();
    const link = await screen.findByRole("link", { name: "of revision 3" });
    expect(link.getAttribute("href")).toBe("/mixes/m1/delivery?print=p1");
    expect(screen.getByText("−18.4 LUFS")).toBeTruthy();
    expect(screen.getByText("−3.1")).toBeTruthy();
  });
});

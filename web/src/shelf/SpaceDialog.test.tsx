// @vitest-environment jsdom
import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import type { MixSpace, SpaceView } from "../api/client";
import { answers, asked, show, withServer } from "../testing/render";
import { SpaceDialog } from "./SpaceDialog";

withServer();

const mix = (name: string, more: Partial<MixSpace> = {}): MixSpace => ({
  id: name.toLowerCase(),
  name,
  kind: "session",
  audio: 0,
  onlyHere: 0,
  deliveries: [],
  prints: [],
  ...more,
});

const part = (id: string, name: string, bytes: number) => ({
  id,
  name,
  bytes,
  at: "2026-03-14T12:00:00Z",
});

const space: SpaceView = {
  free: 5e9,
  database: 8e6,
  audio: 2e9,
  prints: 1e9,
  keptDays: 14,
  mixes: [
    mix("Small"),
    mix("Song", {
      audio: 2e9,
      onlyHere: 1.5e9,
      deliveries: [part("d1", "From a client", 2e9)],
      prints: [part("p1", "revision 7", 1e9)],
    }),
    mix("Gone", { removedAt: "2026-03-14T12:00:00Z" }),
  ],
};

beforeEach(() => answers.set("GET /api/space", space));

const changes = () =>
  asked.filter((one) => one.method !== "GET").map((one) => `${one.method} ${one.path}`);

describe("space", () => {
  it("says what is left, and shows the largest first", async () => {
    show(<SpaceDialog onClose={() => undefined} />);
    expect(await screen.findByText(/5\.0 GB free.*2\.0 GB of audio.*for 14 days/)).toBeTruthy();
    const names = screen.getAllByRole("button", { name: /^Remove|^Bring back/ });
    expect(names.map((one) => one.getAttribute("aria-label"))).toEqual([
      "Remove Song",
      "Remove Small",
      "Bring back Gone",
    ]);
  });

  it("removes a print and a delivery by themselves", async () => {
    answers.set("DELETE /api/space/print/p1", space);
    answers.set("DELETE /api/space/delivery/d1", space);
    show(<SpaceDialog onClose={() => undefined} />);
    await userEvent.click(await screen.findByRole("button", { name: /Song/, expanded: false }));
    await userEvent.click(screen.getByRole("button", { name: /^Remove Print of revision 7, / }));
    await userEvent.click(
      screen.getByRole("button", { name: /^Remove Delivery “From a client”, / }),
    );
    expect(changes()).toEqual(["DELETE /api/space/print/p1", "DELETE /api/space/delivery/d1"]);
  });

  it("brings back, or throws away for good only what was removed", async () => {
    answers.set("POST /api/space/mix/gone/back", {
      ...space,
      mixes: [mix("Gone")],
    });
    show(<SpaceDialog onClose={() => undefined} />);
    await screen.findByText("Gone");
    expect(screen.queryByRole("button", { name: "Throw away now Song" })).toBeNull();
    expect(screen.getByRole("button", { name: "Throw away now Gone" })).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "Bring back Gone" }));
    expect(changes()).toEqual(["POST /api/space/mix/gone/back"]);
    // The keyboard stays where it was.
    expect(await screen.findByRole("button", { name: "Remove Gone" })).toBe(document.activeElement);
  });
});

// @vitest-environment jsdom
import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import type { Finding } from "../api/client";
import { edits, show, view, withServer } from "../testing/render";
import { LineCheckPlace } from "./LineCheckPlace";

withServer();

const muted: Finding = {
  rule: "muted",
  severity: "note",
  where: ["snare"],
  says: "“snare” is muted.",
  mends: [
    {
      label: "Unmute “snare”",
      edit: { edit: "set-channels", channels: ["snare"], set: { mute: false } },
    },
  ],
};
const lost: Finding = {
  rule: "goes-nowhere",
  severity: "wrong",
  where: ["kick"],
  says: "“kick” reaches no output: it is sent nowhere.",
  mends: [
    {
      label: "Send “kick” to “mix”",
      edit: { edit: "send-channels-to", channels: ["kick"], destination: "mix" },
    },
    { label: "Stow “kick”", edit: { edit: "stow-channels", channels: ["kick"], stowed: true } },
  ],
};
const checked = { ...view(), findings: [lost, muted] };

describe("the line check", () => {
  it("says that there is nothing to say", () => {
    show(<LineCheckPlace view={view()} />);
    expect(screen.getByText(/No findings/)).toBeTruthy();
  });

  it("shows findings by weight, with reason and place", async () => {
    show(<LineCheckPlace view={checked} />);
    expect(screen.getByRole("region", { name: "Wrong" }).textContent).toContain("sent nowhere");
    expect(screen.getByRole("region", { name: "Notes" }).textContent).toContain("is muted");
    expect(await screen.findByText("It is silent.")).toBeTruthy();
    expect(screen.queryByRole("region", { name: "Doubtful" })).toBeNull();
    const place = screen.getByRole("link", { name: "goes nowhere" });
    expect(place.getAttribute("href")).toBe("/mixes/m1/flow?picked=kick");
  });

  it("applies a mend that is pressed", async () => {
    show(<LineCheckPlace view={checked} />);
    await userEvent.click(screen.getByRole("button", { name: /Stow “kick”/ }));
    expect(edits()).toEqual([lost.mends[1]?.edit]);
  });

  it("is worked by keys: arrows move, Alt 1 mends", async () => {
    show(<LineCheckPlace view={checked} />);
    screen.getByRole("link", { name: "goes nowhere" }).focus();
    await userEvent.keyboard("{ArrowDown}");
    expect(document.activeElement?.textContent).toBe("muted");
    await userEvent.keyboard("{Alt>}1{/Alt}");
    expect(edits()).toEqual([muted.mends[0]?.edit]);
    await userEvent.keyboard("{ArrowUp}{Alt>}2{/Alt}");
    expect(edits()[1]).toEqual(lost.mends[1]?.edit);
  });
});

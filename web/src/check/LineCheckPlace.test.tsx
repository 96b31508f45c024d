// @vitest-environment jsdom
import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import type { Finding } from "../api/client";
import { answers, asked, edits, show, view, withServer } from "../testing/render";
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

  it("shows what was proved, and what only a print shows", async () => {
    show(<LineCheckPlace view={view()} />);
    const proved = await screen.findByRole("region", { name: "Proved" });
    expect(proved.textContent).toContain("1 of 1 rules hold over 3 channels, 1 output and 1 204");
    expect(proved.textContent).toContain("Nothing is muted.");
    expect(proved.textContent).toContain("how loud each file is");
  });

  it("folds a large heap, and mends what is ticked of it in one step", async () => {
    const findings = ["a", "b", "c", "d"].map((id) => ({
      ...lost,
      where: [id],
      says: `“${id}” reaches no output.`,
      mends: [
        {
          label: `Send “${id}” to “mix”`,
          edit: { edit: "send-channels-to" as const, channels: [id], destination: "mix" },
        },
        {
          label: `Stow “${id}”`,
          edit: { edit: "stow-channels" as const, channels: [id], stowed: true },
        },
      ],
    }));
    show(<LineCheckPlace view={{ ...view(), findings }} />);
    const head = screen.getByRole("button", { name: /goes nowhere · 4/ });
    expect(head.getAttribute("aria-expanded")).toBe("false");
    expect(screen.queryByText("“a” reaches no output.")).toBeNull();
    head.focus();
    await userEvent.keyboard("{ArrowRight}");
    expect(screen.getByText("“a” reaches no output.")).toBeTruthy();
    answers.set("POST /api/mixes/m1/preview", { gone: findings, come: [] });
    await userEvent.keyboard("m");
    expect(await screen.findByText("4 findings would go, and none come.")).toBeTruthy();
    answers.set("POST /api/mixes/m1/preview", { gone: findings, come: [muted] });
    await userEvent.click(screen.getByLabelText(/Send “b” to “mix”/));
    const outcome = await screen.findByText("4 findings would go, 1 would come:");
    expect(outcome.parentElement?.textContent).toContain("muted: “snare” is muted.");
    expect(asked.filter((one) => one.path.endsWith("/preview")).at(-1)?.body).toMatchObject({
      edit: { edit: "together", edits: [{}, {}, {}] },
    });
    await userEvent.keyboard("{Control>}{Enter}{/Control}");
    expect(edits()).toEqual([
      {
        edit: "together",
        words: "mend 3 findings of “goes nowhere”",
        edits: [0, 2, 3].map((i) => findings[i]?.mends[0]?.edit),
      },
    ]);
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

  it("mends nothing by key before somebody has gone to a finding", async () => {
    show(<LineCheckPlace view={checked} />);
    await userEvent.keyboard("{Alt>}1{/Alt}");
    expect(edits()).toEqual([]);
  });

  it("tells what was not looked at from what was proved", async () => {
    answers.set("GET /api/mixes/m1/proof", {
      rules: [],
      idle: ["muted"],
      channels: 3,
      outputs: 1,
      ways: 0,
      open: [],
    });
    show(<LineCheckPlace view={{ ...checked, findings: [] }} />);
    expect(await screen.findByText(/Nothing to look at, and so not proved/)).toBeTruthy();
  });
});

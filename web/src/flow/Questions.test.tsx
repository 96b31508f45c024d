// @vitest-environment jsdom
import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import { answers, channel, show, view, withServer } from "../testing/render";
import { Questions, type Asking } from "./Questions";

withServer();

const kick = channel("kick", { output: "drums" });
const mix = view({
  channels: [
    kick,
    channel("hat", { output: "drums", stowed: true }),
    channel("tom", { output: "drums", stowed: true }),
    channel("choir", { output: "mix", stowed: true }),
    channel("plate", { kind: "return" }),
    channel("drums", { kind: "bus", output: "mix" }),
    channel("mix", { kind: "bus" }),
  ],
  controls: [
    { id: "all", name: "All", gainDb: -2, members: ["beds", "kick"], dip: false },
    { id: "beds", name: "Beds", gainDb: 0, members: ["plate"], dip: true },
  ],
});

function ask(asking: Asking) {
  const doing = {
    onClose: vi.fn(),
    onEdit: vi.fn(),
    onAsk: vi.fn(),
    onFind: vi.fn(),
    onOnly: vi.fn(),
    onPick: vi.fn(),
  };
  show(<Questions view={mix} picked={[kick]} asking={asking} {...doing} />);
  return doing;
}

const choices = () => screen.getAllByRole("option").map((one) => one.textContent);

describe("lists to choose from", () => {
  it("put a chain from the shelf, but none that was removed", async () => {
    const glue = { name: "Glue", category: "drums", purpose: "", chain: [] };
    answers.set("GET /api/chains", [
      { id: "1", chain: { ...glue, name: "Gone" }, at: "", removedAt: "2026-01-01T00:00:00Z" },
      { id: "2", chain: glue, at: "" },
    ]);
    const { onEdit } = ask("put-chain");
    await screen.findByText("Glue");
    expect(screen.queryByText("Gone")).toBeNull();
    await userEvent.keyboard("{Enter}");
    expect(onEdit).toHaveBeenLastCalledWith({
      edit: "put-chain",
      chain: glue,
      channels: ["kick"],
    });
  });

  it("bring back one, all of a bus, or all", async () => {
    const { onEdit } = ask("stowed");
    expect(choices().slice(0, 2).join()).toMatch(/All of them3 channels.*All that go to drums2/);
    await userEvent.keyboard("drums{Enter}");
    expect(onEdit).toHaveBeenLastCalledWith({
      edit: "stow-channels",
      channels: ["hat", "tom"],
      stowed: false,
    });
    await userEvent.clear(screen.getByRole("combobox"));
    await userEvent.keyboard("all of{Enter}");
    expect(onEdit).toHaveBeenLastCalledWith(
      expect.objectContaining({ channels: ["hat", "tom", "choir"] }),
    );
    await userEvent.clear(screen.getByRole("combobox"));
    await userEvent.keyboard("choir{Enter}");
    expect(onEdit).toHaveBeenLastCalledWith(expect.objectContaining({ channels: ["choir"] }));
  });

  it("send to what can be sent to, or nowhere", async () => {
    const { onEdit, onClose } = ask("send");
    expect(choices().join()).not.toMatch(/kick|hat/);
    await userEvent.keyboard("nowhere{Enter}");
    expect(onClose).toHaveBeenCalled();
    expect(onEdit).toHaveBeenCalledWith({
      edit: "send-channels-to",
      channels: ["kick"],
      destination: undefined,
    });
  });

  it("pick what a control acts on, by way of other controls too", async () => {
    const { onPick } = ask("controlled");
    await userEvent.keyboard("all{Enter}");
    expect([...(onPick.mock.calls[0]?.[0] as string[])].sort()).toEqual(["kick", "plate"]);
  });

  it("find what is in the Flow, not what is stowed", async () => {
    const { onFind } = ask("find");
    expect(choices().join()).not.toContain("choir");
    await userEvent.keyboard("pl{Enter}");
    expect(onFind).toHaveBeenCalledWith("plate");
  });

  it("file under a category of the tree, and colour", async () => {
    const { onEdit } = ask("category");
    await screen.findByRole("option", { name: /vocals/ });
    await userEvent.keyboard("vocals{Enter}");
    expect(onEdit).toHaveBeenCalledWith({
      edit: "set-category",
      channels: ["kick"],
      category: "vocals",
    });
  });

  it("say that nothing is called that", async () => {
    const { onEdit } = ask("only");
    await userEvent.keyboard("zither{Enter}");
    expect(screen.getByText("Nothing is called that.")).toBeTruthy();
    expect(onEdit).not.toHaveBeenCalled();
  });
});

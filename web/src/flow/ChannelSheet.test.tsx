// @vitest-environment jsdom
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import type { Channel } from "../api/client";
import { answers, channel, show, view, withServer } from "../testing/render";
import { ChannelSheet } from "./ChannelSheet";

withServer();

const voice = channel("voice", {
  output: "mix",
  category: "vocals",
  person: "Ada",
  sends: [
    {
      id: "s1",
      destinations: ["plate", "hall"],
      tap: "post-fader",
      levelDb: -12,
      pan: 0,
      wholeImage: false,
      frontBack: 0,
      height: 0,
      on: true,
    },
  ],
});
const mix = view({
  channels: [
    voice,
    channel("plate", { kind: "return" }),
    channel("hall", { kind: "return" }),
    channel("mix", { kind: "bus", layout: "stereo" }),
  ],
  controls: [{ id: "beds", name: "Beds", gainDb: -9, members: ["voice"], dip: true }],
});

function sheet() {
  const onEdit = vi.fn();
  show(<ChannelSheet view={mix} channel={voice} others={[]} onEdit={onEdit} onAct={onEdit} />);
  return onEdit;
}

describe("what the category map decides", () => {
  it("is told with what is pinned against it, and both can be changed", async () => {
    answers.set("GET /api/mixes/m1/channels/kick/decisions", [
      { slot: "output", label: "Sent to", pinned: true, says: "Drums", pinnedBy: "send “kick”" },
      { slot: "trimDb", label: "Trim", pinned: false, says: "−3 dB", by: "from the map: drums" },
    ]);
    const acted = vi.fn();
    const shown = view();
    show(
      <ChannelSheet
        view={shown}
        channel={shown.document.channels[0] as Channel}
        others={[]}
        onEdit={() => Promise.resolve()}
        onAct={acted}
      />,
    );
    expect(await screen.findByText(/the map says Drums/)).toBeTruthy();
    expect(screen.getByText("from the map: drums")).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "Unpin sent to" }));
    await userEvent.click(screen.getByRole("button", { name: "Pin trim" }));
    expect(acted.mock.calls).toEqual([
      [{ edit: "unpin-slots", channels: ["kick"], slots: ["output"] }],
      [{ edit: "pin-slots", channels: ["kick"], slots: ["trimDb"] }],
    ]);
  });
});

describe("the channel sheet", () => {
  it("tells where a channel goes, why, and what acts on it", () => {
    const facts = {
      voice: {
        colour: "vocals",
        destinationBecause: "by the category map",
        takesSound: false,
        awaitsAudio: true,
      },
    };
    show(
      <ChannelSheet
        view={{ ...mix, facts }}
        channel={voice}
        others={[]}
        onEdit={vi.fn()}
        onAct={vi.fn()}
      />,
    );
    expect(screen.getByText("by the category map")).toBeTruthy();
    expect(screen.getByText(/dip of −9.0 dB over 1 member/)).toBeTruthy();
  });

  it("sets a person and a comment when the field is left", async () => {
    const onEdit = sheet();
    const person = screen.getByLabelText("Person");
    await userEvent.clear(person);
    await userEvent.type(person, "Bo{Enter}");
    expect(onEdit).toHaveBeenCalledWith({
      edit: "set-channels",
      channels: ["voice"],
      set: { person: "Bo" },
    });
    await userEvent.type(screen.getByLabelText("Comment"), "double late");
    await userEvent.tab();
    expect(onEdit).toHaveBeenLastCalledWith({
      edit: "set-channels",
      channels: ["voice"],
      set: { comment: "double late" },
    });
  });

  it("leaves a text as it was at Escape", async () => {
    const onEdit = sheet();
    const person = screen.getByLabelText("Person");
    await userEvent.type(person, "bet{Escape}");
    expect(person).toHaveProperty("value", "Ada");
    await userEvent.tab();
    expect(onEdit).not.toHaveBeenCalled();
  });

  it("offers positions only where there is room for them", async () => {
    sheet();
    expect(screen.queryByLabelText(/Position/)).toBeNull();
    cleanup();
    const onEdit = vi.fn();
    const wide = view({
      channels: [
        voice,
        channel("plate", { kind: "return", layout: "5.1" }),
        channel("hall", { kind: "return" }),
        channel("mix", { kind: "bus", layout: "5.1" }),
      ],
    });
    show(<ChannelSheet view={wide} channel={voice} others={[]} onEdit={onEdit} onAct={vi.fn()} />);
    const back = await screen.findByLabelText("Position, from front to surround");
    await userEvent.clear(back);
    await userEvent.type(back, "0.4{Enter}");
    await waitFor(() =>
      expect(onEdit).toHaveBeenLastCalledWith({
        edit: "set-channels",
        channels: ["voice"],
        set: { frontBack: 0.4 },
      }),
    );
    expect(screen.queryByLabelText(/Height/)).toBeNull();
    const lfe = screen.getByLabelText("Level of the send to plate + hall into the LFE in dB");
    await userEvent.clear(lfe);
    await userEvent.type(lfe, "-6{Enter}");
    await waitFor(() =>
      expect(onEdit).toHaveBeenLastCalledWith({
        edit: "set-send",
        channels: ["voice"],
        destinations: ["plate", "hall"],
        set: { lfeDb: -6 },
      }),
    );
  });

  it("raises what goes into a layout with heights, and moves a whole image", async () => {
    const onEdit = vi.fn().mockResolvedValue(undefined);
    const onAct = vi.fn();
    const pad = channel("pad", { layout: "stereo", output: "mix" });
    const high = view({ channels: [pad, channel("mix", { kind: "bus", layout: "7.1.4" })] });
    show(<ChannelSheet view={high} channel={pad} others={[]} onEdit={onEdit} onAct={onAct} />);
    const height = await screen.findByLabelText("Height, from the ear upwards");
    expect(height).toHaveProperty("value", "level");
    await userEvent.clear(height);
    await userEvent.type(height, "0.4{Enter}");
    await waitFor(() =>
      expect(onEdit).toHaveBeenLastCalledWith({
        edit: "set-channels",
        channels: ["pad"],
        set: { height: 0.4 },
      }),
    );
    expect(screen.getByText("Balance")).toBeTruthy();
    await userEvent.click(screen.getByLabelText("Pan moves the whole image"));
    await waitFor(() =>
      expect(onEdit).toHaveBeenLastCalledWith({
        edit: "set-channels",
        channels: ["pad"],
        set: { wholeImage: true },
      }),
    );
  });

  it("opens, sets and removes a fan as the one send that it is", async () => {
    const onEdit = sheet();
    const fan = { edit: "set-send", channels: ["voice"], destinations: ["plate", "hall"] };
    await userEvent.click(screen.getByLabelText("Send to plate + hall"));
    expect(onEdit).toHaveBeenLastCalledWith({ ...fan, set: { on: false } });
    const level = screen.getByLabelText("Level of the send to plate + hall in dB");
    level.focus();
    await userEvent.keyboard("{ArrowUp}{Enter}");
    expect(onEdit).toHaveBeenLastCalledWith({ ...fan, set: { levelDb: -11.5 } });
    await userEvent.click(screen.getByRole("button", { name: "Remove the send to plate + hall" }));
    expect(onEdit).toHaveBeenLastCalledWith(
      expect.objectContaining({
        edit: "together",
        edits: ["plate", "hall"].map((destination) => ({
          edit: "remove-send",
          channels: ["voice"],
          destination,
        })),
      }),
    );
  });

  it("turns polarity over and changes the layout", async () => {
    const onEdit = sheet();
    await userEvent.click(screen.getByLabelText("as it comes"));
    expect(onEdit).toHaveBeenLastCalledWith({
      edit: "set-channels",
      channels: ["voice"],
      set: { invertPolarity: true },
    });
    await screen.findByRole("option", { name: "stereo" });
    await userEvent.selectOptions(screen.getByLabelText("Layout"), "stereo");
    expect(onEdit).toHaveBeenLastCalledWith({
      edit: "set-channels",
      channels: ["voice"],
      set: { layout: "stereo" },
    });
  });
});

// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import { OutputDialog } from "../../delivery/OutputDialog";
import { StemSetDialog } from "../../delivery/StemSetDialog";
import { channel, output, show, view, withServer } from "../../testing/render";
import { ChainDialog } from "./ChainDialog";
import { ControlDialog } from "./ControlDialog";
import { CreateDialog } from "./CreateDialog";
import { SendDialog } from "./SendDialog";
import { TimesDialog } from "./TimesDialog";

withServer();

const kick = channel("kick", { output: "mix" });
const band = view({
  channels: [
    kick,
    channel("mix", { kind: "bus", layout: "stereo" }),
    channel("plate", { kind: "return", layout: "stereo" }),
    channel("hall", { kind: "return", layout: "stereo" }),
  ],
  outputs: [output("all", { kind: "mix" }), output("drums")],
});

function watched() {
  return { view: band, onEdit: vi.fn(), onClose: vi.fn() };
}

const submit = () => userEvent.keyboard("{Control>}{Enter}{/Control}");

describe("adding channels", () => {
  it("takes a name from each line, and begins like the picked channel", async () => {
    const props = watched();
    show(<CreateDialog after={kick} {...props} />);
    await waitFor(() => expect(screen.getByLabelText("Layout")).toHaveProperty("value", "mono"));
    await userEvent.type(screen.getByLabelText("Names"), "Tom [[1-2]{Enter}Ride");
    await submit();
    expect(props.onEdit).toHaveBeenCalledWith({
      edit: "create-channels",
      kind: "seat",
      layout: "mono",
      names: ["Tom [1-2]", "Ride"],
      category: "drums",
      output: "mix",
      after: "kick",
    });
    expect(props.onClose).toHaveBeenCalled();
  });

  it("does nothing without a name", async () => {
    const props = watched();
    show(<CreateDialog {...props} />);
    screen.getByLabelText("Names").focus();
    await submit();
    expect(props.onEdit).not.toHaveBeenCalled();
  });
});

describe("a send", () => {
  it("is a fan with several destinations, and closed without a level", async () => {
    const props = watched();
    show(<SendDialog picked={[kick]} {...props} />);
    await userEvent.click(screen.getByLabelText(/plate/));
    await userEvent.click(screen.getByLabelText(/hall/));
    expect(screen.getByRole("button", { name: /Set a fan of 2/ })).toBeTruthy();
    await submit();
    expect(props.onEdit).toHaveBeenCalledWith(
      expect.objectContaining({ destinations: ["plate", "hall"], levelDb: -144, on: true }),
    );
  });

  it("asks for a level that is one", async () => {
    const props = watched();
    show(<SendDialog picked={[kick]} {...props} />);
    await userEvent.click(screen.getByLabelText(/plate/));
    await userEvent.type(screen.getByLabelText("Level, dB"), "loud");
    await submit();
    expect(props.onEdit).not.toHaveBeenCalled();
    await userEvent.clear(screen.getByLabelText("Level, dB"));
    await userEvent.type(screen.getByLabelText("Level, dB"), "-6");
    await submit();
    expect(props.onEdit).toHaveBeenCalledWith(expect.objectContaining({ levelDb: -6 }));
  });
});

describe("a chain", () => {
  it("gets processors, a place and a key", async () => {
    const props = watched();
    show(<ChainDialog picked={[kick]} {...props} />);
    await userEvent.click(await screen.findByRole("button", { name: "Add compressor" }));
    await userEvent.click(screen.getByRole("button", { name: "Add limiter" }));
    await userEvent.selectOptions(screen.getByLabelText("Key of compressor"), "plate");
    await userEvent.selectOptions(screen.getByLabelText("Place of limiter"), "after");
    await submit();
    expect(props.onEdit).toHaveBeenCalledWith({
      edit: "set-chain",
      channels: ["kick"],
      chain: [
        expect.objectContaining({
          id: "compressor-1",
          key: { source: "plate", tap: "post-fader" },
        }),
        expect.objectContaining({ id: "limiter-1", postFader: true }),
      ],
    });
  });
});

describe("a control", () => {
  it("takes the picked channels", async () => {
    const props = watched();
    show(<ControlDialog picked={[kick]} {...props} />);
    await userEvent.type(screen.getByLabelText("Name"), "Shells");
    await userEvent.clear(screen.getByLabelText("Gain, dB"));
    await userEvent.type(screen.getByLabelText("Gain, dB"), "-3");
    await submit();
    expect(props.onEdit).toHaveBeenCalledWith({
      edit: "set-control",
      control: expect.objectContaining({ name: "Shells", gainDb: -3, members: ["kick"] }) as object,
    });
  });
});

describe("tempo and sections", () => {
  it("are set in one step, in frames", async () => {
    const props = watched();
    show(<TimesDialog {...props} />);
    await userEvent.clear(screen.getByLabelText("Tempo, bpm"));
    await userEvent.type(screen.getByLabelText("Tempo, bpm"), "92");
    await userEvent.type(screen.getByLabelText("End, s"), "60.5");
    await userEvent.type(screen.getByLabelText("Sections"), "0 Verse{Enter}30 Chorus");
    await submit();
    expect(props.onEdit).toHaveBeenCalledWith(
      expect.objectContaining({
        edits: [
          { edit: "set-times", tempo: 92, startFrame: 0, endFrame: 2_904_000 },
          {
            edit: "set-markers",
            markers: [
              expect.objectContaining({ name: "Verse", startFrame: 0 }),
              expect.objectContaining({ name: "Chorus", startFrame: 1_440_000 }),
            ],
          },
        ],
      }),
    );
  });

  it("are not set while a line means nothing", async () => {
    const props = watched();
    show(<TimesDialog {...props} />);
    await userEvent.type(screen.getByLabelText("Sections"), "Chorus");
    await submit();
    expect(props.onEdit).not.toHaveBeenCalled();
  });
});

describe("outputs", () => {
  it("are added with what they must not hold", async () => {
    const props = watched();
    show(<OutputDialog {...props} />);
    await userEvent.type(screen.getByLabelText("Name"), "Minus");
    await userEvent.selectOptions(await screen.findByLabelText("Kind"), "minus");
    await userEvent.click(screen.getByLabelText("drums"));
    await submit();
    expect(props.onEdit).toHaveBeenCalledWith({
      edit: "set-output",
      output: expect.objectContaining({
        name: "Minus",
        kind: "minus",
        channel: "mix",
        namePattern: "{output}",
        without: ["drums"],
      }) as object,
    });
  });

  it("are changed under their id", async () => {
    const props = watched();
    show(<OutputDialog output={output("drums")} {...props} />);
    await userEvent.clear(screen.getByLabelText("File name"));
    await userEvent.type(screen.getByLabelText("File name"), "{{project} drums");
    await submit();
    expect(props.onEdit).toHaveBeenCalledWith({
      edit: "set-output",
      output: expect.objectContaining({ id: "drums", namePattern: "{project} drums" }) as object,
    });
  });

  it("add up in a stem set", async () => {
    const props = watched();
    show(<StemSetDialog {...props} />);
    expect(screen.getByLabelText("drums")).toHaveProperty("checked", true);
    screen.getByLabelText("Name").focus();
    await submit();
    expect(props.onEdit).toHaveBeenCalledWith({
      edit: "set-stem-set",
      set: expect.objectContaining({ mixOutput: "all", stems: ["drums"] }) as object,
    });
  });
});

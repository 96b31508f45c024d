// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import { OutputDialog } from "../../delivery/OutputDialog";
import { StemSetDialog } from "../../delivery/StemSetDialog";
import { answers, channel, output, refusal, show, view, withServer } from "../../testing/render";
import { RenameDialog } from "../RenameDialog";
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

/** What an output's form asked for: two edits in one. */
function togetherEdits(props: ReturnType<typeof watched>): unknown[] {
  const [edit] = props.onEdit.mock.calls[0] as [{ edit: string; edits: unknown[] }];
  expect(edit.edit).toBe("together");
  return edit.edits;
}

const submit = () => userEvent.keyboard("{Control>}{Enter}{/Control}");

describe("adding channels", () => {
  const named = {
    id: "drum-bus",
    name: "Drum bus",
    kind: "bus",
    layout: "stereo",
    category: "drums",
    output: "mix",
    destinationOf: "drums",
    moved: [] as string[],
    because: ["“drum” says drums"],
  };

  it("takes a name from each line, and leaves to each what is not said of all", async () => {
    const props = watched();
    show(<CreateDialog after={kick} {...props} />);
    await userEvent.type(screen.getByLabelText("Names"), "Tom [[1-2]{Enter}Ride");
    await screen.findByRole("option", { name: "stereo" });
    await userEvent.selectOptions(screen.getByLabelText("Layout"), "stereo");
    await submit();
    expect(props.onEdit).toHaveBeenCalledWith({
      edit: "create-channels",
      layout: "stereo",
      names: ["Tom [1-2]", "Ride"],
      after: "kick",
    });
    expect(props.onClose).toHaveBeenCalled();
  });

  it("shows what the names become, and why, while they are typed", async () => {
    answers.set("POST /api/mixes/m1/named", [named]);
    const props = watched();
    show(<CreateDialog {...props} />);
    await userEvent.type(screen.getByLabelText("Names"), "Drum bus");
    const list = await screen.findByRole("list", { name: "What it becomes" });
    expect(list.textContent).toContain("bus · stereo · drums → mix");
    expect(list.textContent).toContain("“drum” says drums");
    await userEvent.click(screen.getByLabelText(/category map sends drums to the new bus/));
    await userEvent.selectOptions(screen.getByLabelText("Sent to"), "nowhere yet");
    await submit();
    expect(props.onEdit.mock.calls[0]?.[0]).toMatchObject({ output: "", destinations: false });
  });

  it("moves channels to a new bus only where that is ticked", async () => {
    answers.set("POST /api/mixes/m1/named", [{ ...named, moved: ["Kick", "Hat"] }]);
    const props = watched();
    show(<CreateDialog {...props} />);
    await userEvent.type(screen.getByLabelText("Names"), "Drum bus");
    const tick = await screen.findByLabelText(/drums to the new bus: Kick, Hat would move/);
    expect(tick).toHaveProperty("checked", false);
    await userEvent.click(tick);
    await submit();
    expect(props.onEdit.mock.calls[0]?.[0]).toMatchObject({ destinations: true });
  });

  it("says at once what is wrong with a name", async () => {
    answers.set("POST /api/mixes/m1/named", refusal("“Bus [9-1]” counts from 9 to 1."));
    show(<CreateDialog {...watched()} />);
    await userEvent.type(screen.getByLabelText("Names"), "Bus [[9-1]");
    expect(await screen.findByText("“Bus [9-1]” counts from 9 to 1.")).toBeTruthy();
  });

  it("does nothing without a name", async () => {
    const props = watched();
    show(<CreateDialog {...props} />);
    screen.getByLabelText("Names").focus();
    await submit();
    expect(props.onEdit).not.toHaveBeenCalled();
  });
});

describe("renaming", () => {
  it("shows which categories follow the names, and leaves those that are to stay", async () => {
    answers.set("POST /api/mixes/m1/renamed", [
      { channel: "kick", from: "drums/kick", to: "vocals/lead", because: ["“vox” says vocals"] },
    ]);
    const props = watched();
    show(<RenameDialog channels={[kick]} {...props} />);
    await userEvent.clear(screen.getByRole("textbox"));
    await userEvent.type(screen.getByRole("textbox"), "Lead vox");
    await userEvent.click(await screen.findByLabelText(/Lead vox: drums\/kick → vocals\/lead/));
    await submit();
    expect(props.onEdit).toHaveBeenCalledWith({
      edit: "rename-channels",
      names: { kick: "Lead vox" },
      keepCategory: ["kick"],
    });
  });
});

describe("a form", () => {
  it("stays open with what was typed until the server has said yes", async () => {
    const props = watched();
    props.onEdit.mockRejectedValueOnce(new Error("Drevik cannot be reached."));
    show(<CreateDialog after={kick} {...props} />);
    await userEvent.type(screen.getByLabelText("Names"), "Ride");
    await submit();
    expect(await screen.findByText("Drevik cannot be reached.")).toBeTruthy();
    expect(screen.getByLabelText("Names")).toHaveProperty("value", "Ride");
    expect(props.onClose).not.toHaveBeenCalled();
    await submit();
    await waitFor(() => expect(props.onClose).toHaveBeenCalledOnce());
    expect(props.onEdit).toHaveBeenCalledTimes(2);
  });

  it("asks once, however often it is submitted", async () => {
    const props = watched();
    let answer: (value?: unknown) => void = () => undefined;
    props.onEdit.mockReturnValue(new Promise((then) => (answer = then)));
    show(<CreateDialog after={kick} {...props} />);
    await userEvent.type(screen.getByLabelText("Names"), "Ride");
    await submit();
    expect(screen.getByText("Saving…")).toBeTruthy();
    await submit();
    expect(props.onEdit).toHaveBeenCalledOnce();
    answer();
    await waitFor(() => expect(props.onClose).toHaveBeenCalled());
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
      expect.objectContaining({
        destinations: ["plate", "hall"],
        set: { on: true },
      }),
    );
  });

  it("can be one of its own into each destination, in one step", async () => {
    const props = watched();
    show(<SendDialog picked={[kick]} {...props} />);
    await userEvent.click(screen.getByLabelText(/plate/));
    await userEvent.click(screen.getByLabelText(/hall/));
    await userEvent.selectOptions(screen.getByLabelText("As"), "apart");
    expect(screen.getByRole("button", { name: /Set 2 sends/ })).toBeTruthy();
    await submit();
    const to = (id: string) =>
      expect.objectContaining({ edit: "set-send", destinations: [id], set: { on: true } });
    expect(props.onEdit).toHaveBeenCalledExactlyOnceWith(
      expect.objectContaining({ edit: "together", edits: [to("plate"), to("hall")] }),
    );
  });

  it("asks for a level that is one", async () => {
    const props = watched();
    show(<SendDialog picked={[kick]} {...props} />);
    await userEvent.click(screen.getByLabelText(/plate/));
    await userEvent.type(screen.getByLabelText("Level, dB"), "loud");
    await submit();
    expect(await screen.findByText("“loud” is not a number.")).toBeTruthy();
    expect(props.onEdit).not.toHaveBeenCalled();
    await userEvent.clear(screen.getByLabelText("Level, dB"));
    await userEvent.type(screen.getByLabelText("Level, dB"), "-6");
    await submit();
    await waitFor(() =>
      expect(props.onEdit).toHaveBeenCalledWith(
        expect.objectContaining({ set: { levelDb: -6, on: true } }),
      ),
    );
  });

  it("shows what is there, and changes what is touched alone", async () => {
    const props = watched();
    const send = (levelDb: number, tap: "post-fader" | "pre-fader") => ({
      id: "s",
      destinations: ["plate"],
      tap,
      levelDb,
      pan: 0,
      wholeImage: false,
      frontBack: 0,
      height: 0,
      on: true,
    });
    const one = { ...kick, sends: [send(-12, "post-fader")] };
    show(<SendDialog picked={[one]} {...props} />);
    await userEvent.click(screen.getByLabelText(/plate/));
    expect(screen.getByLabelText("Level, dB")).toHaveProperty("value", "−12.0");
    await userEvent.selectOptions(screen.getByLabelText("Taken"), "pre-fader");
    await submit();
    expect(props.onEdit).toHaveBeenCalledWith(
      expect.objectContaining({ destinations: ["plate"], set: { tap: "pre-fader" } }),
    );
  });

  it("of several that differ says so, and leaves each as it is", async () => {
    const props = watched();
    const send = {
      id: "s",
      destinations: ["plate"],
      tap: "pre-fader" as const,
      levelDb: -12,
      pan: 0,
      wholeImage: false,
      frontBack: 0,
      height: 0,
      on: true,
    };
    show(
      <SendDialog
        picked={[
          { ...kick, sends: [send] },
          { ...kick, id: "snare", sends: [] },
        ]}
        {...props}
      />,
    );
    await userEvent.click(screen.getByLabelText(/plate/));
    expect(screen.getByLabelText("Taken")).toHaveProperty("value", "various");
    expect(screen.getByPlaceholderText("as each has it")).toBeTruthy();
    await submit();
    expect(props.onEdit).toHaveBeenCalledWith(expect.objectContaining({ set: {} }));
  });
});

describe("a chain", () => {
  it("gets processors, a place and a key", async () => {
    const props = watched();
    show(<ChainDialog picked={[kick]} {...props} />);
    await userEvent.click(await screen.findByRole("button", { name: "Add compressor" }));
    await userEvent.click(screen.getByRole("button", { name: "Add limiter" }));
    await userEvent.selectOptions(screen.getByLabelText("Key of compressor"), "plate");
    await userEvent.selectOptions(
      screen.getByLabelText("Tap of the key of compressor"),
      "pre-fader",
    );
    await userEvent.selectOptions(screen.getByLabelText("Place of limiter"), "after");
    await submit();
    const [edit] = togetherEdits(props);
    expect(edit).toMatchObject({
      edit: "set-channels",
      channels: ["kick"],
      set: {
        chain: {
          added: [
            {
              item: { processor: "compressor", key: { source: "plate", tap: "pre-fader" } },
              after: null,
            },
            { item: { processor: "limiter", postFader: true } },
          ],
        },
      },
    });
  });

  it("takes the name of what runs elsewhere", async () => {
    const props = watched();
    show(<ChainDialog picked={[kick]} {...props} />);
    const add = await screen.findByRole("button", { name: "Add a stand-in" });
    expect(add).toHaveProperty("disabled", true);
    await userEvent.type(screen.getByLabelText(/runs elsewhere/), "Tape echo");
    await userEvent.click(add);
    await submit();
    expect(togetherEdits(props)[0]).toMatchObject({
      set: { chain: { added: [{ item: { processor: "Tape echo", on: true } }] } },
    });
  });

  it("of several is added to what each has, which is shown and stays", async () => {
    const props = watched();
    const wet = { id: "w", processor: "reverberation", on: true, postFader: false, settings: {} };
    show(
      <ChainDialog
        picked={[kick, { ...kick, id: "plate", name: "Plate", chain: [wet] }]}
        {...props}
      />,
    );
    const button = () => screen.getByRole("button", { name: /Add to 2 chains/ });
    expect(button()).toHaveProperty("disabled", true);
    await userEvent.click(await screen.findByRole("button", { name: "Add limiter" }));
    expect(screen.getByRole("list", { name: "What they have" }).textContent).toMatch(
      /Plate.*reverberation → Limiter/i,
    );
    await submit();
    expect(props.onEdit).toHaveBeenCalledWith({
      edit: "add-processors",
      channels: ["kick", "plate"],
      add: [expect.objectContaining({ processor: "limiter" }) as object],
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
      edit: "change-mix",
      set: {
        controls: {
          added: [
            {
              item: expect.objectContaining({
                name: "Shells",
                gainDb: -3,
                members: ["kick"],
              }) as object,
              after: null,
            },
          ],
        },
      },
    });
  });
});

describe("a control that is there", () => {
  const props = () => ({
    ...watched(),
    view: view({
      channels: band.document.channels,
      controls: [
        { id: "beds", name: "Beds", gainDb: -12, members: ["plate", "hall"], dip: true },
        { id: "all", name: "All", gainDb: 0, members: ["beds"], dip: false },
      ],
    }),
  });

  it("loses members, gets controls under it, and keeps what it is", async () => {
    const asked = props();
    show(<ControlDialog picked={[kick]} {...asked} />);
    await userEvent.selectOptions(screen.getByLabelText("Which"), "beds");
    expect(screen.getByLabelText("Is a dip")).toHaveProperty("checked", true);
    await userEvent.click(screen.getByLabelText("hall"));
    await userEvent.click(screen.getByLabelText("All"));
    await submit();
    expect(asked.onEdit).toHaveBeenCalledWith({
      edit: "change-mix",
      set: {
        controls: {
          changed: {
            beds: {
              members: {
                added: [
                  { item: "kick", after: "plate" },
                  { item: "all", after: "kick" },
                ],
                removed: ["hall"],
              },
            },
          },
        },
      },
    });
  });

  it("is removed", async () => {
    const asked = props();
    show(<ControlDialog picked={[]} {...asked} />);
    expect(screen.queryByRole("button", { name: "Remove this control" })).toBeNull();
    await userEvent.selectOptions(screen.getByLabelText("Which"), "all");
    await userEvent.click(screen.getByRole("button", { name: "Remove this control" }));
    expect(asked.onEdit).toHaveBeenCalledWith({ edit: "remove-controls", controls: ["all"] });
    expect(asked.onClose).toHaveBeenCalled();
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
    await waitFor(() => expect(props.onEdit).toHaveBeenCalled());
    expect(props.onEdit.mock.calls[0]?.[0]).toMatchObject({
      edit: "change-mix",
      set: {
        tempo: 92,
        endFrame: 2_904_000,
        markers: {
          added: [
            { item: { name: "Verse", startFrame: 0 }, after: null },
            { item: { name: "Chorus", startFrame: 1_440_000 } },
          ],
        },
      },
    });
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
    await userEvent.type(await screen.findByLabelText("Name"), "Minus");
    await userEvent.selectOptions(await screen.findByLabelText("Kind"), "minus");
    await userEvent.click(screen.getByLabelText("drums"));
    await submit();
    expect(togetherEdits(props)).toMatchObject([
      {
        edit: "change-mix",
        set: {
          outputs: {
            added: [
              {
                item: {
                  name: "Minus",
                  kind: "minus",
                  channel: "mix",
                  namePattern: "{output}",
                  without: ["drums"],
                },
              },
            ],
          },
        },
      },
    ]);
  });

  it("answer to a specification that ships, or to one’s own", async () => {
    const props = watched();
    const { unmount } = show(<OutputDialog output={output("all")} {...props} />);
    await screen.findByRole("option", { name: "EBU R 128" });
    await userEvent.selectOptions(screen.getByLabelText("Answers to"), "r128");
    expect(screen.getByText("−23.0 LUFS, −1.0 dBTP")).toBeTruthy();
    await submit();
    expect(togetherEdits(props)[0]).toMatchObject({
      outputs: ["all"],
      specification: { id: "r128", loudness: -23 },
    });
    unmount();
    const own = watched();
    show(<OutputDialog output={output("all")} {...own} />);
    await userEvent.selectOptions(await screen.findByLabelText("Answers to"), "own");
    await userEvent.type(screen.getByLabelText("Its name"), "The hall");
    await userEvent.type(screen.getByLabelText("True peak, dBTP"), "-3.5");
    await submit();
    expect(togetherEdits(own)[0]).toMatchObject({
      specification: { name: "The hall", truePeak: -3.5 },
    });
  });

  it("say why there can be none yet", async () => {
    answers.set("GET /api/mixes/m1/outputs/draft", refusal("There is no channel yet to print."));
    const props = watched();
    show(<OutputDialog {...props} />);
    expect(await screen.findByText("There is no channel yet to print.")).toBeTruthy();
    await submit();
    expect(props.onEdit).not.toHaveBeenCalled();
  });

  it("are changed under their id", async () => {
    const props = watched();
    show(<OutputDialog output={output("drums")} {...props} />);
    await userEvent.clear(screen.getByLabelText("File name"));
    await userEvent.type(screen.getByLabelText("File name"), "{{project} drums");
    await submit();
    expect(togetherEdits(props)).toEqual([
      {
        edit: "change-mix",
        set: { outputs: { changed: { drums: { namePattern: "{project} drums" } } } },
      },
    ]);
  });

  it("add up in a stem set", async () => {
    const props = watched();
    show(<StemSetDialog {...props} />);
    expect(screen.getByLabelText("drums")).toHaveProperty("checked", true);
    screen.getByLabelText("Name").focus();
    await submit();
    expect(props.onEdit).toHaveBeenCalledWith({
      edit: "change-mix",
      set: {
        stemSets: {
          added: [
            {
              item: expect.objectContaining({ mixOutput: "all", stems: ["drums"] }) as object,
              after: null,
            },
          ],
        },
      },
    });
  });
});

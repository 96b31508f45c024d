// @vitest-environment jsdom
import { fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Insert } from "../api/client";
import { answers, asked, channel, refusal, show, view, withServer } from "../testing/render";
import { WideChain } from "./ChainOf";
import { ChainPart } from "./ChainPart";

withServer();

const plain = { least: 0, smallest: 0, scale: "LINEAR", choices: [], onlyChoices: false };
const equaliser = {
  id: "equaliser",
  label: "Equaliser",
  parameters: [
    {
      ...plain,
      id: "low-cut",
      label: "Low cut",
      unit: "Hz",
      smallest: 20,
      most: 2000,
      standard: 0,
      scale: "LOGARITHMIC",
    },
    {
      ...plain,
      id: "slope",
      label: "Slope",
      unit: "dB/oct",
      least: 12,
      smallest: 12,
      most: 24,
      standard: 12,
      onlyChoices: true,
      choices: [
        { value: 12, label: "12 dB/oct" },
        { value: 24, label: "24 dB/oct" },
      ],
    },
    {
      ...plain,
      id: "gain",
      label: "Gain",
      unit: "dB",
      least: -24,
      smallest: -24,
      most: 24,
      standard: 0,
    },
  ],
};
const insert: Insert = {
  id: "eq",
  processor: "equaliser",
  on: true,
  postFader: false,
  settings: { gain: -3 },
};

function opened(chain = [insert], others = 0) {
  const props = {
    onChange: vi.fn(() => Promise.resolve()),
    onAct: vi.fn(),
    onAlike: vi.fn(() => Promise.resolve()),
    others,
  };
  show(
    <ChainPart view={view()} channel={channel("kick", { chain })} name={() => "?"} {...props} />,
  );
  return props;
}

const settings = (set: Record<string, number>) => ({
  chain: { changed: { eq: { settings: set } } },
});

beforeEach(() => {
  answers.set("GET /api/mixes/m1/channels/kick/pictures", { each: {} });
  answers.set("GET /api/knowledge", {
    categories: [],
    families: [],
    processors: [equaliser],
    layouts: [],
  });
});

describe("a chain in the sheet", () => {
  it("says what is not as it usually is, and opens to everything that can be set", async () => {
    opened();
    await userEvent.click(
      await screen.findByRole("button", { name: /Equaliser/, expanded: false }),
    );
    expect(screen.getByLabelText("Equaliser: Low cut in Hz")).toHaveProperty("value", "off");
    expect(screen.getByLabelText("Equaliser: Gain in dB")).toHaveProperty("value", "−3");
    await userEvent.keyboard("{Enter}");
    expect(screen.getByText("Gain −3 dB")).toBeTruthy();
  });

  it("is drawn as the core says, each and all filters together", async () => {
    const axis = { label: "Gain", unit: "dB", from: -24, to: 24, scale: "LINEAR" };
    const picture = {
      x: { ...axis, label: "Frequency", unit: "Hz", from: 20, to: 20_000, scale: "LOGARITHMIC" },
      y: axis,
      lines: [
        {
          label: "",
          points: [
            { x: 20, y: 0 },
            { x: 20_000, y: -24 },
          ],
        },
      ],
      stems: false,
      handles: [{ label: "bell", xParameter: "low-cut", yParameter: "gain", x: 200, y: 0 }],
    };
    answers.set("GET /api/mixes/m1/channels/kick/pictures", {
      each: { eq: picture },
      together: picture,
    });
    const { onChange } = opened();
    expect(asked.some((one) => one.path.endsWith("/pictures"))).toBe(false);
    await userEvent.click(await screen.findByRole("button", { name: /Equaliser/ }));
    const drawn = await screen.findByRole("img", { name: "What Equaliser does" });
    // From the middle of the height, where 0 dB is, to the bottom right.
    expect(drawn.querySelector("g > path[stroke='var(--active)']")?.getAttribute("d")).toBe(
      "M26,63.5L234,112",
    );
    expect(drawn.textContent).toContain("1k");
    expect(drawn.textContent).toContain("Gain in dB over Frequency in Hz");
    expect(screen.getByRole("img", { name: "Response of all filters together" })).toBeTruthy();
    const bell = drawn.querySelector("[data-handle=bell]");
    if (!bell) {
      throw new Error("There is nothing to take hold of.");
    }
    Element.prototype.setPointerCapture = () => undefined;
    fireEvent.pointerDown(bell);
    // In the middle of the width, where 632 Hz is, and as high as +24 dB.
    fireEvent.pointerMove(bell, { clientX: 130, clientY: 15 });
    expect(onChange).not.toHaveBeenCalled();
    fireEvent.pointerUp(bell, { clientX: 130, clientY: 15 });
    expect(onChange.mock.calls).toEqual([[settings({ "low-cut": 632, gain: 24 })]]);
  });

  it("is set by arrows, one change a gesture, from off over the smallest value by semitones", async () => {
    const { onChange } = opened();
    await userEvent.click(await screen.findByRole("button", { name: /Equaliser/ }));
    screen.getByLabelText("Equaliser: Low cut in Hz").focus();
    await userEvent.keyboard("{ArrowUp}{ArrowUp}");
    await waitFor(() => expect(onChange).toHaveBeenCalledWith(settings({ "low-cut": 21.189 })));
    expect(onChange).toHaveBeenCalledTimes(1);
  });

  it("is typed, as the server understands it, and says there what it does not", async () => {
    const { onChange } = opened();
    const typed = "GET /api/processors/equaliser/parameters/low-cut/typed";
    answers.set(typed, { value: 1200 });
    await userEvent.click(await screen.findByRole("button", { name: /Equaliser/ }));
    const cut = screen.getByLabelText("Equaliser: Low cut in Hz");
    await userEvent.clear(cut);
    await userEvent.type(cut, "1.2k{Enter}");
    await waitFor(() => expect(onChange).toHaveBeenCalledWith(settings({ "low-cut": 1200 })));
    answers.set(typed, refusal("Low cut is 20 to 2000 Hz, or off; 5 is not."));
    await userEvent.clear(cut);
    await userEvent.type(cut, "5{Enter}");
    expect(await screen.findByText(/Low cut is 20 to 2000 Hz/)).toBeTruthy();
    expect(cut).toHaveProperty("value", "5");
    expect(asked.some((one) => one.path.endsWith("/typed"))).toBe(true);
  });

  it("is put in another order by keys and by dragging", async () => {
    const three = ["a", "b", "c"].map((id) => ({ ...insert, id }));
    const { onAct } = opened(three);
    const [first] = await screen.findAllByRole("button", { name: /Equaliser/ });
    first?.focus();
    await userEvent.keyboard("{Alt>}{ArrowUp}{ArrowDown}{/Alt}");
    const [top, , bottom] = screen.getAllByRole("listitem");
    if (top && bottom) {
      fireEvent.dragStart(bottom);
      fireEvent.drop(top);
    }
    expect(onAct.mock.calls).toEqual([
      [{ chain: { order: ["b", "a", "c"] } }],
      [{ chain: { order: ["c", "a", "b"] } }],
    ]);
  });

  it("has choices and switches", async () => {
    const { onChange, onAct } = opened();
    await userEvent.click(await screen.findByRole("button", { name: /Equaliser/ }));
    await userEvent.selectOptions(screen.getByLabelText("Equaliser: Slope"), "24 dB/oct");
    expect(onChange).toHaveBeenCalledWith(settings({ slope: 24 }));
    await userEvent.click(screen.getByLabelText("on"));
    await userEvent.click(screen.getByLabelText("after the fader"));
    expect(onAct.mock.calls).toEqual([
      [{ chain: { changed: { eq: { on: false } } } }],
      [{ chain: { changed: { eq: { postFader: true } } } }],
    ]);
  });
});

describe("with several channels picked", () => {
  it("sets those like it on the others only where one says so", async () => {
    const { onAct, onAlike } = opened([insert], 2);
    await userEvent.click(await screen.findByRole("button", { name: /Equaliser/ }));
    await userEvent.click(screen.getByLabelText("on"));
    expect(onAct).toHaveBeenCalledWith({ chain: { changed: { eq: { on: false } } } });
    await userEvent.click(screen.getByLabelText(/those like it on the 2 other picked channels/));
    await userEvent.click(screen.getByLabelText("after the fader"));
    expect(onAlike).toHaveBeenCalledWith("eq", { postFader: true });
    expect(onAct).toHaveBeenCalledTimes(1);
  });

  it("offers nothing where one is picked alone", async () => {
    opened();
    await userEvent.click(await screen.findByRole("button", { name: /Equaliser/ }));
    expect(screen.queryByLabelText(/those like it/)).toBeNull();
  });
});

describe("side by side", () => {
  it("has every processor open", async () => {
    const chain = [insert, { ...insert, id: "eq2" }];
    const mix = view({ channels: [channel("kick", { chain })] });
    const onEdit = vi.fn(() => Promise.resolve());
    show(
      <WideChain
        view={mix}
        picked={["kick"]}
        onEdit={onEdit}
        onAct={vi.fn()}
        onClose={() => undefined}
      />,
    );
    const gains = await screen.findAllByLabelText("Equaliser: Gain in dB");
    expect(gains).toHaveLength(2);
    await userEvent.type(gains[1] as HTMLElement, "{ArrowUp}{Enter}");
    await waitFor(() =>
      expect(onEdit).toHaveBeenCalledWith({
        edit: "set-channels",
        channels: ["kick"],
        set: { chain: { changed: { eq2: { settings: { gain: -2.5 } } } } },
      }),
    );
  });
});

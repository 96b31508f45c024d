// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { dismiss, useNotices } from "../shell/notices";
import { follow, hear, putAway, type Track } from "./player";
import { PlayerBar } from "./PlayerBar";

const kick: Track = {
  key: "kick",
  list: "delivery",
  title: "Kick.wav",
  url: "/api/audio/ab/listen",
  seconds: 42,
  lufs: -14,
  soundsFrom: 3,
};
const snare: Track = { ...kick, key: "snare", title: "Snare.wav", url: "/s", lufs: -30 };

/** The one element that plays. */
const heard: HTMLAudioElement[] = [];
const element = () => heard[0] ?? new Audio();

function Said() {
  return useNotices().map((notice) => <p key={notice.id}>{notice.text}</p>);
}

beforeEach(() => {
  vi.spyOn(HTMLMediaElement.prototype, "play").mockImplementation(function (
    this: HTMLAudioElement,
  ) {
    heard[0] = this;
    this.dispatchEvent(new Event("play"));
    return Promise.resolve();
  });
  vi.spyOn(HTMLMediaElement.prototype, "pause").mockImplementation(function (
    this: HTMLAudioElement,
  ) {
    this.dispatchEvent(new Event("pause"));
  });
  render(
    <>
      <PlayerBar />
      <Said />
    </>,
  );
});

afterEach(() => {
  act(putAway);
  dismiss();
  cleanup();
  vi.restoreAllMocks();
});

describe("the player", () => {
  it("plays from where there is something to hear, and stops and goes on", async () => {
    act(() => hear(kick));
    expect(element().src).toContain("/api/audio/ab/listen");
    expect(element().currentTime).toBe(3);
    expect(screen.getByText("0:03 of 0:42")).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "Pause" }));
    await userEvent.click(screen.getByRole("button", { name: "Play" }));
    expect(screen.getByRole("button", { name: "Pause" })).toBeTruthy();
  });

  it("goes on with the next of a list, and leaves other lists alone", () => {
    act(() => follow(snare));
    expect(screen.queryByRole("region")).toBeNull();
    act(() => hear(kick));
    act(() => follow({ ...snare, list: "another" }));
    expect(screen.getByText("Kick.wav")).toBeTruthy();
    act(() => follow(snare));
    expect(screen.getByText("Snare.wav")).toBeTruthy();
  });

  it("is sought in by a slider", () => {
    act(() => hear(kick));
    fireEvent.change(screen.getByLabelText("Where it plays"), { target: { value: "20" } });
    expect(element().currentTime).toBe(20);
  });

  it("turns louder files down to one loudness, and none up", async () => {
    act(() => hear(kick));
    expect(element().volume).toBe(1);
    await userEvent.click(screen.getByLabelText("Equally loud"));
    expect(element().volume).toBeCloseTo(10 ** (-10 / 20), 6);
    act(() => follow(snare));
    expect(element().volume).toBe(1);
    await userEvent.click(screen.getByLabelText("Equally loud"));
  });

  it("says why something cannot be heard, as the server knows it", async () => {
    vi.stubGlobal("fetch", () =>
      Promise.resolve(Response.json({ detail: "is not in the audio store" }, { status: 422 })),
    );
    act(() => hear(kick));
    act(() => void element().dispatchEvent(new Event("error")));
    expect(
      await screen.findByText("“Kick.wav” cannot be heard: is not in the audio store."),
    ).toBeTruthy();
  });
});

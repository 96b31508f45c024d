// @vitest-environment jsdom
import { expect, it } from "vitest";
import { channel, view } from "../testing/render";
import { channelTrack } from "./tracks";

it("begins where the clip of a channel begins in its file", () => {
  const clip = {
    id: "c",
    audio: { sha256: "ab", name: "Kick.wav" },
    startFrame: 0,
    sourceIn: 24_000,
    sourceOut: 96_000,
    gainDb: 0,
    keep: false,
    fadeIn: 0,
    fadeOut: 0,
    delivered: [],
  };
  expect(channelTrack(view(), channel("kick", { clips: [clip] }))).toMatchObject({
    url: "/api/audio/ab/listen",
    soundsFrom: 0.5,
  });
  expect(channelTrack(view(), channel("kick"))).toBeUndefined();
});

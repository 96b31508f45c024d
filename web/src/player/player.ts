import { useSyncExternalStore } from "react";
import { notify } from "../shell/notices";

/** Something that can be heard. */
export interface Track {
  /** Tells it from all others. */
  key: string;
  /** What it stands in: going up and down there goes on playing. */
  list: string;
  title: string;
  url: string;
  seconds?: number;
  /** Integrated loudness, where it is known. */
  lufs?: number;
  /** Seconds from which there is something to hear. */
  soundsFrom?: number;
}

export interface Playing {
  track?: Track;
  playing: boolean;
  /** Seconds. */
  at: number;
  seconds: number;
  /** Whether files are turned down to one loudness. */
  equal: boolean;
}

const KEY = "drevik-equal-loudness";

/** What equally loud files are turned down to, LUFS; quieter ones stay as they are. */
const EQUAL_LUFS = -24;

let now: Playing = {
  playing: false,
  at: 0,
  seconds: 0,
  equal: localStorage.getItem(KEY) === "on",
};
const listeners = new Set<() => void>();
/** One for all places: what plays goes on when the place changes. */
let element: HTMLAudioElement | undefined;

function set(change: Partial<Playing>) {
  now = { ...now, ...change };
  listeners.forEach((listener) => listener());
}

function audio(): HTMLAudioElement {
  if (!element) {
    const made = new Audio();
    made.addEventListener("timeupdate", () => set({ at: made.currentTime }));
    made.addEventListener("durationchange", () => {
      if (Number.isFinite(made.duration)) {
        set({ seconds: made.duration });
      }
    });
    made.addEventListener("play", () => set({ playing: true }));
    made.addEventListener("pause", () => set({ playing: false }));
    made.addEventListener("error", () => void complain());
    element = made;
  }
  return element;
}

/** The browser only says that it could not; the server knows why. */
async function complain() {
  const { track } = now;
  if (!track) {
    return;
  }
  set({ playing: false });
  const why = await fetch(track.url, { headers: { Range: "bytes=0-0" } }).then(
    async (answer) =>
      answer.ok
        ? "this browser cannot play it"
        : ((await answer.json().catch(() => ({}))) as { detail?: string }).detail,
    () => "Drevik cannot be reached",
  );
  notify(
    `“${track.title}” cannot be heard: ${why ?? "it could not be read"}.`.replace("..", "."),
    "wrong",
  );
}

/** Linear; 1 is as it is. A file is never made louder, as it could clip. */
function volumeOf(track: Track | undefined): number {
  return now.equal && track?.lufs !== undefined
    ? Math.min(1, 10 ** ((EQUAL_LUFS - track.lufs) / 20))
    : 1;
}

function begin(track: Track, at: number) {
  const player = audio();
  if (now.track?.key !== track.key) {
    set({ track, at, seconds: track.seconds ?? 0 });
    player.src = track.url;
  }
  player.volume = volumeOf(track);
  player.currentTime = at;
  set({ at });
  // What goes wrong is told by the element's own event; one that comes too late is no fault.
  player.play().catch(() => undefined);
}

/** Plays it from where it sounds, or from `at`; what plays already is stopped, or goes on. */
export function hear(track: Track, at?: number) {
  if (at !== undefined || now.track?.key !== track.key) {
    begin(track, at ?? track.soundsFrom ?? 0);
  } else if (now.playing) {
    audio().pause();
  } else {
    audio()
      .play()
      .catch(() => undefined);
  }
}

/** Somebody has gone on to another in a list: if one of that list is heard, this one is. */
export function follow(track: Track | undefined) {
  const playing = now.track;
  if (track && now.playing && playing?.list === track.list && playing.key !== track.key) {
    begin(track, track.soundsFrom ?? 0);
  }
}

export function seek(seconds: number) {
  audio().currentTime = seconds;
  set({ at: seconds });
}

export function toggleEqual() {
  const equal = !now.equal;
  localStorage.setItem(KEY, equal ? "on" : "off");
  set({ equal });
  audio().volume = volumeOf(now.track);
}

/** Stops, and puts the player away. */
export function putAway() {
  const player = audio();
  player.pause();
  set({ track: undefined, playing: false, at: 0, seconds: 0 });
  player.removeAttribute("src");
}

function listen(listener: () => void) {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function usePlaying(): Playing {
  return useSyncExternalStore(listen, () => now);
}

/** True while the player stands at the foot of the page. */
export function useShown(): boolean {
  return useSyncExternalStore(listen, () => now.track !== undefined);
}

export function useEqual(): boolean {
  return useSyncExternalStore(listen, () => now.equal);
}

/** Seconds into a track; undefined while another or none is heard. */
export function usePlayhead(key: string): number | undefined {
  return useSyncExternalStore(listen, () => (now.track?.key === key ? now.at : undefined));
}

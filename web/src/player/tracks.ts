import type { Channel, FileView, MixView, Printed } from "../api/client";
import type { Track } from "./player";

/** A delivered file; undefined while it is measured, and where it was refused. */
export function deliveredTrack(delivery: string, file: FileView | undefined): Track | undefined {
  return (
    file?.audio && {
      key: file.id,
      list: `delivery ${delivery}`,
      title: file.name.slice(file.name.lastIndexOf("/") + 1),
      url: `/api/audio/${file.audio.sha256}/listen`,
      seconds: file.audio.seconds,
      lufs: file.audio.integratedLufs,
      soundsFrom: file.audio.firstSoundSeconds,
    }
  );
}

/** A printed file. */
export function printedTrack(run: string, file: Printed, seconds: number): Track {
  return {
    key: `${run} ${file.file}`,
    list: `print ${run}`,
    title: file.file,
    url: `/api/prints/${run}/files/${encodeURIComponent(file.file)}/listen`,
    seconds,
    lufs: file.integratedLufs,
  };
}

/** What lies on a seat or a reference: the first of its clips, from where it begins in its file. */
export function channelTrack(view: MixView, channel: Channel | undefined): Track | undefined {
  const clip = channel?.clips[0];
  return (
    channel &&
    clip && {
      key: `${view.id} ${channel.id}`,
      list: `mix ${view.id}`,
      title: channel.name,
      url: `/api/audio/${clip.audio.sha256}/listen`,
      soundsFrom: clip.sourceIn / view.document.sampleRate,
    }
  );
}

import type { Channel, FileView, Printed } from "../api/client";
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

/** What lies on a seat or a reference: the first of its clips, as it was delivered. */
export function channelTrack(mix: string, channel: Channel | undefined): Track | undefined {
  const audio = channel?.clips[0]?.audio;
  return (
    channel &&
    audio && {
      key: `${mix} ${channel.id}`,
      list: `mix ${mix}`,
      title: channel.name,
      url: `/api/audio/${audio.sha256}/listen`,
    }
  );
}

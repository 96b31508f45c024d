import { db, frontBack, height, pan } from "../ui/format";
import { NumberField } from "../ui/NumberField";
import { Toggle } from "../ui/Toggle";
import type { Room } from "./position";

/** What says where something stands. */
export interface Place {
  pan: number;
  wholeImage: boolean;
  frontBack: number;
  height: number;
  lfeDb?: number | null;
}

interface Props {
  /** Before the name of each field: “Pan”, “Pan of the send to Plate”. */
  of?: string;
  place: Place;
  room: Room;
  onChange: (set: Partial<Place>) => unknown;
}

export function PanField({ of = "", place, onChange }: Omit<Props, "room">) {
  return (
    <NumberField
      label={`Pan${of}, from left to right`}
      value={place.pan}
      show={pan}
      reads="PAN"
      least={-1}
      most={1}
      step={0.01}
      onChange={(value) => onChange({ pan: value })}
    />
  );
}

export function BackField({ of = "", place, onChange }: Omit<Props, "room">) {
  return (
    <NumberField
      label={`Position${of}, from front to surround`}
      value={place.frontBack}
      show={frontBack}
      reads="FRONT_BACK"
      least={0}
      most={1}
      step={0.01}
      onChange={(value) => onChange({ frontBack: value })}
    />
  );
}

export function HeightField({ of = "", place, onChange }: Omit<Props, "room">) {
  return (
    <NumberField
      label={`Height${of}, from the ear upwards`}
      value={place.height}
      show={height}
      reads="HEIGHT"
      least={0}
      most={1}
      step={0.01}
      onChange={(value) => onChange({ height: value })}
    />
  );
}

/** Whether pan lets a side fall or takes it along: of what has two. */
export function ImageField({ of = "", place, onChange }: Omit<Props, "room">) {
  return (
    <Toggle
      label="whole image"
      name={`Pan${of} moves the whole image`}
      says="Pan moves both sides; without it, it is a balance, by which one side falls"
      on={place.wholeImage}
      onChange={(wholeImage) => onChange({ wholeImage })}
    />
  );
}

export function LfeField({ of = "", place, onChange }: Omit<Props, "room">) {
  return (
    <NumberField
      label={`Level${of} into the LFE`}
      value={place.lfeDb ?? -144}
      show={db}
      reads="DECIBELS"
      unit="dB"
      least={-144}
      most={24}
      step={0.5}
      onChange={(value) => onChange({ lfeDb: value <= -144 ? null : value })}
    />
  );
}

/** Where a send stands, in one line; only what the destination has room for. */
export function PositionLine({ room, wide, ...rest }: Props & { wide: boolean }) {
  return (
    <span className="flex flex-wrap items-baseline gap-x-2 pl-5 text-small text-ink-2">
      Pan <PanField {...rest} />
      {(wide || rest.place.wholeImage) && <ImageField {...rest} />}
      {(room.surround || rest.place.frontBack > 0) && <BackField {...rest} />}
      {(room.heights || rest.place.height > 0) && (
        <span className="flex items-baseline gap-1">
          Height <HeightField {...rest} />
        </span>
      )}
      {(room.lfe || rest.place.lfeDb != null) && (
        <span className="flex items-baseline gap-1">
          LFE <LfeField {...rest} />
        </span>
      )}
    </span>
  );
}

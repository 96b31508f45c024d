import { db, frontBack, pan } from "../ui/format";
import { NumberField } from "../ui/NumberField";
import type { Room } from "./position";

/** What says where something stands. */
export interface Place {
  pan: number;
  frontBack: number;
  lfeDb?: number | null;
}

interface Props {
  /** Before the name of each field: “Pan”, “Pan of the send to Plate”. */
  of?: string;
  place: Place;
  room: Room;
  onChange: (set: Partial<Place>) => void;
}

export function PanField({ of = "", place, onChange }: Omit<Props, "room">) {
  return (
    <NumberField
      label={`Pan${of}, from −100 left to 100 right`}
      value={place.pan * 100}
      shown={pan(place.pan)}
      least={-100}
      most={100}
      step={1}
      onChange={(value) => onChange({ pan: value / 100 })}
    />
  );
}

export function BackField({ of = "", place, onChange }: Omit<Props, "room">) {
  return (
    <NumberField
      label={`Position${of}, from 0 front to 100 surround`}
      value={place.frontBack * 100}
      shown={frontBack(place.frontBack)}
      least={0}
      most={100}
      step={1}
      onChange={(value) => onChange({ frontBack: value / 100 })}
    />
  );
}

export function LfeField({ of = "", place, onChange }: Omit<Props, "room">) {
  const level = place.lfeDb ?? -144;
  return (
    <NumberField
      label={`Level${of} into the LFE`}
      value={level}
      shown={db(level)}
      unit="dB"
      least={-144}
      most={24}
      step={0.5}
      onChange={(value) => onChange({ lfeDb: value <= -144 ? null : value })}
    />
  );
}

/** Where a send stands, in one line; only what the destination has room for. */
export function PositionLine({ room, ...rest }: Props) {
  return (
    <span className="flex flex-wrap items-baseline gap-x-2 pl-5 text-[12px] text-ink-2">
      Pan <PanField {...rest} />
      {(room.surround || rest.place.frontBack > 0) && <BackField {...rest} />}
      {(room.lfe || rest.place.lfeDb != null) && (
        <span className="flex items-baseline gap-1">
          LFE <LfeField {...rest} />
        </span>
      )}
    </span>
  );
}

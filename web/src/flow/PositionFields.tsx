import { SILENCE } from "../ui/format";
import { Toggle } from "../ui/Toggle";
import { FigureField } from "./FigureField";
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

/** What each figure of a place is called beside it, before what it is of. */
const SPOKEN = {
  pan: (of: string) => `Pan${of}, from left to right`,
  frontBack: (of: string) => `Position${of}, from front to surround`,
  height: (of: string) => `Height${of}, from the ear upwards`,
};

type Spoken = keyof typeof SPOKEN;

/** One of the figures that say where something stands. */
export function PlaceField({ id, of = "", place, onChange }: Omit<Props, "room"> & { id: Spoken }) {
  return (
    <FigureField
      of="Channel"
      id={id}
      label={SPOKEN[id](of)}
      value={place[id]}
      onChange={(value) => onChange({ [id]: value })}
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

/** How loud it goes into the LFE; silent is not at all. */
export function LfeField({ of = "", place, onChange }: Omit<Props, "room">) {
  return (
    <FigureField
      of="Channel"
      id="lfeDb"
      label={`Level${of} into the LFE`}
      value={place.lfeDb ?? SILENCE}
      onChange={(value) => onChange({ lfeDb: value <= SILENCE ? null : value })}
    />
  );
}

/** Where a send stands, in one line; only what the destination has room for. */
export function PositionLine({ room, wide, ...rest }: Props & { wide: boolean }) {
  return (
    <span className="flex flex-wrap items-baseline gap-x-2 pl-5 text-small text-ink-2">
      Pan <PlaceField id="pan" {...rest} />
      {(wide || rest.place.wholeImage) && <ImageField {...rest} />}
      {(room.surround || rest.place.frontBack > 0) && <PlaceField id="frontBack" {...rest} />}
      {(room.heights || rest.place.height > 0) && (
        <span className="flex items-baseline gap-1">
          Height <PlaceField id="height" {...rest} />
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

import type { DeliveryView, FileView, MixView, SeatWish } from "../api/client";
import { useKnowledge } from "../resources/knowledge";
import { Chooser, type Choice } from "../ui/Chooser";
import { Mark } from "../ui/Mark";

interface Props {
  view: MixView;
  delivery: DeliveryView;
  file: FileView;
  onWish: (wish: SeatWish | undefined) => void;
  onClose: () => void;
}

/** Where a file is to go: a free seat, a new one on a bus, nowhere, or where the plan puts it. */
export function SeatChooser({ view, delivery, file, onWish, onClose }: Props) {
  const families = new Map(useKnowledge().data?.categories.map((one) => [one.path, one.family]));
  const plan: Choice[] = file.place?.wished
    ? [{ id: "plan:", label: "Where the plan puts it", hint: "takes back what you chose" }]
    : [];
  const seats: Choice[] = delivery.seats
    .filter((seat) => seat.free)
    .map((seat) => ({
      id: `seat:${seat.id}`,
      label: seat.calledBefore ?? seat.name,
      hint: seat.state === "taken" ? `taken by ${seat.name}` : seat.category,
      lead: <Mark family={families.get(seat.category) ?? "neutral"} shape="free" />,
    }));
  const buses: Choice[] = view.document.channels
    .filter((channel) => channel.kind === "bus")
    .map((bus) => ({
      id: `new seat:${bus.id}`,
      label: `New seat on ${bus.name}`,
      lead: <Mark family={view.facts[bus.id]?.colour ?? "neutral"} shape="bus" />,
    }));
  return (
    <Chooser
      open
      title={`“${file.name.slice(file.name.lastIndexOf("/") + 1)}” goes to…`}
      placeholder="Seat or bus"
      choices={[...plan, ...seats, ...buses, { id: "left out:", label: "Stays out" }]}
      onClose={onClose}
      onChoose={(id) => onWish(wishOf(id))}
    />
  );
}

function wishOf(id: string): SeatWish | undefined {
  const colon = id.indexOf(":");
  const kind = id.slice(0, colon);
  const channel = id.slice(colon + 1);
  if (kind === "seat" || kind === "new seat") {
    return { kind, channel };
  }
  return kind === "left out" ? { kind } : undefined;
}

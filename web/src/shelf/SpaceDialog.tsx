import { useState } from "react";
import type { MixSpace, SpacePart, SpaceView } from "../api/client";
import { useRemoval, useSpace, type Removable } from "../resources/space";
import { bytes, plural, when } from "../ui/format";
import { LargeDialog } from "../ui/LargeDialog";

/** What takes how much space, and what can go. */
export function SpaceDialog({ onClose }: { onClose: () => void }) {
  const space = useSpace();
  return (
    <LargeDialog
      title="Space"
      description={
        space.data
          ? `${bytes(space.data.free)} free. Kept: ${bytes(space.data.audio)} of audio, ${bytes(space.data.prints)} of prints, ${bytes(space.data.database)} of database. What is removed can be brought back for ${plural(space.data.keptDays, "day")}.`
          : (space.error?.message ?? "Looking…")
      }
      onClose={onClose}
    >
      {space.data && <Mixes space={space.data} />}
    </LargeDialog>
  );
}

function printed(mix: MixSpace): number {
  return mix.prints.reduce((sum, print) => sum + print.bytes, 0);
}

const COLUMNS = "grid grid-cols-[minmax(0,1fr)_90px_90px_90px_190px] items-baseline gap-3";

function Mixes({ space }: { space: SpaceView }) {
  const largest = [...space.mixes].sort(
    (a, b) => b.onlyHere + printed(b) - (a.onlyHere + printed(a)),
  );
  return (
    <div className="overflow-y-auto px-5 py-2">
      <div className={`${COLUMNS} border-b border-rule pb-1 text-small text-ink-2`}>
        <span>Mix</span>
        <span className="text-right">Received</span>
        <span className="text-right">Only here</span>
        <span className="text-right">Prints</span>
        <span />
      </div>
      <ul>
        {largest.map((mix) => (
          <OneMix key={mix.id} mix={mix} />
        ))}
      </ul>
    </div>
  );
}

function OneMix({ mix }: { mix: MixSpace }) {
  const [open, setOpen] = useState(false);
  const parts = mix.deliveries.length + mix.prints.length;
  return (
    <li className="border-b border-rule-2 py-1">
      <div className={COLUMNS}>
        <span className="truncate">
          {parts > 0 ? (
            <button
              aria-expanded={open}
              className="underline-offset-4 hover:underline"
              onClick={() => setOpen(!open)}
            >
              <span aria-hidden="true">{open ? "▾ " : "▸ "}</span>
              <Named name={mix.name} removedAt={mix.removedAt} />
            </button>
          ) : (
            <span className="pl-4">
              <Named name={mix.name} removedAt={mix.removedAt} />
            </span>
          )}
          <span className="text-ink-2"> · {mix.kind}</span>
        </span>
        <Bytes count={mix.audio} />
        <Bytes count={mix.onlyHere} />
        <Bytes count={printed(mix)} />
        <Acts what="mix" id={mix.id} name={mix.name} removedAt={mix.removedAt} />
      </div>
      {open && (
        <ul className="text-small">
          {mix.deliveries.map((part) => (
            <Part key={part.id} what="delivery" part={part} name={`Delivery “${part.name}”`} />
          ))}
          {mix.prints.map((part) => (
            <Part key={part.id} what="print" part={part} name={`Print of ${part.name}`} />
          ))}
        </ul>
      )}
    </li>
  );
}

function Part({ what, part, name }: { what: Removable; part: SpacePart; name: string }) {
  const at = when(part.at);
  return (
    <li className={`${COLUMNS} py-0.5`}>
      <span className="truncate pl-4">
        <Named name={name} removedAt={part.removedAt} />
        <span className="text-ink-2"> · {at}</span>
      </span>
      {what === "delivery" ? <Bytes count={part.bytes} /> : <span />}
      <span />
      {what === "print" ? <Bytes count={part.bytes} /> : <span />}
      <Acts what={what} id={part.id} name={`${name}, ${at}`} removedAt={part.removedAt} />
    </li>
  );
}

function Named({ name, removedAt }: { name: string; removedAt?: string }) {
  return removedAt ? (
    <>
      <s className="text-ink-2">{name}</s> <span className="text-ink-2">removed</span>
    </>
  ) : (
    name
  );
}

function Bytes({ count }: { count: number }) {
  return <span className="text-right tabular-nums">{count === 0 ? "–" : bytes(count)}</span>;
}

interface ActsProps {
  what: Removable;
  id: string;
  name: string;
  removedAt?: string;
}

function Acts({ what, id, name, removedAt }: ActsProps) {
  const { mutate, isPending } = useRemoval();
  const act = (label: string, how: "remove" | "back" | "for-good") => (
    <button
      className="underline underline-offset-2"
      aria-label={`${label} ${name}`}
      // Not disabled: the keyboard stays on it while it is done.
      aria-disabled={isPending}
      onClick={() => !isPending && mutate({ what, id, how })}
    >
      {label}
    </button>
  );
  return (
    <span className="flex justify-end gap-3 text-small">
      {removedAt ? act("Bring back", "back") : act("Remove", "remove")}
      {removedAt && act("Throw away now", "for-good")}
    </span>
  );
}

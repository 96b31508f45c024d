import type { Edit, EffectLine, EffectView, LeftLine } from "../api/client";

const key = (line: { channel: string; slot?: string }) => `${line.channel}\n${line.slot ?? ""}`;

/** Lines of an effect that are not to be carried out. */
export type Left = ReadonlyMap<string, LeftLine>;

export const nothingLeft: Left = new Map();

export function isLeft(left: Left, line: EffectLine): boolean {
  return left.has(key(line));
}

/** The same with some lines left out, or taken in again. */
export function leaving(left: Left, lines: readonly EffectLine[], out: boolean): Left {
  const after = new Map(left);
  for (const line of lines) {
    if (out) {
      after.set(key(line), { channel: line.channel, slot: line.slot });
    } else {
      after.delete(key(line));
    }
  }
  return after;
}

/** The edit but for what is left out of what it would do now. */
export function without(edit: Edit, left: Left, effect: Pick<EffectView, "lines">): Edit {
  const out = leaving(
    nothingLeft,
    effect.lines.filter((line) => isLeft(left, line)),
    true,
  );
  return out.size === 0 ? edit : { edit: "leave-out", of: edit, left: [...out.values()] };
}

/** Lines that stand together: the same field, from the same to the same. */
export interface LineGroup {
  id: string;
  label: string;
  before: string;
  after: string;
  lines: EffectLine[];
}

/** What people look at first stands first; pins that come and go are last. */
const ORDER = ["category", "output", "group", "colour", "sends", "controls", "chain", "trimDb"];

/** What changes in the same way, together. */
export function grouped(effect: EffectView): LineGroup[] {
  const groups = new Map<string, LineGroup>();
  for (const line of effect.lines) {
    const id = [line.field, line.before, line.after].join("\n");
    const group = groups.get(id) ?? {
      id,
      label: line.label,
      before: line.before,
      after: line.after,
      lines: [],
    };
    group.lines.push(line);
    groups.set(id, group);
  }
  const place = (group: LineGroup) => {
    const at = ORDER.indexOf(group.lines[0]?.field ?? "");
    return at < 0 ? ORDER.length : at;
  };
  return [...groups.values()].sort((a, b) => place(a) - place(b));
}

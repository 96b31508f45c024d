type Plain = Record<string, unknown>;

const isPlain = (value: unknown): value is Plain =>
  typeof value === "object" && value !== null && !Array.isArray(value);
const isSame = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/**
 * What a form has changed of the thing that it was opened with: only that is sent, so that what
 * somebody else changed meanwhile stays. A field is its new value, null for none; members of a list
 * are told one by one.
 *
 * `C` is the type that the server gives to changes of such a thing.
 */
export function changesOf<C extends object>(before: object, after: object): C {
  const changes: Plain = {};
  for (const field of new Set([...Object.keys(before), ...Object.keys(after)])) {
    const was = (before as Plain)[field];
    const is = (after as Plain)[field];
    if (field !== "id" && !isSame(was, is)) {
      changes[field] = Array.isArray(is) ? listChange(asList(was), is) : (is ?? null);
    }
  }
  return changes as C;
}

const asList = (value: unknown): unknown[] => (Array.isArray(value) ? value : []);
const idOf = (item: unknown) => (isPlain(item) ? String(item.id) : String(item));

function listChange(before: unknown[], after: unknown[]): Plain {
  const old = new Map(before.map((item) => [idOf(item), item]));
  const ids = after.map(idOf);
  const added = after
    .map((item, i) => ({ item, after: ids[i - 1] ?? null }))
    .filter(({ item }) => !old.has(idOf(item)));
  const removed = [...old.keys()].filter((id) => !ids.includes(id));
  const changed: Plain = {};
  for (const item of after) {
    const was = old.get(idOf(item));
    if (isPlain(item) && isPlain(was) && !isSame(was, item)) {
      changed[idOf(item)] = changesOf(was, item);
    }
  }
  const stay = ids.filter((id) => old.has(id));
  const stood = [...old.keys()].filter((id) => ids.includes(id));
  return {
    ...(added.length > 0 && { added }),
    ...(removed.length > 0 && { removed }),
    ...(Object.keys(changed).length > 0 && { changed }),
    ...(!isSame(stay, stood) && { order: stay }),
  };
}

/** An id that nothing has: made here, so that a request that is sent twice makes one thing. */
export function freshId(word: string): string {
  // Not randomUUID, which a page that is not served from this machine does not have.
  const bytes = crypto.getRandomValues(new Uint8Array(8));
  return `${word}-${Array.from(bytes, (byte) => byte.toString(16).padStart(2, "0")).join("")}`;
}

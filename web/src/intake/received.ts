/** A file that was dropped or chosen, with its place in the dropped folder. */
export interface Received {
  path: string;
  file: File;
}

/** Files that a computer leaves in every folder, and that nobody delivers. */
const LITTER = /(^|\/)(\.[^/]*|Thumbs\.db|desktop\.ini|__MACOSX\/.*)$/i;

export function isWorthSending(path: string): boolean {
  return !LITTER.test(path);
}

function readEntries(reader: FileSystemDirectoryReader): Promise<FileSystemEntry[]> {
  return new Promise((resolve, reject) => reader.readEntries(resolve, reject));
}

async function walk(entry: FileSystemEntry, into: Received[]): Promise<void> {
  if (entry.isFile) {
    const file = await new Promise<File>((resolve, reject) =>
      (entry as FileSystemFileEntry).file(resolve, reject),
    );
    into.push({ path: entry.fullPath.replace(/^\//, ""), file });
    return;
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  // A reader gives at most a hundred entries at a time.
  for (let some = await readEntries(reader); some.length > 0; some = await readEntries(reader)) {
    for (const one of some) {
      await walk(one, into);
    }
  }
}

/** Everything in a drop, folders opened. */
export async function ofDrop(data: DataTransfer): Promise<Received[]> {
  const entries = [...data.items].flatMap((item) => item.webkitGetAsEntry() ?? []);
  const found: Received[] = [];
  for (const entry of entries) {
    await walk(entry, found);
  }
  return found.filter((one) => isWorthSending(one.path));
}

export function ofInput(files: FileList): Received[] {
  return [...files]
    .map((file) => ({ path: file.webkitRelativePath || file.name, file }))
    .filter((one) => isWorthSending(one.path));
}

/** What the batch should be called: the dropped folder's or zip's name, else how many it has. */
export function nameOfBatch(received: Received[]): string {
  const first = received[0]?.path ?? "Delivery";
  const slash = first.indexOf("/");
  if (received.length === 1 && /\.zip$/i.test(first)) {
    return first.slice(slash + 1, -".zip".length);
  }
  return slash > 0 ? first.slice(0, slash) : `Delivery of ${received.length}`;
}

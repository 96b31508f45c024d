import type { OutlineDraft } from "../api/client";

const key = (mix: string) => `drevik-outline-${mix}`;

/** What was typed and not made yet stays in this browser: a reload loses nothing. */
export function keptDraft(mix: string): OutlineDraft | undefined {
  try {
    const kept = JSON.parse(localStorage.getItem(key(mix)) ?? "null") as OutlineDraft | null;
    return typeof kept?.text === "string" && typeof kept.basedOn === "number" ? kept : undefined;
  } catch {
    return undefined;
  }
}

export function keepDraft(mix: string, draft: OutlineDraft | undefined) {
  try {
    if (draft) {
      localStorage.setItem(key(mix), JSON.stringify(draft));
    } else {
      localStorage.removeItem(key(mix));
    }
  } catch {
    // It is on the page all the same.
  }
}

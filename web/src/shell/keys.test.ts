import { describe, expect, it } from "vitest";
import { keyOf, shown, type KeyPress } from "./keys";

const press = (key: string, more: Partial<KeyPress> = {}): KeyPress => ({
  key,
  ctrlKey: false,
  metaKey: false,
  altKey: false,
  shiftKey: false,
  target: null,
  ...more,
});

describe("keyOf", () => {
  it("takes Ctrl and Cmd for one", () => {
    expect(keyOf(press("k", { ctrlKey: true }))).toBe("ctrl+k");
    expect(keyOf(press("K", { metaKey: true, shiftKey: true }))).toBe("ctrl+shift+k");
    expect(keyOf(press("?", { shiftKey: true }))).toBe("?");
    expect(keyOf(press("Delete", { shiftKey: true }))).toBe("shift+Delete");
  });

  it("leaves typing alone", () => {
    const input = { tagName: "INPUT", type: "text" };
    expect(keyOf(press("o", { target: input }))).toBeUndefined();
    expect(keyOf(press("z", { target: input, ctrlKey: true }))).toBe("ctrl+z");
    expect(keyOf(press("a", { target: input, ctrlKey: true }))).toBeUndefined();
    expect(keyOf(press("a", { ctrlKey: true }))).toBe("ctrl+a");
    expect(keyOf(press("p", { target: { tagName: "INPUT", type: "checkbox" } }))).toBe("p");
  });

  it("leaves an editor its own undo, and keeps the command list", () => {
    const editor = { isContentEditable: true };
    expect(keyOf(press("o", { target: editor }))).toBeUndefined();
    expect(keyOf(press("z", { target: editor, ctrlKey: true }))).toBeUndefined();
    expect(keyOf(press("k", { target: editor, ctrlKey: true }))).toBe("ctrl+k");
  });

  it.each(["dialog", "menu"])("does not act behind an open %s", (role) => {
    const within = { closest: (wanted: string) => (wanted.includes(`"${role}"`) ? {} : null) };
    expect(keyOf(press("o", { target: within }))).toBeUndefined();
    expect(keyOf(press("Escape", { target: within }))).toBeUndefined();
    expect(keyOf(press("o", { target: { closest: () => null } }))).toBe("o");
  });

  it("is shown in words", () => {
    expect(shown("ctrl+shift+z")).toBe("Ctrl Shift Z");
    expect(shown("Escape")).toBe("Escape");
  });
});

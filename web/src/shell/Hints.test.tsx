// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { hint } from "../ui/hint";
import { Hints } from "./Hints";

describe("hints", () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => {
    vi.useRealTimers();
    cleanup();
  });

  const page = () =>
    render(
      <>
        <button {...hint("Undo: set fader", "ctrl+z")}>↶</button>
        <p {...hint("Kick")}>Kick</p>
        <Hints />
      </>,
    );
  const wait = () => act(() => vi.advanceTimersByTimeAsync(600));

  it("say what is pointed at, and its key, after a while", async () => {
    page();
    fireEvent.pointerOver(screen.getByRole("button"));
    expect(screen.queryByRole("tooltip")).toBeNull();
    await wait();
    expect(screen.getByRole("tooltip").textContent).toBe("Undo: set fader Ctrl Z");
  });

  it("go with a key, and come to what the keyboard is on", async () => {
    page();
    act(() => screen.getByRole("button").focus());
    await wait();
    expect(screen.getByRole("tooltip").textContent).toContain("Undo");
    fireEvent.keyDown(screen.getByRole("button"), { key: "Escape" });
    expect(screen.queryByRole("tooltip")).toBeNull();
  });

  it("do not repeat a text that can be read, and say one that is cut", async () => {
    page();
    const name = screen.getByText("Kick");
    fireEvent.pointerOver(name);
    await wait();
    expect(screen.queryByRole("tooltip")).toBeNull();
    Object.defineProperties(name, { scrollWidth: { value: 90 }, clientWidth: { value: 40 } });
    fireEvent.pointerOver(screen.getByRole("button"));
    fireEvent.pointerOver(name);
    await wait();
    expect(screen.getByRole("tooltip").textContent).toContain("Kick");
  });
});

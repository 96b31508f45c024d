// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { BesideSheet } from "./BesideSheet";

const wide = (matches: boolean) =>
  vi.stubGlobal("matchMedia", () => ({
    matches,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  }));
const place = (sheet = <aside>Kick</aside>) =>
  render(
    <BesideSheet narrow="above" sheet={sheet}>
      <p>Flow</p>
    </BesideSheet>,
  );
const edge = () => screen.getByRole("slider");
const width = () => Number(edge().getAttribute("aria-valuenow"));

describe("a sheet beside a place", () => {
  beforeEach(() => {
    localStorage.clear();
    window.innerWidth = 1280;
    wide(true);
    Element.prototype.setPointerCapture = () => undefined;
  });
  afterEach(cleanup);

  it("is made wider by keys, and stays so in this browser", async () => {
    place();
    expect(width()).toBe(286);
    edge().focus();
    await userEvent.keyboard("{ArrowLeft}{ArrowLeft}{ArrowRight}");
    expect(width()).toBe(302);
    cleanup();
    place();
    expect(width()).toBe(302);
    edge().focus();
    await userEvent.keyboard("{Home}");
    expect(width()).toBe(286);
  });

  it("is dragged, within bounds, and a double click gives its first width", () => {
    place();
    fireEvent.pointerDown(edge(), { clientX: 900 });
    fireEvent.pointerMove(edge(), { clientX: 850 });
    expect(width()).toBe(336);
    fireEvent.pointerMove(edge(), { clientX: 100 });
    expect(width()).toBe(560);
    fireEvent.pointerUp(edge());
    fireEvent.pointerMove(edge(), { clientX: 850 });
    expect(width()).toBe(560);
    fireEvent.doubleClick(edge());
    expect(width()).toBe(286);
  });

  it("stands above the place where there is no room, and has no width of its own", () => {
    wide(false);
    place();
    expect(screen.queryByRole("slider")).toBeNull();
    expect(document.body.textContent).toBe("KickFlow");
  });
});

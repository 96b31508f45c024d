// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import { useSearchParams } from "react-router";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { Addresses } from "./Addresses";

beforeEach(() => {
  vi.stubGlobal("IS_REACT_ACT_ENVIRONMENT", false);
});

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const names = ["kick", "snare", "hat", "tom"];

/** Picks as a place keeps them: what is added is added to what was drawn last. */
function Picks() {
  const [params, setParams] = useSearchParams();
  const picked = (params.get("picked") ?? "").split(",").filter(Boolean);
  return names.map((name) => (
    <button key={name} onClick={() => setParams({ picked: [...picked, name].join() })}>
      {name}
    </button>
  ));
}

it("has each click count from what the click before it left, however busy the page is", async () => {
  render(
    <Addresses>
      <Picks />
    </Addresses>,
  );
  const buttons = await Promise.all(names.map((name) => screen.findByText(name)));
  for (const button of buttons) {
    button.click();
    // All that a browser does between two clicks that wait in its queue.
    await Promise.resolve();
  }
  expect(new URLSearchParams(location.search).get("picked")).toBe("kick,snare,hat,tom");
});

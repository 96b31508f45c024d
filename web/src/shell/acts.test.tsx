// @vitest-environment jsdom
import { act as doing, cleanup, render } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { ActsProvider, useOffer, type Act } from "./acts";
import { dismiss, useNotices } from "./notices";

function Place({ acts, own }: { acts: Act[]; own?: (event: React.KeyboardEvent) => void }) {
  useOffer("place", acts);
  const notices = useNotices();
  return (
    // eslint-disable-next-line jsx-a11y/no-static-element-interactions -- stands for an editor
    <div data-testid="own" tabIndex={-1} onKeyDown={own}>
      {notices.map((one) => one.text).join(" ")}
    </div>
  );
}

const shown = (acts: Act[], own?: (event: React.KeyboardEvent) => void) =>
  render(
    <ActsProvider>
      <Place acts={acts} own={own} />
    </ActsProvider>,
  );

describe("acts", () => {
  beforeEach(() => localStorage.clear());
  afterEach(() => {
    doing(() => dismiss());
    cleanup();
  });

  it("leave a press alone that somebody has handled", async () => {
    const run = vi.fn();
    const page = shown([{ id: "make", label: "Make", key: "ctrl+Enter", run }], (event) =>
      event.preventDefault(),
    );
    page.getByTestId("own").focus();
    await userEvent.keyboard("{Control>}{Enter}{/Control}");
    expect(run).not.toHaveBeenCalled();
  });

  it("say why their key does nothing", async () => {
    const run = vi.fn();
    const page = shown([
      { id: "hear", label: "Hear…", key: "q", can: false, needs: "pick a file", run },
    ]);
    await userEvent.keyboard("q");
    expect(run).not.toHaveBeenCalled();
    expect(page.getByTestId("own").textContent).toBe("“Hear” cannot be done now: pick a file.");
  });

  it("do what can be done where two have a key", async () => {
    const run = vi.fn();
    const page = shown([
      { id: "one", label: "One", key: "q", can: false, run: vi.fn() },
      { id: "two", label: "Two", key: "q", run },
    ]);
    await userEvent.keyboard("q");
    expect(run).toHaveBeenCalledTimes(1);
    expect(page.getByTestId("own").textContent).toBe("");
  });
});

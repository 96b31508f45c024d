// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import { withServer } from "../testing/render";
import { NumberField } from "./NumberField";

withServer();

function fader(value = -3) {
  const onChange = vi.fn();
  render(
    <NumberField
      label="Fader"
      value={value}
      show={String}
      reads="DECIBELS"
      unit="dB"
      least={-144}
      most={24}
      step={0.5}
      onChange={onChange}
    />,
  );
  const field = screen.getByLabelText("Fader in dB");
  field.focus();
  return { onChange, field };
}

describe("a number", () => {
  it("is one change for as many arrows as come without a pause", async () => {
    const { onChange, field } = fader();
    await userEvent.keyboard("{ArrowUp>20/}");
    expect(field).toHaveProperty("value", "7");
    expect(onChange).not.toHaveBeenCalled();
    await waitFor(() => expect(onChange.mock.calls).toEqual([[7]]));
  });

  it("goes coarse with Shift and fine with Alt, and is done at once when one leaves", async () => {
    const { onChange } = fader();
    await userEvent.keyboard("{ArrowUp}{Shift>}{ArrowDown}{/Shift}{Alt>}{ArrowUp}{/Alt}");
    await userEvent.tab();
    expect(onChange.mock.calls).toEqual([[-7.45]]);
  });

  it("is not lost when the field goes in the middle of a gesture", async () => {
    const { onChange } = fader();
    await userEvent.keyboard("{ArrowUp}");
    cleanup();
    expect(onChange.mock.calls).toEqual([[-2.5]]);
  });

  it("is dragged up and down in one change; a click goes into it", async () => {
    const { onChange, field } = fader();
    field.blur();
    fireEvent.pointerDown(field, { button: 0, clientY: 100 });
    fireEvent.pointerMove(field, { clientY: 80 });
    fireEvent.pointerMove(field, { clientY: 60 });
    expect(field).toHaveProperty("value", "2");
    fireEvent.pointerUp(field);
    expect(onChange.mock.calls).toEqual([[2]]);
    expect(document.activeElement).not.toBe(field);
    fireEvent.pointerDown(field, { button: 0, clientY: 100 });
    fireEvent.pointerUp(field);
    expect(document.activeElement).toBe(field);
  });

  it("stays within what is possible", async () => {
    const { onChange } = fader(23.8);
    await userEvent.keyboard("{ArrowUp}{Enter}");
    expect(onChange).toHaveBeenLastCalledWith(24);
  });

  it("is typed as the server understands it, and taken at Enter or when left", async () => {
    const { onChange, field } = fader();
    await userEvent.clear(field);
    await userEvent.type(field, "−7,25{Enter}");
    await waitFor(() => expect(onChange).toHaveBeenLastCalledWith(-7.25));
    await userEvent.clear(field);
    await userEvent.type(field, "4");
    await userEvent.tab();
    await waitFor(() => expect(onChange).toHaveBeenLastCalledWith(4));
  });

  it("says what it cannot read, keeps what was typed, and changes nothing", async () => {
    const { onChange, field } = fader();
    await userEvent.clear(field);
    await userEvent.type(field, "3 or so{Enter}");
    expect((await screen.findByRole("alert")).textContent).toBe("“3 or so” is not a number.");
    expect(field).toHaveProperty("value", "3 or so");
    expect(field.getAttribute("aria-invalid")).toBe("true");
    await userEvent.keyboard("{Escape}");
    expect(field).toHaveProperty("value", "-3");
    expect(screen.queryByRole("alert")).toBeNull();
    expect(onChange).not.toHaveBeenCalled();
  });

  it("keeps what was typed when the change is refused", async () => {
    const { onChange, field } = fader();
    onChange.mockRejectedValue(new Error("The fader is 99; give -200 to 24."));
    await userEvent.clear(field);
    await userEvent.type(field, "99{Enter}");
    expect((await screen.findByRole("alert")).textContent).toMatch(/give -200 to 24/);
    expect(field).toHaveProperty("value", "99");
  });

  it("is left by a second Escape, and what is round it hears of neither", async () => {
    const around = vi.fn();
    const { field } = fader();
    field.parentElement?.parentElement?.parentElement?.addEventListener("keydown", around);
    await userEvent.keyboard("5");
    around.mockClear();
    await userEvent.keyboard("{Escape}");
    expect(document.activeElement).toBe(field);
    await userEvent.keyboard("{Escape}");
    expect(document.activeElement).toBe(document.body);
    expect(around).not.toHaveBeenCalled();
  });
});

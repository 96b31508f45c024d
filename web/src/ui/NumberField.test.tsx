// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import { NumberField } from "./NumberField";

afterEach(cleanup);

function fader(value = -3) {
  const onChange = vi.fn();
  render(
    <NumberField
      label="Fader"
      value={value}
      shown={String(value)}
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
  it("is changed by arrows: plain, coarse with Shift, fine with Alt", async () => {
    const { onChange } = fader();
    await userEvent.keyboard("{ArrowUp}{Shift>}{ArrowDown}{/Shift}{Alt>}{ArrowUp}{/Alt}");
    expect(onChange.mock.calls).toEqual([[-2.5], [-8], [-2.95]]);
  });

  it("is typed, with a comma and any minus sign, and taken at Enter or when left", async () => {
    const { onChange, field } = fader();
    await userEvent.clear(field);
    await userEvent.type(field, "−7,25{Enter}");
    expect(onChange).toHaveBeenLastCalledWith(-7.25);
    await userEvent.clear(field);
    await userEvent.type(field, "4");
    await userEvent.tab();
    expect(onChange).toHaveBeenLastCalledWith(4);
  });

  it("stays within what is possible", async () => {
    const { onChange, field } = fader(23.8);
    await userEvent.keyboard("{ArrowUp}");
    expect(onChange).toHaveBeenLastCalledWith(24);
    await userEvent.clear(field);
    await userEvent.type(field, "-900{Enter}");
    expect(onChange).toHaveBeenLastCalledWith(-144);
  });

  it("says what it cannot read, and changes nothing", async () => {
    const { onChange, field } = fader();
    await userEvent.clear(field);
    await userEvent.type(field, "loud{Enter}");
    expect(field.getAttribute("aria-invalid")).toBe("true");
    expect(field.title).toBe("Type a number from -144 to 24");
    await userEvent.keyboard("{Escape}");
    expect(field).toHaveProperty("value", "-3");
    expect(onChange).not.toHaveBeenCalled();
  });
});

// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import { FormDialog, TextLine } from "./FormDialog";
import { useState } from "react";

function Form({ onClose }: { onClose: () => void }) {
  const [name, setName] = useState("");
  return (
    <FormDialog
      title="A form"
      description="It asks."
      does="Do it"
      onSubmit={() => undefined}
      onClose={onClose}
    >
      <TextLine label="Name" value={name} onChange={setName} />
    </FormDialog>
  );
}

describe("a form", () => {
  afterEach(cleanup);

  it("is left at once where nothing was typed", async () => {
    const onClose = vi.fn();
    render(<Form onClose={onClose} />);
    await userEvent.keyboard("{Escape}");
    expect(onClose).toHaveBeenCalledTimes(1);
  });

  it("asks once, in place, before what was typed is lost", async () => {
    const onClose = vi.fn();
    render(<Form onClose={onClose} />);
    await userEvent.type(screen.getByLabelText("Name"), "Three names");
    await userEvent.keyboard("{Escape}");
    expect(onClose).not.toHaveBeenCalled();
    expect(screen.getByText(/What you typed would be lost/)).toBeTruthy();
    expect(screen.getByLabelText("Name")).toHaveProperty("value", "Three names");
    await userEvent.type(screen.getByLabelText("Name"), "!");
    expect(screen.queryByText(/What you typed would be lost/)).toBeNull();
    await userEvent.keyboard("{Escape}{Escape}");
    expect(onClose).toHaveBeenCalledTimes(1);
  });

  it("asks as well where something was chosen by a button", async () => {
    const onClose = vi.fn();
    render(
      <FormDialog
        title="A form"
        description="It asks."
        does="Do it"
        onSubmit={() => undefined}
        onClose={onClose}
      >
        <button type="button">Add one</button>
      </FormDialog>,
    );
    await userEvent.click(screen.getByRole("button", { name: "Add one" }));
    await userEvent.keyboard("{Escape}");
    expect(onClose).not.toHaveBeenCalled();
  });

  it("is discarded by name at once", async () => {
    const onClose = vi.fn();
    render(<Form onClose={onClose} />);
    await userEvent.type(screen.getByLabelText("Name"), "Three names");
    await userEvent.click(screen.getByRole("button", { name: "Cancel" }));
    expect(onClose).toHaveBeenCalledTimes(1);
  });
});

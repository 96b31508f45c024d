// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import { FormDialog, Select, TextLine } from "./FormDialog";
import { useEffect, useState } from "react";

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

  it("keeps what is chosen in a list, though an answer comes between the choice's two events", async () => {
    const chosen = vi.fn();
    const Listed = ({ answered }: { answered: Map<string, (choices: string[]) => void> }) => {
      const [choices, setChoices] = useState(["first", "second"]);
      useEffect(() => void answered.set("choices", setChoices), [answered]);
      return (
        <FormDialog
          title="A form"
          description="It asks."
          does="Do it"
          onSubmit={() => undefined}
          onClose={() => undefined}
        >
          <Select
            label="One of"
            value="first"
            choices={choices.map((id) => ({ id, label: id }))}
            onChange={chosen}
          />
        </FormDialog>
      );
    };
    const answered = new Map<string, (choices: string[]) => void>();
    render(<Listed answered={answered} />);
    const list = screen.getByLabelText<HTMLSelectElement>("One of");
    // As a browser does it, and not as one step of a test: what waits is drawn in between.
    vi.stubGlobal("IS_REACT_ACT_ENVIRONMENT", false);
    try {
      answered.get("choices")?.(["first", "second", "third"]);
      list.value = "second";
      list.dispatchEvent(new Event("input", { bubbles: true }));
      await Promise.resolve();
      list.dispatchEvent(new Event("change", { bubbles: true }));
      expect(chosen).toHaveBeenCalledWith("second");
      await screen.findByRole("option", { name: "third" });
    } finally {
      vi.unstubAllGlobals();
    }
  });
});

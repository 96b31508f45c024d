// @vitest-environment jsdom
import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import { useLocation } from "react-router";
import { show, view, withServer } from "../testing/render";
import { ViewsDialog } from "./ViewsDialog";

withServer();
beforeEach(() => localStorage.clear());

function Dialog() {
  const { pathname, search } = useLocation();
  return (
    <>
      <output>{pathname + search}</output>
      <ViewsDialog mix={view()} onClose={() => undefined} />
    </>
  );
}

const save = async (name: string) => {
  await userEvent.type(screen.getByLabelText("Name of what is shown now"), name);
  await userEvent.click(screen.getByRole("button", { name: "Save" }));
};

describe("saved views", () => {
  it("keep the place and how it is looked at, and lead back", async () => {
    show(<Dialog />, "/mixes/m1/ledger?sort=-faderDb&rows=drum");
    await save("Loud drums");
    const saved = JSON.parse(localStorage.getItem("drevik-views m1") ?? "") as unknown;
    expect(saved).toEqual([{ name: "Loud drums", at: "ledger?sort=-faderDb&rows=drum" }]);
    await userEvent.click(screen.getByRole("button", { name: "Loud drums" }));
    expect(screen.getByRole("status", { hidden: true }).textContent).toBe(
      "/mixes/m1/ledger?sort=-faderDb&rows=drum",
    );
  });

  it("replace one of the same name, and go when they are removed", async () => {
    show(<Dialog />, "/mixes/m1/flow?buses");
    await save("Mine");
    await userEvent.clear(screen.getByLabelText("Name of what is shown now"));
    await save("Mine");
    expect(screen.getAllByRole("listitem")).toHaveLength(1);
    await userEvent.click(screen.getByRole("button", { name: "Remove the view “Mine”" }));
    expect(screen.getByText("None is saved yet.")).toBeTruthy();
  });

  it("are none where what is kept cannot be read", () => {
    localStorage.setItem("drevik-views m1", "{");
    show(<Dialog />, "/mixes/m1/flow");
    expect(screen.getByText("None is saved yet.")).toBeTruthy();
  });
});

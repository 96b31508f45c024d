// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import { useLocation } from "react-router";
import { answers, show, withServer } from "../testing/render";
import { Tour, TourOffer } from "./Tour";
import { leaveTour } from "./tourState";

withServer();

beforeEach(() => {
  leaveTour();
  localStorage.clear();
  answers.set("GET /api/mixes", [
    { id: "t1", kind: "template", name: "Band" },
    { id: "s1", kind: "session", name: "Song" },
  ]);
});

function Where() {
  return <p>at {useLocation().pathname}</p>;
}

const tour = () =>
  show(
    <>
      <TourOffer />
      <Tour />
      <Where />
    </>,
  );

describe("the tour", () => {
  it("goes through five places of a session and is offered once", async () => {
    tour();
    await userEvent.click(screen.getByText("Take the tour"));
    expect(screen.queryByText("Take the tour")).toBeNull();
    for (const place of ["/shelf", "/mixes/s1/intake", "/mixes/s1/flow", "/mixes/s1/check"]) {
      await waitFor(() => expect(screen.getByText(`at ${place}`)).toBeTruthy());
      await userEvent.click(screen.getByRole("button", { name: "Next" }));
    }
    await waitFor(() => expect(screen.getByText("at /mixes/s1/delivery")).toBeTruthy());
    await userEvent.click(screen.getByRole("button", { name: "Done" }));
    expect(screen.queryByRole("region")).toBeNull();
    expect(screen.queryByText("Take the tour")).toBeNull();
  });

  it("can be left at any step, and declined", async () => {
    tour();
    await userEvent.click(screen.getByText("Take the tour"));
    await userEvent.click(screen.getByRole("button", { name: "Leave the tour" }));
    expect(screen.queryByRole("region")).toBeNull();
    expect(localStorage.getItem("drevik-tour")).toBe("over");
  });
});

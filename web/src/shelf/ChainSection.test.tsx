// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";
import { KeepChainDialog } from "../flow/build/KeepChainDialog";
import { answers, asked, channel, refusal, show, withServer } from "../testing/render";
import { ChainSection } from "./ChainSection";

withServer();

const line = (id: string, name: string, more = {}) => ({
  id,
  at: "2026-01-02T03:04:05Z",
  chain: {
    name,
    category: "drums",
    purpose: "Holds together.",
    chain: [
      { id: "a", processor: "compressor", on: true, postFader: false, settings: {} },
      { id: "b", processor: "limiter", on: false, postFader: false, settings: {} },
    ],
  },
  ...more,
});

beforeEach(() => {
  answers.set("GET /api/chains", [
    line("1", "Glue"),
    line("2", "Hard", { removedAt: "2026-01-03T03:04:05Z" }),
  ]);
});

it("shows what is kept, what it does, and what is in it", async () => {
  show(<ChainSection wanted="glu" />);
  expect((await screen.findByRole("listitem")).textContent).toMatch(
    /Glue.*drums.*Holds together.*compressor → limiter \(off\)/,
  );
});

it("removes one and brings one back", async () => {
  show(<ChainSection wanted="" />);
  await userEvent.click(await screen.findByRole("button", { name: "Remove Glue" }));
  await userEvent.click(screen.getByRole("button", { name: "Bring back Hard" }));
  expect(asked.map((one) => `${one.method} ${one.path}`)).toEqual(
    expect.arrayContaining(["DELETE /api/space/chain/1", "POST /api/space/chain/2/back"]),
  );
});

it("gives one another name, and reads one from a file", async () => {
  show(<ChainSection wanted="" />);
  await userEvent.click(await screen.findByRole("button", { name: "Rename Glue" }));
  const name = await screen.findByLabelText("Name");
  await userEvent.clear(name);
  await userEvent.type(name, "Glue two{Control>}{Enter}{/Control}");
  await waitFor(() =>
    expect(asked.find((one) => one.path === "/api/chains/1/name")?.body).toEqual({
      name: "Glue two",
    }),
  );
  expect(screen.getByRole("link", { name: "Glue as a file" }).getAttribute("href")).toBe(
    "/api/chains/1/document",
  );
  const file = new File(['{"name":"Mine"}'], "Mine chain.json", { type: "application/json" });
  await userEvent.upload(screen.getByLabelText("File of a chain to read"), file);
  await waitFor(() =>
    expect(asked.find((one) => one.path === "/api/chains/files")?.body).toEqual({
      text: '{"name":"Mine"}',
    }),
  );
});

it("keeps the chain of a channel, and stays open where that is refused", async () => {
  answers.set("POST /api/chains", refusal("A chain is kept under a name; write one."));
  show(<KeepChainDialog mix="m1" of={channel("kick")} onClose={() => undefined} />);
  await userEvent.type(await screen.findByLabelText("Name"), " tight");
  await userEvent.click(screen.getByRole("button", { name: /Keep it/ }));
  expect(await screen.findByText(/write one/)).toBeTruthy();
  expect(asked.at(-1)?.body).toEqual({
    mix: "m1",
    channel: "kick",
    name: "kick tight",
    category: "drums",
    purpose: "",
  });
});

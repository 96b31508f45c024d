import { QueryClient, QueryObserver } from "@tanstack/react-query";
import { expect, it } from "vitest";
import { anew } from "./anew";

it("does not take a first answer that was on its way for a new one", async () => {
  const client = new QueryClient();
  let now = "before";
  const asked: (() => void)[] = [];
  const observer = new QueryObserver(client, {
    queryKey: ["delivery", "d1"],
    queryFn: () => {
      const answer = now;
      return new Promise<string>((then) => asked.push(() => then(answer)));
    },
  });
  const stop = observer.subscribe(() => undefined);
  now = "after";
  const read = anew(client, ["delivery", "d1"]);
  await new Promise((then) => setTimeout(then));
  asked.forEach((answer) => answer());
  await read;
  expect(observer.getCurrentResult().data).toBe("after");
  stop();
});

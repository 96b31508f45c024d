import { readFileSync } from "node:fs";
import { expect, it } from "vitest";

const read = (file: string) => readFileSync(new URL(file, import.meta.url), "utf8");

it("asks for the script of each place under the name that the build gives it", () => {
  const first = read("../public/first.js");
  const places = [...read("./App.tsx").matchAll(/(\w+)(?:: | = )placeOf\(.*import\(".*\/(\w+)"/g)];
  expect(places).toHaveLength(8);
  for (const [, place, chunk] of places) {
    expect(first).toContain(place === "SHELF" ? `?? "${chunk}"` : `${place}: "${chunk}"`);
  }
});

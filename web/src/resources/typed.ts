import { answered, api } from "../api/client";
import type { operations } from "../api/api-types";

export type Unit = operations["typed"]["parameters"]["query"]["unit"];

/** The number that a typed text stands for, in the unit of documents; the server knows. */
export async function understood(unit: Unit, text: string): Promise<number> {
  const answer = await answered(api.GET("/api/typed", { params: { query: { unit, text } } }));
  return answer.value;
}

/** The same for the setting of a processor. */
export async function understoodSetting(
  processor: string,
  parameter: string,
  text: string,
  tempo: number,
): Promise<number> {
  const answer = await answered(
    api.GET("/api/processors/{processor}/parameters/{parameter}/typed", {
      params: { path: { processor, parameter }, query: { text, tempo } },
    }),
  );
  return answer.value;
}

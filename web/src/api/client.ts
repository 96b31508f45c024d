import createClient from "openapi-fetch";
import { heard } from "../shell/connection";
import type { components, paths } from "./api-types";

export const api = createClient<paths>({
  baseUrl: globalThis.location?.origin ?? "",
  // Looked up at each call, so that a test can stand in for the server.
  fetch: (request) => globalThis.fetch(request),
});

type Schemas = components["schemas"];
export type MixView = Schemas["MixView"];
export type MixChange = Schemas["MixChange"];
export type Mix = Schemas["Mix"];
export type Channel = Schemas["Channel"];
export type Output = Schemas["Output"];
export type Edit = Schemas["Edit"];
export type CreateChannels = Extract<Edit, { edit: "create-channels" }>;
export type RenameChannels = Extract<Edit, { edit: "rename-channels" }>;
export type ChainPictures = Schemas["ChainPictures"];
export type NamedChannel = Schemas["NamedChannel"];
export type InsertChanges = Schemas["InsertChanges"];
export type ChainLine = Schemas["ChainLine"];
export type KeptMapLine = Schemas["KeptMapLine"];
export type NamedMap = Schemas["NamedMap"];
export type MapView = Schemas["MapView"];
export type MapWords = Schemas["MapWords"];
export type LeftLine = Schemas["LeftLine"];
export type Meant = Schemas["Meant"];
export type EffectView = Schemas["EffectView"];
export type EffectLine = Schemas["EffectLine"];
export type EffectMove = Schemas["EffectMove"];
export type Decision = Schemas["Decision"];
export type OutlineDraft = Schemas["OutlineDraft"];
export type OutlineFault = Schemas["OutlineFault"];
export type OutlinePreview = Schemas["OutlinePreview"];
export type ChannelChanges = Schemas["ChannelChanges"];
export type SendChanges = Schemas["SendChanges"];
export type OutputChanges = Schemas["OutputChanges"];
export type StemSetChanges = Schemas["StemSetChanges"];
export type MixChanges = Schemas["MixChanges"];
export type Marker = Schemas["Marker"];
export type FlowLayout = Schemas["FlowLayout"];
export type Ribbon = Schemas["Ribbon"];
export type DeliveryView = Schemas["DeliveryView"];
export type FileView = Schemas["FileView"];
export type NewEmptyTemplate = Schemas["NewEmptyTemplate"];
export type DeadAir = Schemas["DeadAir"];
export type Cut = Schemas["CutView"];
export type SeatView = Schemas["SeatView"];
export type SeatWish = Schemas["SeatWish"];
export type PrintView = Schemas["PrintView"];
export type Printed = Schemas["Printed"];
export type PrintReport = Schemas["PrintReport"];
export type Knowledge = Schemas["Knowledge"];
export type KnownField = Schemas["KnownField"];
export type Finding = Schemas["Finding"];
export type CheckChange = Schemas["CheckChange"];
export type CoverageCell = Schemas["Cell"];
export type CategoryCoverage = Schemas["CategoryCoverage"];
export type CategoryShare = Schemas["Share"];
export type LedgerView = Schemas["LedgerView"];
export type Control = Schemas["Control"];
export type Send = Schemas["Send"];
export type Insert = Schemas["Insert"];
export type StemSet = Schemas["StemSet"];
export type Specification = Schemas["Specification"];
export type RevisionLine = Schemas["RevisionLine"];
export type FlowSketch = Schemas["FlowSketch"];
export type SpaceView = Schemas["SpaceView"];
export type MixSpace = Schemas["MixSpace"];
export type SpacePart = Schemas["SpacePart"];
export type ShelfItem = Schemas["ShelfItem"];

/** The status of a problem that no server told. */
export const NO_ANSWER = 0;

/** What the server says when it refuses (RFC 9457): the detail tells what to do. */
export class Problem extends Error {
  readonly status: number;

  constructor(status: number, detail: string) {
    super(detail);
    this.status = status;
  }
}

/** What went wrong, in words. */
export function messageOf(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}

export function problemOf(status: number, body: unknown): Problem {
  const detail =
    typeof body === "object" && body !== null && "detail" in body ? String(body.detail) : "";
  return new Problem(
    status,
    detail || `The server answered ${status}. Try again; if it stays so, look at its log.`,
  );
}

/** Unwraps an answer, or throws the problem that it carries. */
export async function answered<T>(
  call: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  let result: { data?: T; error?: unknown; response: Response };
  try {
    result = await call;
    heard(true);
  } catch {
    heard(false);
    throw new Problem(NO_ANSWER, "Drevik cannot be reached. Is it running? Nothing was changed.");
  }
  if (!result.response.ok || result.data === undefined) {
    throw problemOf(result.response.status, result.error);
  }
  return result.data;
}

import type {
  CreateChannels,
  Edit,
  Meant,
  NamedMap,
  OutlineDraft,
  RenameChannels,
} from "../api/client";

type Maybe<T> = T | undefined;

/**
 * What the server's answers are kept under. What follows from a revision has it in its key, is asked
 * of it, and never goes stale; keys that begin with `any` are the beginnings of several.
 */
export const keys = {
  knowledge: ["knowledge"],
  shelf: ["shelf"],
  space: ["space"],
  maps: ["maps"],
  mapFrom: (source: string) => ["map-from", source],
  anyChains: ["chains"],
  chains: (fit: Maybe<{ category: string; kind: string }>) => ["chains", fit],
  mix: (id: string) => ["mix", id],
  ledger: (id: string, revision: number | string) => ["ledger", id, revision],
  coverage: (id: string, revision: number) => ["coverage", id, revision],
  paths: (id: string, revision: number, cell: Maybe<{ channel: string; output: string }>) => [
    "paths",
    id,
    revision,
    cell?.channel,
    cell?.output,
  ],
  outputDraft: (id: string, revision: number) => ["output-draft", id, revision],
  proof: (id: string, revision: number) => ["proof", id, revision],
  map: (id: string, revision: number) => ["map", id, revision],
  outline: (id: string, revision: number) => ["outline", id, revision],
  decisions: (id: string, revision: number, channel: string) => [
    "decisions",
    id,
    channel,
    revision,
  ],
  pictures: (id: string, revision: number, channel: string) => ["pictures", id, channel, revision],
  guides: (id: string, revision: number, since: Maybe<number>) => ["guides", id, revision, since],
  meant: (id: string, revision: number, of: Maybe<Meant>) => ["meant", id, revision, of],
  preview: (id: string, revision: number, edit: Maybe<Edit>) => ["preview", id, revision, edit],
  effect: (id: string, revision: number, edit: Maybe<Edit>) => ["effect", id, revision, edit],
  mixThen: (id: string, revision: number, edit: Maybe<Edit>) => ["mix-then", id, revision, edit],
  named: (id: string, revision: number, edit: Maybe<CreateChannels>) => [
    "named",
    id,
    revision,
    edit,
  ],
  renamed: (id: string, revision: number, edit: Maybe<RenameChannels>) => [
    "renamed",
    id,
    revision,
    edit,
  ],
  outlinePreview: (id: string, revision: number, draft: Maybe<OutlineDraft>) => [
    "outline-preview",
    id,
    revision,
    draft,
  ],
  mapDifferences: (one: Maybe<NamedMap>, other: Maybe<NamedMap>) => ["map-differences", one, other],
  anyHistory: (id: string) => ["history", id],
  history: (id: string, revision: number) => ["history", id, revision],
  differences: (id: string, from: Maybe<number>, to: Maybe<number>) => [
    "differences",
    id,
    from,
    to,
  ],
  deliveries: (mixId: string) => ["deliveries", mixId],
  anyDelivery: ["delivery"],
  delivery: (id: Maybe<string>) => ["delivery", id],
  measuring: (id: Maybe<string>) => ["measuring", id],
  report: (deliveryId: string) => ["report", deliveryId],
  prints: (mixId: string) => ["prints", mixId],
};

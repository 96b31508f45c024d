import {
  keepPreviousData,
  queryOptions,
  useMutation,
  useQuery,
  useQueryClient,
  type QueryClient,
  type UseMutationOptions,
} from "@tanstack/react-query";
import { useCallback, useEffect } from "react";
import { notify, tellDone } from "../shell/notices";
import { anew } from "./anew";
import { changed } from "./change";
import { freshId } from "./changes";
import {
  answered,
  api,
  NO_ANSWER,
  Problem,
  type CreateChannels,
  type DeadAir,
  type NewEmptyTemplate,
  type DeliveryView,
  type Edit,
  type LedgerView,
  type Meant,
  type MixChange,
  type MixView,
  type NamedMap,
  type OutlineDraft,
  type PrintView,
  type RenameChannels,
  type SeatWish,
} from "./client";
import type { operations } from "./api-types";

const complain = (error: Error) => notify(error.message, "wrong");

const knowledge = queryOptions({
  queryKey: ["knowledge"],
  queryFn: () => answered(api.GET("/api/knowledge")),
  staleTime: Infinity,
});

const mix = (id: string) =>
  queryOptions({
    queryKey: ["mix", id],
    queryFn: () => answered(api.GET("/api/mixes/{id}", { params: { path: { id } } })),
  });

/** Asks for what a page shows first, so that its first frame is not an empty one. */
export async function readAhead(client: QueryClient, path: string): Promise<void> {
  const id = /^\/mixes\/([^/]+)/.exec(path)?.[1];
  const known = client.prefetchQuery(knowledge);
  if (id === undefined) {
    return known;
  }
  const first = path.endsWith("/ledger") ? readLedger(client, id) : undefined;
  const whole = client.prefetchQuery(mix(id));
  await Promise.all([known, first ?? whole]);
}

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

export function useKnowledge() {
  return useQuery(knowledge);
}

export function useShelf() {
  return useQuery({ queryKey: ["shelf"], queryFn: () => answered(api.GET("/api/mixes")) });
}

export function useMix(id: string) {
  return useQuery(mix(id));
}

/** What a change is asked with: an id of its own, and the revision that is shown. */
interface Asked {
  id: string;
  basedOn: number;
}

const TRIES = 4;
const WAIT_MILLISECONDS = 400;
const LONGEST_WAIT_MILLISECONDS = 2000;

/**
 * Asks again, under the same id, where no answer came: the server does it once, and says what became
 * of it. So a change that is said to have been refused has not been made.
 */
async function askedUntilAnswered<T>(ask: () => Promise<T>, patient: boolean): Promise<T> {
  for (let tries = 1; ; tries++) {
    try {
      return await ask();
    } catch (error) {
      if (!(error instanceof Problem) || error.status !== NO_ANSWER) {
        throw error;
      }
      if (tries === TRIES && patient) {
        notify(
          "Drevik cannot be reached. Your change is kept on this page, and made as soon as it answers again.",
          "wrong",
        );
      } else if (tries === TRIES) {
        throw new Problem(
          NO_ANSWER,
          "Drevik cannot be reached. Is it running? Whether your last change was made is shown when it answers again.",
        );
      }
      await new Promise((then) =>
        setTimeout(then, Math.min(WAIT_MILLISECONDS * tries, LONGEST_WAIT_MILLISECONDS)),
      );
    }
  }
}

/**
 * Something that is asked of the server. `ask` leaves a refusal to whoever asks, as a form does that
 * shows it; `mutate` says it at the foot of the page.
 */
function useAsking<V, T>(options: UseMutationOptions<T, Error, V>) {
  const { mutateAsync: ask, isPending } = useMutation(options);
  const mutate = useCallback(
    (value: V, then?: (answer: T) => void) => void ask(value).then(then, complain),
    [ask],
  );
  return { ask, mutate, isPending };
}

/**
 * Everything that changes a Mix answers with what is different from the revision that is shown. Where
 * the server is away, a form keeps what was typed and says so; what was done by a key has no form to
 * stay in, and is kept here until the server answers, under the id that it was asked with.
 */
function useMixChange<V>(
  id: string,
  change: (value: V, asked: Asked) => Promise<MixChange>,
  tell: (answer: MixChange, value: V) => void = tellStep(id),
) {
  const client = useQueryClient();
  const { mutateAsync, isPending } = useMutation({
    mutationKey: ["mix", id],
    // One after another, so that each is told from the revision that the one before led to.
    scope: { id: `mix ${id}` },
    mutationFn: async ({ value, patient }: { value: V; patient: boolean }) => {
      const shown = await client.ensureQueryData(mix(id));
      const asked = { id: freshId("page"), basedOn: shown.revision };
      return askedUntilAnswered(() => change(value, asked), patient);
    },
    onSuccess: (answer, { value }) => {
      take(client, id, answer);
      tell(answer, value);
      void anew(client, ["shelf"]);
      void anew(client, ["delivery"]);
    },
    onError: () => void anew(client, ["mix", id]),
  });
  const ask = useCallback((value: V) => mutateAsync({ value, patient: false }), [mutateAsync]);
  const mutate = useCallback(
    (value: V, then?: (answer: MixChange) => void) =>
      void mutateAsync({ value, patient: true }).then(then, complain),
    [mutateAsync],
  );
  return { ask, mutate, isPending };
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** Says what was done, as undo names it. */
function tellStep(id: string) {
  return (answer: MixChange) => {
    if (answer.revision === answer.from) {
      notify("It is so already; nothing was changed.");
    } else if (answer.undo !== undefined) {
      tellDone(id, `${capital(answer.undo)}.`, true);
    }
  };
}

function take(client: QueryClient, id: string, change: MixChange) {
  const shown = client.getQueryData<MixView>(["mix", id]);
  const after = shown && changed(shown, change);
  if (after) {
    client.setQueryData(["mix", id], after);
  } else {
    void anew(client, ["mix", id]);
  }
}

export function useEdit(id: string) {
  return useMixChange(id, (edit: Edit, asked) =>
    answered(
      api.POST("/api/mixes/{id}/edits", { params: { path: { id } }, body: { ...asked, edit } }),
    ),
  );
}

export function useUndo(id: string) {
  return useMixChange(
    id,
    (direction: "undo" | "redo", body) => {
      const what = { params: { path: { id } }, body };
      return answered(
        direction === "undo"
          ? api.POST("/api/mixes/{id}/undo", what)
          : api.POST("/api/mixes/{id}/redo", what),
      );
    },
    (answer, direction) => {
      if (direction === "redo") {
        tellStep(id)(answer);
      } else if (answer.redo !== undefined) {
        tellDone(id, `Taken back: ${answer.redo}.`, false);
      }
    },
  );
}

/**
 * Follows a Mix that another page or person edits. A page that nobody sees does not listen: a browser
 * allows few open streams; the first word when it is seen again tells what it has missed.
 */
export function useFollowMix(id: string | undefined) {
  const client = useQueryClient();
  useEffect(() => {
    if (!id) {
      return;
    }
    let told: number | undefined;
    const catchUp = async () => {
      const shown = client.getQueryData<MixView>(["mix", id]);
      // An edit that is on its way brings its own answer; this is looked at again when it is there.
      const busy = client.isMutating({ mutationKey: ["mix", id] }) > 0;
      if (shown && told !== undefined && told !== shown.revision && !busy) {
        const change = await answered(
          api.GET("/api/mixes/{id}/changes", {
            params: { path: { id }, query: { from: shown.revision } },
          }),
        );
        take(client, id, change);
      }
    };
    const follow = () => void catchUp().catch(() => undefined);
    const unsubscribe = client.getMutationCache().subscribe((event) => {
      if (event.type === "updated" && event.action.type === "success") {
        const answer = event.action.data as Partial<MixChange> | undefined;
        if (answer?.from !== undefined && answer.from === told) {
          told = answer.revision;
        }
        follow();
      }
    });
    let events: EventSource | undefined;
    const listen = () => {
      events?.close();
      events = undefined;
      if (!document.hidden) {
        events = new EventSource(`/api/mixes/${id}/events`);
        events.addEventListener("revision", (event) => {
          told = Number(event.data);
          follow();
        });
      }
    };
    listen();
    document.addEventListener("visibilitychange", listen);
    return () => {
      document.removeEventListener("visibilitychange", listen);
      unsubscribe();
      events?.close();
    };
  }, [client, id]);
}

/** What of each seat reaches each output, of the revision that is shown. */
export function useCoverage(id: string, revision: number) {
  return useQuery({
    queryKey: ["coverage", id, revision],
    queryFn: () => answered(api.GET("/api/mixes/{id}/coverage", { params: { path: { id } } })),
    placeholderData: keepPreviousData,
  });
}

/** What the line check has shown of the revision that is shown. */
export function useProof(id: string, revision: number) {
  return useQuery({
    queryKey: ["proof", id, revision],
    queryFn: () => answered(api.GET("/api/mixes/{id}/proof", { params: { path: { id } } })),
    placeholderData: keepPreviousData,
  });
}

/** What an edit would do to the findings of the revision that is shown. */
export function usePreview(id: string, revision: number, edit: Edit | undefined) {
  return useQuery({
    queryKey: ["preview", id, revision, edit],
    queryFn: () =>
      edit === undefined
        ? null
        : answered(
            api.POST("/api/mixes/{id}/preview", { params: { path: { id } }, body: { edit } }),
          ),
    placeholderData: keepPreviousData,
  });
}

/** The category map as a table, of the revision that is shown. */
export function useMap(id: string, revision: number) {
  return useQuery({
    queryKey: ["map", id, revision],
    queryFn: () => answered(api.GET("/api/mixes/{id}/map", { params: { path: { id } } })),
    placeholderData: keepPreviousData,
  });
}

/** The map of a Mix as a file has it, with names in the place of ids. */
export async function mapOf(id: string): Promise<NamedMap> {
  return JSON.parse(
    await answered(
      api.GET("/api/mixes/{id}/map/document", { params: { path: { id } }, parseAs: "text" }),
    ),
  ) as NamedMap;
}

/** A map on the shelf. */
export function keptMap(id: string): Promise<NamedMap> {
  return answered(api.GET("/api/maps/{id}", { params: { path: { id } } }));
}

/** Category maps on the shelf, the latest first; those that were removed too. */
export function useKeptMaps() {
  return useQuery({ queryKey: ["maps"], queryFn: () => answered(api.GET("/api/maps")) });
}

/** Another name for what is kept on the shelf, or what a file says put there. */
export function useKept(what: "chain" | "map") {
  const client = useQueryClient();
  return useAsking({
    mutationFn: async (asks: { rename: string; name: string } | { read: string }) => {
      if ("read" in asks) {
        const body = { text: asks.read };
        await (what === "chain"
          ? answered(api.POST("/api/chains/files", { body }))
          : answered(api.POST("/api/maps/files", { body })));
      } else {
        const wanted = { params: { path: { id: asks.rename } }, body: { name: asks.name } };
        await (what === "chain"
          ? answered(api.POST("/api/chains/{id}/name", wanted))
          : answered(api.POST("/api/maps/{id}/name", wanted)));
      }
    },
    onSuccess: () => anew(client, [`${what}s`]),
  });
}

/** Keeps the map of a Mix on the shelf. */
export function useKeepMap() {
  const client = useQueryClient();
  return useAsking({
    mutationFn: (body: { mix: string; name: string }) => answered(api.POST("/api/maps", { body })),
    onSuccess: (kept, { name }) => {
      notify(`“${name.trim()}” is on the shelf.`);
      client.setQueryData(["maps"], kept);
    },
  });
}

/** What two maps do not say alike. */
export function useMapDifferences(one: NamedMap | undefined, other: NamedMap | undefined) {
  return useQuery({
    queryKey: ["map-differences", one, other],
    enabled: one !== undefined && other !== undefined,
    queryFn: () =>
      one && other
        ? answered(api.POST("/api/maps/differences", { body: { one, other } }))
        : undefined,
    retry: false,
  });
}

/** What an edit would do to every channel of the revision that is shown. */
export function useEffectOf(id: string, revision: number, edit: Edit | undefined) {
  return useQuery({
    queryKey: ["effect", id, revision, edit],
    queryFn: () =>
      edit === undefined
        ? null
        : answered(
            api.POST("/api/mixes/{id}/effect", { params: { path: { id } }, body: { edit } }),
          ),
    placeholderData: edit === undefined ? undefined : keepPreviousData,
    retry: false,
  });
}

/** What would set clips to the level guides; since a revision, where these were others then. */
export function useGuides(
  id: string,
  revision: number,
  since: number | undefined,
  wanted: boolean,
) {
  return useQuery({
    queryKey: ["guides", id, revision, since],
    queryFn: () =>
      answered(api.GET("/api/mixes/{id}/guides", { params: { path: { id }, query: { since } } })),
    enabled: wanted,
  });
}

/** The ids of the channels that somebody means; the last ones while it is asked. */
export function useMeant(view: MixView, of: Meant | undefined) {
  return useQuery({
    queryKey: ["meant", view.id, view.revision, of],
    queryFn: () =>
      of === undefined
        ? []
        : answered(
            api.POST("/api/mixes/{id}/meant", { params: { path: { id: view.id } }, body: of }),
          ),
    placeholderData: of === undefined ? undefined : keepPreviousData,
    retry: false,
  });
}

/** The Mix as an edit would leave it: large, and asked for when somebody looks at it. */
export function useMixThen(view: MixView, edit: Edit | undefined) {
  return useQuery({
    queryKey: ["mix-then", view.id, view.revision, edit],
    queryFn: async () =>
      edit === undefined
        ? null
        : changed(
            view,
            await answered(
              api.POST("/api/mixes/{id}/effect/mix", {
                params: { path: { id: view.id } },
                body: { edit },
              }),
            ),
          ),
    placeholderData: edit === undefined ? undefined : keepPreviousData,
    retry: false,
  });
}

/** Makes an edit of which somebody has seen what it does; not if it would do something else now. */
export function useSeenEdit(id: string) {
  return useMixChange(id, ({ edit, seen }: { edit: Edit; seen: number }, asked) =>
    answered(
      api.POST("/api/mixes/{id}/seen-edits", {
        params: { path: { id } },
        body: { ...asked, seen, edit },
      }),
    ),
  );
}

/** Who decides what of a channel: the category map, or a pin. */
export function useDecisions(id: string, revision: number, channel: string) {
  return useQuery({
    queryKey: ["decisions", id, channel, revision],
    queryFn: () =>
      answered(
        api.GET("/api/mixes/{id}/channels/{channel}/decisions", {
          params: { path: { id, channel } },
        }),
      ),
    placeholderData: keepPreviousData,
  });
}

/** What the processors of a channel do; asked for when somebody looks. */
export function usePictures(id: string, revision: number, channel: string, wanted: boolean) {
  return useQuery({
    queryKey: ["pictures", id, channel, revision],
    queryFn: () =>
      answered(
        api.GET("/api/mixes/{id}/channels/{channel}/pictures", {
          params: { path: { id, channel } },
        }),
      ),
    enabled: wanted,
    placeholderData: keepPreviousData,
  });
}

/** What becomes of names when channels are made of them. */
export function useNamed(id: string, revision: number, edit: CreateChannels | undefined) {
  return useQuery({
    queryKey: ["named", id, revision, edit],
    queryFn: () =>
      edit === undefined
        ? []
        : answered(api.POST("/api/mixes/{id}/named", { params: { path: { id } }, body: { edit } })),
    placeholderData: keepPreviousData,
  });
}

/** Which categories follow new names. */
export function useRenamed(id: string, revision: number, edit: RenameChannels | undefined) {
  return useQuery({
    queryKey: ["renamed", id, revision, edit],
    queryFn: () =>
      edit === undefined
        ? []
        : answered(
            api.POST("/api/mixes/{id}/renamed", { params: { path: { id } }, body: { edit } }),
          ),
    placeholderData: keepPreviousData,
  });
}

/** A Mix as indented text, as it was at a revision. */
export function useOutline(id: string, revision: number) {
  return useQuery({
    queryKey: ["outline", id, revision],
    queryFn: () =>
      answered(
        api.GET("/api/mixes/{id}/outline", { params: { path: { id }, query: { revision } } }),
      ),
    // Revisions never change.
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
}

/** What a text would make of the revision that is shown. */
export function useOutlinePreview(id: string, revision: number, draft: OutlineDraft | undefined) {
  return useQuery({
    queryKey: ["outline-preview", id, revision, draft],
    queryFn: () =>
      draft === undefined
        ? null
        : answered(
            api.POST("/api/mixes/{id}/outline/preview", {
              params: { path: { id } },
              body: draft,
            }),
          ),
    placeholderData: keepPreviousData,
    gcTime: 0,
  });
}

/** Makes what a text says. */
export function useMakeOutline(id: string) {
  return useMixChange(id, (draft: OutlineDraft, asked) =>
    answered(
      api.POST("/api/mixes/{id}/outline", {
        params: { path: { id } },
        body: { ...asked, draft },
      }),
    ),
  );
}

/** What can stand where somebody types in an outline. */
export function offered(text: string, line: number, column: number) {
  return answered(api.POST("/api/outline/completion", { body: { text, line, column } }));
}

/** A list from elsewhere as lines of an outline. */
export function pasted(text: string) {
  return answered(api.POST("/api/outline/pasted", { body: { text } }));
}

/** Chains on the shelf, those that fit a channel first. */
export function useChains(of?: { category: string; kind: string }, wanted = true) {
  const query = of && { category: of.category, kind: of.kind };
  return useQuery({
    queryKey: ["chains", query],
    enabled: wanted,
    queryFn: () => answered(api.GET("/api/chains", { params: { query } })),
  });
}

/** Keeps the chain of a channel on the shelf. */
export function useKeepChain() {
  const client = useQueryClient();
  return useAsking({
    mutationFn: (body: {
      mix: string;
      channel: string;
      name: string;
      category: string;
      purpose: string;
    }) => answered(api.POST("/api/chains", { body })),
    onSuccess: (_, kept) => {
      notify(`“${kept.name.trim()}” is on the shelf.`);
      return anew(client, ["chains"]);
    },
  });
}

export function usePaths(
  id: string,
  revision: number,
  cell: { channel: string; output: string } | undefined,
) {
  return useQuery({
    queryKey: ["paths", id, revision, cell?.channel, cell?.output],
    queryFn: () =>
      answered(
        api.GET("/api/mixes/{id}/paths", {
          params: { path: { id }, query: cell ?? { channel: "", output: "" } },
        }),
      ),
    enabled: cell !== undefined,
  });
}

const ledger = (id: string) =>
  answered(api.GET("/api/mixes/{id}/ledger", { params: { path: { id } } }));

/** What was asked for beside the Mix and not after it: it says itself of which revision it is. */
const ledgersAhead = new Map<string, Promise<LedgerView>>();

const AHEAD = "ahead";

async function readLedger(client: QueryClient, id: string) {
  const coming = ledger(id);
  ledgersAhead.set(id, coming);
  const read = await coming.catch(() => undefined);
  ledgersAhead.delete(id);
  for (const key of read ? [AHEAD, read.revision] : []) {
    client.setQueryData(["ledger", id, key], read);
  }
}

/** @param revision the one that is shown; not known while only what was asked for ahead has come */
export function useLedger(id: string, revision: number | undefined) {
  return useQuery({
    queryKey: ["ledger", id, revision ?? AHEAD],
    enabled: revision !== undefined || ledgersAhead.has(id),
    queryFn: () => ledgersAhead.get(id) ?? ledger(id),
    placeholderData: keepPreviousData,
  });
}

/** Puts something on the shelf: a new template, a copy, a template of a session, a file. */
export function useMake() {
  const client = useQueryClient();
  return useAsking({
    mutationFn: (what: MakeRequest) => {
      switch (what.make) {
        case "template":
          return answered(api.POST("/api/mixes/templates", { body: what.of }));
        case "album":
          return answered(api.POST("/api/mixes/albums", { body: { songs: what.songs } }));
        case "template-of":
          return answered(
            api.POST("/api/mixes/{id}/template", {
              params: { path: { id: what.id } },
              body: { name: what.name },
            }),
          );
        case "copy":
          return answered(
            api.POST("/api/mixes/{id}/duplicate", { params: { path: { id: what.id } } }),
          );
        case "read":
          return answered(
            api.POST("/api/mixes/files", {
              body: what.text,
              bodySerializer: (text: string) => text,
              headers: { "Content-Type": "application/json" },
            }),
          );
      }
    },
    onSuccess: () => anew(client, ["shelf"]),
  });
}

export type MakeRequest =
  | { make: "template"; of: NewEmptyTemplate }
  | { make: "album"; songs: number }
  | { make: "template-of"; id: string; name: string }
  | { make: "copy"; id: string }
  | { make: "read"; text: string };

export function useHistory(id: string, revision: number, wanted: boolean) {
  return useQuery({
    queryKey: ["history", id, revision],
    queryFn: () => answered(api.GET("/api/mixes/{id}/revisions", { params: { path: { id } } })),
    enabled: wanted,
  });
}

/** What is different in one revision from another, in words. */
export function useDifferences(id: string, from: number | undefined, to: number | undefined) {
  return useQuery({
    queryKey: ["differences", id, from, to],
    queryFn: () =>
      answered(
        api.GET("/api/mixes/{id}/differences", {
          params: { path: { id }, query: { from: from ?? 0, to: to ?? 0 } },
        }),
      ),
    enabled: from !== undefined && to !== undefined,
    // Revisions never change.
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
}

/** Gives a revision a name; an empty one takes it off. */
export function useNameRevision(id: string) {
  const client = useQueryClient();
  return useAsking({
    mutationFn: ({ number, name }: { number: number; name: string }) =>
      answered(
        api.POST("/api/mixes/{id}/revisions/{number}/name", {
          params: { path: { id, number } },
          body: { name },
        }),
      ),
    onSuccess: () => anew(client, ["history", id]),
  });
}

export function useGoTo(id: string) {
  return useMixChange(id, (number: number, body) =>
    answered(
      api.POST("/api/mixes/{id}/revisions/{number}", {
        params: { path: { id, number } },
        body,
      }),
    ),
  );
}

export function useArchive() {
  const client = useQueryClient();
  return useAsking({
    mutationFn: ({ id, archived }: { id: string; archived: boolean }) =>
      answered(
        api.POST("/api/mixes/{id}/archive", { params: { path: { id } }, body: { archived } }),
      ),
    onSuccess: () => anew(client, ["shelf"]),
  });
}

export type Removable = "mix" | "delivery" | "print" | "chain" | "map";

export function useSpace() {
  return useQuery({ queryKey: ["space"], queryFn: () => answered(api.GET("/api/space")) });
}

/** Takes something out of sight, brings it back, or throws it away for good. */
export function useRemoval() {
  const client = useQueryClient();
  return useAsking({
    mutationFn: (wanted: { what: Removable; id: string; how: "remove" | "back" | "for-good" }) => {
      const { what, id, how } = wanted;
      const params = { params: { path: { what, id } } };
      switch (how) {
        case "remove":
          return answered(api.DELETE("/api/space/{what}/{id}", params));
        case "back":
          return answered(api.POST("/api/space/{what}/{id}/back", params));
        case "for-good":
          return answered(api.DELETE("/api/space/{what}/{id}/for-good", params));
      }
    },
    onSuccess: (space) => {
      client.setQueryData(["space"], space);
      // Wherever it was shown.
      void client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== "space" });
    },
  });
}

export function useStartSession() {
  const client = useQueryClient();
  return useAsking({
    mutationFn: (body: { template: string; name: string }) =>
      answered(api.POST("/api/mixes/sessions", { body })),
    onSuccess: () => anew(client, ["shelf"]),
  });
}

export function useDeliveries(mixId: string) {
  return useQuery({
    queryKey: ["deliveries", mixId],
    queryFn: () =>
      answered(api.GET("/api/mixes/{mixId}/deliveries", { params: { path: { mixId } } })),
  });
}

export function useDelivery(id: string | undefined) {
  return useQuery({
    queryKey: ["delivery", id],
    queryFn: () =>
      answered(api.GET("/api/deliveries/{id}", { params: { path: { id: id ?? "" } } })),
    enabled: id !== undefined,
  });
}

/** Measuring is a job of the server; how far it is is followed, and the files when it is done. */
export function useMeasuring(delivery: DeliveryView | undefined): number {
  const client = useQueryClient();
  const id = delivery?.id;
  const shown = delivery?.measuring ?? 0;
  const progress = useQuery({
    queryKey: ["measuring", id],
    queryFn: () =>
      answered(api.GET("/api/deliveries/{id}/progress", { params: { path: { id: id ?? "" } } })),
    enabled: id !== undefined && shown > 0,
    refetchInterval: 1000,
    gcTime: 0,
  });
  const now = shown === 0 ? 0 : (progress.data?.measuring ?? shown);
  // What is measured is shown in steps, not each second: the view of many files is large.
  const due = shown - now >= Math.max(1, shown / 8) || (shown > 0 && now === 0);
  useEffect(() => {
    if (due) {
      void anew(client, ["delivery", id]);
    }
  }, [client, id, due, now]);
  return now;
}

/** Begins a file that is sent in pieces, or finds the one that broke off. */
export function beginUpload(deliveryId: string, name: string, file: File) {
  return answered(
    api.POST("/api/deliveries/{id}/uploads", {
      params: { path: { id: deliveryId } },
      body: { name, bytes: file.size, changed: file.lastModified },
    }),
  );
}

/** How far an upload is, and what became of it. */
export function upload(id: string) {
  return answered(api.GET("/api/uploads/{id}", { params: { path: { id } } }));
}

export async function openDelivery(mixId: string, name: string): Promise<string> {
  const made = await answered(
    api.POST("/api/mixes/{mixId}/deliveries", { params: { path: { mixId } }, body: { name } }),
  );
  return made.id;
}

/** What is said of a delivery; the answer is the delivery as it is then. */
function useDeliveryChange<T>(deliveryId: string, ask: (what: T) => Promise<DeliveryView>) {
  const client = useQueryClient();
  return useAsking({
    mutationFn: ask,
    onSuccess: (view) => {
      client.setQueryData(["delivery", deliveryId], view);
      void anew(client, ["report", deliveryId]);
    },
  });
}

export function useSetFileCategory(deliveryId: string) {
  return useDeliveryChange(deliveryId, (body: { files: string[]; category: string }) =>
    answered(
      api.POST("/api/deliveries/{id}/category", { params: { path: { id: deliveryId } }, body }),
    ),
  );
}

export function useSetStep(deliveryId: string) {
  return useDeliveryChange(deliveryId, (body: { file: string; kind: string; off: boolean }) =>
    answered(
      api.POST("/api/deliveries/{id}/steps", { params: { path: { id: deliveryId } }, body }),
    ),
  );
}

export function useDescribeDelivery(deliveryId: string) {
  return useDeliveryChange(
    deliveryId,
    (body: { client?: string; artist?: string; project?: string }) =>
      answered(
        api.PUT("/api/deliveries/{id}/from", { params: { path: { id: deliveryId } }, body }),
      ),
  );
}

export function useForgetRule(deliveryId: string) {
  return useDeliveryChange(deliveryId, (ruleId: string) =>
    answered(
      api.DELETE("/api/deliveries/{id}/rules/{ruleId}", {
        params: { path: { id: deliveryId, ruleId } },
      }),
    ),
  );
}

export function useChangeRule(deliveryId: string) {
  return useDeliveryChange(deliveryId, (what: { rule: string; category: string }) =>
    answered(
      api.PUT("/api/deliveries/{id}/rules/{ruleId}", {
        params: { path: { id: deliveryId, ruleId: what.rule } },
        body: { category: what.category },
      }),
    ),
  );
}

/** Files go where a person wants them; without a wish, where the plan puts them. */
export function useWish(deliveryId: string) {
  return useDeliveryChange(deliveryId, (body: { files: string[]; wish?: SeatWish }) =>
    answered(
      api.POST("/api/deliveries/{id}/wishes", { params: { path: { id: deliveryId } }, body }),
    ),
  );
}

export function useNameSeats(deliveryId: string) {
  return useDeliveryChange(deliveryId, (pattern: string) =>
    answered(
      api.PUT("/api/deliveries/{id}/seat-names", {
        params: { path: { id: deliveryId } },
        body: { pattern },
      }),
    ),
  );
}

/** What counts as dead air in the files of a delivery. */
export function useSetDeadAir(deliveryId: string) {
  return useDeliveryChange(deliveryId, (body: DeadAir) =>
    answered(
      api.PUT("/api/deliveries/{id}/dead-air", { params: { path: { id: deliveryId } }, body }),
    ),
  );
}

export function useReport(deliveryId: string) {
  return useQuery({
    queryKey: ["report", deliveryId],
    queryFn: () =>
      answered(api.GET("/api/deliveries/{id}/report", { params: { path: { id: deliveryId } } })),
    // It follows from everything that is decided about the files.
    staleTime: 0,
  });
}

/** Start, end and tempo of the Mix as the delivery asks. */
export function useSetTimes(mixId: string, deliveryId: string) {
  return useMixChange(mixId, (_: undefined, body) =>
    answered(
      api.POST("/api/deliveries/{id}/times", {
        params: { path: { id: deliveryId } },
        body,
      }),
    ),
  );
}

export function useSeat(mixId: string, deliveryId: string) {
  return useMixChange(mixId, (_: undefined, body) =>
    answered(
      api.POST("/api/deliveries/{id}/seat", {
        params: { path: { id: deliveryId } },
        body,
      }),
    ),
  );
}

export function usePrints(mixId: string) {
  return useQuery({
    queryKey: ["prints", mixId],
    queryFn: () => answered(api.GET("/api/mixes/{mixId}/prints", { params: { path: { mixId } } })),
  });
}

export function usePrint(mixId: string) {
  const client = useQueryClient();
  return useAsking({
    mutationFn: (outputs: string[]) =>
      answered(
        api.POST("/api/mixes/{mixId}/prints", { params: { path: { mixId } }, body: { outputs } }),
      ),
    onSuccess: () => anew(client, ["prints", mixId]),
  });
}

export function useCancelPrint(mixId: string) {
  const client = useQueryClient();
  return useAsking({
    mutationFn: (id: string) =>
      answered(api.POST("/api/prints/{id}/cancel", { params: { path: { id } } })),
    onSuccess: () => anew(client, ["prints", mixId]),
  });
}

/** Follows a print run that has not ended, by server-sent events. */
export function useFollowPrint(mixId: string, run: PrintView | undefined) {
  const client = useQueryClient();
  const id = run && (run.state === "waiting" || run.state === "running") ? run.id : undefined;
  useEffect(() => {
    if (!id) {
      return;
    }
    const events = new EventSource(`/api/prints/${id}/events`);
    events.addEventListener("print", (event) => {
      const now = JSON.parse(event.data as string) as PrintView;
      client.setQueryData<PrintView[]>(["prints", mixId], (all) =>
        all?.map((one) => (one.id === now.id ? now : one)),
      );
      if (now.state !== "waiting" && now.state !== "running") {
        events.close();
      }
    });
    return () => events.close();
  }, [client, mixId, id]);
}

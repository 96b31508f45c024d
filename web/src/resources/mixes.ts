import {
  queryOptions,
  useMutation,
  useQuery,
  useQueryClient,
  type QueryClient,
} from "@tanstack/react-query";
import { useCallback, useEffect } from "react";
import { notify, tellDone } from "../shell/notices";
import { anew } from "../api/anew";
import { complain, type Asked, askedUntilAnswered } from "./asking";
import { changed } from "../api/change";
import { freshId } from "../api/changes";
import { answered, api, type Edit, type MixChange, type MixView } from "../api/client";
import { keys } from "./keys";

export const mix = (id: string) =>
  queryOptions({
    queryKey: keys.mix(id),
    queryFn: () => answered(api.GET("/api/mixes/{id}", { params: { path: { id } } })),
  });

export function useMix(id: string) {
  return useQuery(mix(id));
}

/**
 * Everything that changes a Mix answers with what is different from the revision that is shown. Where
 * the server is away, a form keeps what was typed and says so; what was done by a key has no form to
 * stay in, and is kept here until the server answers, under the id that it was asked with.
 */
export function useMixChange<V>(
  id: string,
  change: (value: V, asked: Asked) => Promise<MixChange>,
  tell: (answer: MixChange, value: V) => void = tellStep(id),
) {
  const client = useQueryClient();
  const { mutateAsync, isPending } = useMutation({
    mutationKey: keys.mix(id),
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
      void anew(client, keys.shelf);
      void anew(client, keys.anyDelivery);
    },
    onError: () => void anew(client, keys.mix(id)),
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
  const shown = client.getQueryData<MixView>(keys.mix(id));
  const after = shown && changed(shown, change);
  if (after) {
    client.setQueryData(keys.mix(id), after);
  } else {
    void anew(client, keys.mix(id));
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
      const shown = client.getQueryData<MixView>(keys.mix(id));
      // An edit that is on its way brings its own answer; this is looked at again when it is there.
      const busy = client.isMutating({ mutationKey: keys.mix(id) }) > 0;
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

import { useMutation, type UseMutationOptions } from "@tanstack/react-query";
import { useCallback } from "react";
import { notify } from "../shell/notices";
import { NO_ANSWER, Problem } from "../api/client";

export const complain = (error: Error) => notify(error.message, "wrong");

/** What a change is asked with: an id of its own, and the revision that is shown. */
export interface Asked {
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
export async function askedUntilAnswered<T>(ask: () => Promise<T>, patient: boolean): Promise<T> {
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
export function useAsking<V, T>(options: UseMutationOptions<T, Error, V>) {
  const { mutateAsync: ask, isPending } = useMutation(options);
  const mutate = useCallback(
    (value: V, then?: (answer: T) => void) => void ask(value).then(then, complain),
    [ask],
  );
  return { ask, mutate, isPending };
}

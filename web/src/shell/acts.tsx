import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from "react";
import { keyOf } from "./keys";
import { notify } from "./notices";
import { singleKeysOn } from "./singleKeys";

/** Something that can be done: by its key, from the command list, or from a bar. */
export interface Act {
  id: string;
  label: string;
  /** As {@link keyOf} names it, such as "o" or "ctrl+z". */
  key?: string;
  /** False: shown as not possible now. */
  can?: boolean;
  /** What it needs, said where its key is pressed and it cannot be done. */
  needs?: string;
  /** True: done again and again while its key is held. */
  repeats?: boolean;
  run: () => void;
}

/** Keys that are a letter, a digit or a sign, with or without Shift: they can be switched off. */
const CHARACTER = /^(shift\+)?.$/;

/** Why a key does nothing now. */
function cannot(act: Act): string {
  return `“${act.label.replace(/…$/, "")}” cannot be done now${act.needs === undefined ? "" : `: ${act.needs}`}.`;
}

type Offer = (owner: string, acts: Act[]) => void;

// Two contexts: who offers acts need not hear of everybody else's, or offering would never end.
const ActsContext = createContext<Act[]>([]);
const OfferContext = createContext<Offer>(() => undefined);

/** Collects what the shell and the open place offer, and listens to the keyboard for it. */
export function ActsProvider({ children }: { children: ReactNode }) {
  const [owners, setOwners] = useState<Record<string, Act[]>>({});
  const offer = useCallback(
    (owner: string, acts: Act[]) => setOwners((now) => ({ ...now, [owner]: acts })),
    [],
  );
  const acts = useMemo(() => Object.values(owners).flat(), [owners]);
  const current = useRef(acts);
  // Before the page is painted, here and in useOffer: what a person can see, a key can reach.
  useLayoutEffect(() => {
    current.current = acts;
  }, [acts]);
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      // A press does one thing: what an editor or a list has done with it is done.
      const key = event.defaultPrevented ? undefined : keyOf(event);
      const offered = current.current.filter((one) => key !== undefined && one.key === key);
      const act = offered.find((one) => one.can !== false) ?? offered[0];
      if (act && key !== undefined && (!CHARACTER.test(key) || singleKeysOn())) {
        event.preventDefault();
        if (act.can === false) {
          notify(cannot(act));
        } else if (!event.repeat || act.repeats) {
          act.run();
        }
      }
    };
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, []);
  return (
    <OfferContext.Provider value={offer}>
      <ActsContext.Provider value={acts}>{children}</ActsContext.Provider>
    </OfferContext.Provider>
  );
}

export function useActs(): Act[] {
  return useContext(ActsContext);
}

/** Offers acts while the component is shown. */
export function useOffer(owner: string, acts: Act[]) {
  const offer = useContext(OfferContext);
  useLayoutEffect(() => {
    offer(owner, acts);
    return () => offer(owner, []);
  }, [offer, owner, acts]);
}

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
import { singleKeysOn } from "./singleKeys";

/** Something that can be done: by its key, from the command list, or from a bar. */
export interface Act {
  id: string;
  label: string;
  /** As {@link keyOf} names it, such as "o" or "ctrl+z". */
  key?: string;
  /** False: shown as not possible now. */
  can?: boolean;
  /** True: done again and again while its key is held. */
  repeats?: boolean;
  run: () => void;
}

/** Keys that are a letter, a digit or a sign, with or without Shift: they can be switched off. */
const CHARACTER = /^(shift\+)?.$/;

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
      const key = keyOf(event);
      const act = key && current.current.find((one) => one.key === key && one.can !== false);
      if (act && (!CHARACTER.test(key) || singleKeysOn())) {
        event.preventDefault();
        if (!event.repeat || act.repeats) {
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

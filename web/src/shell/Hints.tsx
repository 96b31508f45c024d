import { useEffect, useLayoutEffect, useRef, useState } from "react";

/** Nothing is said of what one only passes by, milliseconds. */
const WAIT = 500;
/** Between an element and its hint, and from there to the page's edge, pixels. */
const GAP = 6;

interface Shown {
  of: Element;
  /** One may go onto it with the pointer, to read it; one that the keyboard called is in nobody's way. */
  byPointer: boolean;
  text: string;
  key?: string;
}

/**
 * The hint of whatever the pointer or the keyboard is on. One for the whole page: rows come by the
 * hundred, and a tooltip for each would cost more than they do. Any key, click or scroll puts it away.
 */
export function Hints() {
  const [hint, setHint] = useState<Shown>();
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let on: Element | undefined;
    const away = () => {
      clearTimeout(timer);
      on = undefined;
      setHint(undefined);
    };
    const offer = (target: EventTarget | null, byPointer: boolean) => {
      const of = target instanceof Element ? target.closest("[data-hint]") : null;
      if (of === (on ?? null)) {
        return;
      }
      away();
      if (of) {
        on = of;
        timer = setTimeout(() => setHint(saidOf(of, byPointer)), WAIT);
      }
    };
    const over = (event: PointerEvent) => {
      if (event.pointerType !== "touch" && !box.current?.contains(event.target as Node)) {
        offer(event.target, true);
      }
    };
    const focus = (event: FocusEvent) => {
      if (event.target instanceof Element && event.target.matches(":focus-visible")) {
        offer(event.target, false);
      }
    };
    const putAway: (keyof DocumentEventMap)[] = ["pointerdown", "keydown", "focusout", "wheel"];
    document.addEventListener("pointerover", over);
    document.addEventListener("focusin", focus);
    putAway.forEach((name) => document.addEventListener(name, away));
    document.addEventListener("scroll", away, true);
    return () => {
      away();
      document.removeEventListener("pointerover", over);
      document.removeEventListener("focusin", focus);
      putAway.forEach((name) => document.removeEventListener(name, away));
      document.removeEventListener("scroll", away, true);
    };
  }, []);
  useLayoutEffect(() => {
    const element = box.current;
    if (hint && element) {
      const at = hint.of.getBoundingClientRect();
      const { width, height } = element.getBoundingClientRect();
      const below = at.bottom + GAP;
      const fits = below + height + GAP <= innerHeight;
      element.style.top = `${fits ? below : Math.max(GAP, at.top - GAP - height)}px`;
      element.style.left = `${Math.max(GAP, Math.min(at.left, innerWidth - width - GAP))}px`;
    }
  }, [hint]);
  return (
    hint && (
      <div
        ref={box}
        role="tooltip"
        className={`fixed z-50 max-w-[360px] border border-rule bg-raised px-2 py-1 text-small break-words whitespace-pre-line text-ink ${hint.byPointer ? "" : "pointer-events-none"}`}
      >
        {hint.text} {hint.key !== undefined && <kbd className="ml-2">{hint.key}</kbd>}
      </div>
    )
  );
}

function saidOf(element: Element, byPointer: boolean): Shown | undefined {
  const text = element.getAttribute("data-hint");
  const key = element.getAttribute("data-hint-key") ?? undefined;
  const own = key === undefined && text !== null && element.textContent?.includes(text);
  const cut = [element, ...element.querySelectorAll("*")].some(
    (one) => one.scrollWidth > one.clientWidth && one.clientWidth > 0,
  );
  return text !== null && element.isConnected && (!own || cut)
    ? { of: element, byPointer, text, key }
    : undefined;
}

import { useEffect, useRef } from "react";
import { useNavigate } from "react-router";
import { useShelf } from "../resources/shelf";
import { goOnTour, leaveTour, STOPS, useTour, useTourOffered, type Stop } from "./tourState";

/** The step of the tour that one is at, beside the place that it is about. */
export function Tour() {
  const at = useTour();
  const stop = at === undefined ? undefined : STOPS[at];
  return at !== undefined && stop && <Step at={at} stop={stop} />;
}

function Step({ at, stop }: { at: number; stop: Stop }) {
  const shelf = useShelf().data ?? [];
  const mix = shelf.find((item) => item.kind === "session") ?? shelf[0];
  const navigate = useNavigate();
  const next = useRef<HTMLButtonElement>(null);
  const { place } = stop;
  const id = mix?.id;
  useEffect(() => {
    void navigate(place === "shelf" || !id ? "/shelf" : `/mixes/${id}/${place}`);
  }, [place, id, navigate]);
  useEffect(() => {
    // After the place has taken the keyboard.
    const later = setTimeout(() => next.current?.focus());
    return () => clearTimeout(later);
  }, [at]);
  return (
    <section
      aria-label={`Tour, step ${at + 1} of ${STOPS.length}`}
      aria-live="polite"
      className="fixed bottom-3 left-3 z-30 w-[360px] max-w-[calc(100vw-1.5rem)] border border-active bg-raised p-4"
    >
      <h2 className="font-semibold">
        {stop.title}{" "}
        <span className="font-normal text-ink-2">
          {at + 1} of {STOPS.length}
        </span>
      </h2>
      <p className="mt-1">{stop.says}</p>
      <p className="mt-3 flex gap-4">
        <button
          ref={next}
          className="min-h-6 border border-active px-3 text-active"
          onClick={() => goOnTour(at + 1)}
        >
          {at + 1 < STOPS.length ? "Next" : "Done"}
        </button>
        {at > 0 && (
          <button className="min-h-6 text-ink-2 underline" onClick={() => goOnTour(at - 1)}>
            Back
          </button>
        )}
        {at + 1 < STOPS.length && (
          <button className="ml-auto min-h-6 text-ink-2 underline" onClick={leaveTour}>
            Leave the tour
          </button>
        )}
      </p>
    </section>
  );
}

/** Offered on the shelf until it was taken or declined. */
export function TourOffer() {
  return (
    useTourOffered() && (
      <p className="mb-4 flex flex-wrap items-center gap-x-4 border border-rule bg-raised px-3 py-2">
        First time here? Five steps show what stands where.
        <button
          className="min-h-6 font-semibold text-active underline underline-offset-2"
          onClick={() => goOnTour(0)}
        >
          Take the tour
        </button>
        <button className="min-h-6 text-ink-2 underline" onClick={leaveTour}>
          No, thanks
        </button>
      </p>
    )
  );
}

import { createElement, lazy, Suspense, type ComponentType } from "react";
import { Link, Navigate, Route, Routes, useParams } from "react-router";
import type { MixView } from "./api/client";
import { useFollowMix, useMix } from "./resources/mixes";
import { Loading } from "./shell/Loading";
import { Shell } from "./shell/Shell";

interface Place<P> {
  read: () => Promise<void>;
  shown: () => ComponentType<P>;
}

/**
 * A place that is read when it is first gone to, or when nothing else is to be done. What has been
 * read is shown as it is: where React waits for something, it shows that it waits for 300 ms at
 * least, however soon it comes. Once chosen it stays, as another would begin anew.
 */
function placeOf<P>(load: () => Promise<ComponentType<P>>): Place<P> {
  let ready: ComponentType<P> | undefined;
  let chosen: ComponentType<P> | undefined;
  return {
    read: async () => {
      ready = await load();
    },
    shown: () =>
      (chosen ??= ready ?? (lazy(async () => ({ default: await load() })) as ComponentType<P>)),
  };
}

const SHELF = placeOf(async () => (await import("./shelf/ShelfPlace")).ShelfPlace);
const PLACES: Record<string, Place<{ view: MixView }> | undefined> = {
  flow: placeOf(async () => (await import("./flow/FlowPlace")).FlowPlace),
  outline: placeOf(async () => (await import("./outline/OutlinePlace")).OutlinePlace),
  map: placeOf(async () => (await import("./map/MapPlace")).MapPlace),
  intake: placeOf(async () => (await import("./intake/IntakePlace")).IntakePlace),
  check: placeOf(async () => (await import("./check/LineCheckPlace")).LineCheckPlace),
  delivery: placeOf(async () => (await import("./delivery/DeliverySheet")).DeliverySheet),
};

/** Those that have something to show before the whole Mix has come. */
const EARLY: Record<string, Place<{ id: string; view?: MixView }> | undefined> = {
  ledger: placeOf(async () => (await import("./ledger/LedgerPlace")).LedgerPlace),
};

/** The place of an address now, so that it is there when the page is drawn. */
export function readPlace(pathname: string): Promise<void> {
  const place = pathname.split("/")[3] ?? "";
  return (EARLY[place] ?? PLACES[place] ?? SHELF).read();
}

/** All places, so that going there does not wait. */
export function readPlaces() {
  for (const place of [SHELF, ...Object.values(PLACES), ...Object.values(EARLY)]) {
    void place?.read().catch(() => undefined);
  }
}

const coming = (
  <Loading what="The place" query={{ error: null, isFetching: true, refetch: () => undefined }} />
);

function Coming<P extends object>({ place, of }: { place: Place<P>; of: P }) {
  return <Suspense fallback={coming}>{createElement(place.shown(), of)}</Suspense>;
}

export function App() {
  return (
    <Routes>
      <Route path="/" element={<Navigate to="/shelf" replace />} />
      <Route
        path="/shelf"
        element={
          <Shell>
            <Coming place={SHELF} of={{}} />
          </Shell>
        }
      />
      <Route path="/mixes/:id/:place?" element={<MixPlaces />} />
      <Route path="*" element={<Nowhere />} />
    </Routes>
  );
}

function Nowhere() {
  return (
    <Shell>
      <div className="p-6">
        <h1 className="text-title font-semibold">There is nothing at this address</h1>
        <p className="mt-2">
          Go to the{" "}
          <Link className="underline" to="/shelf">
            shelf
          </Link>
          , where all templates and sessions are.
        </p>
      </div>
    </Shell>
  );
}

function MixPlaces() {
  const { id = "", place = "" } = useParams();
  const mix = useMix(id);
  useFollowMix(mix.data?.id);
  const early = EARLY[place];
  const shown = PLACES[place];
  if (!early && !shown) {
    return <Navigate to={`/mixes/${id}/flow`} replace />;
  }
  return (
    <Shell mix={mix.data}>
      {early && (mix.data || !mix.error) ? (
        <Coming place={early} of={{ id, view: mix.data }} />
      ) : shown && mix.data ? (
        <Coming place={shown} of={{ view: mix.data }} />
      ) : (
        <>
          <Loading what="The Mix" query={mix} />
          {mix.error && (
            <Link className="px-6 underline" to="/shelf">
              Go to the shelf
            </Link>
          )}
        </>
      )}
    </Shell>
  );
}

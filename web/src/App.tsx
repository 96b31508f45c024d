import { lazy, Suspense, type ComponentType } from "react";
import { Link, Navigate, Route, Routes, useParams } from "react-router";
import type { MixView } from "./api/client";
import { useFollowMix, useMix } from "./api/queries";
import { Loading } from "./shell/Loading";
import { Shell } from "./shell/Shell";

type Place = ComponentType<{ view: MixView }>;

/** Each place is read when it is first gone to, or when nothing else is to be done. */
const READ: Record<string, () => Promise<{ default: Place }>> = {
  flow: async () => ({ default: (await import("./flow/FlowPlace")).FlowPlace }),
  intake: async () => ({ default: (await import("./intake/IntakePlace")).IntakePlace }),
  ledger: async () => ({ default: (await import("./ledger/LedgerPlace")).LedgerPlace }),
  check: async () => ({ default: (await import("./check/LineCheckPlace")).LineCheckPlace }),
  delivery: async () => ({ default: (await import("./delivery/DeliverySheet")).DeliverySheet }),
};
const readShelf = async () => ({ default: (await import("./shelf/ShelfPlace")).ShelfPlace });
const PLACES = Object.fromEntries(
  Object.entries(READ).map(([path, read]) => [path, lazy(read)]),
) as Record<string, Place | undefined>;
const ShelfPlace = lazy(readShelf);

/** The place of an address now, so that it is there when the page is drawn. */
export function readPlace(pathname: string): Promise<unknown> {
  return (READ[pathname.split("/")[3] ?? ""] ?? readShelf)();
}

/** All places, so that going there does not wait. */
export function readPlaces() {
  [readShelf, ...Object.values(READ)].forEach((read) => void read().catch(() => undefined));
}

const coming = (
  <Loading what="The place" query={{ error: null, isFetching: true, refetch: () => undefined }} />
);

export function App() {
  return (
    <Routes>
      <Route path="/" element={<Navigate to="/shelf" replace />} />
      <Route
        path="/shelf"
        element={
          <Shell>
            <Suspense fallback={coming}>
              <ShelfPlace />
            </Suspense>
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
  const Shown = PLACES[place];
  if (!Shown) {
    return <Navigate to={`/mixes/${id}/flow`} replace />;
  }
  return (
    <Shell mix={mix.data}>
      {mix.data ? (
        <Suspense fallback={coming}>
          <Shown view={mix.data} />
        </Suspense>
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

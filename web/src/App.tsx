import { Navigate, Route, Routes, useParams } from "react-router";
import { useFollowMix, useMix } from "./api/queries";
import { LineCheckPlace } from "./check/LineCheckPlace";
import { DeliverySheet } from "./delivery/DeliverySheet";
import { FlowPlace } from "./flow/FlowPlace";
import { IntakePlace } from "./intake/IntakePlace";
import { ShelfPlace } from "./shelf/ShelfPlace";
import { LedgerPlace } from "./ledger/LedgerPlace";
import { Shell } from "./shell/Shell";

export function App() {
  return (
    <Routes>
      <Route
        path="/shelf"
        element={
          <Shell>
            <ShelfPlace />
          </Shell>
        }
      />
      <Route path="/mixes/:id/:place" element={<MixPlaces />} />
      <Route path="*" element={<Navigate to="/shelf" replace />} />
    </Routes>
  );
}

function MixPlaces() {
  const { id = "", place } = useParams();
  const mix = useMix(id);
  useFollowMix(mix.data?.id);
  return (
    <Shell mix={mix.data}>
      {mix.error && (
        <p className="p-6">
          {mix.error.message} <a href="/shelf">Go to the shelf</a>
        </p>
      )}
      {mix.data && place === "flow" && <FlowPlace view={mix.data} />}
      {mix.data && place === "intake" && <IntakePlace view={mix.data} />}
      {mix.data && place === "ledger" && <LedgerPlace view={mix.data} />}
      {mix.data && place === "check" && <LineCheckPlace view={mix.data} />}
      {mix.data && place === "delivery" && <DeliverySheet view={mix.data} />}
      {!["flow", "intake", "ledger", "check", "delivery"].includes(place ?? "") && (
        <Navigate to={`/mixes/${id}/flow`} replace />
      )}
    </Shell>
  );
}

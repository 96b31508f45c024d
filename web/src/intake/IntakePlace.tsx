import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useSearchParams } from "react-router";
import type { DeliveryView, MixView } from "../api/client";
import { useDeliveries, useDelivery, useMeasuring } from "../resources/deliveries";
import { Loading } from "../shell/Loading";
import { bytes, plural, time } from "../ui/format";
import { Review } from "./Review";
import { ofDrop, ofInput, type Received } from "./received";
import { useReceiving, type Receiving } from "./receiving";

/** What was delivered, and where it will go before it goes. */
export function IntakePlace({ view }: { view: MixView }) {
  const deliveries = useDeliveries(view.id);
  const [params, setParams] = useSearchParams();
  const id = params.get("delivery") ?? deliveries.data?.[0]?.id;
  const delivery = useDelivery(id);
  const measuring = useMeasuring(delivery.data);
  const shown = useMemo(
    () => delivery.data && { ...delivery.data, measuring },
    [delivery.data, measuring],
  );
  const open = useCallback((made: string) => setParams({ delivery: made }), [setParams]);
  const { receiving, receive, again, stop } = useReceiving(view.id, open);
  const [over, setOver] = useState(false);
  const drop = (event: React.DragEvent) => {
    event.preventDefault();
    setOver(false);
    void ofDrop(event.dataTransfer).then(receive);
  };
  return (
    <div
      role="presentation"
      className={`flex h-full flex-col ${over ? "bg-active-ground" : ""}`}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      <h1 className="sr-only">Intake of {view.document.name}</h1>
      {view.document.kind === "template" && (
        <p className="border-b border-rule px-4 py-2">
          This is a template: it holds no audio. Start a session from it on the shelf, and drop the
          delivery there.
        </p>
      )}
      <Head
        view={view}
        delivery={shown}
        deliveries={deliveries.data ?? []}
        onChoose={(chosen) => setParams({ delivery: chosen })}
        onReceive={receive}
      />
      {receiving && <ReceivingBar receiving={receiving} onAgain={again} onStop={stop} />}
      {shown ? (
        <Review key={shown.id} view={view} delivery={shown} />
      ) : id ? (
        <Loading what="The delivery" query={delivery} />
      ) : deliveries.data ? (
        <p className="m-6 border border-dashed border-rule p-10 text-center text-title text-ink-2">
          Drop the delivered files, their folder or a zip here. Each is copied in, measured and
          sorted; nothing is routed before you have seen where it will go.
        </p>
      ) : (
        <Loading what="The intake" query={deliveries} />
      )}
    </div>
  );
}

interface ReceivingProps {
  receiving: Receiving;
  onAgain: () => void;
  onStop: () => void;
}

function ReceivingBar({ receiving, onAgain, onStop }: ReceivingProps) {
  const { progress, ended } = receiving;
  const unsent = progress.unsent.length;
  return (
    <div className="flex flex-wrap items-center gap-x-4 border-b border-rule px-4 py-2 text-small">
      {ended ? (
        <span role="alert" className="text-wrong">
          {plural(unsent, "file was", "files were")} not sent: {progress.unsent[0]?.why}.
        </span>
      ) : (
        <>
          <progress
            aria-label="Receiving"
            className="h-1.5 w-64 accent-(--active)"
            max={progress.bytes}
            value={progress.bytesDone}
          />
          <span>
            {progress.filesDone} of {plural(progress.files, "file")} · {bytes(progress.bytesDone)}{" "}
            of {bytes(progress.bytes)}
            {progress.secondsLeft !== undefined && ` · ${time(progress.secondsLeft)} left`}
          </span>
        </>
      )}
      {progress.refused.length > 0 && (
        <span className="text-wrong">{progress.refused.length} refused</span>
      )}
      <span className="ml-auto flex gap-4">
        {ended && (
          <button className="min-h-6 font-semibold text-active underline" onClick={onAgain}>
            Send {unsent === 1 ? "it" : "them"} again
          </button>
        )}
        <button className="min-h-6 underline" onClick={onStop}>
          {ended ? "Leave them" : "Stop"}
        </button>
      </span>
    </div>
  );
}

interface HeadProps {
  view: MixView;
  delivery?: DeliveryView;
  deliveries: { id: string; name: string; files: number }[];
  onChoose: (id: string) => void;
  onReceive: (received: Received[]) => void;
}

function Head({ view, delivery, deliveries, onChoose, onReceive }: HeadProps) {
  const files = useRef<HTMLInputElement>(null);
  const folder = useRef<HTMLInputElement>(null);
  useEffect(() => {
    folder.current?.setAttribute("webkitdirectory", "");
  }, []);
  const taken = (event: React.ChangeEvent<HTMLInputElement>) => {
    if (event.target.files) {
      onReceive(ofInput(event.target.files));
      event.target.value = "";
    }
  };
  const session = view.document.kind === "session";
  return (
    <div className="flex min-h-9 shrink-0 flex-wrap items-center gap-x-4 border-b border-rule px-4 text-small">
      {deliveries.length > 0 && (
        <select
          aria-label="Delivery"
          className="max-w-80 bg-ground font-semibold text-ink"
          value={delivery?.id ?? ""}
          onChange={(event) => onChoose(event.target.value)}
        >
          {deliveries.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name} ({one.files})
            </option>
          ))}
        </select>
      )}
      {delivery && <Summary delivery={delivery} />}
      {session && (
        <span className="ml-auto flex gap-4">
          <button className="min-h-6" onClick={() => files.current?.click()}>
            Receive files…
          </button>
          <button className="min-h-6" onClick={() => folder.current?.click()}>
            Receive a folder…
          </button>
          <input
            ref={files}
            type="file"
            multiple
            hidden
            aria-label="Files to receive"
            onChange={taken}
          />
          <input ref={folder} type="file" hidden aria-label="Folder to receive" onChange={taken} />
        </span>
      )}
    </div>
  );
}

function Summary({ delivery }: { delivery: DeliveryView }) {
  const refused = delivery.files.filter((file) => file.fault).length;
  const doubtful = delivery.files.filter((file) => file.doubtful).length;
  const seated = delivery.files.filter((file) => file.seatedOn).length;
  return (
    <span className="text-ink-2">
      {plural(delivery.files.length, "file")}
      {seated > 0 && ` · ${seated} seated`}
      {doubtful > 0 && <b className="font-semibold text-active"> · {doubtful} to look at</b>}
      {refused > 0 && <b className="font-semibold text-wrong"> · {refused} refused</b>}
    </span>
  );
}

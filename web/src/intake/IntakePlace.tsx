import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useSearchParams } from "react-router";
import type { DeliveryView, MixView } from "../api/client";
import { openDelivery, useDeliveries, useDelivery, useMeasuring } from "../api/queries";
import { notify } from "../shell/notices";
import { bytes, plural, time } from "../ui/format";
import { Review } from "./Review";
import { nameOfBatch, ofDrop, ofInput, type Received } from "./received";
import { sendAll, type Progress } from "./upload";

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
  const { progress, receive, stop } = useReceiving(view.id, (made) =>
    setParams({ delivery: made }, { replace: true }),
  );
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
      {progress && <Receiving progress={progress} onStop={stop} />}
      {shown ? (
        <Review key={shown.id} view={view} delivery={shown} />
      ) : (
        !deliveries.isPending &&
        !id && (
          <p className="m-6 border border-dashed border-rule p-10 text-center text-title text-ink-2">
            Drop the delivered files, their folder or a zip here. Each is copied in, measured and
            sorted; nothing is routed before you have seen where it will go.
          </p>
        )
      )}
    </div>
  );
}

function useReceiving(mixId: string, onOpened: (deliveryId: string) => void) {
  const client = useQueryClient();
  const [progress, setProgress] = useState<Progress>();
  const stopping = useRef<AbortController>(undefined);
  const receive = useCallback(
    async (received: Received[]) => {
      if (received.length === 0) {
        notify("There was no file in that.", "wrong");
        return;
      }
      try {
        const made = await openDelivery(mixId, nameOfBatch(received));
        const controller = new AbortController();
        stopping.current = controller;
        const end = await sendAll(made, received, setProgress, controller.signal);
        setProgress(undefined);
        notify(
          end.refused.length === 0
            ? `${plural(end.files, "file")} received.`
            : `${plural(end.files - end.refused.length, "file")} received, ${end.refused.length} refused; the list says why.`,
        );
        await client.invalidateQueries({ queryKey: ["deliveries", mixId] });
        await client.invalidateQueries({ queryKey: ["delivery", made] });
        onOpened(made);
      } catch (error) {
        setProgress(undefined);
        notify(error instanceof Error ? error.message : String(error), "wrong");
      }
    },
    [client, mixId, onOpened],
  );
  const stop = useCallback(() => stopping.current?.abort(), []);
  return { progress, receive, stop };
}

function Receiving({ progress, onStop }: { progress: Progress; onStop: () => void }) {
  return (
    <div className="flex items-center gap-4 border-b border-rule px-4 py-2 text-small">
      <progress
        aria-label="Receiving"
        className="h-1.5 w-64 accent-(--active)"
        max={progress.bytes}
        value={progress.bytesDone}
      />
      <span>
        {progress.filesDone} of {plural(progress.files, "file")} · {bytes(progress.bytesDone)} of{" "}
        {bytes(progress.bytes)}
        {progress.secondsLeft !== undefined && ` · ${time(progress.secondsLeft)} left`}
      </span>
      {progress.refused.length > 0 && (
        <span className="text-wrong">{progress.refused.length} refused</span>
      )}
      <button className="ml-auto underline" onClick={onStop}>
        Stop
      </button>
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
          <button onClick={() => files.current?.click()}>Receive files…</button>
          <button onClick={() => folder.current?.click()}>Receive a folder…</button>
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

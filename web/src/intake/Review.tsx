import { Tabs } from "radix-ui";
import { useMemo, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import type { DeliveryView, MixView } from "../api/client";
import {
  useEdit,
  useKnowledge,
  useSeat,
  useSetFileCategory,
  useSetTimes,
  useWish,
} from "../api/queries";
import { useOffer, type Act } from "../shell/acts";
import { plural } from "../ui/format";
import { Chooser } from "../ui/Chooser";
import { Mark } from "../ui/Mark";
import { DeliveryFacts } from "./DeliveryFacts";
import { FileDetail } from "./FileDetail";
import { FileRows } from "./FileRows";
import { FromDialog } from "./FromDialog";
import { byNeed } from "./order";
import { OUT, planRows } from "./planRows";
import { ReportPage } from "./ReportPage";
import { RulesDialog } from "./RulesDialog";
import { SeatChooser } from "./SeatChooser";
import { SeatingPlan } from "./SeatingPlan";
import { SeatNamesDialog } from "./SeatNamesDialog";

type Asking = "category" | "seat" | "names" | "from" | "rules";

const VIEWS = [
  { id: "files", label: "Files", key: "f" },
  { id: "plan", label: "Seating plan", key: "p" },
  { id: "report", label: "Report", key: "r" },
] as const;

interface Props {
  view: MixView;
  delivery: DeliveryView;
}

/** A delivery, looked at before it goes: its files, the plan for them, and the report. */
export function Review({ view, delivery }: Props) {
  const knowledge = useKnowledge().data;
  const navigate = useNavigate();
  const [params, setParams] = useSearchParams();
  const shown = VIEWS.find((one) => one.id === params.get("show"))?.id ?? "files";
  const [at, setAt] = useState<string>();
  const [asking, setAsking] = useState<Asking>();
  const setCategory = useSetFileCategory(delivery.id);
  const setTimes = useSetTimes(view.id, delivery.id);
  const wish = useWish(delivery.id);
  const seat = useSeat(view.id, delivery.id);
  const { mutate: edit } = useEdit(view.id);
  const rate = otherRate(view, delivery);
  const order = useMemo(
    () =>
      shown === "plan"
        ? planRows(delivery).files
        : byNeed(delivery.files, knowledge?.categories.map((one) => one.path) ?? []),
    [delivery, knowledge, shown],
  );
  const current = order.find((file) => file.id === at) ?? order[0];
  const ready = delivery.files.filter((file) => file.place?.seat).length;
  const left = delivery.files.filter((file) => file.place && !file.place.seat).length;
  const { measuring, times } = delivery;
  const { mutate: carryOut, isPending } = seat;
  const { mutate: setBoth } = setTimes;
  const { mutate: send } = wish;
  const acts = useMemo<Act[]>(() => {
    const open = current !== undefined && !current.fault && !current.seatedOn;
    return [
      ...VIEWS.map((one) => ({
        id: `show-${one.id}`,
        label: `Intake: ${one.label}`,
        key: one.key,
        run: () =>
          setParams(
            (now) => {
              now.set("show", one.id);
              return now;
            },
            { replace: true },
          ),
      })),
      {
        id: "file-category",
        label: "Category of this file…",
        key: "k",
        can: open,
        run: () => setAsking("category"),
      },
      {
        id: "file-seat",
        label: "Where this file goes…",
        key: "g",
        can: open && current.place !== undefined,
        run: () => setAsking("seat"),
      },
      {
        id: "file-plan",
        label: "This file where the plan puts it",
        key: "b",
        can: open && current.place?.wished === true,
        run: () => current && send({ files: [current.id] }),
      },
      {
        id: "seat-names",
        label: "What the seats are called…",
        key: "n",
        run: () => setAsking("names"),
      },
      {
        id: "seat",
        label: `Seat ${plural(ready, "file")}`,
        key: "s",
        can: ready > 0 && measuring === 0 && !isPending,
        run: () =>
          carryOut(undefined, { onSuccess: () => void navigate(`/mixes/${view.id}/flow`) }),
      },
      {
        id: "delivery-times",
        label: "Start, end and tempo from the delivery",
        key: "t",
        can: times !== undefined && !times.set,
        run: () => setBoth(undefined),
      },
      {
        id: "delivery-rate",
        label: "The session at the delivery’s sample rate",
        key: "e",
        can: rate !== undefined,
        run: () => rate !== undefined && edit({ edit: "set-sample-rate", sampleRate: rate }),
      },
      {
        id: "delivery-from",
        label: "Whom the delivery comes from…",
        key: "w",
        run: () => setAsking("from"),
      },
      {
        id: "learned",
        label: "What was learned from corrections…",
        key: "l",
        can: delivery.rules.length > 0,
        run: () => setAsking("rules"),
      },
    ];
  }, [
    current,
    ready,
    measuring,
    times,
    rate,
    edit,
    isPending,
    carryOut,
    setBoth,
    send,
    navigate,
    setParams,
    view.id,
    delivery.rules.length,
  ]);
  useOffer("intake", acts);
  const run = (id: string) => acts.find((act) => act.id === id)?.run();
  const added = delivery.files.filter((file) => file.place?.act === "adds").length;
  return (
    <Tabs.Root
      className="flex min-h-0 flex-1 flex-col"
      value={shown}
      activationMode="manual"
      onValueChange={(id) => run(`show-${id}`)}
    >
      <DeliveryFacts
        delivery={delivery}
        onDescribe={() => setAsking("from")}
        onRules={() => setAsking("rules")}
        onTimes={() => run("delivery-times")}
        rate={rate}
        onRate={() => run("delivery-rate")}
      >
        <Tabs.List aria-label="What is shown of the delivery" className="flex gap-1">
          {VIEWS.map((one) => (
            <Tabs.Trigger
              key={one.id}
              value={one.id}
              className="border-b-2 border-transparent px-1.5 leading-7 data-[state=active]:border-active data-[state=active]:font-semibold data-[state=active]:text-ink"
            >
              {one.label}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
      </DeliveryFacts>
      <Tabs.Content value={shown} tabIndex={-1} className="flex min-h-0 flex-1 flex-col">
        {shown === "files" && (
          <FileRows
            files={order}
            current={current?.id}
            onCurrent={setAt}
            onCategory={() => setAsking("category")}
          />
        )}
        {shown === "plan" && (
          <SeatingPlan
            delivery={delivery}
            current={current?.id}
            onCurrent={setAt}
            onChoose={() => run("file-seat")}
            onDrop={(file, target) => {
              setAt(file);
              send({
                files: [file],
                wish: target === OUT ? { kind: "left out" } : { kind: "seat", channel: target },
              });
            }}
          />
        )}
        {shown === "report" && <ReportPage delivery={delivery} />}
        {shown !== "report" && current && <FileDetail delivery={delivery} file={current} />}
      </Tabs.Content>
      <footer className="flex h-12 shrink-0 items-center gap-5 border-t border-rule bg-raised px-4">
        <button
          className="shrink-0 border border-active px-3 py-1 font-semibold text-active disabled:border-rule disabled:font-normal"
          disabled={ready === 0 || measuring > 0 || isPending}
          onClick={() => run("seat")}
        >
          {isPending ? "Seating…" : `Seat ${plural(ready, "file")}`} <kbd>S</kbd>
        </button>
        <span className="text-ink-2" aria-live="polite">
          {measuring > 0
            ? `Measuring: ${measuring} of ${plural(delivery.files.length, "file")} left. It goes on when this page is closed.`
            : ready === 0
              ? delivery.seated
                ? "Everything that has a place is seated."
                : "No file has a place yet; give the files categories."
              : `${plural(added, "seat")} added, ${plural(delivery.stow.length, "seat")} stowed because nothing came for them${left ? `, ${plural(left, "file")} left out` : ""}. One undo takes all of it back.`}
        </span>
        {shown === "plan" && ready > 0 && (
          <span className="ml-auto flex shrink-0 gap-4 text-[12px]">
            <button onClick={() => run("file-seat")}>
              Goes to… <kbd>G</kbd>
            </button>
            <button onClick={() => run("seat-names")}>
              Names… <kbd>N</kbd>
            </button>
          </span>
        )}
      </footer>
      {asking === "from" && <FromDialog delivery={delivery} onClose={() => setAsking(undefined)} />}
      {asking === "rules" && (
        <RulesDialog delivery={delivery} onClose={() => setAsking(undefined)} />
      )}
      {asking === "names" && (
        <SeatNamesDialog delivery={delivery} onClose={() => setAsking(undefined)} />
      )}
      {asking === "seat" && current && (
        <SeatChooser
          view={view}
          delivery={delivery}
          file={current}
          onClose={() => setAsking(undefined)}
          onWish={(wanted) => {
            setAsking(undefined);
            setAt(current.id);
            send({ files: [current.id], wish: wanted });
          }}
        />
      )}
      <Chooser
        open={asking === "category"}
        title={current ? `File “${current.name}” under…` : ""}
        placeholder="Category"
        choices={(knowledge?.categories ?? []).map((one) => ({
          id: one.path,
          label: one.path,
          lead: <Mark family={one.family} />,
        }))}
        onClose={() => setAsking(undefined)}
        onChoose={(category) => {
          setAsking(undefined);
          if (current) {
            setAt(current.id);
            setCategory.mutate({ files: [current.id], category });
          }
        }}
      />
    </Tabs.Root>
  );
}

/** The delivery's rate if the session has another and holds no audio yet that would be in its way. */
function otherRate(view: MixView, delivery: DeliveryView): number | undefined {
  const wanted = delivery.facts.sampleRate;
  const { sampleRate, kind, channels } = view.document;
  const empty = channels.every((channel) => channel.clips.length === 0);
  return kind === "session" && empty && wanted !== sampleRate ? wanted : undefined;
}

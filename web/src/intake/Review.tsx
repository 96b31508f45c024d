import { DeadAirDialog } from "./DeadAirDialog";
import { Tabs } from "radix-ui";
import { useEffect, useMemo, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import type { DeliveryView, MixView } from "../api/client";
import { useSeat, useSetFileCategory, useSetTimes, useWish } from "../resources/deliveries";
import { useKnowledge } from "../resources/knowledge";
import { useEdit } from "../resources/mixes";
import { follow, hear } from "../player/player";
import { deliveredTrack } from "../player/tracks";
import { ReassignDialog } from "../reassign/ReassignDialog";
import { useOffer } from "../shell/acts";
import { Chooser } from "../ui/Chooser";
import { Mark } from "../ui/Mark";
import { DeliveryFacts } from "./DeliveryFacts";
import { FileDetail } from "./FileDetail";
import { FileRows } from "./FileRows";
import { FromDialog } from "./FromDialog";
import { byNeed } from "./order";
import { OUT, planRows } from "./planRows";
import { ReportPage } from "./ReportPage";
import { reviewActs, VIEWS, type Asking } from "./reviewActs";
import { ReviewFooter } from "./ReviewFooter";
import { RulesDialog } from "./RulesDialog";
import { SeatChooser } from "./SeatChooser";
import { SeatingPlan } from "./SeatingPlan";
import { SeatNamesDialog } from "./SeatNamesDialog";

interface Props {
  view: MixView;
  delivery: DeliveryView;
}

/** A delivery, looked at before it goes: its files, the plan for them, and the report. */
export function Review({ view, delivery }: Props) {
  const categories = useKnowledge().data?.categories;
  const navigate = useNavigate();
  const [params, setParams] = useSearchParams();
  const shown = VIEWS.find((one) => one.id === params.get("show"))?.id ?? "files";
  const [at, setAt] = useState<string>();
  const [asking, setAsking] = useState<Asking>();
  const setCategory = useSetFileCategory(delivery.id);
  const { mutate: setTimes } = useSetTimes(view.id, delivery.id);
  const { mutate: wish } = useWish(delivery.id);
  const { mutate: carryOut, isPending: seating } = useSeat(view.id, delivery.id);
  const { mutate: edit } = useEdit(view.id);
  const rate = delivery.rateToTake;
  const order = useMemo(
    () =>
      shown === "plan"
        ? planRows(delivery).files
        : byNeed(delivery.files, categories?.map((one) => one.path) ?? []),
    [delivery, categories, shown],
  );
  const current = order.find((file) => file.id === at) ?? order[0];
  const track = useMemo(() => deliveredTrack(delivery.id, current), [delivery.id, current]);
  useEffect(() => follow(track), [track]);
  const ready = delivery.files.filter((file) => file.place?.seat).length;
  const acts = useMemo(
    () =>
      reviewActs({
        delivery,
        current,
        ready,
        seating,
        rate,
        show: (id) =>
          setParams((now) => new URLSearchParams({ ...Object.fromEntries(now), show: id }), {
            replace: true,
          }),
        ask: setAsking,
        toPlan: (file) => wish({ files: [file] }),
        seat: () => carryOut(undefined, () => void navigate(`/mixes/${view.id}/flow`)),
        setTimes: () => setTimes(undefined),
        hear: () => track && hear(track),
        setRate: (sampleRate) => edit({ edit: "set-sample-rate", sampleRate }),
      }),
    [
      delivery,
      current,
      ready,
      seating,
      rate,
      setParams,
      wish,
      carryOut,
      navigate,
      view.id,
      setTimes,
      edit,
      track,
    ],
  );
  useOffer("intake", acts);
  const run = (id: string) => acts.find((act) => act.id === id)?.run();
  const close = () => setAsking(undefined);
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
            delivery={delivery.id}
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
              wish({
                files: [file],
                wish: target === OUT ? { kind: "left out" } : { kind: "seat", channel: target },
              });
            }}
          />
        )}
        {shown === "report" && <ReportPage delivery={delivery} />}
        {shown !== "report" && current && <FileDetail delivery={delivery} file={current} />}
      </Tabs.Content>
      <ReviewFooter delivery={delivery} shown={shown} ready={ready} seating={seating} run={run} />
      {asking === "from" && <FromDialog delivery={delivery} onClose={close} />}
      {asking === "rules" && <RulesDialog delivery={delivery} onClose={close} />}
      {asking === "names" && <SeatNamesDialog delivery={delivery} onClose={close} />}
      {asking === "dead-air" && <DeadAirDialog delivery={delivery} onClose={close} />}
      {asking === "reassign" && current && (
        <ReassignDialog
          view={view}
          picked={view.document.channels
            .filter((one) => one.clips.some((clip) => clip.delivered.includes(current.id)))
            .map((one) => one.id)}
          category={current.category}
          onClose={close}
        />
      )}
      {asking === "seat" && current && (
        <SeatChooser
          view={view}
          delivery={delivery}
          file={current}
          onClose={close}
          onWish={(wanted) => {
            close();
            setAt(current.id);
            wish({ files: [current.id], wish: wanted });
          }}
        />
      )}
      <Chooser
        open={asking === "category"}
        title={current ? `File “${current.name}” under…` : ""}
        placeholder="Category"
        choices={(categories ?? []).map((one) => ({
          id: one.path,
          label: one.path,
          lead: <Mark family={one.family} />,
        }))}
        onClose={close}
        onChoose={(category) => {
          close();
          if (current) {
            setAt(current.id);
            setCategory.mutate({ files: [current.id], category });
          }
        }}
      />
    </Tabs.Root>
  );
}

import type { ReactNode } from "react";
import type { DeliveryView } from "../api/client";
import { plural, time } from "../ui/format";
import { hint } from "../ui/hint";

interface Props {
  delivery: DeliveryView;
  onDescribe: () => void;
  onRules: () => void;
  onTimes: () => void;
  /** Says what the session's rate could be set to, if it differs and can be changed. */
  rate?: number;
  onRate: () => void;
  /** Stands at the left end. */
  children: ReactNode;
}

/** What a delivery says of its session, whom it comes from, and what came before it. */
export function DeliveryFacts({
  rate,
  onRate,
  delivery,
  onDescribe,
  onRules,
  onTimes,
  children,
}: Props) {
  const { facts, missing, rules, times } = delivery;
  const from = [delivery.client, delivery.artist, delivery.project].filter(
    (name, i, all) => name && all.indexOf(name) === i,
  );
  return (
    <div className="flex min-h-7 shrink-0 flex-wrap items-center gap-x-5 border-b border-rule-2 px-4 text-small text-ink-2">
      {children}
      <button className="underline underline-offset-2" onClick={onDescribe}>
        {from.length > 0 ? from.join(" / ") : "Whom does it come from?"}
      </button>
      <span {...hint(facts.because.join("; "))}>
        {facts.sampleRate !== undefined && `${facts.sampleRate / 1000} kHz`}
        {facts.bitDepth !== undefined && `, ${facts.bitDepth}-bit`}
        {facts.startSeconds !== undefined &&
          facts.endSeconds !== undefined &&
          ` · sounds ${time(facts.startSeconds)} to ${time(facts.endSeconds)}`}
        {facts.tempoBpm !== undefined && ` · ${facts.tempoBpm} BPM`}
      </span>
      {rate !== undefined && (
        <button className="underline underline-offset-2" onClick={onRate}>
          Set the session to {rate / 1000} kHz <kbd>E</kbd>
        </button>
      )}
      {times && !times.set && (
        <button
          className="underline underline-offset-2"
          {...hint(
            `from ${time(times.startSeconds)} to ${time(times.endSeconds)}, ${times.tempo} BPM; the end leaves three seconds for what dies away`,
            "t",
          )}
          onClick={onTimes}
        >
          Set start and end: {time(times.startSeconds)} to {time(times.endSeconds)} <kbd>T</kbd>
        </button>
      )}
      {missing.length > 0 && (
        <span className="text-ink" {...hint(missing.join("\n"))}>
          {plural(missing.length, "file")} of the delivery before did not come again:{" "}
          {missing.slice(0, 2).join(", ")}
          {missing.length > 2 && " …"}
        </span>
      )}
      {rules.length > 0 && (
        <button className="ml-auto underline underline-offset-2" onClick={onRules}>
          {plural(rules.length, "correction")} learned
        </button>
      )}
    </div>
  );
}

import type { DeliveryView } from "../api/client";
import { plural, time } from "../ui/format";

interface Props {
  delivery: DeliveryView;
  onDescribe: () => void;
  onRules: () => void;
}

/** What a delivery says of its session, whom it comes from, and what came before it. */
export function DeliveryFacts({ delivery, onDescribe, onRules }: Props) {
  const { facts, missing, rules } = delivery;
  const from = [delivery.client, delivery.artist, delivery.project].filter(
    (name, i, all) => name && all.indexOf(name) === i,
  );
  return (
    <div className="flex min-h-7 shrink-0 flex-wrap items-center gap-x-5 border-b border-rule-2 px-4 text-[12px] text-ink-2">
      <button className="underline underline-offset-2" onClick={onDescribe}>
        {from.length > 0 ? from.join(" / ") : "Whom does it come from?"}
      </button>
      <span title={facts.because.join("; ")}>
        {facts.sampleRate !== undefined && `${facts.sampleRate / 1000} kHz`}
        {facts.bitDepth !== undefined && `, ${facts.bitDepth}-bit`}
        {facts.startSeconds !== undefined &&
          facts.endSeconds !== undefined &&
          ` · sounds ${time(facts.startSeconds)} to ${time(facts.endSeconds)}`}
        {facts.tempoBpm !== undefined && ` · ${facts.tempoBpm} BPM`}
      </span>
      {missing.length > 0 && (
        <span className="text-ink" title={missing.join("\n")}>
          {plural(missing.length, "file")} of the delivery before did not come again:{" "}
          {missing.slice(0, 2).join(", ")}
          {missing.length > 2 && " …"}
        </span>
      )}
      <span className="ml-auto flex gap-4">
        {rules.length > 0 && (
          <button className="underline underline-offset-2" onClick={onRules}>
            {plural(rules.length, "correction")} learned
          </button>
        )}
        <a
          className="underline underline-offset-2"
          href={`/api/deliveries/${delivery.id}/report.pdf`}
        >
          Report (PDF)
        </a>
        <a
          className="underline underline-offset-2"
          href={`/api/deliveries/${delivery.id}/report.csv`}
        >
          CSV
        </a>
      </span>
    </div>
  );
}

import { useState } from "react";
import { messageOf } from "../api/client";
import { useMapDifferences } from "../resources/maps";
import { plural } from "../ui/format";
import { Select } from "../ui/FormDialog";
import { CloseButton, Window } from "../ui/Window";
import { useMapFrom, useMapSources } from "./sources";

/** Two category maps beside each other: what they do not say alike. */
export function CompareMapsDialog({ first, onClose }: { first?: string; onClose: () => void }) {
  const sources = useMapSources();
  const [one, setOne] = useState(first ?? "");
  const [other, setOther] = useState("");
  const from = one || (sources[0]?.id ?? "");
  const to = other || (sources.find((source) => source.id !== from)?.id ?? "");
  const left = useMapFrom(from);
  const right = useMapFrom(to);
  const differences = useMapDifferences(left.data ?? undefined, right.data ?? undefined);
  const lines = differences.data;
  const problem = left.error ?? right.error ?? differences.error;
  const nameOf = (id: string) => sources.find((source) => source.id === id)?.label ?? "";
  return (
    <Window
      size="broad"
      title="Compare category maps"
      description="What stands in one alone, or otherwise, entry by entry; buses, controls and outputs are told by their names."
      onClose={onClose}
    >
      <div className="my-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <Select label="One map" value={from} choices={sources} onChange={setOne} />
        <span className="text-ink-2">and</span>
        <Select label="Another map" value={to} choices={sources} onChange={setOther} />
        <span role="status" className="ml-auto">
          {lines &&
            (lines.length === 0 ? "They say the same." : plural(lines.length, "difference"))}
        </span>
      </div>
      {problem && (
        <p role="alert" className="border-l-2 border-wrong pl-2 text-wrong">
          {messageOf(problem)}
        </p>
      )}
      {lines && lines.length > 0 && (
        <div
          role="region"
          aria-label="Differences"
          // So that the arrows scroll it.
          // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
          tabIndex={0}
          className="max-h-[56vh] overflow-auto"
        >
          <table className="w-full text-left">
            <thead>
              <tr className="text-small">
                {["Category", "Says", nameOf(from), nameOf(to)].map((head, at) => (
                  <th
                    key={at}
                    className="sticky top-0 border-b border-rule bg-raised py-1 pr-4 font-semibold"
                  >
                    <bdi>{head}</bdi>
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {lines.map((line) => (
                <tr
                  key={`${line.category} ${line.asks} ${line.field}`}
                  className="border-t border-rule-2 align-baseline"
                >
                  <td className="py-1 pr-4">
                    {line.category} <bdi className="text-ink-2">{line.asks}</bdi>
                  </td>
                  <td className="pr-4 text-ink-2">{line.label}</td>
                  <td className="pr-4">{line.one || <Silent />}</td>
                  <td className="pr-4">{line.other || <Silent />}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <CloseButton />
    </Window>
  );
}

const Silent = () => <span className="text-ink-2">says nothing</span>;

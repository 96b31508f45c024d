import { useEffect, useRef } from "react";
import type { DeliveryView } from "../api/client";
import { useReport } from "../resources/deliveries";

/** What arrived, what is wrong with it and what is missing, to be read and to be sent back. */
export function ReportPage({ delivery }: { delivery: DeliveryView }) {
  const report = useReport(delivery.id).data;
  const page = useRef<HTMLElement>(null);
  const shown = report !== undefined;
  useEffect(() => {
    if (shown) {
      page.current?.focus({ preventScroll: true });
    }
  }, [shown]);
  if (!report) {
    return <div className="min-h-0 flex-1" aria-busy="true" />;
  }
  const wrong = report.lines.filter((line) => line.wrong.length > 0);
  return (
    <section
      ref={page}
      aria-label="Report of the delivery"
      // Scrolled by keys, so it takes the focus.
      // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
      tabIndex={0}
      className="min-h-0 flex-1 overflow-y-auto px-4 py-4 outline-offset-[-2px]"
    >
      <div className="mx-auto max-w-[1040px]">
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
          <h2 className="text-large font-semibold">{report.name}</h2>
          <span className="text-ink-2">{[...report.from, report.date].join(" · ")}</span>
          <span className="ml-auto flex gap-4 text-small">
            <a
              className="underline underline-offset-2"
              href={`/api/deliveries/${delivery.id}/report.pdf`}
            >
              Save as PDF
            </a>
            <a
              className="underline underline-offset-2"
              href={`/api/deliveries/${delivery.id}/report.csv`}
            >
              Save as CSV
            </a>
          </span>
        </div>
        <p className="mt-1">{report.summary}.</p>
        {wrong.length > 0 && <h3 className="mt-4 font-semibold">What is wrong</h3>}
        <ul>
          {wrong.map((line) => (
            <li
              key={line.file}
              className="grid gap-x-4 border-b border-rule-2 py-1 sm:grid-cols-[minmax(180px,1fr)_2.2fr]"
            >
              <span className="break-words">{line.file}</span>
              <span className="text-wrong">{line.wrong.join("; ")}</span>
            </li>
          ))}
        </ul>
        <Names title="Came before and not now" names={report.missing} />
        <Names title="Seats that nothing came for" names={report.empty} />
        <h3 className="mt-4 font-semibold">Everything that arrived</h3>
        <div
          role="region"
          aria-label="Everything that arrived"
          // Wider than a narrow page, and scrolled by keys.
          // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
          tabIndex={0}
          className="overflow-x-auto"
        >
          <table className="w-full text-left">
            <thead>
              <tr className="border-b border-rule text-tiny text-ink-3">
                <th className="py-1 pr-4 font-normal">File</th>
                <th className="pr-4 font-normal">Length, rate, depth, layout</th>
                <th className="pr-4 font-normal">Category</th>
                <th className="font-normal">Goes to</th>
              </tr>
            </thead>
            <tbody>
              {report.lines.map((line) => (
                <tr key={line.file} className="h-[26px] border-b border-rule-2">
                  <td className="pr-4">{line.file}</td>
                  <td className="pr-4 whitespace-nowrap text-ink-2">{line.format}</td>
                  <td className="pr-4 whitespace-nowrap">{line.category}</td>
                  <td className="text-ink-2">{line.goesTo}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </div>
    </section>
  );
}

function Names({ title, names }: { title: string; names: string[] }) {
  return (
    names.length > 0 && (
      <>
        <h3 className="mt-4 font-semibold">{title}</h3>
        <p className="text-ink-2">{names.join(", ")}</p>
      </>
    )
  );
}

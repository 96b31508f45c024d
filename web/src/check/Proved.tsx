import type { MixView } from "../api/client";
import { useProof } from "../resources/checks";
import { useKnowledge } from "../resources/knowledge";
import { plural } from "../ui/format";
import { hint } from "../ui/hint";

/** What the line check has shown beside what it has found, and what only a print can show. */
export function Proved({ view }: { view: MixView }) {
  const rules = useKnowledge().data?.rules ?? [];
  const proof = useProof(view.id, view.revision).data;
  if (!proof) {
    return null;
  }
  const holds = rules.filter((rule) => proof.rules.includes(rule.id));
  const idle = rules.filter((rule) => proof.idle.includes(rule.id));
  return (
    <section aria-label="Proved" className="mb-6 max-w-[980px]">
      <h2 className="border-b border-rule pb-1 text-small text-ink-2">
        <b className="font-semibold text-active">Proved</b> · {holds.length} of {rules.length} rules
        hold over {plural(proof.channels, "channel")}, {plural(proof.outputs, "output")} and{" "}
        {proof.ways.toLocaleString("en").replaceAll(",", " ")} {proof.ways === 1 ? "way" : "ways"}{" "}
        from a seat to a file
      </h2>
      <ul className="mt-2 gap-x-8 md:columns-2">
        {holds.map((rule) => (
          <li key={rule.id} className="flex break-inside-avoid gap-2 py-0.5" {...hint(rule.why)}>
            <span aria-hidden="true" className="text-active">
              ✓
            </span>
            {rule.holds}
          </li>
        ))}
      </ul>
      {idle.length > 0 && (
        <>
          <h3 className="mt-4 text-small text-ink-2">
            Nothing to look at, and so not proved · {idle.length}
          </h3>
          <ul className="mt-1 gap-x-8 md:columns-2">
            {idle.map((rule) => (
              <li key={rule.id} className="flex break-inside-avoid gap-2 py-0.5 text-ink-2">
                <span aria-hidden="true">–</span>
                {rule.holds}
              </li>
            ))}
          </ul>
        </>
      )}
      <h3 className="mt-4 text-small text-ink-2">Only a print shows</h3>
      <ul className="mt-1">
        {proof.open.map((one) => (
          <li key={one} className="flex gap-2 py-0.5 text-ink-2">
            <span aria-hidden="true">·</span>
            {one}
          </li>
        ))}
      </ul>
    </section>
  );
}

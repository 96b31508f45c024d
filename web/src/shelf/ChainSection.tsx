import type { ChainLine } from "../api/client";
import { useChains } from "../resources/chains";
import { useKnowledge } from "../resources/knowledge";
import { Mark } from "../ui/Mark";
import { KeptLine } from "./KeptLine";
import { ReadKept } from "./ReadKept";

/** Chains that are kept, by what they are for. */
export function ChainSection({ wanted }: { wanted: string }) {
  const chains = useChains().data ?? [];
  const found = chains.filter((one) => isFound(one, wanted));
  return (
    <section className="mb-8" aria-labelledby="kept-chains">
      <div className="flex items-baseline gap-4 border-b border-rule pb-1 text-small text-ink-2">
        <h2 id="kept-chains">
          <b className="font-semibold">Chains</b> {found.length}
        </h2>
        <ReadKept what="chain" />
      </div>
      {chains.length === 0 && (
        <p className="py-3 text-ink-2">
          None is kept. In the Flow, Shift I keeps the chain of a channel, and L puts one on the
          picked ones.
        </p>
      )}
      <ul>
        {found.map((line) => (
          <Line key={line.id} line={line} />
        ))}
      </ul>
    </section>
  );
}

function Line({ line }: { line: ChainLine }) {
  const knowledge = useKnowledge().data;
  const { name, category, purpose, chain } = line.chain;
  const family = knowledge?.categories.find((one) => one.path === category)?.family ?? "neutral";
  const label = (processor: string) =>
    knowledge?.processors.find((one) => one.id === processor)?.label ?? processor;
  return (
    <KeptLine
      what="chain"
      id={line.id}
      name={name}
      removed={line.removedAt !== undefined}
      lead={<Mark family={family} />}
      sort={category}
    >
      {purpose}{" "}
      <span className="text-small">
        {chain
          .map((insert) => label(insert.processor).toLowerCase() + (insert.on ? "" : " (off)"))
          .join(" → ")}
      </span>
    </KeptLine>
  );
}

function isFound({ chain }: ChainLine, wanted: string): boolean {
  const text = `${chain.name} ${chain.category} ${chain.purpose} chain`.toLowerCase();
  return wanted
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}

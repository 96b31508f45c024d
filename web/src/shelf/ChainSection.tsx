import type { ChainLine } from "../api/client";
import { useChains, useKnowledge, useRemoval } from "../api/queries";
import { Mark } from "../ui/Mark";

/** Chains that are kept, by what they are for. */
export function ChainSection({ wanted }: { wanted: string }) {
  const chains = useChains().data ?? [];
  const found = chains.filter((one) => isFound(one, wanted));
  return (
    <section className="mb-8" aria-labelledby="kept-chains">
      <h2 id="kept-chains" className="border-b border-rule pb-1 text-small text-ink-2">
        <b className="font-semibold">Chains</b> {found.length}
      </h2>
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
  const { mutate: removal } = useRemoval();
  const { name, category, purpose, chain } = line.chain;
  const family = knowledge?.categories.find((one) => one.path === category)?.family ?? "neutral";
  const gone = line.removedAt !== undefined;
  const label = (processor: string) =>
    knowledge?.processors.find((one) => one.id === processor)?.label ?? processor;
  return (
    <li className="grid grid-cols-[28px_240px_130px_minmax(0,1fr)_110px] items-baseline gap-3 border-b border-rule-2 py-1.5 max-md:grid-cols-1 max-md:gap-1">
      <Mark family={family} />
      <span className={`font-semibold ${gone ? "text-ink-2 line-through" : ""}`}>
        <bdi>{name}</bdi>
      </span>
      <span className="text-ink-2">{category}</span>
      <span className="text-ink-2">
        {purpose}{" "}
        <span className="text-small">
          {chain
            .map((insert) => label(insert.processor).toLowerCase() + (insert.on ? "" : " (off)"))
            .join(" → ")}
        </span>
      </span>
      <button
        className="min-h-6 text-right text-small underline underline-offset-2"
        aria-label={gone ? `Bring back ${name}` : `Remove ${name}`}
        onClick={() => removal({ what: "chain", id: line.id, how: gone ? "back" : "remove" })}
      >
        {gone ? "Bring back" : "Remove"}
      </button>
    </li>
  );
}

function isFound({ chain }: ChainLine, wanted: string): boolean {
  const text = `${chain.name} ${chain.category} ${chain.purpose} chain`.toLowerCase();
  return wanted
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}

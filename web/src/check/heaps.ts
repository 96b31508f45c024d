import type { Finding } from "../api/client";

/** Findings of one rule and one weight. */
export interface Heap {
  id: string;
  rule: Finding["rule"];
  severity: Finding["severity"];
  findings: Finding[];
}

/** In the order of the findings: the gravest first. */
export function heapsOf(findings: Finding[]): Heap[] {
  const heaps = new Map<string, Heap>();
  for (const finding of findings) {
    const id = `${finding.severity} ${finding.rule}`;
    const heap = heaps.get(id);
    if (heap) {
      heap.findings.push(finding);
    } else {
      heaps.set(id, {
        id,
        rule: finding.rule,
        severity: finding.severity,
        findings: [finding],
      });
    }
  }
  return [...heaps.values()];
}

/** Mends of one kind that some findings of a heap have: what each of them would do. */
export interface Way {
  /** The kind of edit, and its place among those of that kind that a finding offers. */
  id: string;
  mends: { finding: Finding; mend: Finding["mends"][number] }[];
}

/** How a heap can be mended, what mends most of it first. */
export function waysOf(heap: Heap): Way[] {
  const ways = new Map<string, Way>();
  for (const finding of heap.findings) {
    const seen = new Map<string, number>();
    for (const mend of finding.mends) {
      const kind = mend.edit.edit;
      const nth = seen.get(kind) ?? 0;
      seen.set(kind, nth + 1);
      const id = `${kind} ${nth}`;
      const way = ways.get(id) ?? { id, mends: [] };
      way.mends.push({ finding, mend });
      ways.set(id, way);
    }
  }
  return [...ways.values()].sort((a, b) => b.mends.length - a.mends.length);
}

/** Rules are named by their ids; an abbreviation is written as one. */
export function ruleName(rule: string): string {
  return rule.replaceAll("-", " ").replace(/^lfe /, "LFE ");
}

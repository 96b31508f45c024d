/** A part of the guide: a heading of the second or third level with what stands under it. */
export interface Section {
  title: string;
  level: number;
  text: string;
}

/** The guide in parts, in its order. */
export function sectionsOf(guide: string): Section[] {
  return guide
    .split(/^(?=##+ )/m)
    .slice(1)
    .map((part) => {
      const [head = "", ...rest] = part.split("\n");
      const marks = /^#+/.exec(head)?.[0].length ?? 2;
      return { title: head.slice(marks).trim(), level: marks, text: rest.join("\n").trim() };
    });
}

/** Parts that hold every word; those whose title does come first. */
export function found(sections: Section[], typed: string): Section[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const holds = (text: string) => words.every((word) => text.toLowerCase().includes(word));
  const some = sections.filter((one) => holds(`${one.title} ${one.text}`));
  return words.length === 0
    ? some
    : [...some.filter((one) => holds(one.title)), ...some.filter((one) => !holds(one.title))];
}

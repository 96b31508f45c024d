import { useMemo, useState } from "react";
import type { Edit, Meant, MixView } from "../api/client";
import { useChains } from "../resources/chains";
import { useMeant } from "../resources/effects";
import { useKnowledge } from "../resources/knowledge";
import { Field, Select, TextLine, words } from "../ui/FormDialog";
import { plural } from "../ui/format";
import { EffectForm } from "./EffectForm";
import { namesOf } from "./EffectPanel";

interface Props {
  view: MixView;
  picked: string[];
  /** What is meant at first where nothing is picked. */
  category?: string;
  onClose: () => void;
}

type Who = "picked" | "category" | "person" | "words";

/** For whom it holds from now on, where the category map says it. */
const IN_MAP: Record<Who, string> = {
  picked: "in the category map: all of these categories follow, now and later",
  category: "in the category map: all of this category follow, now and later",
  person: "in the category map: this person’s, in these categories, now and later",
  words: "in the category map: all with these words, in these categories, now and later",
};
const AS_IT_IS = { id: "", label: "as it is" };

/** What the fields of “Which” say; nothing while words are missing. */
function meantBy(who: Who, picked: string[], of: string): Meant | undefined {
  if (who === "picked") {
    return { channels: picked };
  }
  return of.trim() ? { channels: [], [who]: of.trim() } : undefined;
}

/** What becomes of many channels at once, with its effect beside it before it is carried out. */
export function ReassignDialog({ view, picked, category: first, onClose }: Props) {
  const knowledge = useKnowledge().data;
  const { document } = view;
  const used = useMemo(
    () =>
      (knowledge?.categories ?? [])
        .map((one) => one.path)
        .filter(
          (path) =>
            path === first ||
            document.channels.some(
              (one) => one.category === path || one.category.startsWith(`${path}/`),
            ),
        ),
    [knowledge, document, first],
  );
  const people = [...new Set(document.channels.flatMap((one) => one.person ?? []))].sort();
  const [who, setWho] = useState<Who>(picked.length > 0 ? "picked" : "category");
  const [of, setOf] = useState(first ?? "");
  const [inMap, setInMap] = useState(picked.length === 0);
  const [to, setTo] = useState({
    category: "",
    destination: "",
    colour: "",
    group: "",
    stem: "",
    sends: "",
    control: "",
    chain: "",
  });
  const chains = useChains(first ? { category: first, kind: "seat" } : undefined).data?.filter(
    (one) => one.removedAt === undefined,
  );
  const set = (field: keyof typeof to) => (value: string) => setTo({ ...to, [field]: value });
  const chosen =
    of || (who === "category" ? (used[0] ?? "") : who === "person" ? (people[0] ?? "") : "");
  const meant = meantBy(who, picked, chosen);
  const ids = useMeant(view, meant).data ?? [];
  const named = useMemo(() => namesOf(view), [view]);
  const says = Object.values(to).some((value) => value.trim() !== "");
  const said = (value: string) => value.trim() || undefined;
  const edit: Edit | undefined =
    says && meant && (ids.length > 0 || (who === "category" && inMap))
      ? {
          edit: "reassign",
          of: meant,
          inMap,
          category: said(to.category),
          destination: said(to.destination),
          colour: said(to.colour),
          group: said(to.group),
          stem: said(to.stem),
          sends: said(to.sends),
          controls: to.control ? [to.control] : undefined,
          chain: chains?.find((one) => one.id === to.chain)?.chain,
        }
      : undefined;
  const takers = document.channels
    .filter((one) => view.facts[one.id]?.takesSound === true)
    .map((one) => ({ id: one.id, label: one.name }));
  const select = (
    field: keyof typeof to,
    label: string,
    choices: readonly { id: string; label: string }[],
  ) => (
    <Field label={label}>
      <Select value={to[field]} choices={[AS_IT_IS, ...choices]} onChange={set(field)} />
    </Field>
  );
  const whos: { id: Who; label: string }[] = [
    ...(picked.length > 0
      ? [{ id: "picked" as const, label: `${plural(picked.length, "picked channel")}` }]
      : []),
    { id: "category", label: "a category" },
    ...(people.length > 0 ? [{ id: "person" as const, label: "a person" }] : []),
    { id: "words", label: "words of the name" },
  ];
  return (
    <EffectForm
      view={view}
      title="Reassign"
      description="Say what becomes of these channels; what would change stands beside, and each line can be left out."
      edit={edit}
      onClose={onClose}
    >
      <Field label="Which">
        <Select
          value={who}
          choices={whos}
          onChange={(id) => {
            setWho(id as Who);
            setOf("");
          }}
        />
      </Field>
      {who === "category" && (
        <Field label="Category">
          <Select value={chosen} choices={words(used)} onChange={setOf} />
        </Field>
      )}
      {who === "person" && (
        <Field label="Person">
          <Select value={chosen} choices={words(people)} onChange={setOf} />
        </Field>
      )}
      {who === "words" && <TextLine label="Words" value={of} onChange={setOf} />}
      <p className="mb-2 text-small text-ink-2">
        {plural(ids.length, "channel")}
        {ids.length > 0 &&
          `: ${ids
            .slice(0, 4)
            .map((id) => named.get(id))
            .join(", ")}${ids.length > 4 ? ", …" : ""}`}
      </p>
      <div className="border-t border-rule-2 pt-2">
        {select("category", "New category", words(knowledge?.categories.map((c) => c.path)))}
        {select("destination", "Sent to", takers)}
        {select(
          "stem",
          "Stem",
          document.outputs.map((one) => ({ id: one.id, label: one.name })),
        )}
        {select("colour", "Colour", words(knowledge?.families.map((one) => one.id)))}
        {select("group", "Shown with", takers)}
        {select(
          "control",
          "Control",
          document.controls.map((one) => ({ id: one.id, label: one.name })),
        )}
        {select(
          "chain",
          "Chain",
          (chains ?? []).map(({ id, chain }) => ({
            id,
            label: `${chain.name} (${chain.category})`,
          })),
        )}
        <TextLine
          label="Sends"
          value={to.sends}
          placeholder="Plate −12, Hall −20 pre-fader, no Room"
          onChange={set("sends")}
        />
      </div>
      <fieldset className="mt-2 border-t border-rule-2 pt-2">
        <legend className="sr-only">How long it holds</legend>
        <label className="flex items-baseline gap-2">
          <input type="radio" name="held" checked={inMap} onChange={() => setInMap(true)} />
          {IN_MAP[who]}
        </label>
        <label className="flex items-baseline gap-2">
          <input type="radio" name="held" checked={!inMap} onChange={() => setInMap(false)} />
          for these channels alone: what departs from the map is pinned
        </label>
      </fieldset>
    </EffectForm>
  );
}

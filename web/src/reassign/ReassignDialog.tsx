import { useMemo, useState } from "react";
import type { Channel, Edit, MixView } from "../api/client";
import { useKnowledge } from "../api/queries";
import { Field, Select, words } from "../ui/FormDialog";
import { plural } from "../ui/format";
import { EffectForm } from "./EffectForm";

interface Props {
  view: MixView;
  picked: string[];
  onClose: () => void;
}

const AS_IT_IS = { id: "", label: "as it is" };

type Who = "picked" | "category" | "person" | "words";

/** The channels that are meant; a category's parts are meant with it. */
function meant(view: MixView, who: Who, picked: string[], of: string): Channel[] {
  const seats = view.document.channels.filter(
    (one) => one.kind === "seat" || one.kind === "reference",
  );
  const lower = of.trim().toLowerCase();
  switch (who) {
    case "picked":
      return view.document.channels.filter((one) => picked.includes(one.id));
    case "category":
      return seats.filter((one) => one.category === of || one.category.startsWith(`${of}/`));
    case "person":
      return seats.filter((one) => one.person === of);
    case "words":
      return lower === "" ? [] : seats.filter((one) => one.name.toLowerCase().includes(lower));
  }
}

/** What becomes of many channels at once, with its effect beside it before it is carried out. */
export function ReassignDialog({ view, picked, onClose }: Props) {
  const knowledge = useKnowledge().data;
  const { document } = view;
  const used = useMemo(
    () =>
      (knowledge?.categories ?? [])
        .map((one) => one.path)
        .filter((path) =>
          document.channels.some(
            (one) => one.category === path || one.category.startsWith(`${path}/`),
          ),
        ),
    [knowledge, document],
  );
  const people = [...new Set(document.channels.flatMap((one) => one.person ?? []))].sort();
  const [who, setWho] = useState<Who>(picked.length > 0 ? "picked" : "category");
  const [of, setOf] = useState("");
  const [inMap, setInMap] = useState(picked.length === 0);
  const [to, setTo] = useState({
    category: "",
    destination: "",
    colour: "",
    group: "",
    stem: "",
    sends: "",
    control: "",
  });
  const set = (field: keyof typeof to) => (value: string) => setTo({ ...to, [field]: value });
  const chosen = who === "category" && of === "" ? (used[0] ?? "") : of;
  const channels = meant(view, who, picked, who === "person" ? of || (people[0] ?? "") : chosen);
  const says = Object.values(to).some((value) => value.trim() !== "");
  const said = (value: string) => value.trim() || undefined;
  const edit: Edit | undefined =
    says && channels.length > 0
      ? {
          edit: "reassign",
          channels: channels.map((one) => one.id),
          inMap,
          category: said(to.category),
          destination: said(to.destination),
          colour: said(to.colour),
          group: said(to.group),
          stem: said(to.stem),
          sends: said(to.sends),
          controls: to.control ? [to.control] : undefined,
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
          <Select value={of || (people[0] ?? "")} choices={words(people)} onChange={setOf} />
        </Field>
      )}
      {who === "words" && (
        <Field label="Words">
          <input
            className="border-b border-rule bg-transparent"
            dir="auto"
            value={of}
            onChange={(event) => setOf(event.target.value)}
          />
        </Field>
      )}
      <p className="mb-2 text-small text-ink-2">
        {plural(channels.length, "channel")}
        {channels.length > 0 &&
          `: ${channels
            .slice(0, 4)
            .map((one) => one.name)
            .join(", ")}${channels.length > 4 ? ", …" : ""}`}
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
        <Field label="Sends">
          <input
            className="border-b border-rule bg-transparent"
            placeholder="Plate −12, Hall −20 pre-fader, no Room"
            value={to.sends}
            onChange={(event) => set("sends")(event.target.value)}
          />
        </Field>
      </div>
      <fieldset className="mt-2 border-t border-rule-2 pt-2">
        <legend className="sr-only">How long it holds</legend>
        <label className="flex items-baseline gap-2">
          <input type="radio" name="held" checked={inMap} onChange={() => setInMap(true)} />
          in the category map: all of these categories follow, now and later
        </label>
        <label className="flex items-baseline gap-2">
          <input type="radio" name="held" checked={!inMap} onChange={() => setInMap(false)} />
          for these channels alone: what departs from the map is pinned
        </label>
      </fieldset>
    </EffectForm>
  );
}

import { freshId } from "../api/changes";
import type { Specification } from "../api/client";
import { useKnowledge } from "../resources/knowledge";
import { choices, Field, Select } from "../ui/FormDialog";
import { signed } from "../ui/format";

interface Props {
  /** What can be chosen: what ships, and what the Mix holds. */
  known: Specification[];
  /** Ids of those that ship, which nobody rewrites. */
  shipped: ReadonlySet<string>;
  value?: Specification;
  onChange: (specification: Specification | undefined) => void;
}

const OWN = "own";

const FIGURES = [
  { field: "loudness", label: "Loudness, LUFS" },
  { field: "tolerance", label: "Tolerance, ±LU" },
  { field: "truePeak", label: "True peak, dBTP" },
] as const;

/** What the buyer asks of a file: one that ships, one of this Mix, or one's own. */
export function SpecificationFields({ known, shipped, value, onChange }: Props) {
  const layouts = useKnowledge().data?.layouts;
  const own = value && !shipped.has(value.id);
  const fresh = own && !known.some((one) => one.id === value.id);
  return (
    <>
      <Field label="Answers to">
        <Select
          value={fresh ? OWN : (value?.id ?? "")}
          choices={[
            { id: "", label: "nothing: as mixed" },
            ...known.map((one) => ({ id: one.id, label: one.name })),
            { id: OWN, label: "one’s own…" },
          ]}
          onChange={(id) =>
            onChange(
              id === OWN
                ? { id: freshId("specification"), name: "", source: "" }
                : known.find((one) => one.id === id),
            )
          }
        />
      </Field>
      {value && !own && <p className="ml-[143px] text-small text-ink-2">{asked(value)}</p>}
      {own && (
        <div className="ml-4 border-l border-rule pl-3">
          <Field label="Its name">
            <input
              required
              className="border-b border-rule bg-transparent"
              value={value.name}
              onChange={(event) => onChange({ ...value, name: event.target.value })}
            />
          </Field>
          <Field label="Whose paper">
            <input
              className="border-b border-rule bg-transparent"
              value={value.source}
              onChange={(event) => onChange({ ...value, source: event.target.value })}
            />
          </Field>
          <Field label="Layout">
            <Select
              value={value.layout ?? ""}
              choices={[{ id: "", label: "not asked" }, ...choices(layouts)]}
              onChange={(id) =>
                onChange({ ...value, layout: (id || undefined) as Specification["layout"] })
              }
            />
          </Field>
          {FIGURES.map(({ field, label }) => (
            <Field key={field} label={label}>
              <input
                type="number"
                step="any"
                className="w-24 border-b border-rule bg-transparent"
                placeholder="not asked"
                value={value[field] ?? ""}
                onChange={(event) =>
                  onChange({
                    ...value,
                    [field]: event.target.value === "" ? undefined : event.target.valueAsNumber,
                  })
                }
              />
            </Field>
          ))}
        </div>
      )}
    </>
  );
}

/** “−23.0 LUFS ± 0.5, −1.0 dBTP”. */
export function asked(one: Specification): string {
  return [
    one.loudness !== undefined &&
      `${signed(one.loudness)} LUFS${one.tolerance === undefined ? "" : ` ± ${signed(one.tolerance)}`}`,
    one.truePeak !== undefined && `${signed(one.truePeak)} dBTP`,
    one.sampleRate !== undefined && `${one.sampleRate / 1000} kHz`,
    one.layout,
    one.format,
  ]
    .filter(Boolean)
    .join(", ");
}

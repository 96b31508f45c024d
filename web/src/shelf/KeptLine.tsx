import { useState, type ReactNode } from "react";
import { useKept } from "../resources/kept";
import { useRemoval } from "../resources/space";
import { FormDialog, TextLine } from "../ui/FormDialog";

interface Props {
  what: "chain" | "map";
  id: string;
  name: string;
  removed: boolean;
  /** What leads: a mark of a colour family, or nothing. */
  lead?: ReactNode;
  sort: string;
  children: ReactNode;
}

/** Something that is kept on the shelf; what was removed stays there for a while. */
export function KeptLine({ what, id, name, removed, lead, sort, children }: Props) {
  const { mutate: removal } = useRemoval();
  const { ask } = useKept(what);
  const [renaming, setRenaming] = useState<string>();
  return (
    <li className="grid grid-cols-[28px_240px_130px_minmax(0,1fr)_230px] items-baseline gap-3 border-b border-rule-2 py-1.5 max-md:grid-cols-1 max-md:gap-1">
      <span>{lead}</span>
      <span className={`font-semibold ${removed ? "text-ink-2 line-through" : ""}`}>
        <bdi>{name}</bdi>
      </span>
      <span className="text-ink-2">{sort}</span>
      <span className="text-ink-2">{children}</span>
      <span className="flex items-baseline justify-end gap-4 text-small">
        {!removed && (
          <>
            <button
              className="min-h-6 underline underline-offset-2"
              aria-label={`Rename ${name}`}
              onClick={() => setRenaming(name)}
            >
              Rename…
            </button>
            <a
              className="leading-6 underline underline-offset-2"
              aria-label={`${name} as a file`}
              href={`/api/${what}s/${id}/document`}
            >
              As a file
            </a>
          </>
        )}
        <button
          className="min-h-6 underline underline-offset-2"
          aria-label={removed ? `Bring back ${name}` : `Remove ${name}`}
          onClick={() => removal({ what, id, how: removed ? "back" : "remove" })}
        >
          {removed ? "Bring back" : "Remove"}
        </button>
      </span>
      {renaming !== undefined && (
        <FormDialog
          title={`Rename “${name}”`}
          description="What was put into a Mix from it stays as it is."
          does="Rename"
          onSubmit={() => ask({ rename: id, name: renaming })}
          onClose={() => setRenaming(undefined)}
        >
          <TextLine label="Name" required value={renaming} onChange={setRenaming} />
        </FormDialog>
      )}
    </li>
  );
}

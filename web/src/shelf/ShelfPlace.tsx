import { Dialog } from "radix-ui";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import type { ShelfItem } from "../api/client";
import { useShelf, useStartSession } from "../api/queries";
import { plural } from "../ui/format";

/** Templates and sessions. Start here. */
export function ShelfPlace() {
  const shelf = useShelf();
  const [starting, setStarting] = useState<ShelfItem>();
  const templates = shelf.data?.filter((item) => item.kind === "template") ?? [];
  const sessions = shelf.data?.filter((item) => item.kind === "session") ?? [];
  return (
    <div className="h-full overflow-y-auto px-6 py-5">
      <h1 className="sr-only">Shelf</h1>
      {shelf.error && <p className="text-wrong">{shelf.error.message}</p>}
      <Section
        title="Sessions"
        empty="Sessions are started from a template: choose one below."
        items={sessions}
      />
      <Section
        title="Templates"
        empty="No template is on this shelf. Start Drevik with the demo to get one."
        items={templates}
        onStart={setStarting}
      />
      <StartSession key={starting?.id} template={starting} onClose={() => setStarting(undefined)} />
    </div>
  );
}

interface SectionProps {
  title: string;
  empty: string;
  items: ShelfItem[];
  onStart?: (item: ShelfItem) => void;
}

function Section({ title, empty, items, onStart }: SectionProps) {
  return (
    <section className="mb-8">
      <h2 className="border-b border-rule pb-1 text-[12px] text-ink-2">
        <b className="font-semibold">{title}</b> {items.length}
      </h2>
      {items.length === 0 && <p className="py-3 text-ink-2">{empty}</p>}
      <ul>
        {items.map((item) => (
          <li
            key={item.id}
            className="grid grid-cols-[240px_minmax(0,1fr)_290px_120px] items-baseline gap-4 border-b border-rule-2 py-2"
          >
            <Link
              to={`/mixes/${item.id}/flow`}
              className="text-[15px] font-semibold underline-offset-4 hover:underline"
            >
              {item.name}
            </Link>
            <span className="text-ink-2">{item.description}</span>
            <span className="text-ink-2">
              {plural(item.seats, "seat")} · {plural(item.buses, "bus", "buses")} ·{" "}
              {plural(item.outputs, "output")} · revision {item.revision}
            </span>
            {onStart ? (
              <button
                className="border border-active px-2 py-1 text-active"
                onClick={() => onStart(item)}
              >
                Start a session
              </button>
            ) : (
              <time dateTime={item.changedAt} className="text-right text-ink-2">
                {new Date(item.changedAt).toLocaleDateString(undefined, {
                  day: "numeric",
                  month: "short",
                  hour: "2-digit",
                  minute: "2-digit",
                })}
              </time>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function StartSession({ template, onClose }: { template?: ShelfItem; onClose: () => void }) {
  const navigate = useNavigate();
  const start = useStartSession();
  const [name, setName] = useState("");
  const submit = (event: React.FormEvent) => {
    event.preventDefault();
    if (template) {
      start.mutate(
        { template: template.id, name },
        { onSuccess: (made) => void navigate(`/mixes/${made.id}/intake`) },
      );
    }
  };
  return (
    <Dialog.Root open={template !== undefined} onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-ground/60" />
        <Dialog.Content className="fixed left-1/2 top-32 w-[440px] -translate-x-1/2 border border-rule bg-raised p-5">
          <Dialog.Title className="text-[15px] font-semibold">
            Start a session from “{template?.name}”
          </Dialog.Title>
          <Dialog.Description className="mt-1 text-ink-2">
            It takes the template as it is now, revision {template?.revision}, without audio. Next
            comes the intake, where the delivery is dropped.
          </Dialog.Description>
          <form onSubmit={submit} className="mt-4 flex items-end gap-3">
            <label className="flex-1">
              <span className="text-[12px] text-ink-2">Name of the song or programme</span>
              <input
                required
                className="w-full border-b border-rule bg-transparent py-1 text-[15px]"
                value={name}
                onChange={(event) => setName(event.target.value)}
              />
            </label>
            <button
              className="border border-active px-3 py-1 text-active"
              disabled={start.isPending}
            >
              Start
            </button>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

import { useQueryClient } from "@tanstack/react-query";
import { useMemo, useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import type { ShelfItem } from "../api/client";
import {
  useArchive,
  useMake,
  useShelf,
  useStartSession,
  type MakeRequest,
} from "../resources/shelf";
import { understood } from "../resources/typed";
import { useOffer, type Act } from "../shell/acts";
import { Loading } from "../shell/Loading";
import { notify } from "../shell/notices";
import { TourOffer } from "../shell/Tour";
import { nameOfBatch, ofDrop, type Received } from "../intake/received";
import { receiveInto } from "../intake/receiving";
import { Field, FormDialog, Select } from "../ui/FormDialog";
import { plural, when } from "../ui/format";
import { JOBS } from "../ui/jobs";
import { ChainSection } from "./ChainSection";
import { FlowThumb } from "./FlowThumb";
import { MapSection } from "./MapSection";
import { NewTemplate } from "./NewTemplate";
import { SpaceDialog } from "./SpaceDialog";

/** Templates and sessions. Start here. */
export function ShelfPlace() {
  const shelf = useShelf();
  const [starting, setStarting] = useState<ShelfItem>();
  const [wanted, setWanted] = useState("");
  const [archived, setArchived] = useState(false);
  const [album, setAlbum] = useState(false);
  const [space, setSpace] = useState(false);
  const [over, setOver] = useState(false);
  const [dropped, setDropped] = useState<Received[]>();
  const [fresh, setFresh] = useState(false);
  const { mutate: make } = useMake();
  const file = useRef<HTMLInputElement>(null);
  const search = useRef<HTMLInputElement>(null);
  const acts = useMemo<Act[]>(
    () => [
      {
        id: "new-template",
        label: "New template…",
        key: "n",
        run: () => setFresh(true),
      },
      { id: "album", label: "New album…", key: "l", run: () => setAlbum(true) },
      { id: "read", label: "Read from a file…", key: "r", run: () => file.current?.click() },
      { id: "space", label: "Space…", key: "s", run: () => setSpace(true) },
      { id: "search", label: "Search the shelf", key: "/", run: () => search.current?.focus() },
    ],
    [],
  );
  useOffer("shelf", acts);
  const onMake = (what: MakeRequest) =>
    make(what, () => {
      if (what.make === "template-of") {
        notify("A template is made; its audio was left out, but for what is kept on purpose.");
      }
    });
  if (!shelf.data) {
    return <Loading what="The shelf" query={shelf} />;
  }
  const found = shelf.data
    .filter((item) => archived || !item.archived)
    .filter((item) => isFound(item, wanted));
  const unreadable = found.filter((item) => item.unreadable !== undefined);
  const readable = found.filter((item) => item.unreadable === undefined);
  const templates = readable.filter((item) => item.kind === "template");
  const sessions = readable.filter((item) => item.kind === "session");
  return (
    <div
      role="presentation"
      className={`h-full overflow-y-auto px-6 py-5 ${over ? "bg-active-ground" : ""}`}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        void ofDrop(event.dataTransfer).then((received) =>
          received.length > 0
            ? setDropped(received)
            : notify("There was no file in that.", "wrong"),
        );
      }}
    >
      <h1 className="sr-only">Shelf</h1>
      <TourOffer />
      <div className="mb-4 flex items-baseline gap-5 text-small">
        <label>
          <span className="text-ink-2">Search </span>
          <input
            ref={search}
            className="border-b border-rule bg-transparent"
            value={wanted}
            onChange={(event) => setWanted(event.target.value)}
          />
        </label>
        <button onClick={() => setFresh(true)}>
          New template… <kbd>N</kbd>
        </button>
        <button onClick={() => setAlbum(true)}>
          New album… <kbd>L</kbd>
        </button>
        <button onClick={() => file.current?.click()}>
          Read from a file… <kbd>R</kbd>
        </button>
        <button onClick={() => setSpace(true)}>
          Space… <kbd>S</kbd>
        </button>
        <label className="ml-auto flex items-center gap-1.5 text-ink-2">
          <input type="checkbox" checked={archived} onChange={() => setArchived(!archived)} />
          Archived ones too
        </label>
        <input
          ref={file}
          type="file"
          hidden
          accept=".json,application/json"
          aria-label="Mix file to read"
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            event.target.value = "";
            void chosen?.text().then((text) => onMake({ make: "read", text }));
          }}
        />
      </div>
      <Section
        title="Sessions"
        empty="Sessions are started from a template: choose one below."
        items={sessions}
        onMake={onMake}
      />
      {templates.length === 0 && (
        <p className="py-3 text-ink-2">
          No template here. Make a new one, read one from a file, or start Drevik with the demo.
        </p>
      )}
      {unreadable.length > 0 && (
        <Section
          title="Cannot be opened by this Drevik"
          empty=""
          items={unreadable}
          onMake={onMake}
        />
      )}
      {JOBS.map((job) => {
        const some = templates.filter((item) => item.job === job.id);
        return (
          some.length > 0 && (
            <Section
              key={job.id}
              title={`Templates ${job.label}`}
              empty=""
              items={some}
              onStart={setStarting}
              onMake={onMake}
            />
          )
        );
      })}
      <MapSection wanted={wanted} />
      <ChainSection wanted={wanted} />
      {dropped && (
        <SessionOfDrop
          received={dropped}
          templates={shelf.data.filter((item) => item.kind === "template" && !item.archived)}
          onClose={() => setDropped(undefined)}
        />
      )}
      {fresh && <NewTemplate onClose={() => setFresh(false)} />}
      {album && <NewAlbum onClose={() => setAlbum(false)} />}
      {space && <SpaceDialog onClose={() => setSpace(false)} />}
      {starting && <StartSession template={starting} onClose={() => setStarting(undefined)} />}
    </div>
  );
}

interface SectionProps {
  title: string;
  empty: string;
  items: ShelfItem[];
  onStart?: (item: ShelfItem) => void;
  onMake: (what: MakeRequest) => void;
}

function Section({ title, empty, items, onStart, onMake }: SectionProps) {
  const { mutate: archive } = useArchive();
  return (
    <section className="mb-8">
      <h2 className="border-b border-rule pb-1 text-small text-ink-2">
        <b className="font-semibold">{title}</b> {items.length}
      </h2>
      {items.length === 0 && <p className="py-3 text-ink-2">{empty}</p>}
      <ul>
        {items.map((item) => (
          <li
            key={item.id}
            className="grid grid-cols-[132px_190px_minmax(0,1fr)_150px_110px] items-start gap-4 border-b border-rule-2 py-2 max-md:grid-cols-1 max-md:gap-1"
          >
            {item.sketch ? <FlowThumb sketch={item.sketch} /> : <span />}
            {item.unreadable ? (
              <span className="text-title font-semibold">{item.name}</span>
            ) : (
              <Link
                to={`/mixes/${item.id}/flow`}
                className="text-title font-semibold underline-offset-4 hover:underline"
              >
                {item.name}
              </Link>
            )}
            <div className="text-ink-2">
              <p>{item.unreadable ?? item.description}</p>
              <p
                hidden={item.unreadable !== undefined}
                className="mt-1 flex flex-wrap gap-x-4 text-small"
              >
                <button
                  className="underline underline-offset-2"
                  aria-label={`Duplicate ${item.name}`}
                  onClick={() => onMake({ make: "copy", id: item.id })}
                >
                  Duplicate
                </button>
                {item.kind === "session" && (
                  <button
                    className="underline underline-offset-2"
                    aria-label={`Make a template of ${item.name}`}
                    onClick={() => onMake({ make: "template-of", id: item.id, name: "" })}
                  >
                    Make a template of it
                  </button>
                )}
                <button
                  className="underline underline-offset-2"
                  aria-label={`${item.archived ? "Take out" : "Archive"} ${item.name}`}
                  onClick={() => archive({ id: item.id, archived: !item.archived })}
                >
                  {item.archived ? "Take out of the archive" : "Archive"}
                </button>
                <a
                  className="underline underline-offset-2"
                  aria-label={`Save ${item.name} to a file`}
                  href={`/api/mixes/${item.id}/document`}
                  download
                >
                  Save to a file
                </a>
              </p>
            </div>
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
                {when(item.changedAt)}
              </time>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function isFound(item: ShelfItem, wanted: string): boolean {
  const text = `${item.name} ${item.description} ${item.kind}`.toLowerCase();
  return wanted
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}

interface SessionOfDropProps {
  received: Received[];
  templates: ShelfItem[];
  onClose: () => void;
}

/** What is dropped on the shelf becomes a session: which template, and what it is called. */
function SessionOfDrop({ received, templates, onClose }: SessionOfDropProps) {
  const navigate = useNavigate();
  const client = useQueryClient();
  const { ask } = useStartSession();
  const [template, setTemplate] = useState(templates[0]?.id ?? "");
  const [name, setName] = useState(nameOfBatch(received));
  return (
    <FormDialog
      title={`Start a session with ${plural(received.length, "file")}`}
      description="It takes the template as it is now. The files are received into its intake; nothing is routed before you have seen where it will go."
      does="Start"
      busy={template === ""}
      onClose={onClose}
      onSubmit={async () => {
        const made = await ask({ template, name });
        await receiveInto(client, made.id, received);
        void navigate(`/mixes/${made.id}/intake`);
      }}
    >
      <Field label="Template">
        <Select
          value={template}
          choices={templates.map((item) => ({ id: item.id, label: item.name }))}
          onChange={setTemplate}
        />
      </Field>
      <Field label="Name of the song or programme">
        <input
          required
          dir="auto"
          className="border-b border-rule bg-transparent py-1 text-title"
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </Field>
    </FormDialog>
  );
}

function NewAlbum({ onClose }: { onClose: () => void }) {
  const navigate = useNavigate();
  const { ask } = useMake();
  const [songs, setSongs] = useState("6");
  return (
    <FormDialog
      title="New album"
      description="One Mix for all songs: each has its own bus, its own section, and is printed by itself."
      does="Make it"
      onClose={onClose}
      onSubmit={async () => {
        const made = await ask({ make: "album", songs: await understood("NONE", songs) });
        void navigate(`/mixes/${made.id}/flow`);
      }}
    >
      <Field label="Songs">
        <input
          required
          className="w-24 border-b border-rule bg-transparent"
          value={songs}
          onChange={(event) => setSongs(event.target.value)}
        />
      </Field>
    </FormDialog>
  );
}

function StartSession({ template, onClose }: { template: ShelfItem; onClose: () => void }) {
  const navigate = useNavigate();
  const { ask } = useStartSession();
  const [name, setName] = useState("");
  return (
    <FormDialog
      title={`Start a session from “${template.name}”`}
      description={`It takes the template as it is now, revision ${template.revision}, without audio. Next comes the intake, where the delivery is dropped.`}
      does="Start"
      onClose={onClose}
      onSubmit={async () => {
        const made = await ask({ template: template.id, name });
        void navigate(`/mixes/${made.id}/intake`);
      }}
    >
      <Field label="Name of the song or programme">
        <input
          required
          className="border-b border-rule bg-transparent py-1 text-title"
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </Field>
    </FormDialog>
  );
}

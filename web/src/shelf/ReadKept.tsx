import { useKept } from "../resources/kept";

/** Puts a chain or a map of a file on the shelf. */
export function ReadKept({ what }: { what: "chain" | "map" }) {
  const { mutate: read } = useKept(what);
  return (
    <label className="ml-auto min-h-6 cursor-pointer underline underline-offset-2 focus-within:outline-2">
      Read from a file…
      <input
        type="file"
        className="sr-only"
        accept=".json,application/json"
        aria-label={`File of a ${what} to read`}
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          event.target.value = "";
          void chosen?.text().then((text) => read({ read: text }));
        }}
      />
    </label>
  );
}

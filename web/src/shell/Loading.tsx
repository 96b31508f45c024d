import { useEffect, useState } from "react";

interface Props {
  /** What is waited for: “The Ledger”. */
  what: string;
  query: { error: Error | null; isFetching: boolean; refetch: () => unknown };
}

/** Stands where something is going to be: says nothing at first, then that it comes, or why not. */
export function Loading({ what, query }: Props) {
  const [slow, setSlow] = useState(false);
  useEffect(() => {
    const wait = setTimeout(() => setSlow(true), 300);
    return () => clearTimeout(wait);
  }, []);
  if (query.error) {
    return (
      <div role="alert" className="p-6">
        <p>
          {what} could not be read: {query.error.message}
        </p>
        <button
          className="mt-3 border border-rule px-3 py-1"
          onClick={() => void query.refetch()}
          aria-disabled={query.isFetching}
        >
          Try again
        </button>
      </div>
    );
  }
  return (
    <p role="status" className="p-6 text-ink-2">
      {slow && `${what} is being read…`}
    </p>
  );
}

import { useEffect, useState } from "react";

const MILLISECONDS = 250;

/**
 * A value as it is once it has stood for a moment: many ticks at once ask the server once.
 *
 * @param key what tells one value from another
 */
export function useSettled<T>(value: T, key: string): T {
  const [settled, setSettled] = useState({ key, value });
  useEffect(() => {
    if (key === settled.key) {
      return;
    }
    const timer = setTimeout(() => setSettled({ key, value }), MILLISECONDS);
    return () => clearTimeout(timer);
  });
  return settled.value;
}

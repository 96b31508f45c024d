import { useCallback, useEffect, useState } from "react";

export type Theme = "day" | "night";
const KEY = "drevik-theme";

function systemTheme(): Theme {
  return window.matchMedia("(prefers-color-scheme: dark)").matches ? "night" : "day";
}

/** The system's theme until a person chooses one. */
export function useTheme(): [Theme, () => void] {
  const [theme, setTheme] = useState<Theme>(
    () => (localStorage.getItem(KEY) as Theme | null) ?? systemTheme(),
  );
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
  }, [theme]);
  const toggle = useCallback(
    () =>
      setTheme((now) => {
        const other = now === "day" ? "night" : "day";
        localStorage.setItem(KEY, other);
        return other;
      }),
    [],
  );
  return [theme, toggle];
}

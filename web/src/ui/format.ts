const MINUS = "−";

/** A number with a real minus sign and so many decimals. */
export function signed(value: number, decimals = 1): string {
  const text = Math.abs(value).toFixed(decimals);
  return value < 0 && Number(text) !== 0 ? MINUS + text : text;
}

/** A level of so many decibels, or fewer, is silent. */
export const SILENCE = -144;

/** Decibels without unit. “Silent” is what was measured, “−∞” a level that was set, “off” a switch. */
export function db(value: number | undefined): string {
  return value === undefined ? "silent" : value <= SILENCE ? "−∞" : signed(value);
}

/** “18 left”, “centre”. */
export function pan(value: number): string {
  const percent = Math.round(Math.abs(value) * 100);
  return percent === 0 ? "centre" : `${percent} ${value < 0 ? "left" : "right"}`;
}

/** “front”, “40 back”, “back”. */
export function frontBack(value: number): string {
  const percent = Math.round(value * 100);
  return percent === 0 ? "front" : percent === 100 ? "back" : `${percent} back`;
}

/** “level”, “40 up”, “above”. */
export function height(value: number): string {
  const percent = Math.round(value * 100);
  return percent === 0 ? "level" : percent === 100 ? "above" : `${percent} up`;
}

/** Minutes and seconds, “0:42”. */
export function time(seconds: number): string {
  const whole = Math.round(seconds);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
}

/** A text with a real minus sign, such as the name of a pan law. */
export function minus(text: string): string {
  return text.replace("-", "−");
}

export function bytes(count: number): string {
  return count >= 1e9 ? `${(count / 1e9).toFixed(1)} GB` : `${(count / 1e6).toFixed(1)} MB`;
}

export function plural(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`;
}

/** “26 Nov 2026, 10:26”, as the browser's language writes it. */
export function when(at: string): string {
  return new Date(at).toLocaleString(undefined, {
    day: "numeric",
    month: "short",
    year: "numeric",
    hour: "2-digit",
    minute: "2-digit",
    hour12: false,
  });
}

/** The list without this one if it is in it, else with it at the end. */
export function toggled<T>(list: readonly T[], one: T): T[] {
  return list.includes(one) ? list.filter((other) => other !== one) : [...list, one];
}

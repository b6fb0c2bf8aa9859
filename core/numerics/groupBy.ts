/** Values sorted into groups by a name, in the order in which the names occur. */
export function groupBy<T, Name>(values: Iterable<T>, nameOf: (value: T) => Name): Map<Name, T[]> {
  const groups = new Map<Name, T[]>();
  for (const value of values) {
    const name = nameOf(value);
    const own = groups.get(name);
    if (own) own.push(value);
    else groups.set(name, [value]);
  }
  return groups;
}

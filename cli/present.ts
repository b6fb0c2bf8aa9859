/** A result as a table for people: one line a figure, notes beneath. */
export function present(result: object): string {
  const lines: string[] = [];
  const notes = new Set<string>();
  for (const [name, value] of Object.entries(result)) describe(name, value, lines, notes);
  return [...lines, ...[...notes].map((note) => `  note: ${note}`)].join('\n') + '\n';
}

function describe(name: string, value: unknown, lines: string[], notes: Set<string>): void {
  if (name === 'notes') {
    for (const note of value as string[]) notes.add(note);
  } else if (value === null || typeof value !== 'object') {
    lines.push(`${name.padEnd(26)} ${figure(value)}`);
  } else if ('estimate' in value) {
    const {
      estimate,
      lower,
      upper,
      standardError,
      notes: own,
      F,
      df1,
      df2,
      p,
    } = value as Record<string, unknown>;
    const interval =
      typeof lower === 'number' ? `  95 %: ${figure(lower)} to ${figure(upper)}` : '';
    const error = typeof standardError === 'number' ? `  SE ${figure(standardError)}` : '';
    const test =
      typeof F === 'number'
        ? `  F(${figure(df1)}, ${figure(df2)}) = ${figure(F)}, p = ${figure(p)}`
        : '';
    lines.push(`${name.padEnd(26)} ${figure(estimate)}${interval}${error}${test}`);
    for (const note of (own as string[] | undefined) ?? []) notes.add(`${name}: ${note}`);
  } else {
    lines.push(name);
    for (const [key, inner] of Object.entries(value)) describe(`  ${key}`, inner, lines, notes);
  }
}

function figure(value: unknown): string {
  if (value === null || value === undefined) return 'undefined';
  if (typeof value !== 'number') return String(value);
  return Number.isInteger(value) ? String(value) : value.toPrecision(5);
}

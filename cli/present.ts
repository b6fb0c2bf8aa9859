/** A result as a table for people: one line a figure, lists as tables, notes beneath. */
export function present(result: object): string {
  const lines: string[] = [];
  const notes = new Set<string>();
  for (const [name, value] of Object.entries(result)) describe(name, value, lines, notes);
  return [...lines, ...[...notes].map((note) => `  note: ${note}`)].join('\n') + '\n';
}

function describe(name: string, value: unknown, lines: string[], notes: Set<string>): void {
  if (name === 'notes') {
    for (const note of value as string[]) notes.add(note);
  } else if (Array.isArray(value) && value.every((row) => isRecord(row))) {
    lines.push(`${name}${value.length === 0 ? ': none' : ''}`, ...table(value));
  } else if (Array.isArray(value)) {
    lines.push(`${name.padEnd(26)} ${value.map(figure).join(', ')}`);
  } else if (!isRecord(value)) {
    lines.push(`${name.padEnd(26)} ${figure(value)}`);
  } else if ('estimate' in value) {
    lines.push(`${name.padEnd(26)} ${estimate(value)}`);
    for (const note of (value.notes as string[] | undefined) ?? []) notes.add(`${name}: ${note}`);
  } else {
    lines.push(name);
    for (const [key, inner] of Object.entries(value)) describe(`  ${key}`, inner, lines, notes);
  }
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function estimate({
  estimate,
  lower,
  upper,
  standardError,
  F,
  df1,
  df2,
  p,
}: Record<string, unknown>): string {
  const interval = typeof lower === 'number' ? `  95 %: ${figure(lower)} to ${figure(upper)}` : '';
  const error = typeof standardError === 'number' ? `  SE ${figure(standardError)}` : '';
  const test =
    typeof F === 'number'
      ? `  F(${figure(df1)}, ${figure(df2)}) = ${figure(F)}, p = ${figure(p)}`
      : '';
  return `${figure(estimate)}${interval}${error}${test}`;
}

/** Rows of one shape under their column names; what is nested is left to --json. */
function table(rows: readonly Record<string, unknown>[]): string[] {
  const columns = Object.entries(rows[0] ?? {}).flatMap(([name, value]) =>
    isRecord(value) || (Array.isArray(value) && value.some((x) => typeof x === 'object'))
      ? []
      : [name],
  );
  const cells = rows.map((row) =>
    columns.map((name) => {
      const value = row[name];
      return Array.isArray(value) ? value.map(figure).join(' ') : figure(value);
    }),
  );
  const widths = columns.map((name, c) =>
    Math.max(name.length, ...cells.map((row) => row[c]?.length ?? 0)),
  );
  const line = (row: readonly string[]) =>
    `  ${row.map((cell, c) => cell.padStart(widths[c] ?? 0)).join('  ')}`;
  return [line(columns), ...cells.map(line)];
}

function figure(value: unknown): string {
  if (value === null || value === undefined) return 'undefined';
  if (typeof value !== 'number') return String(value);
  return Number.isInteger(value) ? String(value) : value.toPrecision(5);
}

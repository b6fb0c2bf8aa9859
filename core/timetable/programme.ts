import loadHighs from 'highs';

/** One of the sums of an integer programme: so much of each choice, and how much it may come to. */
export interface Row {
  readonly terms: readonly (readonly [factor: number, choice: string])[];
  readonly is: '<=' | '>=' | '=';
  readonly value: number;
}

/** Yes-or-no choices with what each costs, and the sums that they must keep. */
export interface Programme {
  readonly costs: ReadonlyMap<string, number>;
  readonly rows: readonly Row[];
}

/** How much work the solver may do; the same seed and the same limits give the same choices. */
export interface Budget {
  readonly seed: number;
  /** Nodes of the search tree. */
  readonly nodes: number;
  /** Stops by the clock; what is found by then depends on the machine. */
  readonly seconds: number;
}

export interface Solved {
  /** The choices that are made. */
  readonly chosen: ReadonlySet<string>;
  readonly byClock: boolean;
}

const highs = loadHighs();

/**
 * The cheapest choices, by branch and cut (HiGHS; Huangfu & Hall 2018). Throws `RangeError` where
 * no choices keep all the sums; whoever asks gives every sum a way out at a price.
 */
export async function solve({ costs, rows }: Programme, budget: Budget): Promise<Solved> {
  if (costs.size === 0) return { chosen: new Set(), byClock: false };
  // Names of the asker's may hold anything; the solver's are short and plain.
  const names = [...costs.keys()];
  const own = new Map(names.map((name, i) => [name, `x${i}`]));
  const sum = (terms: Row['terms']) =>
    terms.map(([factor, name]) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${own.get(name)}`);
  const kept = rows.filter(({ terms }) => terms.length > 0);
  const text = [
    'Minimize',
    ...wrapped(sum(names.map((name) => [costs.get(name) ?? 0, name] as const))),
    'Subject To',
    ...kept.flatMap(({ terms, is, value }) => wrapped([...sum(terms), `${is} ${value}`])),
    'Binary',
    ...wrapped([...own.values()]),
    'End',
  ].join('\n');
  const result = (await highs).solve(text, {
    random_seed: budget.seed,
    mip_max_nodes: budget.nodes,
    time_limit: budget.seconds,
    output_flag: false,
  });
  const columns = 'Columns' in result ? result.Columns : {};
  const chosen = names.filter((name) => {
    const column = columns[own.get(name) ?? ''];
    return column !== undefined && 'Primal' in column && (column.Primal ?? 0) > 0.5;
  });
  if (result.Status === 'Infeasible') throw new RangeError('No choices keep all the sums.');
  return {
    chosen: new Set(chosen),
    byClock: result.Status === 'Time limit reached',
  };
}

/** The format reads lines of a limited length. */
function wrapped(words: readonly string[]): string[] {
  const lines: string[] = [];
  for (let from = 0; from < words.length; from += 20) {
    lines.push(` ${words.slice(from, from + 20).join(' ')}`);
  }
  return lines;
}

import { angoffRounds, judgesAgainstData } from '@kritikos/core/standards/angoff';
import { beuk } from '@kritikos/core/standards/beuk';
import { reachesCut } from '@kritikos/core/standards/reachesCut';
import { ebel } from '@kritikos/core/standards/ebel';
import { asBadInput, BadInput } from './badInput.ts';
import { leftOutNotes, readColumns } from './readColumns.ts';
import { readNumbers } from './readRatings.ts';

const shares = (rows: readonly (readonly (number | null)[])[], percent: boolean | undefined) =>
  rows.map((row) => row.map((x) => (x === null || !percent ? x : x / 100)));

/** Ebel's cut: one row a judge, one column a cell "difficulty/relevance"; `--weights` says what each holds. */
export async function ebelCut(file: string, flags: { weights: string; percent?: boolean }) {
  const { columns, rows } = await readNumbers(file);
  const weights = flags.weights.split(',').map(Number);
  if (weights.length !== columns.length || weights.some((w) => !(w >= 0))) {
    throw new BadInput(
      `--weights takes ${columns.length} numbers, what each cell holds, not "${flags.weights}".`,
    );
  }
  const cells = columns.map((column, c) => {
    const [difficulty = '', relevance = ''] = column.split('/');
    return { difficulty, relevance, weight: weights[c] as number };
  });
  const { estimate, lower, upper, standardError, judges, n, notes } = asBadInput(() =>
    ebel(cells, shares(rows, flags.percent)),
  );
  return { cut: estimate, lower, upper, standardError, judges, n, notes };
}

/** The rounds of an Angoff panel, a file each, and how its judges follow what candidates earned. */
export async function rounds(
  files: readonly string[],
  flags: { percent?: boolean; earned?: string },
) {
  const tables = [];
  for (const file of files) tables.push(await readNumbers(file));
  const [first] = tables;
  if (
    !first ||
    tables.some(
      (t) => t.rows.length !== first.rows.length || t.columns.length !== first.columns.length,
    )
  ) {
    throw new BadInput('Every round needs the same judges and the same items, in the same order.');
  }
  const judgements = tables.map(({ rows }) => shares(rows, flags.percent));
  const weights = first.columns.map(() => 1);
  const earned = flags.earned === undefined ? null : await readNumbers(flags.earned);
  const facility = first.columns.map((column) => {
    const place = earned?.columns.indexOf(column) ?? -1;
    const values = place < 0 ? [] : (earned?.rows ?? []).flatMap((row) => row[place] ?? []);
    return values.length === 0 ? null : values.reduce((sum, x) => sum + x, 0) / values.length;
  });
  return asBadInput(() => ({
    rounds: angoffRounds(judgements, weights),
    ...(earned ? { judgesAgainstData: judgesAgainstData(judgements.at(-1) ?? [], facility) } : {}),
    judges: first.rows.length,
    items: first.columns.length,
    notes:
      earned && facility.every((x) => x === null)
        ? ['No column of the earned shares has the name of an item.']
        : [],
  }));
}

/** Beuk's compromise: one row a judge, columns cut and pass-rate. */
export async function beukCut(
  scoreFile: string,
  answerFile: string,
  flags: { score: string; lowest: number; highest: number },
) {
  const { values, leftOut } = await readColumns(scoreFile, [flags.score]);
  const scores = values[0] ?? [];
  const { values: answers } = await readColumns(answerFile, ['cut', 'pass-rate']);
  const [cuts = [], rates = []] = answers;
  const { estimate, n, notes } = asBadInput(() =>
    beuk(
      scores,
      cuts.map((cut, j) => ({ cut, passRate: rates[j] as number })),
      [flags.lowest, flags.highest],
    ),
  );
  const passRate =
    estimate === null ? null : scores.filter((s) => reachesCut(s, estimate)).length / n;
  return {
    cut: estimate,
    passRate,
    judges: cuts.length,
    n,
    notes: [...notes, ...leftOutNotes(leftOut, 'score')],
  };
}

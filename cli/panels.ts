import { angoffRounds, judgesAgainstData } from '@kritikos/core/standards/angoff';
import { beuk } from '@kritikos/core/standards/beuk';
import { reachesCut } from '@kritikos/core/standards/reachesCut';
import { ebel } from '@kritikos/core/standards/ebel';
import { asBadInput, BadInput } from './badInput.ts';
import { leftOutNotes, readColumns } from './readColumns.ts';
import { cellsLike } from './joined.ts';
import { readJudgements } from './readJudgements.ts';
import { readNumbers } from './readRatings.ts';
import { scoresOn, SHARES } from './scales.ts';

/** Ebel's cut: one row a judge, one column a cell "difficulty/relevance"; `--weights` says what each holds. */
export async function ebelCut(file: string, flags: { weights: number[]; percent?: boolean }) {
  const { columns, rows } = await readJudgements(file, flags);
  const { weights } = flags;
  if (weights.length !== columns.length) {
    throw new BadInput(
      `--weights takes ${columns.length} numbers, what each cell holds, not the ${weights.length} of "${weights.join(',')}".`,
    );
  }
  const cells = columns.map((column, c) => {
    const [difficulty = '', relevance = ''] = column.split('/');
    return { difficulty, relevance, weight: weights[c] as number };
  });
  const { estimate, lower, upper, standardError, judges, n, notes } = asBadInput(() =>
    ebel(cells, rows),
  );
  return { cut: estimate, lower, upper, standardError, judges, n, notes };
}

/**
 * The rounds of an Angoff panel, a file each, and how its judges follow what candidates earned;
 * judges and items are joined by their names.
 */
export async function rounds(
  files: readonly string[],
  flags: { percent?: boolean; earned?: string },
) {
  const [path = '', ...later] = files;
  const first = await readJudgements(path, flags);
  const judgements = [first.rows];
  for (const file of later) judgements.push(cellsLike(await readJudgements(file, flags), first));
  const weights = first.columns.map(() => 1);
  const earned = flags.earned === undefined ? null : await readNumbers(flags.earned, SHARES);
  const facility = first.columns.map((column) => {
    const place = earned?.columns.indexOf(column) ?? -1;
    const values = place < 0 ? [] : (earned?.rows ?? []).flatMap((row) => row[place] ?? []);
    return values.length === 0 ? null : values.reduce((sum, x) => sum + x, 0) / values.length;
  });
  const unknown = first.columns.filter((column) => !earned?.columns.includes(column));
  return asBadInput(() => ({
    rounds: angoffRounds(judgements, weights),
    ...(earned ? { judgesAgainstData: judgesAgainstData(judgements.at(-1) ?? [], facility) } : {}),
    judges: first.rows.length,
    items: first.columns.length,
    notes:
      earned && unknown.length > 0
        ? [`${flags.earned} has no column ${unknown.map((name) => `"${name}"`).join(', ')}.`]
        : [],
  }));
}

/** Beuk's compromise: one row a judge, columns cut and pass-rate. */
export async function beukCut(
  scoreFile: string,
  answerFile: string,
  flags: { score: string; lowest: number; highest: number },
) {
  const scale = scoresOn(flags.lowest, flags.highest);
  const { values, leftOut } = await readColumns(scoreFile, [flags.score], [scale]);
  const scores = values[0] ?? [];
  const acceptable = { ...scale, name: 'a cut' };
  const { values: answers } = await readColumns(
    answerFile,
    ['cut', 'pass-rate'],
    [acceptable, SHARES],
  );
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

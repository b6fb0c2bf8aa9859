import type { RehearsalSummary, Spread } from './summary.ts';

/** A station that tells less than this of a candidate carries next to nothing (common practice, no source). */
const NOTHING = 0.1;

/** What a course lead should know of a rehearsal, in sentences. */
export function sayRehearsal(
  summary: RehearsalSummary,
  {
    titles,
    candidates,
    pairs,
  }: { readonly titles: readonly string[]; readonly candidates: number; readonly pairs: number },
): string[] {
  const { kappa, icc, cut, cutError, dependability, sem, borderline, byExaminer, byCircuit } =
    summary;
  const said: string[] = [];
  if (dependability && sem) {
    said.push(
      `The examination will be dependable to ${two(dependability)} (nine rehearsals in ten between ${range(dependability, 2)}); a candidate’s mean will be known to about ± ${(1.96 * sem.mean).toFixed(1)} percent points.`,
    );
  }
  if (cut && cut.sd !== null) {
    said.push(
      `The cut will lie near ${cut.mean.toFixed(1)} %, with a standard error of ${cut.sd.toFixed(1)}${cutError === null ? '' : `; the method itself will say ${cutError.toFixed(1)}${cutError < 0.9 * cut.sd ? ', too little, since it does not know of severity' : ''}`}.`,
    );
  } else said.push('The method gives no cut with so few candidates.');
  if (kappa && icc) {
    said.push(
      `With ${pairs} sheets marked twice kappa will come out between ${range(kappa.estimate, 2)}${kappa.halfWidth === null ? '' : `, each with an interval of ± ${kappa.halfWidth.toFixed(2)}`}; the intraclass correlation of a score between ${range(icc.estimate, 2)}${icc.halfWidth === null ? '' : `, with ± ${icc.halfWidth.toFixed(2)}`}.`,
    );
  } else said.push('Nobody is marked twice, so nothing will be known of agreement.');
  if (byExaminer !== null) {
    const one = (share: number) => `${Math.round(100 * share)} of 100`;
    said.push(
      `About ${Math.round(borderline.mean)} of ${candidates} candidates will be within a standard error of the cut. Of those, ${one(byExaminer)} stand where they stand because of the examiners they met${byCircuit === null ? '' : `, and ${one(byCircuit)} would stand elsewhere in another circuit`}.`,
    );
  }
  const idle = summary.stations.flatMap((own, s) =>
    own && own.mean < NOTHING ? [titles[s] ?? ''] : [],
  );
  const weakest = summary.stations
    .map((own, s) => ({ own, title: titles[s] ?? '' }))
    .filter(({ own }) => own !== null)
    .sort((a, b) => (a.own as Spread).mean - (b.own as Spread).mean)[0];
  if (idle.length > 0) {
    said.push(
      `${idle.join(', ')} ${idle.length === 1 ? 'carries' : 'carry'} next to nothing: what candidates earn there says nothing of the rest.`,
    );
  } else if (weakest) {
    said.push(
      `Every station carries something; ${weakest.title} the least (${two(weakest.own as Spread)}).`,
    );
  }
  return said;
}

function two({ mean }: Spread): string {
  return mean.toFixed(2);
}

function range({ low, high }: Spread, digits: number): string {
  return `${low.toFixed(digits)} and ${high.toFixed(digits)}`;
}

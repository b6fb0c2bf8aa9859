import type { Results } from '@kritikos/contracts/results';
import { DOMAINS } from '@kritikos/core/scoring/checklist';
import { stringify } from 'csv-stringify/sync';

/**
 * The results as a file that a spreadsheet opens: UTF-8 with byte-order mark, one row a candidate.
 * Text that a spreadsheet would take for a formula is escaped.
 */
export function resultFile(results: Results): string {
  const header = [
    'number',
    'student number',
    'name',
    'outcome',
    'reasons',
    'mean percent',
    ...results.stations.map((s) => `station ${s.position} ${s.title}`),
    ...DOMAINS,
    'safety',
    'safety events',
    'safety events laid to the candidate',
    'safety events not followed up',
  ];
  const rows = results.candidates.map((candidate) => [
    candidate.number,
    candidate.studentNumber,
    candidate.name,
    candidate.outcome ?? 'no decision',
    candidate.reasons.join(' '),
    rounded(candidate.mean),
    ...candidate.stations.map((s) => rounded(s.percent)),
    ...DOMAINS.map((domain) => rounded(candidate.domains[domain])),
    rounded(candidate.safety),
    candidate.safetyEvents.all,
    candidate.safetyEvents.laid,
    candidate.safetyEvents.open,
  ]);
  return stringify([header, ...rows], { bom: true, escape_formulas: true });
}

function rounded(percent: number | null | undefined): string {
  return percent === null || percent === undefined ? '' : percent.toFixed(2);
}

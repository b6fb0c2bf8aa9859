import { seededChance } from '@kritikos/core/numerics/random';
import type { RatedSheet } from '@kritikos/core/agreement/ratedSheet';
import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import { describeStation } from '../agreement/describeStation.ts';
import run from './severityJob.ts';

const ITEMS = 8;
const CANDIDATES = 24;
const TIMES = 10;

/**
 * Runs in a worker thread: a made-up station, so that the engine has met the code before somebody
 * waits for it.
 */
export default function warmUp(): void {
  const chance = seededChance(1);
  const items = Array.from({ length: ITEMS }, (_, i): ChecklistItem => ({
    key: `item-${i}`,
    text: '',
    domain: 'technique',
    weight: 1,
    observability: 'seen',
    criticality: 'none',
    safety: false,
    saidEarns: false,
    ...(i % 2 === 0
      ? { kind: 'done' as const }
      : { kind: 'graded' as const, anchors: ['', '', ''] }),
  }));
  const sheets = Array.from({ length: 2 * CANDIDATES }, (_, n): RatedSheet => {
    const categories = items.map(({ kind }) => chance.below(kind === 'done' ? 2 : 3));
    const shares = categories.map((category, i) => category / (i % 2 === 0 ? 1 : 2));
    const candidate = Math.floor(n / 2);
    return {
      id: String(n),
      candidate,
      examiner: n % 2 === 0 ? (candidate < CANDIDATES / 2 ? 'a' : 'b') : 'c',
      percent: (100 * shares.reduce((sum, share) => sum + share, 0)) / ITEMS,
      variants: '{}',
      categories: categories.map(String),
      shares,
      values: {},
    };
  });
  for (let time = 0; time < TIMES; time++) describeStation({ items, procedures: [] }, sheets);
  const line = (examiner: string) => ({
    station: 0,
    examiner,
    scores: sheets
      .filter((sheet) => sheet.examiner === examiner)
      .map(({ candidate, percent }) => `${candidate},${percent}`)
      .join(' '),
  });
  run({ lines: ['a', 'b', 'c'].map(line), standard: null });
}

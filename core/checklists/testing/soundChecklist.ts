import type { ChecklistContent, ChecklistItem, DoneItem } from '../../scoring/checklist.ts';
import { itemBase } from '../../scoring/testing/items.ts';
import { BOTH_SIDES } from '../sideComparison.ts';

export function doneItem(key: string, text: string, more: Partial<DoneItem> = {}): DoneItem {
  return { ...itemBase, key, text, kind: 'done', ...more };
}

const ITEMS: readonly ChecklistItem[] = [
  doneItem('consent', 'Gains spoken consent before touching', {
    domain: 'preparation',
    criticality: 'flag',
    criticalReason: 'Nobody is touched who has not agreed to it.',
    safety: true,
  }),
  {
    ...itemBase,
    key: 'angle',
    text: 'Sets the knee between 20 and 30 degrees',
    domain: 'positioning',
    kind: 'measured',
    unit: '°',
    lower: 20,
    upper: 30,
    fullTolerance: 0,
    halfTolerance: 5,
    step: 5,
    minimum: -30,
    maximum: 180,
  },
  doneItem('stops', 'Lets go at once when asked to', {
    criticality: 'fails-station',
    criticalReason: 'Going on would injure.',
    safety: true,
  }),
  {
    ...itemBase,
    key: 'ramp',
    text: 'Builds the force up slowly',
    kind: 'graded',
    anchors: ['Jerks', 'Slow at first, jerks at the end', 'Slow throughout'],
  },
  BOTH_SIDES,
  {
    ...itemBase,
    key: 'result',
    text: 'States the result',
    domain: 'interpretation',
    kind: 'choice',
    observability: 'spoken',
    saidEarns: true,
    options: [
      { key: 'negative', label: 'Negative', call: 0 },
      { key: 'equivocal', label: 'Equivocal', call: 1 },
      { key: 'positive', label: 'Positive', call: 2 },
    ],
    answer: 'positive',
  },
];

/** A checklist in which the reading along finds nothing. */
export const SOUND: ChecklistContent = {
  format: 2,
  procedures: [
    {
      procedure: 'drawer',
      title: 'Drawer',
      variants: [{ key: 'usual', label: 'Usual', description: 'As it is usually done' }],
      usualVariant: 'usual',
    },
  ],
  items: ITEMS,
  faults: [{ key: 'jerk', text: 'Jerks', item: 'ramp', grade: 0 }],
  order: [{ earns: 'consent', before: 'angle' }],
  branches: [{ when: 'result', is: ['negative'], skips: ['ramp'] }],
  attempts: { allowed: 1, counts: 'last' },
  simulatedPatient: 'Nothing hurts.',
  task: 'Test the knee.',
  cautions: ['Not on a fresh fracture.'],
  stopRule: 'Stop when asked to.',
};

import type { MeasuredItem } from '@kritikos/core/scoring/checklist';
import { describe, expect, it } from 'vitest';
import type { Procedure } from './procedure.ts';
import { PROCEDURES, procedureById } from './procedures.ts';
import { unsoundIn } from './soundness.ts';

const KNOWN = new Set(PROCEDURES.map(({ id }) => id));
const lachman = procedureById('lachman-anterior-translation') as Procedure;
const withItem = (key: string, change: object): Procedure => ({
  ...lachman,
  checklist: {
    ...lachman.checklist,
    items: lachman.checklist.items.map((item) =>
      item.key === key ? ({ ...item, ...change } as typeof item) : item,
    ),
  },
});
const found = (procedure: Procedure) => unsoundIn(procedure, KNOWN);

describe('the soundness of a procedure', () => {
  it('is given of every procedure of the catalogue', () => {
    expect(PROCEDURES.flatMap((procedure) => found(procedure).map((u) => u.reason))).toEqual([]);
  });

  it('names the band that leaves the joint’s range, where it stands, and the nearest that does not', () => {
    const { items } = lachman.checklist;
    const place = items.findIndex(
      ({ kind, text }) => kind === 'measured' && text.includes('Knee flexion'),
    );
    const angle = items[place] as MeasuredItem;
    expect(found(withItem(angle.key, { lower: 20, upper: 170, maximum: 180 }))).toEqual([
      {
        path: `/checklist/items/${place}/upper`,
        reason: 'is 170°, and Knee flexion goes from -10° to 150°',
        nearest: '150°',
      },
    ]);
  });

  it('names the drawn angle that no joint takes', () => {
    const { figure } = lachman;
    if (!figure?.decides) throw new Error('no figure');
    const decides = { ...figure.decides, band: [20, 200] as const };
    expect(found({ ...lachman, figure: { ...figure, decides } })).toEqual([
      {
        path: '/figure/decides/band/1',
        reason: 'is 200°, and kneeFlexion goes from -15° to 150°',
        nearest: '150°',
      },
    ]);
  });

  it('names what two examiners could not agree on, and what would do', () => {
    const [first] = lachman.checklist.items;
    const bundled = withItem(first?.key ?? '', { text: 'Holds the thigh and draws the shin' });
    expect(found(bundled)).toEqual([
      expect.objectContaining({
        path: '/checklist/items/0/text',
        nearest: 'Holds the thigh; Draws the shin',
      }),
    ]);
    expect(found({ ...lachman, checklist: { ...lachman.checklist, stopRule: '' } })).toEqual([
      expect.objectContaining({ path: '/checklist/stopRule' }),
    ]);
  });

  it('names a list that is too short, and a way that leads nowhere', () => {
    const short = { ...lachman.checklist, items: lachman.checklist.items.slice(0, 5) };
    const paths = found({ ...lachman, checklist: short, followUp: ['no-such-test'] }).map(
      ({ path }) => path,
    );
    expect(paths).toContain('/checklist/items');
    expect(paths).toContain('/followUp/0');
  });
});

import type { MeasuredItem } from '@kritikos/core/scoring/checklist';
import { describe, expect, it } from 'vitest';
import type { Procedure } from './procedure.ts';
import { PROCEDURES, procedureById } from './procedures.ts';
import { unsoundIn, unsoundOnShelf } from './soundness.ts';
import type { Unsound } from './soundness/unsound.ts';

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
        instead: 150,
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
        instead: 150,
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

  const [load] = lachman.loads;
  const [finding] = lachman.findings;
  if (!load || !finding || !lachman.figure?.decides) throw new Error('not a whole procedure');
  const { angle } = lachman.figure.decides;
  const { pose } = lachman.figure;

  // What the tests of the catalogue ask of each of its procedures, asked of whoever writes one.
  it.each<[string, Partial<Procedure>, Partial<Unsound>]>([
    [
      'a structure that no patient has',
      { loads: [{ ...load, structure: 'anterior cruciate ligamnt' }, ...lachman.loads.slice(1)] },
      {
        path: '/loads/0/structure',
        nearest: 'anterior cruciate ligament',
        instead: 'anterior cruciate ligament',
      },
    ],
    [
      'a number that no item asks for',
      { numbers: [{ item: 'no-such', healthy: 0, tolerance: 1, half: 2, by: [] }] },
      { path: '/numbers/0/item' },
    ],
    [
      'a result without the option that a patient answers with',
      { findings: [{ ...finding, options: finding.options.slice(0, 1) }] },
      { path: '/findings/0/options' },
    ],
    [
      'a sound patient who is called positive',
      { findings: [{ ...finding, options: finding.options.map((o) => ({ ...o, call: 1 })) }] },
      { path: '/findings/0/options/0/call', instead: 0 },
    ],
    ['a result that no patient changes', { loads: [] }, { path: '/findings/0/reading' }],
    [
      'a variant that is none of the schools',
      { schools: lachman.schools.map((school) => ({ ...school, key: `${school.key}s` })) },
      {
        path: '/checklist/variants/0/key',
        instead: `${lachman.checklist.variants[0]?.key ?? ''}s`,
      },
    ],
    [
      'a drawing that does not do what its band decides',
      { figure: { ...lachman.figure, pose: { ...pose, leg: { ...pose.leg, [angle]: 90 } } } },
      {
        path: `/figure/pose/leg/${angle}`,
        nearest: `${lachman.figure.decides.band[1]}°`,
        instead: lachman.figure.decides.band[1],
      },
    ],
  ])('names %s', (_, change, unsound) => {
    expect(found({ ...lachman, ...change })).toContainEqual(expect.objectContaining(unsound));
  });

  it('tells a misspelt structure once, and not what follows from it', () => {
    const loads = lachman.loads.map((own) => ({ ...own, structure: 'anterior cruciate ligamnt' }));
    expect(found({ ...lachman, loads }).map(({ path }) => path)).toEqual(
      loads.map((_, i) => `/loads/${i}/structure`),
    );
  });

  it('keeps the names of the catalogue from a school’s own shelf', () => {
    expect(unsoundOnShelf(lachman, KNOWN)).toEqual([
      expect.objectContaining({ path: '/id', instead: `own-${lachman.id}` }),
    ]);
    expect(unsoundOnShelf({ ...lachman, id: `own-${lachman.id}` }, KNOWN)).toEqual([]);
  });
});

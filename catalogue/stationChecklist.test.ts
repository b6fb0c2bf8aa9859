import { describe, expect, it } from 'vitest';
import { conditionById } from './conditions.ts';
import { checklistFor } from './define.ts';
import { procedureById, PROCEDURES } from './procedures.ts';
import { liftChecklist, stationChecklist } from './stationChecklist.ts';

const [first, second, third] = PROCEDURES;
if (!first || !second || !third) throw new Error('The catalogue has lost its procedures.');

describe('the checklist of a station', () => {
  it('of one procedure says what the procedure says', () => {
    const { items, faults, procedures } = stationChecklist([first]);
    expect(items).toEqual(first.checklist.items);
    expect(faults).toEqual(first.checklist.faults);
    expect(procedures.map((own) => own.procedure)).toEqual([first.id]);
  });

  it('asks once for what every procedure asks in the same words', () => {
    const { items } = stationChecklist([first, second]);
    const consent = items.filter(
      ({ text }) => text === items.find((i) => i.key === 'consent')?.text,
    );
    expect(consent).toHaveLength(1);
    const separate = first.checklist.items.length + second.checklist.items.length;
    expect(items.length).toBeLessThan(separate);
  });

  it('has no key twice, whichever procedures come together, and leads every reference somewhere', () => {
    for (const [i, one] of PROCEDURES.entries()) {
      const other = PROCEDURES[(i + 7) % PROCEDURES.length];
      if (!other) continue;
      const { items, faults, procedures } = stationChecklist([one, other]);
      const unique = (names: readonly string[]) => expect(new Set(names).size).toBe(names.length);
      unique(items.map(({ key }) => key));
      unique(faults.map(({ key }) => key));
      const variants = procedures.flatMap((own) => own.variants.map(({ key }) => key));
      unique(variants);
      for (const fault of faults) expect(items.map(({ key }) => key)).toContain(fault.item);
      for (const item of items) {
        for (const variant of item.variants ?? []) expect(variants).toContain(variant);
      }
    }
  });

  it('is shortened to the items that are kept, with the faults that spoil them', () => {
    const kept = first.checklist.items.slice(0, 5).map(({ key }) => key);
    const { items, faults } = stationChecklist([first, second], {
      [first.id]: kept,
      [second.id]: [],
    });
    expect(items.map(({ key }) => key)).toEqual(kept);
    expect(faults.every(({ item }) => kept.includes(item))).toBe(true);
  });

  it('keeps what is asked of refraining, and says what is withheld of each procedure', () => {
    const unstable = conditionById('shoulder-instability');
    const of = (id: string) => {
      const procedure = procedureById(id);
      if (!procedure) throw new Error(`There is no procedure ${id}.`);
      return { ...procedure, checklist: checklistFor(procedure, unstable, 'left') };
    };
    const { items, withheld } = stationChecklist(
      [of('er90-strength'), of('biceps-load-ii'), of('speed')],
      { 'er90-strength': ['consent'] },
    );
    expect(withheld?.map(({ procedure }) => procedure)).toEqual([
      'er90-strength',
      'biceps-load-ii',
    ]);
    const asked = items.map(({ key }) => key);
    expect(asked.filter((key) => key.endsWith('refrains'))).toEqual([
      'refrains',
      'biceps-load-ii-refrains',
    ]);
    // What may be done is asked as ever.
    expect(items.filter(({ procedure }) => procedure === 'speed').length).toBeGreaterThan(5);
  });

  it('of nothing is none', () => {
    expect(() => stationChecklist([])).toThrow(/needs a procedure/);
  });

  it('of three procedures names each with its usual variant', () => {
    const { procedures } = stationChecklist([first, second, third]);
    expect(procedures).toHaveLength(3);
    for (const { variants, usualVariant } of procedures) {
      expect(variants.map(({ key }) => key)).toContain(usualVariant);
    }
    expect(liftChecklist(third).procedures[0]?.variants).toHaveLength(
      procedures[2]?.variants.length ?? 0,
    );
  });
});

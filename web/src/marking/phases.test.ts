import { PROCEDURES } from '@kritikos/catalogue/procedures';
import { belongsToVariant } from '@kritikos/core/scoring/checklist';
import { describe, expect, it } from 'vitest';
import { byPhase, inTwoColumns } from '@kritikos/core/marking/phases';

describe('the layout of the marking sheet', () => {
  it.each(PROCEDURES.map((p) => [p.id, p] as const))('%s fits two columns of eight', (_, p) => {
    for (const variant of p.checklist.variants) {
      const items = p.checklist.items.filter((item) =>
        belongsToVariant(item, { own: variant.key }),
      );
      const [left, right] = inTwoColumns(byPhase(items));
      const count = (groups: typeof left) => groups.reduce((n, g) => n + g.items.length, 0);
      expect(count(left) + count(right)).toBe(items.length);
      expect(Math.max(count(left), count(right))).toBeLessThanOrEqual(9);
    }
  });

  it('keeps the order of the examination: prepare first, close last', () => {
    const groups = byPhase(PROCEDURES[0]?.checklist.items ?? []).map((g) => g.title);
    expect(groups[0]).toBe('Prepare');
    expect(groups.at(-1)).toBe('Close');
  });
});

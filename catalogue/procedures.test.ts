import { belongsToVariant } from '@kritikos/core/scoring/checklist';
import { describe, expect, it } from 'vitest';
import { PROCEDURES } from './procedures.ts';

/**
 * Normal ranges of joint motion in degrees, as printed by the American Academy of Orthopaedic
 * Surgeons (Joint Motion: Method of Measuring and Recording, 1965; from memory).
 */
const AAOS_RANGES: Record<string, [number, number]> = {
  'Knee flexion': [0, 135],
  'Arm abduction': [0, 180],
  'outward rotation': [0, 90],
  'Ankle plantarflexion': [-20, 50],
};

describe.each(PROCEDURES.map((p) => [p.id, p] as const))('%s', (_, procedure) => {
  const { checklist } = procedure;
  const variants = checklist.variants.map((v) => v.key);

  it('asks for 8 to 14 items in every variant', () => {
    for (const variant of variants) {
      const asked = checklist.items.filter((item) => belongsToVariant(item, variant));
      expect(asked.length).toBeGreaterThanOrEqual(8);
      expect(asked.length).toBeLessThanOrEqual(14);
    }
  });

  it('has graded, measured and choice items, a safety item and a side comparison', () => {
    const kinds = new Set(checklist.items.map((item) => item.kind));
    expect([...kinds].sort()).toEqual(['choice', 'done', 'graded', 'measured']);
    expect(checklist.items.some((item) => item.criticality === 'fails-station')).toBe(true);
    expect(checklist.items.some((item) => item.domain === 'comparison')).toBe(true);
  });

  it('bundles no two acts and uses no vague word', () => {
    for (const { text } of checklist.items) {
      expect(text).not.toMatch(/\band\b/);
      expect(text).not.toMatch(/\b(adequate|appropriate|proper|correct)(ly)?\b/i);
    }
  });

  it('names items, faults and variants once, and every fault spoils an item it has', () => {
    const keys = checklist.items.map((item) => item.key);
    expect(new Set(keys).size).toBe(keys.length);
    for (const fault of checklist.faults) expect(keys).toContain(fault.item);
    for (const item of checklist.items) {
      for (const variant of item.variants ?? []) expect(variants).toContain(variant);
      if (item.kind === 'choice') expect(item.options.map((o) => o.key)).toContain(item.answer);
    }
    expect(variants).toContain(checklist.usualVariant);
  });

  it('keeps every angle band inside the joint’s range', () => {
    for (const item of checklist.items) {
      if (item.kind !== 'measured' || item.unit !== '°') continue;
      const range = Object.entries(AAOS_RANGES).find(([joint]) => item.text.includes(joint))?.[1];
      expect(range, item.text).toBeDefined();
      expect(item.lower).toBeGreaterThanOrEqual(range?.[0] ?? NaN);
      expect(item.upper).toBeLessThanOrEqual(range?.[1] ?? NaN);
    }
  });

  it('states cautions and a stop rule', () => {
    expect(checklist.cautions.length).toBeGreaterThan(0);
    expect(checklist.stopRule).toMatch(/^Stop/);
  });
});

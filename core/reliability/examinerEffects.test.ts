import { describe, expect, it } from 'vitest';
import { seededChance } from '../numerics/random.ts';
import { OF_THESE_EXAMINERS } from './severity.ts';
import { examinerEffects } from './examinerEffects.ts';
import type { ExaminedScore } from './examinerEffects.ts';

const STATIONS = 6;
const HARSH = 8;

/** Two circuits with an examiner of their own at every station, and a second one who goes round. */
function played(candidates: number, { twice = true, seed = 4 } = {}): ExaminedScore[] {
  const chance = seededChance(seed);
  return Array.from({ length: candidates }, (_, candidate) => {
    const ability = 65 + 7 * chance.normal();
    return Array.from({ length: STATIONS }, (_, station): ExaminedScore[] => {
      const performance = ability + 4 * chance.normal() - 3 * station;
      const score = (examiner: string, severity: number) => ({
        candidate,
        station,
        examiner,
        percent: performance - severity + 3 * chance.normal(),
      });
      const circuit = candidate % 2 === 0 ? 'Green' : 'White';
      const first = score(
        `${circuit} ${station}`,
        station === 2 && circuit === 'Green' ? HARSH : 0,
      );
      return twice && candidate % 3 === 0 ? [first, score('Second', 0)] : [first];
    }).flat();
  }).flat();
}

describe('the severity of examiners over an examination', () => {
  it('finds who was made harsh, and nobody else', () => {
    const { examiners, spread, model, notes } = examinerEffects(played(60));
    expect(model).toBe('candidate + station + candidate:station + examiner');
    expect(examiners).toHaveLength(2 * STATIONS + 1);
    const [first, ...others] = examiners;
    expect(first?.examiner).toBe('Green 2');
    // Shrunken towards the average, so below the 8 that were built in; the interval holds it.
    expect(first?.severity).toBeGreaterThan(HARSH / 2);
    expect(first?.lower).toBeGreaterThan(0);
    expect(first?.upper).toBeGreaterThan(HARSH - 1);
    for (const one of others) expect(Math.abs(one.severity)).toBeLessThan(HARSH / 2);
    expect(spread).toBeGreaterThan(0);
    expect(notes).toEqual([OF_THESE_EXAMINERS]);
  });

  it('holds the true severity in its intervals', () => {
    let held = 0;
    let all = 0;
    for (let seed = 1; seed <= 20; seed++) {
      const { examiners } = examinerEffects(played(60, { seed }));
      const truths = examiners.map(({ examiner }): number => (examiner === 'Green 2' ? HARSH : 0));
      const mean = truths.reduce((a, b) => a + b, 0) / truths.length;
      for (const [i, { lower, upper }] of examiners.entries()) {
        const truth = (truths[i] ?? 0) - mean;
        if (lower === null || upper === null) continue;
        all++;
        if (lower <= truth && truth <= upper) held++;
      }
    }
    expect(all).toBeGreaterThan(200);
    expect(held / all).toBeGreaterThan(0.9);
  });

  it('leaves the performance out of the model where none was seen by two', () => {
    const { model, examiners } = examinerEffects(played(60, { twice: false }));
    expect(model).toBe('candidate + station + examiner');
    expect(examiners[0]?.examiner).toBe('Green 2');
  });

  it('draws of very many sheets those of some candidates, and says so', () => {
    const all = played(1200);
    const { notes, sheets } = examinerEffects(all);
    const kept = Math.floor((1200 * 8000) / all.length);
    expect(notes[0]).toBe(`${kept} of the 1200 candidates were drawn.`);
    expect(Math.abs(sheets - 8000)).toBeLessThan(600);
  });

  it('says in words what cannot be told', () => {
    const one = played(20, { twice: false }).map((score) => ({ ...score, examiner: 'The only' }));
    expect(examinerEffects(one)).toMatchObject({
      examiners: [],
      spread: null,
      notes: [expect.stringMatching(/nobody can be called severe or mild/)],
    });
    const apart = played(20, { twice: false }).map((score) => ({
      ...score,
      candidate: score.candidate * STATIONS + score.station,
      examiner: `${score.station}`,
    }));
    expect(examinerEffects(apart).notes[0]).toMatch(/cannot be|falls apart|level for every mark/);
    const same = played(10).map((score) => ({ ...score, percent: 50 }));
    expect(examinerEffects(same).notes[0]).toMatch(/All marks are equal/);
    expect(examinerEffects([]).notes[0]).toMatch(/\w+ \w+/);
  });
});

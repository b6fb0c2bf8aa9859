import { describe, expect, it } from 'vitest';
import { sayAgreement } from './sayAgreement.ts';
import type { SaidStation } from './sayAgreement.ts';

const item = (
  text: string,
  share: number,
  dispute: SaidStation['items'][number]['dispute'] = 'agreed',
  examiner: string | null = null,
) => ({ text, share, dispute, examiner });
const station = (
  position: number,
  candidates: number,
  agreement: number | null,
  items: SaidStation['items'] = [],
) => ({ position, candidates, agreement, items });

describe('agreement in words', () => {
  it('says how often, where least, and by which item', () => {
    const said = sayAgreement(
      [
        station(1, 10, 0.9, [item('Finds the line', 0.2, 'one-sided', 'Ana Ruiz')]),
        station(2, 30, 0.7, [item('Keeps it level', 0.4, 'ambiguous'), item('Says it', 0.6)]),
      ],
      null,
    );
    expect(said).toBe(
      'Examiners who saw the same performance gave the same mark in 75 % of cases, least at station 2 (70 %). ' +
        '2 items are in dispute, first of all “Keeps it level” at station 2: both sides split at random, so that its words need mending.',
    );
  });

  it('names who marks otherwise, and a harsh examiner whose interval leaves no doubt', () => {
    const effects = (severity: number, lower: number, upper: number) => ({
      examiners: [{ examiner: 'Ana Ruiz', severity, lower, upper, marks: 9 }],
    });
    const one = [station(1, 10, 0.9, [item('Finds the line', 0.2, 'one-sided', 'Ana Ruiz')])];
    expect(sayAgreement(one, effects(5.2, 2, 8))).toMatch(
      /One item is in dispute, .*Ana Ruiz marks it otherwise than the others\. Ana Ruiz marks 5\.2 points lower/,
    );
    expect(sayAgreement(one, effects(-4, -7, -1))).toMatch(/marks 4\.0 points higher/);
    expect(sayAgreement(one, effects(5.2, -1, 11))).not.toMatch(/points/);
    expect(sayAgreement(one, effects(1, 0.5, 1.5))).not.toMatch(/points/);
  });

  it('says that nothing can be said', () => {
    expect(sayAgreement([], null)).toMatch(/No candidate was marked by two examiners yet/);
    expect(sayAgreement([], null, 3)).toBe('The first stations are being worked out.');
    expect(sayAgreement([station(1, 0, null)], null)).toMatch(/nothing can be said/);
    expect(sayAgreement([station(1, 4, 1)], null)).toMatch(
      /100 % of cases\. No item is in dispute/,
    );
  });
});

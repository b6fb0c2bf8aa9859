import { describe, expect, it } from 'vitest';
import { dependence } from './dependence.ts';
import type { ScoredSheet } from './performance.ts';

/** A sheet of a candidate at a station, by an examiner of a circuit. */
const sheet = (
  candidate: number,
  station: number,
  examiner: number,
  percent: number,
  circuit = 0,
): ScoredSheet => ({
  candidate,
  station,
  examiner,
  circuit,
  percent,
  grade: 3,
  missed: [],
  shares: {},
});
// Worked by hand: a candidate's total is the mean over stations; without the severity that they met
// it is total + severity met, elsewhere total + severity met - severity there.
describe('what a borderline outcome hangs on', () => {
  const border = { cut: 60, sem: 4, candidates: 1, stations: 1 };

  it('is the examiner where one of no severity would have put them on the other side', () => {
    const severity = Float64Array.of(5);
    // 58 + 5 = 63 passes, 56 + 5 = 61 passes, 57 - 0 fails as it did.
    expect(dependence([sheet(0, 0, 0, 58)], severity, border).byExaminer).toBe(1);
    expect(dependence([sheet(0, 0, 0, 57)], Float64Array.of(0), border).byExaminer).toBe(0);
    // A lenient examiner can have lifted somebody over: 61 - 2 fails.
    expect(dependence([sheet(0, 0, 0, 61)], Float64Array.of(-2), border).byExaminer).toBe(1);
  });

  it('leaves out who stands farther than a standard error of measurement from the cut', () => {
    const severity = Float64Array.of(8);
    expect(dependence([sheet(0, 0, 0, 55.9)], severity, border)).toEqual({
      borderline: 0,
      byExaminer: 0,
      byCircuit: null,
    });
    expect(dependence([sheet(0, 0, 0, 56)], severity, border).borderline).toBe(1);
  });

  it('is the circuit where the examiners of another would have, by their means over the stations', () => {
    const severity = Float64Array.of(3, 1, -1, -2);
    const sheets = [
      // Candidate 0 in circuit 0 meets 3 and 1: 59 + 2 = 61 without, 61 + 1.5 in circuit 1.
      sheet(0, 0, 0, 60),
      sheet(0, 1, 1, 58),
      // Candidate 1 in circuit 1 meets -1 and -2: 62 - 1.5 = 60.5 without, 58.5 in circuit 0.
      sheet(1, 0, 2, 63, 1),
      sheet(1, 1, 3, 61, 1),
    ];
    const two = { cut: 60, sem: 4, candidates: 2, stations: 2 };
    // Candidate 0 fails and would pass both ways; candidate 1 passes and would fail in circuit 0 only.
    expect(dependence(sheets, severity, two)).toEqual({
      borderline: 2,
      byExaminer: 1,
      byCircuit: 2,
    });
  });

  it('takes the mean where two examiners saw a performance', () => {
    const severity = Float64Array.of(6, 0);
    const pair = [sheet(0, 0, 0, 56), sheet(0, 0, 1, 60)];
    // The mean of 58 met a mean severity of 3: 61 without.
    expect(dependence(pair, severity, border)).toEqual({
      borderline: 1,
      byExaminer: 1,
      byCircuit: null,
    });
  });

  it('is nobody’s without a cut, or where a candidate has not been everywhere', () => {
    const severity = Float64Array.of(5);
    const none = { borderline: 0, byExaminer: 0, byCircuit: null };
    expect(dependence([sheet(0, 0, 0, 58)], severity, { ...border, cut: null })).toEqual(none);
    expect(dependence([sheet(0, 0, 0, 58)], severity, { ...border, stations: 2 })).toEqual(none);
  });
});

import { describe, expect, it } from 'vitest';
import { beuk } from './beuk.ts';
import { borderlineGroup } from './borderlineGroup.ts';
import { borderlineRegression } from './borderlineRegression.ts';
import { cohenRelative } from './cohenRelative.ts';
import { compareConsequences } from './consequences.ts';
import { contrastingGroups } from './contrastingGroups.ts';
import { decisionSureness } from './decisionSureness.ts';
import { hofstee } from './hofstee.ts';
import { methodsSideBySide } from './methodsSideBySide.ts';
import { outcomesTouched } from './outcomesTouched.ts';
import { sayStandard } from './sayStandard.ts';
import { sayStationYears } from './sayStationYears.ts';
import { setStandard } from './setStandard.ts';
import { cutBy } from './stationMethods.ts';
import { BY_REGRESSION } from './testing/settings.ts';

/** Where a method ends: what stands exactly at an edge, what is missing, what comes in any order. */

const rule = {
  semMultiplier: 0,
  fewestStationsPassed: 0,
  criticalBy: 'all' as const,
  criticalFailureFails: false,
};
const settings = { ...BY_REGRESSION, method: 'fixed-percent' as const, rule, handCuts: {} };

describe('the edge of a scale', () => {
  const answers = [
    { cut: 50, passRate: 1 },
    { cut: 60, passRate: 0.8 },
  ];

  it('belongs to it: everybody may be expected to pass, and a cut may be the lowest there is', () => {
    expect(beuk([40, 70, 80], answers).estimate).not.toBeNull();
    expect(() => beuk([40], [{ cut: 50, passRate: 1.01 }])).toThrow(/between 0 and 1/);
    expect(() => beuk([40], [{ cut: 50, passRate: -0.01 }])).toThrow(/between 0 and 1/);
    const bounds = { lowestCut: 0, highestCut: 60, fewestFails: 0, mostFails: 0.5 };
    expect(hofstee([20, 50, 70, 90], bounds, [0, 100]).estimate).not.toBeNull();
    expect(() => hofstee([20, 50], { ...bounds, lowestCut: -1 }, [0, 100])).toThrow(/on the scale/);
    // Bounds that are one leave nothing to compromise between.
    expect(() => hofstee([20, 50], { ...bounds, lowestCut: 60 }, [0, 100])).toThrow(
      /below the upper/,
    );
    expect(() => hofstee([20, 50], { ...bounds, fewestFails: 0.5 }, [0, 100])).toThrow(
      /below the upper/,
    );
  });

  it('is where a percentile ends', () => {
    expect(cohenRelative([10, 20, 30], 1)).toBeCloseTo(18, 9);
    expect(() => cohenRelative([10, 20, 30], 1.01)).toThrow(/share from 0 to 1/);
    expect(() => cohenRelative([10, 20, 30], 95)).toThrow(/share from 0 to 1/);
  });

  it('of one standard error is within it', () => {
    const [own] = compareConsequences([55, 58, 62, 66], [{ method: 'own', cut: 60 }], 0, 2);
    expect(own?.withinOneSem).toBe(2);
  });
});

describe('the order of the scores', () => {
  it('does not matter to Beuk’s compromise', () => {
    const answers = [
      { cut: 50, passRate: 0.9 },
      { cut: 70, passRate: 0.5 },
    ];
    const sorted = beuk([30, 45, 55, 62, 68, 80, 95], answers);
    expect(sorted.estimate).not.toBeNull();
    expect(beuk([95, 30, 68, 45, 80, 62, 55], answers)).toEqual(sorted);
  });

  it('of candidates is that of their numbers, however they stand in the records', () => {
    const percent = (value: number) => ({ percent: value, critical: [] });
    const touched = outcomesTouched(
      [
        new Map([
          [12, percent(58)],
          [3, percent(59)],
          [7, percent(58)],
        ]),
      ],
      [3, 7, 12].map((candidate) => ({ candidate, station: 0, examiner: 'hard', percent: 0 })),
      [{ examiner: 'hard', severity: 4, lower: null, upper: null, marks: 3 }],
      { cuts: [60], cut: { sumOfCuts: 60, total: 60 }, rule },
    );
    expect(touched.map(({ candidate }) => candidate)).toEqual([3, 7, 12]);
  });
});

describe('what is missing', () => {
  const records = [30, 45, 60, 75, 90, null].map((percent, i) => ({
    candidate: `c${i}`,
    percent,
    grade: percent === null ? null : Math.min(5, i + 1),
    critical: [],
  }));
  const candidates = records.map(({ candidate }) => candidate);

  it('a score at a station leaves a candidate out of what methods would change', () => {
    const { stations } = methodsSideBySide([{ station: 'knee', records }], candidates, settings);
    for (const one of stations[0]?.methods ?? []) expect(one.scored).toBe(5);
  });

  it('a mark by the present method is another outcome for everybody than any mark', () => {
    // Nobody stands below the borderline, so that there are no two groups to part.
    const good = records.map((r) => ({ ...r, grade: r.grade === null ? null : 4 }));
    const parted = { ...settings, method: 'contrasting-normal' as const };
    const { examination } = methodsSideBySide(
      [{ station: 'knee', records: good }],
      candidates,
      parted,
    );
    const by = (method: string) => examination.find((one) => one.method === method);
    expect(by('contrasting-normal')).toMatchObject({ required: null, changed: [] });
    expect(by('fixed-percent')?.changed).toEqual(candidates);
  });

  it('a second station halves nothing: what is required is the mean of the cuts', () => {
    const two = ['knee', 'hip'].map((station) => ({ station, records }));
    const { examination } = methodsSideBySide(two, candidates, settings);
    expect(examination.find(({ method }) => method === 'fixed-percent')?.required).toBeCloseTo(
      settings.fixedPercent,
      9,
    );
  });

  it('an error leaves nothing to be unsure of, and no chance to be told', () => {
    // The same score at every station: alpha is 1, the error of measurement 0.
    const data = ['knee', 'hip', 'ankle'].map((station) => ({ station, records }));
    const standard = setStandard(data, candidates, settings);
    expect(standard.sem).toBeCloseTo(0, 9);
    expect(decisionSureness({ ...standard, sem: 0 })).toMatchObject({ quality: null });
  });

  it('a total leaves a candidate out of how sure a standard is', () => {
    const data = ['knee', 'hip', 'ankle'].map((station, s) => ({
      station,
      records: records.map((r, i) => ({
        ...r,
        percent: r.percent === null ? null : r.percent + ((i * 7 + s * 5) % 9),
      })),
    }));
    const whole = decisionSureness(setStandard(data, candidates, settings));
    const without = data.map((own) => ({ ...own, records: own.records.slice(0, 5) }));
    expect(whole).toEqual(decisionSureness(setStandard(without, candidates.slice(0, 5), settings)));
    expect(whole.quality).not.toBeNull();
  });

  it('a mark beyond the scale leaves a standard without a figure of how sure it is', () => {
    const data = ['knee', 'hip', 'ankle'].map((station, s) => ({
      station,
      records: records.map((r, i) => ({
        ...r,
        percent: r.percent === null ? null : r.percent + ((i * 7 + s * 5) % 9),
      })),
    }));
    const standard = setStandard(data, candidates, settings);
    const { examCut } = standard;
    if (!examCut) throw new Error('A fixed percentage is always a cut.');
    const above = { ...standard, examCut: { ...examCut, total: 301 } };
    expect(decisionSureness(above)).toMatchObject({
      quality: null,
      notes: ['The stations do not go together enough to say how sure the mark is.'],
    });
  });

  it('how many fail is said of no cut that nobody knows it of', () => {
    const sitting = { cohort: '2026', candidates: 40, facility: 71, cut: 61.25, failing: null };
    expect(sayStationYears([sitting], 0)).toBe(
      'Used in one sitting: cohort 2026 earned 71.0 % on average.',
    );
  });

  it('every score leaves a station without a cut, and says that and nothing else', () => {
    const nobody = { scores: [], grades: [] };
    const fixed = { borderline: 2.5, fixedPercent: 60, sds: 1 };
    expect(cutBy('cohen', nobody, fixed)).toMatchObject({
      estimate: null,
      notes: ['Nobody has a score.'],
    });
    const five = { scores: [30, 45, 60, 75, 90], grades: [1, 2, 3, 4, 5] };
    expect(cutBy('cohen', five, fixed).notes).toEqual([]);
    expect(cutBy('contrasting-least', five, fixed).notes).toEqual([]);
  });
});

describe('the words of a weak line', () => {
  it('say nothing of how much is told where no score differs from another', () => {
    const { cut } = borderlineRegression([60, 60, 60], [1, 2, 3], 2.5);
    expect(cut.notes).toContain('All scores are equal, so R-squared is undefined.');
    expect(cut.notes.join(' ')).not.toMatch(/explains/);
  });

  it('tell two candidates of one grade from too few candidates', () => {
    expect(borderlineRegression([60, 80], [3, 3], 2.5).cut.notes.join(' ')).toMatch(
      /the same overall grade/,
    );
    expect(borderlineRegression([60], [3], 2.5).cut.notes.join(' ')).toMatch(/Fewer than two/);
  });

  it('say of how much of the score the grade tells, in percent', () => {
    const { cut } = borderlineRegression([60, 80, 40, 60], [1, 2, 3, 4], 2.5);
    // Mean 60, 2.5; sums of products (0 + -10 + -10 + 0) = -20; squares 800, 5: 400 / 4000 is .1.
    expect(cut.notes.join(' ')).toMatch(/explains 10 % of the score/);
  });
});

describe('what comes in another order than one thinks', () => {
  it('leaves the median of the borderline group in the middle', () => {
    expect(borderlineGroup([60, 50, 55], [2, 2, 2], 2).median).toBe(55);
  });

  it('leaves no crossing of two curves whose groups stand the wrong way round', () => {
    expect(contrastingGroups([50, 60], [40, 50]).normal).toBeNull();
    expect(contrastingGroups([50, 60], [50, 60]).normal).toBeNull();
  });
});

describe('what is not there', () => {
  it('is not counted: nobody passes or fails a station that has no cut', () => {
    const records = [50, 60, 70].map((percent, i) => ({
      candidate: `c${i}`,
      percent,
      grade: 5,
      critical: [],
    }));
    const parted = { ...settings, method: 'contrasting-normal' as const };
    const standard = setStandard([{ station: 'knee', records }], ['c0', 'c1', 'c2'], parted);
    expect(standard.stations[0]?.cut).toBeNull();
    expect(standard.stations[0]).toMatchObject({ passed: 0 });
  });

  it('is not said: a standard without an incomplete candidate does not speak of them', () => {
    const records = [50, 60, 70].map((percent, i) => ({
      candidate: `c${i}`,
      percent,
      grade: 3,
      critical: [],
    }));
    const standard = setStandard([{ station: 'knee', records }], ['c0', 'c1', 'c2'], settings);
    expect(sayStandard(standard, 'a fixed mark', null)).not.toMatch(/incomplete/);
  });

  it('is said why where the method itself has no word for it, and in its own words where it has', () => {
    const touching = { scores: [40, 50, 50, 60], grades: [1, 1, 5, 5] };
    expect(cutBy('contrasting-logistic', touching, settings)).toMatchObject({
      estimate: null,
      notes: ['The groups do not overlap, so that no curve can be drawn.'],
    });
    const alone = cutBy('contrasting-logistic', { scores: [40, 50], grades: [5, 5] }, settings);
    expect(alone.notes).toEqual(contrastingGroups([], [40, 50]).notes);
    expect(alone.notes[0]).not.toMatch(/do not overlap/);
    const least = { scores: [40, 60], grades: [1, 5] };
    expect(cutBy('contrasting-least', least, settings).notes).toEqual([]);
  });
});

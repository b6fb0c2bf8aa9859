import { compareConsequences } from './consequences.ts';
import type { CandidateFacts } from './candidateFacts.ts';
import { scoredPairs, setStandard } from './setStandard.ts';
import type { StandardSettings, StationData } from './setStandard.ts';
import { cutBy, everyMethod, STATION_METHODS } from './stationMethods.ts';
import type { StationMethod } from './stationMethods.ts';
import type { Estimate } from '../numerics/estimate.ts';

/** What one method would do at one station, held against the method that is chosen there. */
export interface MethodAtStation {
  readonly method: StationMethod;
  readonly cut: Estimate;
  readonly passed: number;
  readonly scored: number;
  /** Who would pass no more, and who would pass now; by the ids of the candidates. */
  readonly lost: readonly string[];
  readonly gained: readonly string[];
}

/** What the examination would come to if every station went by one method, hand cuts left away. */
export interface MethodForAll {
  readonly method: StationMethod;
  /** What the mean over the stations must reach; `null` where a station has no cut by the method. */
  readonly required: number | null;
  readonly passed: number;
  readonly failed: number;
  readonly incomplete: number;
  /** Whose outcome is another than by the present settings; by the ids of the candidates. */
  readonly changed: readonly string[];
}

/** Every method at every station, and for the whole examination, beside the present settings. */
export interface MethodsSideBySide {
  readonly stations: readonly {
    readonly station: string;
    readonly methods: readonly MethodAtStation[];
  }[];
  readonly examination: readonly MethodForAll[];
}

/**
 * Puts the methods side by side that scores and grades allow. At a station a candidate counts by the
 * score alone; for the examination the whole rule is applied.
 */
export function methodsSideBySide(
  data: readonly StationData[],
  candidates: readonly string[],
  settings: StandardSettings,
  facts?: ReadonlyMap<string, CandidateFacts>,
): MethodsSideBySide {
  const present = setStandard(data, candidates, settings, facts);
  return {
    stations: data.map(({ station, records }) => {
      const marks = scoredPairs(records);
      const chosen = settings.methods[station] ?? settings.method;
      const all = everyMethod(marks, settings);
      const reference = settings.handCuts[station] ?? cutBy(chosen, marks, settings).estimate;
      const scored = records.filter((record) => record.percent !== null);
      const consequences = compareConsequences(
        scored.map((record) => record.percent),
        [
          { method: 'present', cut: reference },
          ...all.map(({ method, cut }) => ({ method, cut: cut.estimate })),
        ],
      );
      const named = (places: readonly number[]) =>
        places.map((place) => scored[place]?.candidate ?? '');
      return {
        station,
        methods: all.map(({ method, cut }, i) => {
          const { passed = 0, lost = [], gained = [] } = consequences[i + 1] ?? {};
          return {
            method,
            cut,
            passed,
            scored: scored.length,
            lost: named(lost),
            gained: named(gained),
          };
        }),
      };
    }),
    examination: STATION_METHODS.map((method) => {
      const alone = { ...settings, method, methods: {}, handCuts: {} };
      const own = setStandard(data, candidates, alone, facts);
      return {
        method,
        required: own.examCut === null ? null : own.examCut.total / Math.max(1, data.length),
        passed: own.passed,
        failed: own.failed,
        incomplete: own.incomplete,
        changed: own.examCut
          ? candidates.filter(
              (one) => own.outcomes.get(one)?.outcome !== present.outcomes.get(one)?.outcome,
            )
          : [],
      };
    }),
  };
}

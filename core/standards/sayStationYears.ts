/** What is said of one sitting of a station. */
export interface SaidSitting {
  readonly cohort: string;
  readonly candidates: number;
  readonly facility: number | null;
  readonly cut: number | null;
  /** The share of candidates below the cut. */
  readonly failing: number | null;
}

/**
 * In words how a station of the bank fared over its sittings, the newest first, and how many of its
 * items were put into other words.
 */
export function sayStationYears(sittings: readonly SaidSitting[], reworded: number): string {
  const held = sittings.filter(({ candidates }) => candidates > 0);
  const [now, then] = held;
  if (!now) return 'Nobody has been marked at this station yet.';
  const words =
    reworded === 0
      ? ''
      : ` ${reworded === 1 ? 'One item' : `${reworded} items`} took the place of another in between.`;
  if (!then) {
    return `Used in one sitting: cohort ${now.cohort} earned ${percent(now.facility)} on average${saidCut(now)}.${words}`;
  }
  const change = (now.facility ?? 0) - (then.facility ?? 0);
  const moved =
    Math.abs(change) < 0.5
      ? 'as much as'
      : `${Math.abs(change).toFixed(1)} points ${change > 0 ? 'more' : 'less'} than`;
  return `Used in ${held.length} sittings. Cohort ${now.cohort} earned ${percent(now.facility)} on average, ${moved} ${then.cohort}${saidCut(now)}; whether that is the cohort or the station, the examination’s own years say.${words}`;
}

function saidCut({ cut, failing }: SaidSitting): string {
  if (cut === null || failing === null) return '';
  return `, and ${Math.round(100 * failing)} of 100 fell below the cut of ${percent(cut)}`;
}

function percent(x: number | null): string {
  return x === null ? 'nothing known' : `${x.toFixed(1)} %`;
}

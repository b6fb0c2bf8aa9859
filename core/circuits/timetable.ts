/** What a circuit is made of; all times in minutes. */
export interface CircuitPlan {
  readonly stations: number;
  /** Positions without an examiner, where a candidate waits out one slot. */
  readonly restStations: number;
  /** Circuits that run side by side, each with examiners of its own. */
  readonly circuits: number;
  readonly readingMinutes: number;
  readonly stationMinutes: number;
  readonly changeoverMinutes: number;
  /** Examiners rest for `breakMinutes` after so many slots at most; 0 for no breaks. */
  readonly slotsBetweenBreaks: number;
  readonly breakMinutes: number;
}

export interface CircuitCandidate {
  readonly number: number;
  /** Share of the station and reading time that this candidate gets more, for example .25. */
  readonly extraTime: number;
  /** Circuits that the candidate must not be in, because an examiner there is a conflict. */
  readonly notInCircuits: readonly number[];
}

export interface Wave {
  /** `positions[circuit][position]`: who starts where; `null` where nobody does. */
  readonly positions: readonly (readonly (number | null)[])[];
  /** Slot times from the start of the day, one slot a position of the circuit. */
  readonly slots: readonly { readonly start: number; readonly end: number }[];
  readonly extraTime: number;
}

export interface Timetable {
  readonly waves: readonly Wave[];
  /** When the last candidate leaves, in minutes from the start. */
  readonly length: number;
  /** No plan of this kind can be shorter. */
  readonly lowerBound: number;
  /** Where the plan is longer than it might be, why. */
  readonly notes: readonly string[];
  /** Candidates who cannot be placed, each with the reason. */
  readonly unplaced: readonly { readonly candidate: number; readonly reason: string }[];
}

/**
 * Plans the day. Candidates go in waves: everybody starts at another position (station or rest)
 * and moves one on at every bell, so that after as many slots as positions all have seen all.
 *
 * Candidates with extra time share waves of their own, in which every slot lasts as long as the
 * longest of them needs: a bell cannot ring for one alone. Breaks fall between slots. The lower
 * bound counts what nothing can save: each circuit's stations must see their share of candidates,
 * one a slot, and the first wave needs as many slots as there are positions.
 *
 * Throws `RangeError` for a plan without a station, with a time that is not above 0, or with extra
 * time that is negative. Uneven numbers can cost a round: a note says how much over the bound.
 * Worked value: 10 stations, 2 rests, 24 candidates, 2 circuits, slots of 2 + 8 + 1 minutes:
 * one wave of 12 slots, 12 * 11 - 1 = 131 minutes.
 */
export function planTimetable(
  plan: CircuitPlan,
  candidates: readonly CircuitCandidate[],
): Timetable {
  refuseHopeless(plan);
  const odd = candidates.find(({ extraTime }) => !(extraTime >= 0 && extraTime <= 2));
  if (odd) {
    throw new RangeError(
      `Extra time is a share of the slot from 0 to 2, not ${odd.extraTime} (candidate ${odd.number}).`,
    );
  }
  const positions = plan.stations + plan.restStations;
  const groups = [
    candidates.filter((c) => c.extraTime === 0),
    candidates.filter((c) => c.extraTime > 0).sort((a, b) => a.extraTime - b.extraTime),
  ];
  const waves: Wave[] = [];
  const unplaced: { candidate: number; reason: string }[] = [];
  const clock = new Clock(plan);
  for (const group of groups) {
    let left: readonly CircuitCandidate[] = group;
    while (left.length > 0) {
      const { circuits, later, nowhere } = fillWave(left, plan.circuits, positions);
      for (const { number } of nowhere) {
        unplaced.push({
          candidate: number,
          reason: 'An examiner in every circuit is a conflict of interest.',
        });
      }
      left = later;
      const placed = circuits.flat().filter((c) => c !== null);
      if (placed.length === 0) continue;
      const extraTime = Math.max(...placed.map((c) => c.extraTime));
      waves.push({
        positions: circuits.map((circuit) => circuit.map((c) => c?.number ?? null)),
        slots: Array.from({ length: positions }, () => clock.slot(extraTime)),
        extraTime,
      });
    }
  }
  const bound = lowerBound(plan, candidates);
  return {
    waves,
    length: clock.end,
    lowerBound: bound,
    unplaced,
    notes: wastedNotes(waves, clock.end, bound),
  };
}

/** More than this over the bound is worth a word. */
const WASTED = 0.05;

/** Names the waves that run for a few candidates only: every wave costs a whole round. */
function wastedNotes(waves: readonly Wave[], length: number, bound: number): string[] {
  if (length <= bound * (1 + WASTED)) return [];
  const half = waves.flatMap(({ positions }, w) => {
    const places = positions.flat();
    const taken = places.filter((place) => place !== null).length;
    return taken < places.length
      ? [`wave ${w + 1} has ${taken} of ${places.length} places taken`]
      : [];
  });
  return half.length === 0
    ? []
    : [
        `The day is ${Math.round(length - bound)} minutes longer than the lower bound because a wave runs a whole round for whoever is in it: ${half.join(', ')}. More rests, fewer circuits or other numbers may shorten it; this planner does not try.`,
      ];
}

/** Who is at which position of a circuit in slot t of a wave (everybody moves one on each slot). */
export function whoIsAt(
  wave: Wave,
  circuit: number,
  position: number,
  slot: number,
): number | null {
  const own = wave.positions[circuit];
  if (!own) return null;
  const from = (((position - slot) % own.length) + own.length) % own.length;
  return own[from] ?? null;
}

/** Places as many candidates as go in; the most restricted first, so that nobody blocks them. */
function fillWave(candidates: readonly CircuitCandidate[], circuits: number, positions: number) {
  const wave = Array.from({ length: circuits }, () =>
    Array.from<CircuitCandidate | null>({ length: positions }).fill(null),
  );
  const filled = wave.map(() => 0);
  const later: CircuitCandidate[] = [];
  const nowhere: CircuitCandidate[] = [];
  const inOrder = [...candidates].sort((a, b) => b.notInCircuits.length - a.notInCircuits.length);
  for (const candidate of inOrder) {
    const allowed = wave.map((_, c) => c).filter((c) => !candidate.notInCircuits.includes(c));
    if (allowed.length === 0) {
      nowhere.push(candidate);
      continue;
    }
    const open = allowed.filter((c) => (filled[c] as number) < positions);
    const circuit = open.sort((a, b) => (filled[a] as number) - (filled[b] as number))[0];
    if (circuit === undefined) later.push(candidate);
    else {
      (wave[circuit] as (CircuitCandidate | null)[])[filled[circuit] as number] = candidate;
      filled[circuit] = (filled[circuit] as number) + 1;
    }
  }
  const rank = new Map(candidates.map((c, i) => [c.number, i]));
  later.sort((a, b) => (rank.get(a.number) ?? 0) - (rank.get(b.number) ?? 0));
  return { circuits: wave, later, nowhere };
}

class Clock {
  private now = 0;
  private sinceBreak = 0;
  end = 0;
  constructor(private readonly plan: CircuitPlan) {}

  slot(extraTime: number): { start: number; end: number } {
    const { slotsBetweenBreaks, breakMinutes, changeoverMinutes } = this.plan;
    if (slotsBetweenBreaks > 0 && this.sinceBreak === slotsBetweenBreaks) {
      this.now += breakMinutes;
      this.sinceBreak = 0;
    }
    const start = this.now;
    const end = start + slotLength(this.plan, extraTime);
    this.end = end;
    this.now = end + changeoverMinutes;
    this.sinceBreak++;
    return { start, end };
  }
}

function slotLength({ readingMinutes, stationMinutes }: CircuitPlan, extraTime: number): number {
  return (readingMinutes + stationMinutes) * (1 + extraTime);
}

function lowerBound(plan: CircuitPlan, candidates: readonly CircuitCandidate[]): number {
  if (candidates.length === 0) return 0;
  const positions = plan.stations + plan.restStations;
  const slots = Math.max(positions, Math.ceil(candidates.length / plan.circuits));
  const breaks =
    plan.slotsBetweenBreaks > 0 ? Math.floor((slots - 1) / plan.slotsBetweenBreaks) : 0;
  return (
    slots * slotLength(plan, 0) + (slots - 1) * plan.changeoverMinutes + breaks * plan.breakMinutes
  );
}

function refuseHopeless(plan: CircuitPlan): void {
  const wrong = (what: string) => new RangeError(`${what} is not possible in a timetable.`);
  if (!(Number.isInteger(plan.stations) && plan.stations >= 1))
    throw wrong(`${plan.stations} stations`);
  if (!(Number.isInteger(plan.restStations) && plan.restStations >= 0))
    throw wrong(`${plan.restStations} rest stations`);
  if (!(Number.isInteger(plan.circuits) && plan.circuits >= 1))
    throw wrong(`${plan.circuits} circuits`);
  if (!(plan.stationMinutes > 0)) throw wrong(`A station of ${plan.stationMinutes} minutes`);
  if (!(plan.readingMinutes >= 0 && plan.changeoverMinutes >= 0 && plan.breakMinutes >= 0)) {
    throw wrong('A time below 0');
  }
}

import { Diary } from './diary.ts';
import type { OpenSlot } from './drawnSlots.ts';
import { connectionOf } from './links.ts';
import { isAvailable, mayExamine } from './problem.ts';
import type { PlannedExaminer, PlanningProblem, Slot, Unmet } from './problem.ts';

/**
 * Second examiners for so many sheets: spread over circuits, stations and the time of day, nobody
 * marked twice once more before everybody has been as often, by whoever is free, has marked fewest
 * twice so far, and links examiners that no common candidate links yet. Where not everybody can be
 * marked twice, those who are spread over the candidates' ability, as far as it is known.
 */
export function markedTwice(
  { pairs, examiners, candidates }: PlanningProblem,
  slots: readonly OpenSlot[],
  diary: Diary,
): Unmet[] {
  if (pairs === 0) return [];
  const conflicts = new Map(candidates.map((one) => [one.id, new Set(one.conflicts)]));
  const linked = new Links();
  for (const { candidate, examiner } of slots) if (examiner) linked.join(examiner, candidate);
  const seconds = new Map<string, number>();
  const may = (one: PlannedExaminer, slot: OpenSlot) =>
    slot.station !== null &&
    slot.examiner !== null &&
    slot.examiner !== one.id &&
    mayExamine(one, slot.station) &&
    isAvailable(one.available, slot) &&
    conflicts.get(slot.candidate)?.has(one.id) !== true &&
    diary.isFree(one.id, slot);

  let found = 0;
  const twice = new Map<string, number>();
  // Examiners are only taken here, never let go: who finds nobody finds nobody later.
  const hopeless = new Set<OpenSlot>();
  const seek = (slot: OpenSlot): void => {
    if (hopeless.has(slot)) return;
    const free = examiners.filter((one) => may(one, slot));
    const cost = ({ id }: PlannedExaminer) =>
      (seconds.get(id) ?? 0) + (linked.are(id, slot.candidate) ? 0.5 : 0);
    const [best] = free.sort((a, b) => cost(a) - cost(b));
    if (!best) {
      hopeless.add(slot);
      return;
    }
    slot.second = best.id;
    diary.take(best.id, slot);
    seconds.set(best.id, (seconds.get(best.id) ?? 0) + 1);
    linked.join(best.id, slot.candidate);
    twice.set(slot.candidate, (twice.get(slot.candidate) ?? 0) + 1);
    found++;
  };
  const inTurn = spreadOut(slots);
  const chosen = pairs < candidates.length ? spreadOverAbility(candidates, pairs) : null;
  const stations = new Map<string, number>();
  const most = new Set(slots.map(({ station }) => station)).size;
  // A round lets nobody be marked twice more often than there were rounds, nor a station have more
  // than its share of them; where that finds too few, the stations count no more.
  const pass = (round: number, isEven: boolean): void => {
    const share = Math.ceil(Math.min(pairs, Math.max(1, round) * candidates.length) / most);
    for (const slot of inTurn) {
      if (found === pairs) return;
      const station = slot.station ?? '';
      if (slot.second !== null || (twice.get(slot.candidate) ?? 0) >= Math.max(1, round)) continue;
      if (round === 0 && chosen?.has(slot.candidate) !== true) continue;
      if (isEven && (stations.get(station) ?? 0) >= share) continue;
      seek(slot);
      if (slot.second !== null) stations.set(station, (stations.get(station) ?? 0) + 1);
    }
  };
  for (let round = chosen ? 0 : 1; round <= most && found < pairs; round++) {
    pass(round, true);
    pass(round, false);
  }
  return [...(found === pairs ? [] : [tooFew(found, pairs)]), ...fallenApart(slots)];
}

/** So many candidates, evenly from the weakest to the strongest; `null` where nobody's ability is known. */
function spreadOverAbility(
  candidates: PlanningProblem['candidates'],
  pairs: number,
): ReadonlySet<string> | null {
  const known = candidates.filter(({ ability }) => ability !== null);
  if (known.length === 0) return null;
  const inOrder = [...candidates].sort((a, b) => (a.ability ?? 0) - (b.ability ?? 0));
  const step = inOrder.length / pairs;
  return new Set(
    Array.from({ length: pairs }, (_, i) => inOrder[Math.floor((i + 0.5) * step)]?.id ?? ''),
  );
}

/** A plan with second examiners for so many of its sheets, and for no others. */
export function withPairs(
  problem: PlanningProblem,
  slots: readonly Slot[],
  pairs: number,
): readonly Slot[] {
  const open = slots.map((slot): OpenSlot => ({ ...slot, second: null }));
  const diary = new Diary();
  for (const slot of open) if (slot.examiner !== null) diary.take(slot.examiner, slot);
  markedTwice({ ...problem, pairs }, open, diary);
  return open;
}

function tooFew(found: number, pairs: number): Unmet {
  const why = `${found} of ${pairs} sheets have a second examiner; nobody else is free beside their own station`;
  return { rule: 'double-marking', who: SECONDS, why };
}

const SECONDS = 'second examiners';
/** Whoever needs more than so many has other things to change first. */
const MOST_MORE = 12;

/**
 * How many more examiners, free all day and for every station, would do for all the pairs that are
 * wished: found by trying with one more and one more. `null` where a dozen would not do, as where
 * more pairs are wished than there are sheets.
 */
export function moreSecondsFor(problem: PlanningProblem, slots: readonly Slot[]): number | null {
  for (let more = 1; more <= MOST_MORE; more++) {
    const helpers = Array.from({ length: more }, (_, i): PlannedExaminer => ({
      id: `one more, ${i + 1}`,
      stations: null,
      available: null,
    }));
    const examiners = [...problem.examiners, ...helpers];
    const paired = withPairs({ ...problem, examiners }, slots, problem.pairs);
    if (paired.filter(({ second }) => second !== null).length >= problem.pairs) return more;
  }
  return null;
}

/** The same wishes with how many more would do, where second examiners are too few. */
export function withRemedy(
  unmet: readonly Unmet[],
  problem: PlanningProblem,
  slots: readonly Slot[],
): readonly Unmet[] {
  return unmet.map((one) => {
    if (one.rule !== 'double-marking' || one.who !== SECONDS) return one;
    const more = moreSecondsFor(problem, slots);
    if (more === null) return one;
    const would = `${more} more second ${more === 1 ? 'examiner' : 'examiners'} would do`;
    return { ...one, why: `${one.why}; ${would}` };
  });
}

/** Examiners whom no chain of common candidates connects with the others cannot be compared with them. */
function fallenApart(slots: readonly OpenSlot[]): Unmet[] {
  const [, ...others] = [...connectionOf(slots).groups].sort((a, b) => b.length - a.length);
  return others.map((group) => ({
    rule: 'double-marking',
    who: group.join(', '),
    why: 'no candidate connects them with the other examiners; a second examiner who marks in both circuits would',
  }));
}

/** In an order in which every beginning of it is spread over the whole (van der Corput, base 2). */
function spreadOut(slots: readonly OpenSlot[]): OpenSlot[] {
  const marked = slots.filter(({ station, examiner }) => station !== null && examiner !== null);
  const inTime = marked.sort(
    (a, b) =>
      a.start - b.start ||
      a.circuit - b.circuit ||
      (a.station ?? '').localeCompare(b.station ?? ''),
  );
  return inTime
    .map((slot, i) => ({ slot, key: reversed(i) }))
    .sort((a, b) => a.key - b.key)
    .map(({ slot }) => slot);
}

function reversed(whole: number): number {
  let [left, share, value] = [whole, 0.5, 0];
  for (; left > 0; left = Math.floor(left / 2), share /= 2) value += (left % 2) * share;
  return value;
}

/** Who is linked with whom through common candidates (union-find). */
class Links {
  private readonly above = new Map<string, string>();

  join(examiner: string, candidate: string): void {
    const [one, other] = [this.root(`e ${examiner}`), this.root(`c ${candidate}`)];
    if (one !== other) this.above.set(one, other);
  }

  are(examiner: string, candidate: string): boolean {
    return this.root(`e ${examiner}`) === this.root(`c ${candidate}`);
  }

  /** Everything on the way is hung from the root at once, so that the next way is short. */
  private root(name: string): string {
    let root = name;
    for (let next = this.above.get(root); next !== undefined; next = this.above.get(root)) {
      root = next;
    }
    for (let now = name; now !== root;) {
      const next = this.above.get(now) ?? root;
      this.above.set(now, root);
      now = next;
    }
    return root;
  }
}

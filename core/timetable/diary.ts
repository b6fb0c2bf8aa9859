import { overlap } from './problem.ts';
import type { Interval } from './problem.ts';

/** Whoever asks who is free looks at what is taken about then, not at a whole week. */
const PART_MINUTES = 60;

/** Who is taken when. Nobody is in two places. */
export class Diary {
  private readonly taken = new Map<string, Map<number, Interval[]>>();
  private readonly counts = new Map<string, number>();

  take(who: string, when: Interval): void {
    const own = this.taken.get(who) ?? new Map<number, Interval[]>();
    this.taken.set(who, own);
    for (const part of partsOf(when)) own.set(part, [...(own.get(part) ?? []), when]);
    this.counts.set(who, this.count(who) + 1);
  }

  release(who: string, when: Interval): void {
    const own = this.taken.get(who);
    let released = false;
    for (const part of partsOf(when)) {
      const held = own?.get(part) ?? [];
      const place = held.findIndex(({ start, end }) => start === when.start && end === when.end);
      if (place >= 0) own?.set(part, held.toSpliced(place, 1));
      released ||= place >= 0;
    }
    if (released) this.counts.set(who, this.count(who) - 1);
  }

  isFree(who: string, when: Interval): boolean {
    const own = this.taken.get(who);
    if (!own) return true;
    return !partsOf(when).some((part) => own.get(part)?.some((other) => overlap(other, when)));
  }

  /** How often somebody is taken in all. */
  count(who: string): number {
    return this.counts.get(who) ?? 0;
  }
}

/** The parts of time that an interval touches; two that overlap share one. */
function partsOf({ start, end }: Interval): number[] {
  const [first, last] = [Math.floor(start / PART_MINUTES), Math.floor(end / PART_MINUTES)];
  return Array.from({ length: last - first + 1 }, (_, i) => first + i);
}

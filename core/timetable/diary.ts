import { overlap } from './problem.ts';
import type { Interval } from './problem.ts';

/** Who is taken when. Nobody is in two places. */
export class Diary {
  private readonly taken = new Map<string, Interval[]>();

  take(who: string, when: Interval): void {
    const own = this.taken.get(who);
    if (own) own.push(when);
    else this.taken.set(who, [when]);
  }

  release(who: string, when: Interval): void {
    const own = this.taken.get(who) ?? [];
    const place = own.findIndex(({ start, end }) => start === when.start && end === when.end);
    if (place >= 0) own.splice(place, 1);
  }

  isFree(who: string, when: Interval): boolean {
    return !(this.taken.get(who) ?? []).some((other) => overlap(other, when));
  }

  /** How often somebody is taken in all. */
  count(who: string): number {
    return this.taken.get(who)?.length ?? 0;
  }
}

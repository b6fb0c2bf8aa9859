import type { SheetState } from '@kritikos/contracts/marking';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { effectScope, ref } from 'vue';
import { clockAhead } from '../http/serverClock.ts';
import { useCountdown } from './useCountdown.ts';

const START = '2026-11-26T09:00:00.000Z';
const running = (more: Partial<SheetState> = {}): SheetState => ({
  marks: [],
  faults: [],
  variants: { own: 'usual' },
  comment: '',
  rating: null,
  clock: { running: true, remaining: 480, since: START },
  safety: [],
  submittedAt: null,
  ...more,
});

/** The clock so many seconds after the start, on a tablet whose own clock is off by so many. */
function clockAfter(seconds: number, state = running(), { warning = 60, ahead = 0 } = {}) {
  vi.setSystemTime(Date.parse(START) + 1000 * (seconds + ahead));
  clockAhead.value = 1000 * ahead;
  const scope = effectScope();
  const clock = scope.run(() => useCountdown(ref(state), ref(8), ref(warning)));
  scope.stop();
  if (!clock) throw new Error('no clock');
  return { shown: clock.shown.value, ending: clock.ending.value, running: clock.running.value };
}

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  vi.useRealTimers();
  clockAhead.value = 0;
});

describe('the clock of a station', () => {
  it('counts down, and on into overtime', () => {
    expect(clockAfter(1).shown).toBe('7:59');
    expect(clockAfter(481).shown).toBe('+0:01');
  });

  it('warns a minute before the end, until the end', () => {
    expect([418, 420, 479, 481].map((at) => clockAfter(at).ending)).toEqual([
      false,
      true,
      true,
      false,
    ]);
  });

  it('warns when the examination says, or not at all', () => {
    expect(clockAfter(400, running(), { warning: 120 }).ending).toBe(true);
    expect(clockAfter(479, running(), { warning: 0 }).ending).toBe(false);
  });

  it('goes by the clock of the server on a tablet whose clock is wrong', () => {
    expect(clockAfter(60, running(), { ahead: 3600 }).shown).toBe('7:00');
    expect(clockAfter(60, running(), { ahead: -90 }).shown).toBe('7:00');
  });

  it('stands still after the submission, and while it is stopped', () => {
    const submitted = running({ submittedAt: '2026-11-26T09:05:00.000Z' });
    expect(clockAfter(86_400, submitted)).toEqual({ shown: '3:00', ending: false, running: false });
    const stopped = running({ clock: { running: false, remaining: 30, since: START } });
    expect(clockAfter(999, stopped)).toEqual({ shown: '0:30', ending: false, running: false });
  });
});

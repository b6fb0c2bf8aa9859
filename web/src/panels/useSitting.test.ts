import type { Sitting, Standing } from '@kritikos/contracts/panels';
import { effectScope } from 'vue';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { useSitting } from './useSitting.ts';

/** What the page asks and waits for, oldest first; each is answered by hand. */
const asked: { address: string; answer: (value: unknown) => void }[] = [];
vi.mock('../http/api.ts', () => ({
  ApiProblem: class extends Error {},
  NoConnection: class extends Error {},
  messageOf: (error: Error) => error.message,
  call: (address: string) =>
    new Promise((answer) => {
      asked.push({ address, answer });
    }),
}));

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('document', { visibilityState: 'visible' });
  vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => {}, removeItem: () => {} });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
  asked.length = 0;
});

const standing = (number: number, open: boolean, handedIn = false): Standing =>
  ({ round: { number, open }, handedIn, progress: { seats: 4, handedIn: 0 } }) as Standing;
const sittingOf = (number: number): Sitting =>
  ({ ...standing(number, true), seat: { id: 's' }, stations: [], words: [] }) as unknown as Sitting;
const settled = () => vi.advanceTimersByTimeAsync(0);
/** Answers the oldest question to this address. */
async function answer(address: string, value: unknown): Promise<void> {
  const at = asked.findIndex((one) => one.address === address);
  expect(at, `${address} was asked`).toBeGreaterThanOrEqual(0);
  asked.splice(at, 1)[0]?.answer(value);
  await settled();
}
const LOOK = 'POST /sittings/standing';

it('keeps the newer round where an answer from before it comes late', async () => {
  const scope = effectScope();
  const { sitting } = scope.run(() => useSitting('t')) as ReturnType<typeof useSitting>;
  await answer('POST /sittings', { ...sittingOf(1), round: { number: 1, open: false } });
  // Two looks are under way: a slow one, and the one that hears of the second round.
  await vi.advanceTimersByTimeAsync(4_000);
  await vi.advanceTimersByTimeAsync(4_000);
  const [slow] = asked.splice(0, 1);
  await answer(LOOK, standing(2, true));
  await answer('POST /sittings', sittingOf(2));
  expect(sitting.value?.round?.number).toBe(2);
  slow?.answer(standing(1, false));
  await settled();
  expect(sitting.value?.round?.number).toBe(2);
  scope.stop();
});

it('reads the whole anew, and the reading that was asked for last counts', async () => {
  const scope = effectScope();
  const { sitting, load } = scope.run(() => useSitting('t')) as ReturnType<typeof useSitting>;
  const [first] = asked.splice(0, 1);
  void load();
  await answer('POST /sittings', sittingOf(2));
  first?.answer(sittingOf(1));
  await settled();
  expect(sitting.value?.round?.number).toBe(2);
  scope.stop();
});

it('stays handed in where a look from before it comes late, and hears of the progress', async () => {
  const scope = effectScope();
  const { sitting, handIn } = scope.run(() => useSitting('t')) as ReturnType<typeof useSitting>;
  await answer('POST /sittings', sittingOf(1));
  await vi.advanceTimersByTimeAsync(4_000);
  void handIn(true);
  await answer('POST /sittings/hand-in', standing(1, true, true));
  await answer(LOOK, standing(1, true));
  expect(sitting.value?.handedIn).toBe(true);
  await vi.advanceTimersByTimeAsync(4_000);
  await answer(LOOK, { ...standing(1, true, true), progress: { seats: 4, handedIn: 3 } });
  expect(sitting.value?.progress.handedIn).toBe(3);
  scope.stop();
});

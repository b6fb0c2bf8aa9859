import type { Plan } from '@kritikos/contracts/timetable';
import { beforeEach, expect, it, vi } from 'vitest';
import { usePlan } from './usePlan.ts';

/** What waits for the server, oldest first; each is answered by hand. */
const asked: { answer: (plan: Plan) => void; fail: (error: Error) => void }[] = [];
vi.mock('../http/api.ts', () => ({
  call: () => new Promise((answer, fail) => asked.push({ answer, fail })),
  messageOf: (thrown: unknown) => (thrown instanceof Error ? thrown.message : ''),
}));
const named = (id: string) => ({ id }) as Plan;

beforeEach(() => void (asked.length = 0));

it('has the plan that was opened last, however late another answers', async () => {
  const { plan, open } = usePlan(() => 'examination');
  const opening = [open('a'), open('b')];
  asked[1]?.answer(named('b'));
  asked[0]?.answer(named('a'));
  await Promise.all(opening);
  expect(plan.value?.id).toBe('b');
});

it('says nothing of one that could not be read and is not wanted any more', async () => {
  const { plan, problem, open } = usePlan(() => 'examination');
  const opening = [open('a'), open('b')];
  asked[0]?.fail(new Error('The server did not answer.'));
  asked[1]?.answer(named('b'));
  await Promise.all(opening);
  expect([plan.value?.id, problem.value]).toEqual(['b', '']);
});

it('stays closed where it was closed while a plan was read', async () => {
  const { plan, open } = usePlan(() => 'examination');
  const opening = open('a');
  await open(null);
  asked[0]?.answer(named('a'));
  await opening;
  expect(plan.value).toBeNull();
});

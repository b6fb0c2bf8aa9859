import type { Examination } from '@kritikos/contracts/examinations';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, expect, it, vi } from 'vitest';
import { useExamination } from './examinationStore.ts';

/** What waits for the server, oldest first; each is answered by hand. */
const asked: ((examination: Examination) => void)[] = [];
vi.mock('../http/api.ts', () => ({
  call: () => new Promise((answer) => asked.push(answer)),
}));
const named = (title: string) => ({ title }) as Examination;

beforeEach(() => {
  asked.length = 0;
  setActivePinia(createPinia());
});

it('has the examination that was opened last, however late another answers', async () => {
  const store = useExamination();
  const opening = [store.open('a'), store.open('b')];
  asked[1]?.(named('B'));
  asked[0]?.(named('A'));
  await Promise.all(opening);
  expect(store.current?.title).toBe('B');
});

it('keeps what was taken from a newer answer', async () => {
  const store = useExamination();
  const opening = store.open('a');
  store.take(named('A, open for marking'));
  asked[0]?.(named('A, not open yet'));
  await opening;
  expect(store.current?.title).toBe('A, open for marking');
});

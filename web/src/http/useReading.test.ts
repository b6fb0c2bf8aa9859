import { PiniaColada } from '@pinia/colada';
import { createPinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { createApp, effectScope, nextTick, ref } from 'vue';
import type { App } from 'vue';
import { useSession } from '../accounts/session.ts';
import { useReading } from './useReading.ts';

let app: App;
const json = (body: unknown, status = 200) => new Response(JSON.stringify(body), { status });
const settle = async () => {
  for (let i = 0; i < 5; i++) await new Promise((resolve) => setTimeout(resolve, 0));
};
/** Runs as a page would, inside the application. */
const onPage = <T>(use: () => T): T => app.runWithContext(() => effectScope().run(use)) as T;

beforeEach(() => {
  vi.stubGlobal('localStorage', {
    getItem: () => null,
    setItem: () => undefined,
    removeItem: () => undefined,
  });
  app = createApp({ render: () => null });
  app.use(createPinia()).use(PiniaColada, { queryOptions: { staleTime: 0 } });
  signIn('ann');
});
afterEach(() => vi.unstubAllGlobals());

function signIn(id: string) {
  const account = { id, name: id, email: `${id}@x.example`, roles: ['lead' as const] };
  app.runWithContext(() =>
    useSession().take({
      account,
      csrfToken: 't',
      needsFirstAdministrator: false,
      sendsLetters: false,
    }),
  );
}
function answering(answer: (path: string) => Response) {
  const fetched = vi.fn(async (path: string | URL | Request) => answer(String(path)));
  vi.stubGlobal('fetch', fetched);
  return fetched;
}

describe('what a page reads', () => {
  it('is nothing, then what the server says, and is read again on demand', async () => {
    let title = 'First';
    const fetched = answering(() => json([{ title }]));
    const { data, error, reload } = onPage(() => useReading('GET /examinations'));
    expect(data.value).toBeNull();
    await settle();
    expect(data.value).toEqual([{ title: 'First' }]);
    title = 'Second';
    await reload();
    expect(data.value).toEqual([{ title: 'Second' }]);
    expect(error.value).toBe('');
    expect(fetched).toHaveBeenCalledTimes(2);
  });

  it('says what went wrong in the server’s words, and forgets it when it goes well again', async () => {
    let down = true;
    const problem = { type: 'urn:kritikos:problem:fault', title: 'Broken', status: 500 };
    answering(() => (down ? json(problem, 500) : json([])));
    const { error, reload } = onPage(() => useReading('GET /examinations'));
    await settle();
    expect(error.value).toBe('Broken');
    down = false;
    await reload();
    expect(error.value).toBe('');
  });

  it('follows what is asked for, and can leave the page before on the screen meanwhile', async () => {
    answering((path) => json({ total: 3, candidates: [], path }));
    const offset = ref(0);
    const { data } = onPage(() =>
      useReading(
        'GET /examinations/:examination/candidates',
        () => ({ params: { examination: 'e' }, query: { offset: offset.value } }),
        { keep: true },
      ),
    );
    await settle();
    expect(data.value).toMatchObject({ path: '/api/examinations/e/candidates?offset=0' });
    offset.value = 12;
    await nextTick();
    expect(data.value).toMatchObject({ path: '/api/examinations/e/candidates?offset=0' });
    await settle();
    expect(data.value).toMatchObject({ path: '/api/examinations/e/candidates?offset=12' });
  });

  it('of one person is never shown to the next who signs in on the same tablet', async () => {
    answering(() => json([{ title: 'Ann’s' }]));
    onPage(() => useReading('GET /examinations'));
    await settle();
    signIn('ben');
    answering(() => new Response('', { status: 204 }));
    const { data } = onPage(() => useReading('GET /examinations'));
    expect(data.value).toBeNull();
    await settle();
    expect(data.value).toBeNull();
  });

  it('takes what a change answered with', async () => {
    answering(() => json([]));
    const { data, take } = onPage(() => useReading('GET /accounts/examiners'));
    await settle();
    take([{ id: 'x', name: 'X', email: 'x@x.example', roles: ['examiner'] }]);
    expect(data.value).toHaveLength(1);
  });

  it('is not put back by an answer to what was asked before a change', async () => {
    const waiting: ((answer: Response) => void)[] = [];
    answering(() => json([{ title: 'As it was' }]));
    const { data, take, reload } = onPage(() => useReading('GET /examinations'));
    await settle();
    vi.stubGlobal('fetch', () => new Promise((resolve) => waiting.push(resolve)));
    const older = reload();
    await settle();
    take([{ title: 'Changed' }] as never);
    waiting.shift()?.(json([{ title: 'As it was' }]));
    await older;
    expect(data.value).toEqual([{ title: 'Changed' }]);
    // What else may have changed is read once more.
    await settle();
    waiting.shift()?.(json([{ title: 'Changed, and more' }]));
    await settle();
    expect(data.value).toEqual([{ title: 'Changed, and more' }]);
  });

  it('is not put back by a read that began while a change was on the way', async () => {
    answering(() => json([{ title: 'As it was' }]));
    const { data, take, reload, whileChanging } = onPage(() => useReading('GET /examinations'));
    await settle();
    take([{ title: 'Shown at once' }] as never);
    let arrived: () => void = () => undefined;
    const change = whileChanging(() => new Promise<void>((resolve) => (arrived = resolve)));
    await reload(); // the server does not know of it yet
    expect(data.value).toEqual([{ title: 'Shown at once' }]);
    answering(() => json([{ title: 'As the server has it' }]));
    arrived();
    await change;
    await settle();
    expect(data.value).toEqual([{ title: 'As the server has it' }]);
  });
});

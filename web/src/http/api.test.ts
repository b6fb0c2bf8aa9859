import { afterEach, describe, expect, it, vi } from 'vitest';
import {
  ApiProblem,
  call,
  linkTo,
  messageOf,
  NoConnection,
  useCsrfToken,
  awaitCsrfToken,
} from './api.ts';
import { clockAhead, correctedNow } from './serverClock.ts';

const answers = (...responses: (Response | Error)[]) => {
  const fetched = vi.fn<typeof fetch>();
  for (const response of responses) {
    if (response instanceof Error) fetched.mockRejectedValueOnce(response);
    else fetched.mockResolvedValueOnce(response);
  }
  vi.stubGlobal('fetch', fetched);
  return fetched;
};
const json = (body: unknown, status = 200) => new Response(JSON.stringify(body), { status });
const sent = { params: { examination: 'e1' }, body: { open: true } };
const problem = (type: string, status: number, detail?: string) =>
  json({ type: `urn:kritikos:problem:${type}`, title: 'Not so', status, detail }, status);

afterEach(() => {
  vi.unstubAllGlobals();
  useCsrfToken('');
  clockAhead.value = 0;
});

describe('a call of the API', () => {
  it('carries the token and the body, and answers with what the server says', async () => {
    useCsrfToken('token-1');
    const fetched = answers(json({ id: 7 }));
    expect(await call('PUT /examinations/:examination/marking', sent)).toEqual({ id: 7 });
    const [path, init] = fetched.mock.calls[0] ?? [];
    expect(path).toBe('/api/examinations/e1/marking');
    expect(init?.method).toBe('PUT');
    expect(init?.headers).toMatchObject({
      'x-csrf-token': 'token-1',
      'content-type': 'application/json',
    });
    expect(init?.body).toBe('{"open":true}');
  });

  it('writes ids and questions into the address, and leaves out what is not asked', async () => {
    const fetched = answers(json([]), json([]), json([]));
    await call('GET /examinations/:examination/candidates', {
      params: { examination: 'a b/c' },
      query: { offset: 24, limit: 12 },
    });
    await call('GET /audit', { query: { before: undefined, action: 'signed-in' } });
    await call('GET /stations/:station/agreement/table', { params: { station: 's' }, query: {} });
    expect(fetched.mock.calls.map(([path]) => path)).toEqual([
      '/api/examinations/a%20b%2Fc/candidates?offset=24&limit=12',
      '/api/audit?action=signed-in',
      '/api/stations/s/agreement/table',
    ]);
    expect(linkTo('GET /examinations/:examination/results.csv', { examination: 'e1' })).toBe(
      '/api/examinations/e1/results.csv',
    );
  });

  it('sends a file as it is, so that the server can judge its bytes', async () => {
    const fetched = answers(json({}));
    await call('POST /examinations/:examination/candidates', {
      params: { examination: 'e1' },
      body: 'number;name',
    });
    expect(fetched.mock.calls[0]?.[1]).toMatchObject({
      body: 'number;name',
      method: 'POST',
      headers: { 'content-type': 'text/csv' },
    });
  });

  it('throws the server’s problem in its own words', async () => {
    answers(problem('frozen', 409, 'Reload the sheet.'));
    const thrown: unknown = await call('GET /examinations').catch((error: unknown) => error);
    expect(thrown).toBeInstanceOf(ApiProblem);
    expect((thrown as ApiProblem).type).toBe('frozen');
    expect(messageOf(thrown)).toBe('Not so. Reload the sheet.');
  });

  it('says that nothing is lost where there is no network', async () => {
    answers(new TypeError('Failed to fetch'));
    const thrown: unknown = await call('GET /examinations').catch((error: unknown) => error);
    expect(thrown).toBeInstanceOf(NoConnection);
    expect(messageOf(thrown)).toMatch(/kept on this device/);
  });

  it('fetches a token before the first change of a page that was opened without a network', async () => {
    awaitCsrfToken();
    const fetched = answers(json([]), json({ csrfToken: 'fresh' }), json({}), json({}));
    await call('GET /examinations');
    await call('PUT /examinations/:examination/marking', sent);
    await call('PUT /examinations/:examination/marking', sent);
    expect(fetched.mock.calls.map(([path]) => path)).toEqual([
      '/api/examinations',
      '/api/session',
      '/api/examinations/e1/marking',
      '/api/examinations/e1/marking',
    ]);
    expect(fetched.mock.calls[2]?.[1]?.headers).toMatchObject({ 'x-csrf-token': 'fresh' });
  });

  it('still lacks the token where the network is not back, and nothing is sent without it', async () => {
    awaitCsrfToken();
    const fetched = answers(
      new TypeError('Failed to fetch'),
      json({ csrfToken: 'fresh' }),
      json({}),
    );
    await expect(call('PUT /examinations/:examination/marking', sent)).rejects.toBeInstanceOf(
      NoConnection,
    );
    await call('PUT /examinations/:examination/marking', sent);
    expect(fetched.mock.calls.map(([path]) => path)).toEqual([
      '/api/session',
      '/api/session',
      '/api/examinations/e1/marking',
    ]);
  });

  it('fetches a token and tries once more where it had none', async () => {
    const fetched = answers(
      problem('forged-request', 403),
      json({ csrfToken: 'fresh' }),
      json({ saved: true }),
    );
    expect(await call('PUT /examinations/:examination/marking', sent)).toEqual({ saved: true });
    expect(fetched).toHaveBeenCalledTimes(3);
    expect(fetched.mock.calls[2]?.[1]?.headers).toMatchObject({ 'x-csrf-token': 'fresh' });
  });

  it('does not try for ever where the fresh token is refused too', async () => {
    const fetched = answers(
      problem('forged-request', 403),
      json({ csrfToken: 'fresh' }),
      problem('forged-request', 403),
    );
    await expect(call('PUT /examinations/:examination/marking', sent)).rejects.toBeInstanceOf(
      ApiProblem,
    );
    expect(fetched).toHaveBeenCalledTimes(3);
  });

  it.each([
    ['a proxy that says no', new Response('<html>', { status: 502 })],
    ['a proxy that says no in JSON', json({ message: 'forbidden' }, 403)],
    ['the sign-in page of a network', new Response('<html>Welcome</html>', { status: 200 })],
  ])('takes %s for no connection, not for the server', async (_, response) => {
    answers(response);
    await expect(call('GET /examinations')).rejects.toBeInstanceOf(NoConnection);
  });

  it('gives up on a network that is half dead', async () => {
    vi.useFakeTimers();
    vi.spyOn(AbortSignal, 'timeout').mockImplementation((ms) => {
      const controller = new AbortController();
      setTimeout(() => controller.abort(), ms);
      return controller.signal;
    });
    const neverAnswers = (_: unknown, init?: RequestInit) =>
      new Promise<Response>((_resolve, reject) => {
        init?.signal?.addEventListener('abort', () => reject(new Error('aborted')));
      });
    vi.stubGlobal('fetch', vi.fn(neverAnswers));
    const asked = expect(call('GET /examinations')).rejects.toBeInstanceOf(NoConnection);
    await vi.advanceTimersByTimeAsync(60_000);
    await asked;
    vi.useRealTimers();
    vi.restoreAllMocks();
  });

  it('knows when the server wants to be asked again', async () => {
    const busy = problem('unavailable', 503);
    busy.headers.set('retry-after', '7');
    answers(busy);
    const thrown: unknown = await call('GET /examinations').catch((error: unknown) => error);
    expect((thrown as ApiProblem).retryAfter).toBe(7);
  });

  it('measures how far the clock of this device is off, at every answer', async () => {
    vi.useFakeTimers({ now: Date.parse('2026-11-26T10:00:05.000Z') });
    const response = json({});
    response.headers.set('kritikos-time', String(Date.parse('2026-11-26T09:00:00.000Z')));
    answers(response);
    await call('GET /examinations');
    expect(clockAhead.value).toBe(3_605_000);
    expect(new Date(correctedNow()).toISOString()).toBe('2026-11-26T09:00:00.000Z');
    vi.useRealTimers();
  });
});

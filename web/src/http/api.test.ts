import { afterEach, describe, expect, it, vi } from 'vitest';
import { ApiProblem, call, callWithCsv, messageOf, NoConnection, useCsrfToken } from './api.ts';

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
const problem = (type: string, status: number, detail?: string) =>
  json({ type: `urn:kritikos:problem:${type}`, title: 'Not so', status, detail }, status);

afterEach(() => {
  vi.unstubAllGlobals();
  useCsrfToken('');
});

describe('a call of the API', () => {
  it('carries the token and the body, and answers with what the server says', async () => {
    useCsrfToken('token-1');
    const fetched = answers(json({ id: 7 }));
    expect(await call('POST', '/stations', { title: 'Knee' })).toEqual({ id: 7 });
    const [path, init] = fetched.mock.calls[0] ?? [];
    expect(path).toBe('/api/stations');
    expect(init?.headers).toMatchObject({
      'x-csrf-token': 'token-1',
      'content-type': 'application/json',
    });
    expect(init?.body).toBe('{"title":"Knee"}');
  });

  it('sends a file as it is, so that the server can judge its bytes', async () => {
    const fetched = answers(json({}));
    await callWithCsv('/candidates', 'number;name');
    expect(fetched.mock.calls[0]?.[1]).toMatchObject({ body: 'number;name', method: 'POST' });
  });

  it('throws the server’s problem in its own words', async () => {
    answers(problem('stale-checklist', 409, 'Reload the sheet.'));
    const thrown: unknown = await call('GET', '/x').catch((error: unknown) => error);
    expect(thrown).toBeInstanceOf(ApiProblem);
    expect((thrown as ApiProblem).type).toBe('stale-checklist');
    expect(messageOf(thrown)).toBe('Not so. Reload the sheet.');
  });

  it('says that nothing is lost where there is no network', async () => {
    answers(new TypeError('Failed to fetch'));
    const thrown: unknown = await call('GET', '/x').catch((error: unknown) => error);
    expect(thrown).toBeInstanceOf(NoConnection);
    expect(messageOf(thrown)).toMatch(/kept on this device/);
  });

  it('fetches a token and tries once more where it had none', async () => {
    const fetched = answers(
      problem('forged-request', 403),
      json({ csrfToken: 'fresh' }),
      json({ saved: true }),
    );
    expect(await call('PUT', '/draft', {})).toEqual({ saved: true });
    expect(fetched).toHaveBeenCalledTimes(3);
    expect(fetched.mock.calls[2]?.[1]?.headers).toMatchObject({ 'x-csrf-token': 'fresh' });
  });

  it('does not try for ever where the fresh token is refused too', async () => {
    const fetched = answers(
      problem('forged-request', 403),
      json({ csrfToken: 'fresh' }),
      problem('forged-request', 403),
    );
    await expect(call('PUT', '/draft', {})).rejects.toBeInstanceOf(ApiProblem);
    expect(fetched).toHaveBeenCalledTimes(3);
  });

  it('names an answer that cannot be read', async () => {
    answers(new Response('<html>', { status: 502 }));
    await expect(call('GET', '/x')).rejects.toThrow(/cannot be read/);
  });
});

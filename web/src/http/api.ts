import type { Session } from '@kritikos/contracts/accounts';
import type { Problem } from '@kritikos/contracts/problem';
import { noteServerTime } from './serverClock.ts';

/** After this long without an answer, a network that is half dead counts as none. */
const LONGEST_WAIT = 20_000;

/** What the server said no with: what happened, where, and what to do now. */
export class ApiProblem extends Error {
  constructor(
    readonly problem: Problem,
    /** After how many seconds the server wants to be asked again, where it says so. */
    readonly retryAfter: number | null = null,
  ) {
    super(problem.detail ? `${problem.title}. ${problem.detail}` : problem.title);
  }
  /** The last part of the problem's type, for example `frozen`. */
  get type(): string {
    return this.problem.type.split(':').at(-1) ?? 'fault';
  }
}

/**
 * The server could not be reached: nothing answered in time, or something on the way answered in
 * its place. Nothing is known to have arrived.
 */
export class NoConnection extends Error {
  constructor() {
    super(
      'The server cannot be reached. Check the network; what you marked is kept on this device.',
    );
  }
}

let csrfToken = '';

/** The token that every change must carry; it comes with the session. */
export function useCsrfToken(token: string): void {
  csrfToken = token;
}

type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';

/** Calls the API and answers with its JSON. Throws `ApiProblem` or `NoConnection`. */
export async function call<Answer>(method: Method, path: string, body?: unknown): Promise<Answer> {
  return send(
    method,
    path,
    'application/json',
    body === undefined ? undefined : JSON.stringify(body),
  );
}

/** The same with a CSV file as the body; the bytes go as they are, so that the server can judge them. */
export async function callWithCsv<Answer>(path: string, file: Blob | string): Promise<Answer> {
  return send('POST', path, 'text/csv', file);
}

async function send<Answer>(
  method: Method,
  path: string,
  type: string,
  body: BodyInit | undefined,
): Promise<Answer> {
  try {
    return (await attempt(method, path, type, body)) as Answer;
  } catch (thrown) {
    // A page that was opened without a network has no token yet; it gets one and tries once more.
    const forged = thrown instanceof ApiProblem && thrown.type === 'forged-request';
    if (!forged || !(await renewToken())) throw thrown;
    return (await attempt(method, path, type, body)) as Answer;
  }
}

async function attempt(
  method: Method,
  path: string,
  type: string,
  body: BodyInit | undefined,
): Promise<unknown> {
  const headers: Record<string, string> = { accept: 'application/json' };
  if (csrfToken) headers['x-csrf-token'] = csrfToken;
  if (body !== undefined) headers['content-type'] = type;
  const sent = Date.now();
  let response: Response;
  let answer: unknown;
  try {
    const signal = AbortSignal.timeout(LONGEST_WAIT);
    response = await fetch(`/api${path}`, {
      method,
      headers,
      signal,
      ...(body === undefined ? {} : { body }),
    });
    noteServerTime(Number(response.headers.get('kritikos-time')), sent, Date.now());
    // What is no JSON was written by a proxy or a sign-in page of the network, not by the server.
    answer = await response.json();
  } catch {
    throw new NoConnection();
  }
  if (response.ok) return answer;
  if (!isProblem(answer)) throw new NoConnection();
  const after = Number(response.headers.get('retry-after') ?? NaN);
  throw new ApiProblem(answer, Number.isFinite(after) ? after : null);
}

function isProblem(answer: unknown): answer is Problem {
  const type = (answer as { type?: unknown } | null)?.type;
  return typeof type === 'string' && type.startsWith('urn:kritikos:problem:');
}

async function renewToken(): Promise<boolean> {
  const before = csrfToken;
  csrfToken = ((await attempt('GET', '/session', '', undefined)) as Session).csrfToken;
  return csrfToken !== '' && csrfToken !== before;
}

/** The message to show for whatever was thrown. */
export function messageOf(error: unknown): string {
  return error instanceof Error ? error.message : 'Something went wrong.';
}

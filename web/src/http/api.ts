import type { Problem } from '@kritikos/contracts/problem';

/** What the server said no with: what happened, where, and what to do now. */
export class ApiProblem extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail ? `${problem.title}. ${problem.detail}` : problem.title);
  }
  /** The last part of the problem's type, for example `stale-checklist`. */
  get type(): string {
    return this.problem.type.split(':').at(-1) ?? 'fault';
  }
}

/** The server could not be reached at all; nothing is known to have arrived. */
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
  const response = await attempt(method, path, type, body);
  if (response.ok) return (await response.json()) as Answer;
  const problem = await problemOf(response);
  // A page that was opened without a network has no token yet; it gets one and tries once more.
  if (problem.type.endsWith(':forged-request') && (await renewToken())) {
    const again = await attempt(method, path, type, body);
    if (again.ok) return (await again.json()) as Answer;
    throw new ApiProblem(await problemOf(again));
  }
  throw new ApiProblem(problem);
}

async function attempt(
  method: Method,
  path: string,
  type: string,
  body: BodyInit | undefined,
): Promise<Response> {
  const headers: Record<string, string> = { accept: 'application/json' };
  if (csrfToken) headers['x-csrf-token'] = csrfToken;
  if (body !== undefined) headers['content-type'] = type;
  try {
    return await fetch(`/api${path}`, { method, headers, ...(body === undefined ? {} : { body }) });
  } catch {
    throw new NoConnection();
  }
}

async function problemOf(response: Response): Promise<Problem> {
  const problem: unknown = await response.json().catch(() => null);
  return (
    (problem as Problem | null) ?? {
      type: 'urn:kritikos:problem:fault',
      title: 'The server answered in a way that cannot be read',
      status: response.status,
    }
  );
}

async function renewToken(): Promise<boolean> {
  const response = await attempt('GET', '/session', '', undefined);
  if (!response.ok) return false;
  const before = csrfToken;
  csrfToken = ((await response.json()) as { csrfToken: string }).csrfToken;
  return csrfToken !== '' && csrfToken !== before;
}

/** The message to show for whatever was thrown. */
export function messageOf(error: unknown): string {
  return error instanceof Error ? error.message : 'Something went wrong.';
}

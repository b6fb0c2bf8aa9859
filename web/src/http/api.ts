import type { Address, Answer, FileAddress, Sent } from '@kritikos/contracts/api';
import type { Params } from '@kritikos/contracts/contract';
import type { Problem } from '@kritikos/contracts/problem';
import { noteServerTime } from './serverClock.ts';

const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';
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
      'The server cannot be reached. Check the network and try again; marks are kept on this device.',
    );
  }
}

let csrfToken = '';

/** The token that every change must carry; it comes with the session. */
export function useCsrfToken(token: string): void {
  csrfToken = token;
  lacksToken = false;
}

/** A page that was opened without a network, for somebody whom the device remembers, has none yet. */
let lacksToken = false;
export function awaitCsrfToken(): void {
  lacksToken = true;
}

/** Everything that a call can be sent with; which of it an address wants, its contract says. */
interface Anything {
  readonly params?: Readonly<Record<string, string>>;
  readonly query?: Readonly<Record<string, unknown>>;
  readonly body?: unknown;
}
/** Nothing has to be said where the contract asks for nothing. */
type Input<A extends Address> =
  Record<never, never> extends Sent<A> ? [sent?: Sent<A>] : [sent: Sent<A>];

/**
 * Calls an address of the API and answers as its contract says. A file goes as CSV, its bytes as
 * they are, so that the server can judge them. Throws `ApiProblem` or `NoConnection`.
 */
export async function call<A extends Address>(address: A, ...[sent]: Input<A>): Promise<Answer<A>> {
  return ask(address, sent);
}

/** The same where what is sent is at hand as it is, or is nothing. */
export async function ask<A extends Address>(
  address: A,
  sent: Sent<A> | undefined,
): Promise<Answer<A>> {
  const { params, query, body }: Anything = sent ?? {};
  const request = { ...requestTo(address, params, query), ...payload(body) };
  if (lacksToken && request.method !== 'GET') await renewToken();
  try {
    // The one place where what came is taken for what the contract promises; tests hold it to that.
    return (await attempt(request)) as Answer<A>;
  } catch (thrown) {
    // The token may be of a session that is over; another is fetched, and it is tried once more.
    const forged = thrown instanceof ApiProblem && thrown.type === 'forged-request';
    if (!forged || !(await renewToken())) throw thrown;
    return (await attempt(request)) as Answer<A>;
  }
}

/** Where a file of the API is to be had, for a link. */
export function linkTo<A extends FileAddress>(
  address: A,
  params: Params<A>,
  query: Anything['query'] = {},
): string {
  return `/api${requestTo(address, params, query).path}`;
}

/** Calls an address whose answer is a file, and gives the person that file. */
export async function takeFile<A extends FileAddress>(
  address: A,
  name: string,
  params: Params<A>,
): Promise<void> {
  const blob = await attempt(requestTo(address, params), (response) =>
    response.ok ? response.blob() : response.json(),
  );
  const url = URL.createObjectURL(blob as Blob);
  Object.assign(document.createElement('a'), { href: url, download: name }).click();
  URL.revokeObjectURL(url);
}

interface Request {
  readonly method: string;
  readonly path: string;
  readonly type?: string;
  readonly body?: BodyInit;
}

function requestTo(
  address: Address,
  params: Anything['params'] = {},
  query: Anything['query'] = {},
): Request {
  const [method = '', pattern = ''] = address.split(' ');
  const path = pattern.replace(/:(\w+)/g, (_, name: string) =>
    encodeURIComponent(params[name] ?? ''),
  );
  const asked = new URLSearchParams();
  for (const [name, value] of Object.entries(query)) {
    if (value !== undefined) asked.set(name, String(value));
  }
  return { method, path: asked.size > 0 ? `${path}?${asked.toString()}` : path };
}

function payload(body: unknown): Pick<Request, 'type' | 'body'> {
  if (body === undefined) return {};
  if (body instanceof Blob) return { type: body.type === XLSX ? XLSX : 'text/csv', body };
  if (typeof body === 'string') return { type: 'text/csv', body };
  return { type: 'application/json', body: JSON.stringify(body) };
}

async function attempt(
  { method, path, type, body }: Request,
  read: (response: Response) => Promise<unknown> = (response) => response.json(),
): Promise<unknown> {
  const headers: Record<string, string> = { accept: 'application/json' };
  if (csrfToken) headers['x-csrf-token'] = csrfToken;
  if (type) headers['content-type'] = type;
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
    answer = await read(response);
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
  useCsrfToken((await call('GET /session')).csrfToken);
  return csrfToken !== '' && csrfToken !== before;
}

/** The message to show for whatever was thrown. */
export function messageOf(error: unknown): string {
  return error instanceof Error ? error.message : 'Something went wrong.';
}

import type { Session } from '@kritikos/contracts/accounts';

/** Somebody signed in at a server of the bench, who reads pages and sends forms. */
export class Visitor {
  private headers: Record<string, string> = {};

  constructor(private readonly port: number) {}

  async signIn(email: string, password: string): Promise<void> {
    const response = await this.ask('POST', '/session', JSON.stringify({ email, password }));
    const { csrfToken } = (await response.json()) as Session;
    const cookie = response.headers.getSetCookie().map((one) => one.split(';')[0]);
    this.headers = { cookie: cookie.join('; '), 'x-csrf-token': csrfToken };
  }

  async ask(
    method: string,
    path: string,
    body?: string,
    type = 'application/json',
  ): Promise<Response> {
    const response = await fetch(`http://127.0.0.1:${this.port}/api${path}`, {
      method,
      headers: { ...this.headers, ...(body === undefined ? {} : { 'content-type': type }) },
      ...(body === undefined ? {} : { body }),
    });
    if (!response.ok) throw new Error(`${method} ${path}: ${await response.text()}`);
    return response;
  }

  async get<T>(path: string): Promise<T> {
    return (await this.ask('GET', path)).json() as Promise<T>;
  }

  /** Milliseconds from the request to the last byte of the answer. */
  async time(path: string): Promise<number> {
    const started = performance.now();
    await (await this.ask('GET', path)).arrayBuffer();
    return performance.now() - started;
  }

  /** Opens the stream of hints; `heard` is called with the time of each. */
  async listen(heard: (at: number) => void): Promise<() => void> {
    const abort = new AbortController();
    const response = await fetch(`http://127.0.0.1:${this.port}/api/hints`, {
      headers: this.headers,
      signal: abort.signal,
    });
    const read = async () => {
      const decoder = new TextDecoder();
      for await (const part of response.body ?? []) {
        if (/^data: /m.test(decoder.decode(part))) heard(performance.now());
      }
    };
    read().catch(() => undefined); // closed by whoever listens
    return () => abort.abort();
  }
}

import type { MarkEvent, OwnStation, Sheet } from '@kritikos/contracts/marking';
import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';

/** A device that keeps its connection open, as a tablet does, and signs in as one examiner. */
export class Device {
  private readonly agent = new Agent({ keepAlive: true, maxSockets: 1 });
  private cookie = '';
  private token = '';
  private account = '';
  private sheet: Sheet | undefined;
  private sequence = 0;
  private readonly id = randomUUID();

  constructor(private readonly port: number) {}

  async signIn(email: string, password: string): Promise<void> {
    const session = await this.send<{ csrfToken: string; account: { id: string } }>(
      'POST',
      '/session',
      { email, password },
    );
    this.token = session.csrfToken;
    this.account = session.account.id;
    const [station] = await this.send<OwnStation[]>('GET', '/own/stations');
    const open = station?.sheets.find((sheet) => sheet.submittedAt === null);
    this.sheet = await this.send<Sheet>('GET', `/sheets/${open?.id}`);
  }

  /** One tap on the sheet, from the finger to the answer. */
  async tap(): Promise<void> {
    if (!this.sheet) throw new Error('nobody is signed in');
    const items = this.sheet.checklist.content.items.filter((item) => item.kind === 'done');
    const sequence = this.sequence++;
    const event: MarkEvent = {
      id: randomUUID(),
      device: this.id,
      sequence,
      at: new Date().toISOString(),
      clockAhead: 0,
      checklistVersionId: this.sheet.checklist.id,
      body: {
        type: 'mark',
        item: items[sequence % items.length]?.key ?? '',
        value: sequence % 2,
        observation: 'observed',
        manner: 'done',
        prompted: false,
      },
    };
    const batch = { account: this.account, events: [event] };
    const { answers } = await this.send<{ answers: { outcome: string }[] }>(
      'POST',
      `/sheets/${this.sheet.id}/events`,
      batch,
    );
    if (answers[0]?.outcome !== 'kept') throw new Error(JSON.stringify(answers));
  }

  /** A body as long as a tap's, to the route that writes one row and no more. */
  async bare(): Promise<void> {
    const id = randomUUID();
    await this.send('POST', '/bare', { id, body: 'x'.repeat(420) });
  }

  private send<T>(method: string, path: string, body?: unknown): Promise<T> {
    return new Promise((resolve, reject) => {
      const payload = body === undefined ? undefined : JSON.stringify(body);
      const headers = {
        cookie: this.cookie,
        'x-csrf-token': this.token,
        ...(payload === undefined
          ? {}
          : { 'content-type': 'application/json', 'content-length': Buffer.byteLength(payload) }),
      };
      const { port, agent } = this;
      const call = request(
        { port, host: '127.0.0.1', method, path: `/api${path}`, agent, headers },
        (response) => {
          let text = '';
          response.on('data', (chunk) => (text += chunk));
          response.on('end', () => {
            this.cookie = response.headers['set-cookie']?.[0]?.split(';')[0] ?? this.cookie;
            if ((response.statusCode ?? 500) >= 400) reject(new Error(text));
            else resolve(JSON.parse(text) as T);
          });
        },
      );
      call.on('error', reject);
      call.end(payload);
    });
  }
}

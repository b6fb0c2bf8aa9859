import fc from 'fast-check';
import { randomBytes } from 'node:crypto';
import type { z } from 'zod';
import { connect } from '../../server/db/database.ts';
import { DEMO_PASSWORD, EXAMINERS, LEAD } from '../../server/demo/people.ts';
import type { Route } from '../../server/http/route.ts';
import { routes } from '../../server/routes.ts';
import { candidateFile, nearlyValid } from '../../server/testing/nearlyValid.ts';
import { withServer } from '../bench/servers.ts';

/**
 * Sends requests that nearly fit their contracts at every route of a server that holds the demo
 * examination: none may end in a fault, and the server may at no time stand still for 2 s. The seed
 * is printed; the same seed sends the same requests.
 */
const PORT = 4869;
const AT_ONCE = 8;
const LONGEST_PAUSE = 2000;
const ANSWER_WITHIN = 60_000;

const wanted = Number(process.argv[2] ?? 100_000);
const seed = Number(process.argv[3] ?? randomBytes(4).readUInt32BE());
if (!Number.isInteger(wanted) || wanted < 1 || !Number.isInteger(seed)) {
  console.error('npm run fuzz -- [REQUESTS] [SEED], both whole numbers.');
  process.exit(2);
}
const database = new URL(process.env.FUZZ_DATABASE_URL ?? '');
database.pathname = `/fuzz_${Date.now()}`;

interface Shot {
  readonly route: Route;
  readonly path: string;
  readonly type: string;
  readonly body: string | undefined;
}
/** Somebody who is signed in; signing out would leave the rest of the run at the door. */
class Person {
  private cookie = '';
  private token = '';
  constructor(private readonly email: string | null) {}

  async signIn(): Promise<void> {
    if (this.email === null) return;
    const answer = await fetch(`http://127.0.0.1:${PORT}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ email: this.email, password: DEMO_PASSWORD }),
    });
    const session = (await answer.json()) as { csrfToken: string };
    if (!answer.ok) throw new Error(JSON.stringify(session));
    this.token = session.csrfToken;
    this.cookie = answer.headers.get('set-cookie')?.split(';')[0] ?? '';
  }

  async send({ route, path, type, body }: Shot): Promise<{ status: number; text: string }> {
    const answer = await fetch(`http://127.0.0.1:${PORT}/api${path}`, {
      method: route.method.toUpperCase(),
      headers: { cookie: this.cookie, 'x-csrf-token': this.token, 'content-type': type },
      signal: AbortSignal.timeout(ANSWER_WITHIN),
      ...(body === undefined ? {} : { body }),
    });
    return { status: answer.status, text: await answer.text() };
  }
}

await withServer('server/main.ts', PORT, { DATABASE_URL: database.href, KRITIKOS_DEMO: '1' }, run);

async function run(): Promise<void> {
  const ids = await existingIds();
  const shots = shotArbitrary(ids);
  const lead = new Person(LEAD.email);
  const examiners = EXAMINERS.slice(0, 2).map(({ email }) => new Person(email));
  const people = [lead, ...examiners, new Person(null)];
  for (const person of people) await person.signIn();
  /** Mostly somebody who may call the route, now and then anybody. */
  const whoCalls = ({ access }: Route, turn: number): Person => {
    const anybody = people[turn % people.length] as Person;
    if (access === 'anyone' || turn % 8 === 0) return anybody;
    return access.roles.includes('lead') ? lead : (examiners[turn % 2] as Person);
  };
  const statuses = new Map<number, number>();
  const faults: string[] = [];
  const pauses = watchPauses();
  const started = Date.now();
  let sent = 0;
  let chunk: Shot[] = [];
  const next = () => {
    if (sent >= wanted) return undefined;
    if (chunk.length === 0) chunk = fc.sample(shots, { numRuns: 1000, seed: seed + sent });
    sent++;
    return chunk.pop();
  };
  const lane = async (place: number) => {
    for (let shot = next(); shot; shot = next()) {
      const person = whoCalls(shot.route, sent + place);
      const { status, text } = await person
        .send(shot)
        .catch((error: Error) => ({ status: 599, text: error.message }));
      statuses.set(status, (statuses.get(status) ?? 0) + 1);
      if (status >= 500) {
        const body = shot.body === undefined ? '' : ` ${shot.body.slice(0, 600)}`;
        faults.push(`${status} ${shot.route.method} ${shot.path}${body}\n  ${text.slice(0, 300)}`);
      }
      if (sent % 10_000 === 0) console.log(`${sent} sent`);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, (_, place) => lane(place)));
  const longest = pauses.stop();
  const seconds = (Date.now() - started) / 1000;
  for (const fault of faults.slice(0, 20)) console.log(fault);
  const byStatus = [...statuses].sort(([a], [b]) => a - b).map(([s, n]) => `${n} of ${s}`);
  console.log(
    `${wanted} requests to ${routes.length} routes in ${seconds.toFixed(0)} s, seed ${seed}: ${byStatus.join(', ')}. ` +
      `${faults.length} faults; the longest pause was ${longest.toFixed(0)} ms.`,
  );
  process.exitCode = faults.length === 0 && longest <= LONGEST_PAUSE ? 0 : 1;
}

/** Ids of rows that exist, by the name under which a path asks for them. */
async function existingIds(): Promise<Record<string, string[]>> {
  const db = connect(database.href);
  const tables = ['examination', 'station', 'sheet', 'candidate', 'account', 'checklist_version'];
  const entries = await Promise.all(
    tables.map(async (table) => {
      const rows: { id: string }[] = await db(table).select('id').orderBy('id').limit(20);
      return [table, rows.map(({ id }) => id)] as const;
    }),
  );
  await db.destroy();
  return Object.fromEntries(entries);
}

function shotArbitrary(ids: Record<string, string[]>): fc.Arbitrary<Shot> {
  const every = Object.values(ids).flat();
  const aimable = routes.filter(
    ({ method, path }) => !(method === 'delete' && path === '/session'),
  );
  const odd = fc.string({ unit: 'grapheme', minLength: 1, maxLength: 12 }).map(encodeURIComponent);
  return fc.oneof(
    ...aimable.map((route) => {
      const path = fc
        .tuple(
          ...route.path.split('/').map((piece) => {
            if (!piece.startsWith(':')) return fc.constant(piece);
            const known = ids[piece.slice(1)] ?? every;
            return fc.oneof(
              { weight: 8, arbitrary: fc.constantFrom(...known) },
              { weight: 1, arbitrary: fc.constantFrom(...every) },
              { weight: 1, arbitrary: odd },
            );
          }),
        )
        .map((pieces) => pieces.join('/'));
      const query = route.query ? queryOf(route.query, every) : fc.constant('');
      const [type, body] = bodyOf(route, every);
      return fc.record({ path, query, body }).map((shot) => ({
        route,
        path: shot.path + shot.query,
        type,
        body: shot.body,
      }));
    }),
  );
}

function bodyOf(route: Route, ids: string[]): [string, fc.Arbitrary<string | undefined>] {
  if (route.takes === 'csv') return ['text/csv', candidateFile];
  if (!route.body) return ['application/json', fc.constant(undefined)];
  const nearly = nearlyValid(route.body, ids).map((value) => JSON.stringify(value) ?? 'null');
  const broken = fc.string({ unit: 'binary', maxLength: 40 });
  return [
    'application/json',
    fc.oneof({ weight: 20, arbitrary: nearly }, { weight: 1, arbitrary: broken }),
  ];
}

function queryOf(contract: z.ZodType, ids: string[]): fc.Arbitrary<string> {
  return nearlyValid(contract, ids).map((value) => {
    const fields = Object.entries((value ?? {}) as Record<string, unknown>);
    const pieces = fields.map(([name, own]) => `${inAddress(name)}=${inAddress(own)}`);
    return `?${pieces.join('&')}`;
  });
}

function inAddress(value: unknown): string {
  const text = typeof value === 'string' ? value : (JSON.stringify(value) ?? '');
  // Half a character cannot be sent in an address.
  return encodeURIComponent(text.toWellFormed());
}

/** Asks for the plainest answer all along, and remembers how long the server took at its worst. */
function watchPauses() {
  let longest = 0;
  let watching = true;
  const done = (async () => {
    while (watching) {
      const asked = performance.now();
      await fetch(`http://127.0.0.1:${PORT}/api/session`)
        .then((answer) => answer.arrayBuffer())
        .catch(() => undefined);
      longest = Math.max(longest, performance.now() - asked);
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
  })();
  return {
    stop: () => {
      watching = false;
      void done;
      return longest;
    },
  };
}

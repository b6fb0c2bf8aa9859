import { isUtf8 } from 'node:buffer';
import express from 'express';
import type { RequestHandler } from 'express';
import { readOpenFile } from '../jobs/pool.ts';
import { HttpProblem, invalid } from './problems.ts';
import type { Route } from './route.ts';

export const LARGEST_BODY = '1mb';
/** What is sent by whoever need not be signed in: a name and a password, a judge's words. */
const LARGEST_OF_ANYONE = '64kb';
const LARGEST_TABLE = '8mb';
/** Of 20,000 candidates at 20 stations a file has about this size. */
const LARGEST_FILE = '64mb';
const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';
/** What a table of either kind is sent as. */
export const TABLE_TYPES = ['text/csv', XLSX];

/** No browser packs what it sends, and what unfolds is larger than it looks. */
const inflate = false;

const json = (limit: string) => express.json({ limit, inflate, verify: refuseBrokenText });

/** Reads JSON bodies, up to the largest that is taken. */
export const readJson = json(LARGEST_BODY);
const readJsonOfAnyone = json(LARGEST_OF_ANYONE);
const readCsv = express.text({
  ...{ type: 'text/csv', limit: LARGEST_BODY, inflate },
  verify: refuseBrokenText,
});
/** Reads a table as the bytes that it is. */
const readTable = express.raw({ type: TABLE_TYPES, limit: LARGEST_TABLE, inflate });
const readBytes = express.raw({ type: 'application/json', limit: LARGEST_FILE, inflate });

const KINDS = {
  json: [['application/json'], 'JSON'],
  csv: [['text/csv'], 'CSV'],
  table: [TABLE_TYPES, 'CSV or XLSX'],
  'open file': [['application/json'], 'JSON'],
} as const;

/** What reads the body of a route, once it is known who sends it. */
export function bodyOf(route: Route): RequestHandler[] {
  if (!route.body) return [];
  const ofKind = refuseOtherKinds(route);
  switch (route.takes) {
    case 'csv':
      return [ofKind, readCsv];
    case 'table':
      return [ofKind, oneLargeAtATime, readTable];
    case 'open file':
      return [ofKind, oneLargeAtATime, readBytes, unfold];
    default:
      return [ofKind, route.access === 'anyone' ? readJsonOfAnyone : readJson];
  }
}

function refuseOtherKinds({ takes }: Route): RequestHandler {
  const [types, name] = KINDS[takes ?? 'json'];
  return (request, _response, next) => {
    if (request.is([...types])) return next();
    throw new HttpProblem(415, 'unsupported-type', `This needs a body of ${name}`);
  };
}

const MOST_LARGE = 4;
const bringing = new Set<string>();

/** A large body is held in memory until it is read: one of an account at a time, and few in all. */
const oneLargeAtATime: RequestHandler = (request, response, next) => {
  const account = request.caller?.id ?? '';
  if (bringing.has(account)) {
    throw new HttpProblem(
      429,
      'too-many-attempts',
      'Another file of yours is being read',
      'Wait until it is, then bring this one; nothing of it was taken.',
    );
  }
  if (bringing.size >= MOST_LARGE) {
    throw new HttpProblem(
      503,
      'unavailable',
      'Many files are being read just now',
      'Bring it again in a moment; nothing was taken.',
    );
  }
  bringing.add(account);
  response.once('close', () => bringing.delete(account));
  next();
};

/** Reads a file of ours in a thread of its own limits; what comes out is held to the format already. */
const unfold: RequestHandler = async (request, _response, next) => {
  const read = await readOpenFile({ content: request.body as Buffer });
  if ('unreadable' in read)
    throw new HttpProblem(400, 'unreadable', 'The file cannot be read', read.unreadable);
  if ('issues' in read) {
    throw invalid(
      read.issues.map(({ path, message }) => ({ pointer: `/${path.join('/')}`, detail: message })),
    );
  }
  request.body = read.file;
  next();
};

/** PostgreSQL and people both need real UTF-8; a byte that is not is named before anything is read. */
function refuseBrokenText(_request: unknown, _response: unknown, body: Buffer): void {
  if (isUtf8(body)) return;
  // Decoding puts U+FFFD in the place of what is no character.
  const text = body.toString('utf8');
  const good = Buffer.byteLength(text.slice(0, text.indexOf('\ufffd')));
  throw new HttpProblem(
    400,
    'unreadable',
    'The text is not UTF-8',
    `Near byte ${good} there is something that is no character. Save the file as UTF-8 and send it again.`,
  );
}

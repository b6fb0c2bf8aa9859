import { isUtf8 } from 'node:buffer';
import express from 'express';
import type { RequestHandler } from 'express';
import { HttpProblem } from './problems.ts';

export const LARGEST_BODY = '1mb';
const LARGEST_TABLE = '8mb';
/** Of 20,000 candidates at 20 stations a file has about this size. */
const LARGEST_FILE = '64mb';
const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';
/** What a table of either kind is sent as. */
export const TABLE_TYPES = ['text/csv', XLSX];

/** Reads JSON and CSV bodies, up to the largest that is taken. */
export const readBody: RequestHandler[] = [
  express.json({ limit: LARGEST_BODY, verify: refuseBrokenText }),
  express.text({ type: 'text/csv', limit: LARGEST_BODY, verify: refuseBrokenText }),
];

/** Reads a whole examination. */
export const readOpenFile = express.json({ limit: LARGEST_FILE, verify: refuseBrokenText });

/** Reads a table as the bytes that it is. */
export const readTableBody = express.raw({ type: TABLE_TYPES, limit: LARGEST_TABLE });

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

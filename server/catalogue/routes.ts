import { route } from '../http/route.ts';
import { bringOntoShelf, reportOnShelf, retireFromShelf } from './shelf.ts';
import { readShelf } from './shelfRepository.ts';

export const shelfRoutes = [
  // What is on the shelf names its answers: for those who examine, and nobody else.
  route('GET /shelf', async ({ db, account }) =>
    account.roles.some((role) => role === 'lead' || role === 'examiner') ? readShelf(db) : [],
  ),
  route('POST /shelf', ({ db, body, account }) => bringOntoShelf(db, body.procedures, account)),
  route('POST /shelf/report', ({ db, body }) => reportOnShelf(db, body.procedures)),
  route('PUT /shelf/:shelf/retirement', ({ db, params, body, account }) =>
    retireFromShelf(db, params.shelf, body.retired, account),
  ),
];

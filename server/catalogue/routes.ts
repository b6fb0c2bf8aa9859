import { route } from '../http/route.ts';
import { bringOntoShelf, reportOnShelf, retireFromShelf } from './shelf.ts';
import { readShelf } from './shelfRepository.ts';

export const shelfRoutes = [
  route('GET /shelf', ({ db }) => readShelf(db)),
  route('POST /shelf', ({ db, body, account }) => bringOntoShelf(db, body.procedures, account)),
  route('POST /shelf/report', ({ db, body }) => reportOnShelf(db, body.procedures)),
  route('PUT /shelf/:shelf/retirement', ({ db, params, body, account }) =>
    retireFromShelf(db, params.shelf, body.retired, account),
  ),
];

import { route } from '../http/route.ts';
import { newestVersions } from './repository.ts';
import { findChecklistVersion, makeNextVersion } from './service.ts';

export const checklistRoutes = [
  route('GET /checklists', ({ db }) => newestVersions(db)),
  route('GET /checklist-versions/:version', ({ db, params }) =>
    findChecklistVersion(db, params.version),
  ),
  route('POST /checklists/:checklist/versions', ({ db, params, body, account }) =>
    makeNextVersion(db, params.checklist, body, account),
  ),
];

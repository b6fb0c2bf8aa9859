import { route } from '../http/route.ts';
import { readTrail } from './repository.ts';

export const auditRoutes = [route('GET /audit', ({ db, query }) => readTrail(db, query))];

import { route } from '../http/route.ts';
import { listLetters } from './repository.ts';

export const postRoutes = [
  route('GET /post', async ({ db, house }) => ({
    sends: house.sends,
    letters: await listLetters(db),
  })),
];

import { route } from '../http/route.ts';
import { listLetters } from './repository.ts';

export const postRoutes = [
  route('GET /post', async ({ db, post }) => ({
    sends: post.sends,
    letters: await listLetters(db),
  })),
];

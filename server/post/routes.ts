import { route } from '../http/route.ts';
import { readLetter } from './letters.ts';
import { listLetters } from './repository.ts';

export const postRoutes = [
  route('GET /post', async ({ db, post }) => ({
    sends: post.sends,
    letters: await listLetters(db),
  })),
  route('POST /post/:letter/readings', ({ db, post, house, params, account }) =>
    readLetter(db, post, house.secretKey, params.letter, account),
  ),
];

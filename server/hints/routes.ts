import { route } from '../http/route.ts';

export const hintRoutes = [
  route('GET /hints', ({ hints, account, response }) => hints.open(account, response)),
];

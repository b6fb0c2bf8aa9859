import { route } from '../http/route.ts';
import { waitingProposals } from './repository.ts';
import { decide } from './service.ts';

export const houseRoutes = [
  route('GET /house/proposals', ({ db }) => waitingProposals(db)),
  route('PUT /house/proposals/:proposal', async ({ db, hints, params, body, account }) => {
    const decided = await decide(db, params.proposal, body.take, account);
    hints.examinationChanged(decided.examinationId);
    return decided.proposals;
  }),
];

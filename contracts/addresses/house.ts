import { z } from 'zod';
import { houseDecision, houseProposal } from '../house.ts';
import type { Contracts } from '../contract.ts';
import { OFFICE } from './access.ts';

/** What belongs to the house, and who decides on it. */
export const house = {
  'GET /house/proposals': {
    says: 'What leads want changed of what is the house’s, the oldest first',
    access: OFFICE,
    answers: z.array(houseProposal),
  },
  'PUT /house/proposals/:proposal': {
    says: 'Take a proposal, or leave it; what is left is asked for anew',
    access: OFFICE,
    body: houseDecision,
    answers: z.array(houseProposal),
  },
} as const satisfies Contracts;

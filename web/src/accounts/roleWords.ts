import type { Role } from '@kritikos/contracts/accounts';

/** What the holder of a role does, for whoever gives it. */
export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  administrator: 'Administrator: people, roles, audit',
  office: 'Office: rooms, simulated patients, equipment',
  lead: 'Lead: plans, analyses and decides',
  examiner: 'Examiner: marks own stations',
  judge: 'Judge: sits on standard-setting panels',
};

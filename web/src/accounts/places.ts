import type { Account, Role } from '@kritikos/contracts/accounts';

export interface Place {
  readonly role: Role;
  readonly title: string;
  readonly to: string;
}

/** Where the holders of the roles work; whoever holds several begins at the first of theirs. */
const PLACES: readonly Place[] = [
  { role: 'lead', title: 'Examinations', to: '/examinations' },
  { role: 'lead', title: 'Cohorts', to: '/cohorts' },
  { role: 'lead', title: 'Stations', to: '/bank' },
  { role: 'lead', title: 'Checklists', to: '/checklists' },
  { role: 'examiner', title: 'My stations', to: '/stations' },
  { role: 'administrator', title: 'People', to: '/people' },
];

export function placesOf({ roles }: Account): Place[] {
  return PLACES.filter(({ role }) => roles.includes(role));
}

export function firstPlaceOf(account: Account): string {
  return placesOf(account)[0]?.to ?? '/catalogue';
}

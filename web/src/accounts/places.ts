import type { Account, Role } from '@kritikos/contracts/accounts';

export interface Place {
  readonly roles: readonly Role[];
  readonly title: string;
  readonly to: string;
}

/** Where the holders of the roles work; whoever holds several begins at the first of theirs. */
const PLACES: readonly Place[] = [
  { roles: ['lead'], title: 'Examinations', to: '/examinations' },
  { roles: ['lead'], title: 'Cohorts', to: '/cohorts' },
  { roles: ['lead'], title: 'Stations', to: '/bank' },
  { roles: ['lead'], title: 'Checklists', to: '/checklists' },
  { roles: ['examiner'], title: 'My stations', to: '/stations' },
  { roles: ['office'], title: 'House', to: '/house' },
  { roles: ['administrator'], title: 'People', to: '/people' },
];

export function placesOf({ roles }: Account): Place[] {
  return PLACES.filter((place) => place.roles.some((role) => roles.includes(role)));
}

export function firstPlaceOf(account: Account): string {
  return placesOf(account)[0]?.to ?? '/catalogue';
}

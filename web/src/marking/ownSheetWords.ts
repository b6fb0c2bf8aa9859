import type { OwnStation } from '@kritikos/contracts/marking';

type OwnSheet = OwnStation['sheets'][number];

/** What is to be done with a sheet, in words. */
export const stateOf = (sheet: OwnSheet) =>
  sheet.submittedAt
    ? 'submitted'
    : sheet.reopened
      ? 'reopened by the lead'
      : sheet.startedAt
        ? 'under way'
        : 'to mark';
/** The time on the wall of the house; a station kept by an older version of the page has none. */
export const dueAt = ({ due }: OwnSheet, { zone }: OwnStation) =>
  due
    ? new Intl.DateTimeFormat('en-GB', {
        hour: '2-digit',
        minute: '2-digit',
        timeZone: zone,
      }).format(new Date(due))
    : '';
/** The same as a sign. */
export const signOf = (sheet: OwnSheet) =>
  sheet.submittedAt ? '✓' : sheet.reopened ? '↺' : sheet.startedAt ? '◐' : '';

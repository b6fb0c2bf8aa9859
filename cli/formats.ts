/** What the catalogue can be written as. */
export const EXPORTS = ['catalogue', 'checklist', 'fhir'] as const;
export type Export = (typeof EXPORTS)[number];

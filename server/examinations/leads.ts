/**
 * Conditions of SQL for whose an examination is. Every query that a person's request leads to
 * carries one of them beside the id that it was asked for, with the account as `:viewer`, so that
 * where a check was forgotten, a stranger finds no row.
 */

/** Holds where `:viewer` leads the examination that the column names, or may read it. */
export function readBy(examination: string): string {
  return `exists (select from examination_lead o
    where o.examination_id = ${examination} and o.account_id = :viewer)`;
}

/** Holds where `:viewer` leads the examination that the column names. */
export function ledBy(examination: string): string {
  return `exists (select from examination_lead o
    where o.examination_id = ${examination} and o.account_id = :viewer and o.may = 'lead')`;
}

import type { Account } from '@kritikos/contracts/accounts';
import type { CellError, Examination, ImportPreview } from '@kritikos/contracts/examinations';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { invalid } from '../http/problems.ts';
import { readCandidates } from '../jobs/pool.ts';
import * as examinations from './repository.ts';
import { describeExamination, holdExamination, requireExamination } from './service.ts';

/** Reads a candidate list and says what would happen; nothing is saved. */
export async function previewCandidates(
  db: Database,
  examinationId: string,
  content: string,
  lead: Account,
): Promise<ImportPreview> {
  await requireExamination(db, examinationId, lead);
  const numbers = await examinations.candidateNumbers(db, examinationId, lead.id);
  return readCandidates({ content, taken: numbers.map((c) => c.number) });
}

/** Takes a candidate list whole, or not at all. */
export async function importCandidates(
  db: Database,
  examinationId: string,
  content: string,
  lead: Account,
): Promise<Examination> {
  const { rows, errors } = await previewCandidates(db, examinationId, content, lead);
  refuseBadCells(errors);
  await db.transaction(async (trx) => {
    await holdExamination(trx, examinationId, lead);
    // The list was read before anything was held; another import may have come in between.
    const taken = await examinations.candidateNumbers(trx, examinationId, lead.id);
    const numbers = new Set(taken.map((c) => c.number));
    refuseBadCells(
      rows.flatMap(({ number }, i) =>
        numbers.has(number)
          ? [
              {
                row: i + 2,
                column: 'number',
                detail: `Candidate ${number} was imported meanwhile.`,
              },
            ]
          : [],
      ),
    );
    const candidates = rows.map((row) => ({ id: newId(), ...row }));
    await examinations.insertCandidates(trx, examinationId, candidates);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'candidates imported',
      subject: examinationId,
      detail: { candidates: rows.length },
    });
  });
  return describeExamination(db, examinationId, lead);
}

function refuseBadCells(errors: readonly CellError[]): void {
  if (errors.length === 0) return;
  throw invalid(
    errors.slice(0, 100).map((e) => ({
      pointer: `/row ${e.row}${e.column ? `/${e.column}` : ''}`,
      detail: e.detail,
    })),
    'The list was not imported',
  );
}

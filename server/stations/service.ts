import type { ChosenPatient } from '@kritikos/catalogue/chosenPatient';
import {
  derivedChecklist,
  MustNotBeDone,
  NothingForbidden,
} from '@kritikos/catalogue/derivedChecklist';
import { NotKnown } from '@kritikos/catalogue/notKnown';
import type { KnownProcedures } from '@kritikos/catalogue/known';
import { withholdsTheSame } from '@kritikos/catalogue/turnedChecklist';
import type { Account } from '@kritikos/contracts/accounts';
import { checklistContent } from '@kritikos/contracts/checklists';
import type { BankStation, NewBankStation } from '@kritikos/contracts/stations';
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import { recordAction } from '../audit/repository.ts';
import { knownProcedures } from '../catalogue/shelf.ts';
import { retiredOf } from '../catalogue/shelfRepository.ts';
import * as checklists from '../checklists/repository.ts';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { invalid, notFound } from '../http/problems.ts';
import * as bank from './repository.ts';

/** Makes a station of the bank: its checklist and key follow from the procedures and the patient. */
export async function createBankStation(
  db: Database,
  wanted: NewBankStation,
  by: Account,
): Promise<BankStation> {
  const id = await db.transaction((trx) => insertDerived(trx, wanted, by));
  return requireBankStation(db, id, by);
}

/** The same as a part of something larger; answers with the station's id. */
export async function insertDerived(
  trx: Database,
  wanted: NewBankStation,
  by: Account,
): Promise<string> {
  await refuseRetired(trx, wanted);
  const content = await derive(trx, wanted);
  return insertWithChecklist(trx, { ...wanted, content }, by);
}

/** A station with a checklist of its own, both in their first version. */
export async function insertWithChecklist(
  trx: Database,
  wanted: Pick<NewBankStation, 'title' | 'patient' | 'minutes' | 'equipment'> & {
    readonly content: ChecklistContent;
    /** The checklist that it is a copy of, whose items keep their identity. */
    readonly copyOf?: string;
  },
  by: Account,
): Promise<string> {
  const { content, copyOf } = wanted;
  const id = newId();
  await bank.insertBankStation(trx, id, by.id);
  const checklistId = newId();
  const [first] = content.procedures;
  await checklists.insertChecklist(trx, {
    id: checklistId,
    procedure_id: first?.procedure ?? '',
    title: content.procedures.map(({ title }) => title).join(', '),
    region: (await knownProcedures(trx)).find(first?.procedure ?? '')?.region ?? 'any',
    bank_station_id: id,
    ...(copyOf === undefined ? {} : { copy_of: copyOf }),
  });
  await insertVersion(trx, { id, version: 1, checklistId, checklistVersion: 1 }, wanted, by);
  await recordAction(trx, { accountId: by.id, action: 'bank station made', subject: id });
  return id;
}

/**
 * Makes the next version of a station. Examinations keep the one that they name; from here on it is
 * another station, and no anchor between those before and those after.
 */
export async function changeBankStation(
  db: Database,
  id: string,
  wanted: NewBankStation,
  by: Account,
): Promise<BankStation> {
  const content = await derive(db, wanted);
  return db.transaction(async (trx) => {
    await bank.lockBankStation(trx, id);
    const before = await requireBankStation(trx, id, by);
    const checklist = await bank.checklistOfBank(trx, id);
    if (!checklist) {
      throw invalid([
        {
          pointer: '/procedures',
          detail: 'come from a checklist of the catalogue; make a new station instead',
        },
      ]);
    }
    const newest = await checklists.findNewestOf(trx, checklist.id);
    await insertVersion(
      trx,
      {
        id,
        version: before.version + 1,
        checklistId: checklist.id,
        checklistVersion: (newest?.version ?? 0) + 1,
      },
      { ...wanted, content },
      by,
    );
    await recordAction(trx, { accountId: by.id, action: 'bank station changed', subject: id });
    return requireBankStation(trx, id, by);
  });
}

async function insertVersion(
  trx: Database,
  of: { id: string; version: number; checklistId: string; checklistVersion: number },
  wanted: Pick<NewBankStation, 'title' | 'patient' | 'minutes' | 'equipment'> & {
    readonly content: ChecklistContent;
  },
  by: Account,
): Promise<void> {
  const checklistVersionId = newId();
  const { title, patient, minutes, equipment, content } = wanted;
  await checklists.insertVersion(trx, {
    id: checklistVersionId,
    checklistId: of.checklistId,
    version: of.checklistVersion,
    content,
    origin: 'school',
    madeBy: by.id,
  });
  await bank.insertBankVersion(trx, {
    id: newId(),
    bankStationId: of.id,
    version: of.version,
    title,
    task: content.task,
    procedures: content.procedures.map(({ procedure }) => procedure),
    patient,
    checklistVersionId,
    minutes,
    equipment,
    createdBy: by.id,
  });
}

/** The next version of a station, whose checklist was written by hand. */
export async function insertNextVersion(
  trx: Database,
  id: string,
  wanted: Pick<NewBankStation, 'title' | 'patient' | 'minutes' | 'equipment'> & {
    readonly content: ChecklistContent;
    readonly checklistVersionId: string;
  },
  by: Account,
): Promise<void> {
  await bank.lockBankStation(trx, id);
  const { version } = await requireBankStation(trx, id, by);
  const { content, ...rest } = wanted;
  await bank.insertBankVersion(trx, {
    ...rest,
    id: newId(),
    bankStationId: id,
    version: version + 1,
    task: content.task,
    procedures: content.procedures.map(({ procedure }) => procedure),
    createdBy: by.id,
  });
}

/** A station that is made from a checklist as it is joins the bank under the title it has there. */
export async function bankFromChecklist(
  trx: Database,
  wanted: { title: string; minutes: number; checklistVersionId: string },
  content: ChecklistContent,
  by: Account,
): Promise<string> {
  const [id, versionId] = [newId(), newId()];
  await bank.insertBankStation(trx, id, by.id);
  await bank.insertBankVersion(trx, {
    ...wanted,
    id: versionId,
    bankStationId: id,
    version: 1,
    task: content.task,
    procedures: content.procedures.map(({ procedure }) => procedure),
    patient: null,
    equipment: [],
    createdBy: by.id,
  });
  return versionId;
}

export async function requireBankStation(
  db: Database,
  id: string,
  viewer: Account,
): Promise<BankStation> {
  const found = await bank.findBankStation(db, id, viewer.id);
  if (!found) throw notFound('station of the bank');
  return found;
}

export async function requireBankVersion(
  db: Database,
  id: string,
  viewer: Account,
): Promise<BankStation> {
  const found = await bank.findBankVersion(db, id, viewer.id);
  if (!found) throw notFound('station of the bank');
  return found;
}

/** Takes a station out of the choice for new examinations, or brings it back. */
export async function retireBankStation(
  db: Database,
  id: string,
  retired: boolean,
  by: Account,
): Promise<BankStation> {
  return db.transaction(async (trx) => {
    await requireBankStation(trx, id, by);
    await bank.setRetired(trx, id, retired);
    await recordAction(trx, {
      accountId: by.id,
      action: retired ? 'bank station retired' : 'bank station taken back',
      subject: id,
    });
    return requireBankStation(trx, id, by);
  });
}

/** What is retired from the shelf is asked by the stations that have it, and by no new one. */
async function refuseRetired(db: Database, { procedures }: NewBankStation): Promise<void> {
  const asked = procedures.map(({ procedure }) => procedure);
  const retired = await retiredOf(db, asked);
  if (retired.length === 0) return;
  throw invalid(
    retired.map((id) => ({
      pointer: `/procedures/${asked.indexOf(id)}/procedure`,
      detail: 'is retired from the shelf; bring it back there first',
    })),
  );
}

/** The checklist of a station, as it may be published. */
async function derive(
  db: Database,
  { procedures, patient }: NewBankStation,
): Promise<ChecklistContent> {
  const known = await knownProcedures(db);
  const content = checklistContent.safeParse(derived(procedures, patient, known));
  if (content.success) return content.data;
  throw invalid(
    content.error.issues.map((issue) => ({
      pointer: '/procedures',
      detail: `together: ${issue.path.join(' ')} ${issue.message}; keep fewer items of them`,
    })),
  );
}

/**
 * A checklist written by hand keeps to what its patient forbids: what must not be done is withheld
 * by it, and nothing else is.
 */
export async function refuseForbidden(
  db: Database,
  { procedures, withheld = [] }: ChecklistContent,
  patient: NewBankStation['patient'],
): Promise<void> {
  if (patient === null && withheld.length === 0) return;
  const known = await knownProcedures(db);
  // One that left the shelf says nothing of its patients any more.
  const asked = procedures.filter(({ procedure }) => known.find(procedure));
  if (asked.length === 0) return;
  const ofPatient = derived(
    asked.map(({ procedure }) => ({ procedure })),
    patient,
    known,
  );
  const own = withheld.filter(({ procedure }) => known.find(procedure));
  if (withholdsTheSame({ withheld: own }, ofPatient)) return;
  throw invalid([
    {
      pointer: '/withheld',
      detail: ofPatient.withheld
        ? 'is not what this patient forbids; beside the patient of the draft it can be taken over'
        : 'leaves undone what may be done on this patient; beside the patient of the draft it can be asked for again',
    },
  ]);
}

function derived(
  procedures: NewBankStation['procedures'],
  patient: ChosenPatient | null,
  known: KnownProcedures,
): ChecklistContent {
  try {
    return derivedChecklist(procedures, patient, known);
  } catch (error) {
    if (error instanceof MustNotBeDone) {
      throw invalid([
        {
          pointer: '/patient',
          detail: `${error.message} Choose another patient or procedure, or make it a station of refraining.`,
        },
      ]);
    }
    if (error instanceof NothingForbidden) {
      throw invalid([
        {
          pointer: '/patient/refrain',
          detail: 'is for patients on whom something must not be done; here everything may be',
        },
      ]);
    }
    if (!(error instanceof NotKnown)) throw error;
    const place = procedures.findIndex(({ procedure }) => procedure === error.id);
    throw invalid([
      error.what === 'procedure'
        ? {
            pointer: `/procedures/${place}/procedure`,
            detail: 'is neither in the catalogue nor on the shelf',
          }
        : {
            pointer: error.id === patient?.also ? '/patient/also' : '/patient/condition',
            detail: 'is not known',
          },
    ]);
  }
}

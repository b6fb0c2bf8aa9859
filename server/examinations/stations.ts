import type { Account } from '@kritikos/contracts/accounts';
import type {
  Examination,
  StationExaminers,
  StationReadings,
} from '@kritikos/contracts/examinations';
import type { NewStation } from '@kritikos/contracts/stations';
import { usualVariants } from '@kritikos/core/scoring/checklist';
import { recordAction } from '../audit/repository.ts';
import { findChecklistVersion } from '../checklists/service.ts';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { HttpProblem, invalid } from '../http/problems.ts';
import { bankFromChecklist, requireBankVersion } from '../stations/service.ts';
import { makeRoom } from './blueprintRepository.ts';
import * as examinations from './repository.ts';
import {
  describeExamination,
  holdExamination,
  refuseOnceOpened,
  requireStation,
} from './service.ts';
import * as stations from './stationRepository.ts';

/** Adds a station, at the end unless said: one of the bank, or one made from a checklist, which joins the bank. */
export async function addStation(
  db: Database,
  examinationId: string,
  wanted: NewStation,
  lead: Account,
): Promise<Examination> {
  await db.transaction(async (trx) => {
    refuseOnceOpened(
      await holdExamination(trx, examinationId, lead),
      'Stations are added before marking is first opened, so that every candidate meets the same ones.',
    );
    const id = newId();
    const count = (await stations.listStations(trx, examinationId, lead.id)).length;
    const asked = 'bankVersionId' in wanted ? wanted.position : undefined;
    const position = Math.min(asked ?? count + 1, count + 1);
    await makeRoom(trx, examinationId, position);
    await stations.insertStation(trx, {
      id,
      examinationId,
      position,
      ...(await used(trx, wanted, lead)),
    });
    await recordAction(trx, { accountId: lead.id, action: 'station added', subject: id });
  });
  return describeExamination(db, examinationId, lead);
}

/** What a station takes over from the bank. */
async function used(trx: Database, wanted: NewStation, lead: Account) {
  if ('bankVersionId' in wanted) {
    const { title, minutes, checklistVersionId } = await requireBankVersion(
      trx,
      wanted.bankVersionId,
      lead,
    );
    return { title, minutes, checklistVersionId, bankVersionId: wanted.bankVersionId };
  }
  const { content } = await findChecklistVersion(trx, wanted.checklistVersionId);
  return { ...wanted, bankVersionId: await bankFromChecklist(trx, wanted, content, lead) };
}

/**
 * Moves a station, and the sheets planned there, to another version of its own checklist, as long
 * as marking was never opened: from then on tablets hold the version.
 */
export async function changeChecklistVersion(
  db: Database,
  stationId: string,
  versionId: string,
  lead: Account,
): Promise<Examination> {
  const station = await requireStation(db, stationId, lead);
  const version = await findChecklistVersion(db, versionId);
  await db.transaction(async (trx) => {
    refuseOnceOpened(
      await holdExamination(trx, station.examinationId, lead),
      'The checklists stay as they are; results name the version that they were marked on.',
    );
    if (version.checklistId !== (await stations.checklistOf(trx, stationId))) {
      throw invalid([
        { pointer: '/checklistVersionId', detail: 'is a version of another checklist' },
      ]);
    }
    await stations.useVersion(trx, stationId, versionId, usualVariants(version.content));
    await recordAction(trx, {
      accountId: lead.id,
      action: 'checklist version changed',
      subject: stationId,
      detail: { versionId },
    });
  });
  return describeExamination(db, station.examinationId, lead);
}

/**
 * Keeps what was read on the very person who plays the patient: it stands above the derived
 * number. Once a sheet of the station is submitted it stays, because marks were given by it.
 */
export async function keepPatientReadings(
  db: Database,
  stationId: string,
  { readings }: StationReadings,
  lead: Account,
): Promise<Examination> {
  const station = await requireStation(db, stationId, lead);
  const own = (await stations.listStations(db, station.examinationId, lead.id)).find(
    (s) => s.id === stationId,
  );
  const known = new Set(own?.readable.map(({ item }) => item));
  const strange = Object.keys(readings).filter((item) => !known.has(item));
  if (strange.length > 0) {
    throw invalid(
      strange.map((item) => ({
        pointer: `/readings/${item}`,
        detail: 'is not a number that is read off the patient here',
      })),
    );
  }
  await db.transaction(async (trx) => {
    await stations.holdSheets(trx, stationId);
    if ((await stations.countSubmittedSheets(trx, stationId)) > 0) {
      throw new HttpProblem(
        409,
        'frozen',
        'Sheets of this station are submitted',
        'They were marked by the present readings, so those stay as they are.',
      );
    }
    await stations.keepReadings(trx, stationId, readings);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'patient read',
      subject: stationId,
      detail: { readings },
    });
  });
  return describeExamination(db, station.examinationId, lead);
}

/** Says who marks at a station: every candidate, or as a second examiner every n-th. */
export async function assignExaminers(
  db: Database,
  stationId: string,
  { examiners }: StationExaminers,
  lead: Account,
): Promise<Examination> {
  const station = await requireStation(db, stationId, lead);
  const ids = examiners.map((e) => e.accountId);
  if ((await examinations.countHolders(db, 'examiner', ids)) !== ids.length) {
    throw invalid([{ pointer: '/examiners', detail: 'names somebody who is not an examiner' }]);
  }
  await db.transaction(async (trx) => {
    await stations.replaceStationExaminers(trx, stationId, examiners);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'examiners assigned',
      subject: stationId,
      detail: { examiners },
    });
  });
  return describeExamination(db, station.examinationId, lead);
}

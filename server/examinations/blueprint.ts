import type { Account } from '@kritikos/contracts/accounts';
import type { Blueprint, NextExamination, WantedByRows } from '@kritikos/contracts/blueprint';
import type { Examination } from '@kritikos/contracts/examinations';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { conflict, invalid } from '../http/problems.ts';
import { chosenCohort } from '../people/service.ts';
import { requireBankStation } from '../stations/service.ts';
import * as blueprints from './blueprintRepository.ts';
import * as examinations from './repository.ts';
import {
  describeExamination,
  holdExamination,
  refuseOnceOpened,
  requireExamination,
  requireStation,
} from './service.ts';
import * as stations from './stationRepository.ts';

/** What is examined, and what was wanted; the cells and gaps follow from both. */
export async function readBlueprint(
  db: Database,
  examinationId: string,
  viewer: Account,
): Promise<Blueprint> {
  await requireExamination(db, examinationId, viewer);
  const { circuits } = await examinations.cycleCounts(db, examinationId, viewer.id);
  return {
    wanted: await blueprints.findWanted(db, examinationId, viewer.id),
    circuits: Math.max(1, circuits.length),
    follows: await blueprints.findFollowed(db, examinationId, viewer.id),
    stations: await blueprints.weighedStations(db, examinationId, viewer.id),
  };
}

export async function keepWanted(
  db: Database,
  examinationId: string,
  wanted: WantedByRows,
  lead: Account,
): Promise<Blueprint> {
  await db.transaction(async (trx) => {
    await holdExamination(trx, examinationId, lead);
    await blueprints.keepWanted(trx, examinationId, wanted, lead.id);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'blueprint changed',
      subject: examinationId,
      detail: { wanted },
    });
  });
  return readBlueprint(db, examinationId, lead);
}

const STAY =
  'The stations stay as they are and where they are, so that every candidate meets the same ones.';

/** Puts the stations in another order; all of them are named, each once. */
export async function orderStations(
  db: Database,
  examinationId: string,
  wanted: readonly string[],
  lead: Account,
): Promise<Examination> {
  await db.transaction(async (trx) => {
    refuseOnceOpened(await holdExamination(trx, examinationId, lead), STAY);
    const there = await stations.listStations(trx, examinationId, lead.id);
    const known = new Set(there.map(({ id }) => id));
    if (wanted.length !== known.size || wanted.some((id) => !known.has(id))) {
      throw invalid([
        {
          pointer: '/stations',
          detail: `must name each of the ${known.size} stations once; somebody may have added one meanwhile`,
        },
      ]);
    }
    await blueprints.orderStations(trx, examinationId, wanted);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'stations ordered',
      subject: examinationId,
      detail: { stations: wanted },
    });
  });
  return describeExamination(db, examinationId, lead);
}

/** Takes a station out, with the sheets that were planned there. It stays in the bank. */
export async function removeStation(
  db: Database,
  stationId: string,
  lead: Account,
): Promise<Examination> {
  const { examinationId } = await requireStation(db, stationId, lead);
  await db.transaction(async (trx) => {
    refuseOnceOpened(await holdExamination(trx, examinationId, lead), STAY);
    await takeOut(trx, stationId, lead);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'station removed',
      subject: stationId,
    });
  });
  return describeExamination(db, examinationId, lead);
}

async function takeOut(trx: Database, stationId: string, lead: Account) {
  const station = await requireStation(trx, stationId, lead);
  if ((await blueprints.tappedSheets(trx, stationId)) > 0) {
    throw conflict('Somebody has marked here', 'A station with marks on its sheets stays.');
  }
  await blueprints.removeStation(trx, station);
  return station;
}

/**
 * Takes the newest version of the bank in the place of the one that the station was made from. From
 * then on it is no anchor to examinations that used the older one.
 */
export async function renewStation(
  db: Database,
  stationId: string,
  lead: Account,
): Promise<Examination> {
  const { examinationId } = await requireStation(db, stationId, lead);
  await db.transaction(async (trx) => {
    refuseOnceOpened(await holdExamination(trx, examinationId, lead), STAY);
    const listed = await blueprints.weighedStations(trx, examinationId, lead.id);
    const own = listed.find(({ id }) => id === stationId);
    if (!own?.newest) {
      throw conflict('There is nothing newer', 'The station is made from the newest version.');
    }
    const described = await stations.listStations(trx, examinationId, lead.id);
    const examiners = described.find(({ id }) => id === stationId)?.examiners ?? [];
    const { position } = await takeOut(trx, stationId, lead);
    const { versionId, title, minutes, checklistVersionId } = await requireBankStation(
      trx,
      own.bankStationId,
      lead,
    );
    const id = newId();
    await blueprints.makeRoom(trx, examinationId, position);
    const made = { id, examinationId, title, minutes, checklistVersionId };
    await stations.insertStation(trx, { ...made, bankVersionId: versionId, position });
    await stations.replaceStationExaminers(trx, id, examiners);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'station renewed',
      subject: id,
      detail: { before: stationId },
    });
  });
  return describeExamination(db, examinationId, lead);
}

/**
 * Next year's: the stations, the blueprint and the rules of an earlier examination for another
 * cohort. Every station names the version of the bank that it named there, so that it is an anchor.
 */
export async function makeNext(
  db: Database,
  examinationId: string,
  { title, cohort, heldOn }: NextExamination,
  lead: Account,
): Promise<Examination> {
  const { school, zone } = await requireExamination(db, examinationId, lead);
  const id = newId();
  await db.transaction(async (trx) => {
    const cohortId = await chosenCohort(trx, cohort, heldOn, lead);
    const made = { title, school, zone, heldOn };
    await examinations.insertExamination(trx, id, made, cohortId, lead.id);
    for (const station of await stations.listStations(trx, examinationId, lead.id)) {
      const { minutes, checklistVersionId, bankVersionId } = station;
      await stations.insertStation(trx, {
        id: newId(),
        examinationId: id,
        title: station.title,
        minutes,
        checklistVersionId,
        bankVersionId,
      });
    }
    await blueprints.takeOverRules(trx, examinationId, id);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'examination copied',
      subject: id,
      detail: { from: examinationId },
    });
  });
  return describeExamination(db, id, lead);
}

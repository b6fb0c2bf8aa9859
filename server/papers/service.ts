import type { Account } from '@kritikos/contracts/accounts';
import type { Job } from '@kritikos/contracts/jobs';
import type { Packs, PaperSize } from '@kritikos/contracts/papers';
import { createHash } from 'node:crypto';
import { requirePerson } from '../accounts/people.ts';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { requireExamination } from '../examinations/service.ts';
import { newId } from '../http/newId.ts';
import { conflict, notFound } from '../http/problems.ts';
import type { Jobs, Worker } from '../jobs/jobs.ts';
import { packPapers } from '../jobs/pool.ts';
import { listPlans, noteCopy } from '../timetable/planRepository.ts';
import { gather } from './gather.ts';
import { fileName } from './pack.ts';
import type { Printed } from './printed.ts';
import { writeOpenExamination } from './openExamination.ts';
import * as repository from './repository.ts';

/** What has been packed, whether it still holds, and what a pack would lack now. */
export async function readPacks(
  db: Database,
  examinationId: string,
  viewer: Account,
  door: string,
): Promise<Packs> {
  const printed = await gather(db, examinationId, viewer, door);
  const now = fingerprintOf(printed);
  const packs = await repository.listPacks(db, examinationId, viewer.id);
  return {
    packs: packs.map(({ fingerprint, ...pack }) => ({ ...pack, stale: !fingerprint.equals(now) })),
    lacking: lackingIn(printed),
  };
}

/** What the papers say, without what marking makes of them and the address they were printed from. */
function fingerprintOf({ examination, stations, candidates, plan, sheets }: Printed): Buffer {
  const asked = sheets.map(({ id, station, candidate, examiner }) => [
    id,
    station,
    candidate,
    examiner,
  ]);
  const said = JSON.stringify({ examination, stations, candidates, plan, asked });
  return createHash('sha256').update(said).digest();
}

function lackingIn({ plan, sheets, candidates, stations, door }: Printed): string[] {
  const without = stations.filter(({ places }) => places.length === 0).length;
  return [
    ...(plan ? [] : ['No timetable is published: there are no route cards and no calendars.']),
    ...(sheets.length > 0
      ? []
      : [
          'No sheets are planned: there are no blank checklists. Publishing a timetable plans them.',
        ]),
    ...(sheets.length > 0 && leadsNowhereElse(door)
      ? [
          `The codes on the blank checklists lead to ${door}, which is this machine alone: no tablet finds it. Whoever runs the server sets PUBLIC_URL before you print.`,
        ]
      : []),
    ...(candidates.length > 0 ? [] : ['There are no candidates yet: the register is empty.']),
    ...(without > 0 && stations.length > 0
      ? [
          `${without === stations.length ? 'No station' : `Not every station (${without} of ${stations.length})`} has a place: signs and equipment lists do not say where.`,
        ]
      : []),
  ];
}

/** Whether an address is one that only the machine itself can open. */
function leadsNowhereElse(door: string): boolean {
  return URL.canParse(door) && /^(localhost|127\.[\d.]+|\[::1\])$/.test(new URL(door).hostname);
}

/** Asks for all papers as one archive, in a job. */
export async function askPack(
  db: Database,
  jobs: Jobs,
  examinationId: string,
  { paper, door }: { readonly paper: PaperSize; readonly door: string },
  lead: Account,
): Promise<Job> {
  const printed = await gather(db, examinationId, lead, door);
  if (printed.stations.length === 0) {
    throw conflict(
      'There is nothing to print yet',
      'Add a station first; the papers follow from it.',
    );
  }
  return jobs.ask({
    kind: 'papers',
    ownerId: lead.id,
    examinationId,
    question: { examination: examinationId, paper, door, asked: newId() },
  });
}

/** The job: the papers are made in a thread, from what holds at that moment, and kept whole or not at all. */
export const papersWork: Worker = async (db, { question, ownerId }, { signal, progress }) => {
  const { examination, paper, door } = question as {
    examination: string;
    paper: PaperSize;
    door: string;
  };
  const lead = await requirePerson(db, ownerId);
  const printed = await gather(db, examination, lead, door);
  const open = JSON.stringify(await writeOpenExamination(db, examination, lead), null, 2);
  const { content, pages, files } = await packPapers(
    { printed, paper, open, made: new Date() },
    { signal, progress },
  );
  const published = (await listPlans(db, examination, ownerId)).find(
    ({ number }) => number === printed.plan?.number,
  );
  const id = newId();
  await db.transaction(async (trx) => {
    await repository.insertPack(trx, {
      id,
      examinationId: examination,
      paper,
      timetableId: published?.id ?? null,
      fingerprint: fingerprintOf(printed),
      content,
      pages,
      files,
      madeBy: ownerId,
    });
    if (published) {
      await noteCopy(trx, {
        id: newId(),
        timetableId: published.id,
        revision: published.revision,
        what: `all papers, ${paper}`,
        takenBy: ownerId,
      });
    }
    await recordAction(trx, {
      accountId: ownerId,
      action: 'papers made',
      subject: examination,
      detail: { pack: id, paper, pages, files },
    });
  });
  return { pack: id };
};

/** The archive as a file. */
export async function takePack(
  db: Database,
  examinationId: string,
  id: string,
  viewer: Account,
): Promise<{ fileName: string; content: Buffer }> {
  const { title } = await requireExamination(db, examinationId, viewer);
  const found = await repository.findPack(db, examinationId, id, viewer.id);
  if (!found) throw notFound('archive of papers');
  return { fileName: `${fileName(title)}, papers ${found.paper}.zip`, content: found.content };
}

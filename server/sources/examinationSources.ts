import { NO_SAFETY_EVENT } from '@kritikos/core/standards/candidateFacts';
import type { Account } from '@kritikos/contracts/accounts';
import type { EXAMINATION_FIGURES } from '@kritikos/contracts/sources';
import { drawn, modelOf } from '@kritikos/core/reliability/examinerEffects';
import { RULE_PARTS } from '@kritikos/core/standards/partPercents';
import { reliabilityOf } from '@kritikos/core/standards/decisionSureness';
import type { CriticalCount } from '@kritikos/core/scoring/criticalItems';
import { countMissed, countUnseen } from '@kritikos/core/standards/stationOutcome';
import { examinedScoresOf } from '../agreement/keptSheet.ts';
import { scoreLines } from '../agreement/repository.ts';
import type { Database } from '../db/database.ts';
import { requireExamination } from '../examinations/service.ts';
import { HttpProblem } from '../http/problems.ts';
import { computeStandard } from '../jobs/pool.ts';
import { newestDecision } from '../standards/repository.ts';
import { factsFor, keptSettings, marksAndPeople } from '../standards/service.ts';
import { sheetScores } from '../trust/repository.ts';
import { comparedSittings } from '../years/service.ts';
import type { Table, Worked } from './source.ts';

type Figure = (typeof EXAMINATION_FIGURES)[number];

/** The tables and the command that give a figure of an examination again. */
export async function examinationSource(
  db: Database,
  examinationId: string,
  figure: Figure,
  viewer: Account,
): Promise<Worked> {
  const { stations } = await requireExamination(db, examinationId, viewer);
  switch (figure) {
    case 'severity':
      return severity(db, examinationId, viewer);
    case 'trust':
      return trust(db, examinationId, stations, viewer);
    case 'years':
      return years(db, examinationId, viewer);
    case 'standard':
      return standard(db, examinationId, viewer);
    case 'sureness':
      return sureness(db, examinationId, viewer);
  }
}

async function severity(db: Database, examinationId: string, viewer: Account): Promise<Worked> {
  const { used } = drawn(examinedScoresOf(await scoreLines(db, examinationId, viewer.id)));
  return {
    verb: 'severity',
    tables: [
      {
        name: 'sheets-with-examiners.csv',
        header: ['candidate', 'station', 'examiner', 'mark'],
        rows: used.map(({ candidate, station, examiner, percent }) => [
          candidate,
          station + 1,
          examiner,
          percent,
        ]),
      },
    ],
    flags: ['--model', modelOf(used)],
    keys: ['examiners'],
  };
}

async function trust(
  db: Database,
  examinationId: string,
  stations: number,
  viewer: Account,
): Promise<Worked> {
  const points = await sheetScores(db, examinationId, viewer.id);
  const decision = await newestDecision(db, examinationId, viewer.id);
  const cut = decision ? decision.total / Math.max(1, decision.cuts.length) : null;
  return {
    verb: 'trust',
    tables: [
      {
        name: 'sheets.csv',
        header: ['candidate', 'station', 'mark'],
        rows: points.map(({ candidate, station, percent }) => [candidate, station + 1, percent]),
      },
    ],
    flags: ['--stations', String(stations), ...(cut === null ? [] : ['--cut', String(cut)])],
    keys: ['alpha', 'shares', 'held', 'atCut', 'designs'],
  };
}

async function years(db: Database, examinationId: string, viewer: Account): Promise<Worked> {
  const compared = await comparedSittings(db, examinationId, viewer);
  if (!compared) {
    throw new HttpProblem(
      404,
      'not-found',
      'No sitting before this one has a station in common with it',
      'There is nothing to compare, and so no file.',
    );
  }
  const { now, then, anchors, resamples, seed } = compared;
  return {
    verb: 'years',
    tables: [now, then].map(({ cohort, titles, rows }) => ({
      name: `stations-${cohort}.csv`,
      header: ['candidate', ...titles.map((title, i) => `${i + 1} ${title}`)],
      rows: rows.map((row, i) => [i + 1, ...row]),
    })),
    flags: [
      '--anchors',
      anchors.map(([here, there]) => `${here + 1}=${there + 1}`).join(','),
      '--resamples',
      String(resamples),
      '--seed',
      String(seed),
    ],
    keys: ['cohort', 'paper', 'anchors'],
  };
}

/** The standard by the settings as they are kept, with whom it decides on. */
async function standardNow(db: Database, examinationId: string, viewer: Account) {
  const { data, candidates, people } = await marksAndPeople(db, examinationId, viewer);
  const settings = await keptSettings(db, examinationId, data.length, viewer);
  const facts = await factsFor(db, examinationId, settings.rule, viewer);
  const standard = await computeStandard({ data, candidates, settings, facts });
  if (!standard.examCut) {
    throw new HttpProblem(
      404,
      'not-found',
      'The examination has no standard yet',
      'A station has no cut; set one by hand or choose another method.',
    );
  }
  const numbers = new Map(people.map(({ id, number }) => [id, number]));
  const byStation = data.map(({ records }) => new Map(records.map((r) => [r.candidate, r])));
  const table = (
    name: string,
    cell: (percent: number | null, critical: readonly CriticalCount[]) => number | null,
  ): Table => ({
    name,
    header: ['candidate', ...data.map(({ position, title }) => `${position} ${title}`)],
    rows: candidates.map((id) => [
      numbers.get(id) ?? 0,
      ...byStation.map((records) => {
        const record = records.get(id);
        return cell(record?.percent ?? null, record?.critical ?? []);
      }),
    ]),
  });
  const asked = RULE_PARTS.filter((part) => settings.rule.parts[part] !== undefined);
  const partTable: Table = {
    name: 'parts.csv',
    header: ['candidate', ...asked],
    rows: candidates.map((id) => [
      numbers.get(id) ?? 0,
      ...asked.map((part) => facts?.get(id)?.parts?.[part] ?? null),
    ]),
    flag: '--parts',
  };
  const safetyTable: Table = {
    name: 'safety.csv',
    header: ['candidate', 'laid', 'open'],
    rows: candidates.map((id) => {
      const { laid, open } = facts?.get(id)?.safety ?? NO_SAFETY_EVENT;
      return [numbers.get(id) ?? 0, laid, open];
    }),
    flag: '--safety',
  };
  return { settings, standard, cut: standard.examCut, table, partTable, safetyTable, asked };
}

async function standard(db: Database, examinationId: string, viewer: Account): Promise<Worked> {
  const {
    settings,
    standard: now,
    table,
    partTable,
    safetyTable,
    asked,
  } = await standardNow(db, examinationId, viewer);
  const { semMultiplier, fewestStationsPassed, criticalBy, criticalFailureFails } = settings.rule;
  const { safetyEventFails } = settings.rule;
  const missed = table('critical-missed.csv', (_, critical) => countMissed(critical, criticalBy));
  const unseen = table('critical-unseen.csv', (_, critical) => countUnseen(critical));
  return {
    verb: 'exam-rule',
    tables: [
      table('stations.csv', (percent) => percent),
      { ...missed, flag: '--critical' },
      { ...unseen, flag: '--unseen' },
      ...(asked.length > 0 ? [partTable] : []),
      ...(safetyEventFails ? [safetyTable] : []),
    ],
    flags: [
      '--cuts',
      now.stations.map(({ cut }) => String(cut)).join(','),
      '--k',
      String(semMultiplier),
      '--stations',
      String(fewestStationsPassed),
      ...(criticalFailureFails ? ['--critical-fails'] : []),
      ...(asked.length > 0
        ? ['--reach', asked.map((part) => `${part}=${settings.rule.parts[part]}`).join(',')]
        : []),
    ],
    keys: ['total', 'sem', 'passed', 'failed', 'incomplete'],
  };
}

async function sureness(db: Database, examinationId: string, viewer: Account): Promise<Worked> {
  const { standard: now, cut } = await standardNow(db, examinationId, viewer);
  const k = Math.max(1, now.stations.length);
  const totals = [...now.outcomes.values()].flatMap(({ total }) => (total === null ? [] : [total]));
  return {
    verb: 'livingston-lewis',
    tables: [
      {
        name: 'means.csv',
        header: ['candidate', 'score'],
        rows: totals.map((total, i) => [i + 1, Math.min(100, Math.max(0, total / k))]),
      },
    ],
    flags: [
      '--reliability',
      String(reliabilityOf(totals, now.sem ?? 0)),
      '--cut',
      String(cut.total / k),
    ],
    keys: ['accuracy', 'consistency'],
  };
}

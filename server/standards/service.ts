import type { Account } from '@kritikos/contracts/accounts';
import type { Station } from '@kritikos/contracts/examinations';
import type {
  Decision,
  DecisionSummary,
  Rereading,
  Settings,
  StandardParts,
  StandardsPage,
  StationMarks,
} from '@kritikos/contracts/standards';
import { borderlinePoint, FIVE_POINT_SCALE } from '@kritikos/core/scoring/globalRating';
import { decideCandidate } from '@kritikos/core/standards/examRule';
import type { ExamRule } from '@kritikos/core/standards/examRule';
import { RULE_PARTS } from '@kritikos/core/standards/partPercents';
import { countSafety, factsOf } from '@kritikos/core/standards/candidateFacts';
import type { CandidateFacts } from '@kritikos/core/standards/candidateFacts';
import type { MarkColumns } from '@kritikos/core/standards/markColumns';
import { recordsOf } from '@kritikos/core/standards/markColumns';
import type { StationData } from '@kritikos/core/standards/setStandard';
import { ofEveryStation } from '../analyses/service.ts';
import type { Viewer } from '../analyses/service.ts';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { candidateNumbers } from '../examinations/candidateRepository.ts';
import { listStations } from '../examinations/stationRepository.ts';
import { holdExamination, requireExamination } from '../examinations/service.ts';
import { notFound } from '../http/problems.ts';
import { listOccurrences } from '../safety/repository.ts';
import * as standards from './repository.ts';

/** Everything that setting the standard is argued from, with the settings as they were left. */
export async function openStandards(
  db: Database,
  examinationId: string,
  viewer: Account,
): Promise<StandardsPage> {
  await requireExamination(db, examinationId, viewer);
  const everybody = await candidateNumbers(db, examinationId, viewer.id);
  const decisions = await standards.listDecisions(db, examinationId, viewer.id);
  const stations = await listStations(db, examinationId, viewer.id);
  const columns = await stationMarks(db, examinationId, viewer);
  const marks = withColumns(stations, columns, everybody.length);
  return {
    candidates: everybody.map(({ id, number, state }) => ({
      id,
      number,
      withdrawn: state === 'withdrawn',
    })),
    marks,
    outstanding: await standards.countOutstanding(db, examinationId, viewer.id),
    safety: await listOccurrences(db, examinationId, viewer.id),
    draft: await keptSettings(db, examinationId, marks.length, viewer),
    decisions,
  };
}

/** What everybody earned in the parts that a rule can ask for, in the order of the candidates. */
export async function readParts(
  db: Database,
  examinationId: string,
  viewer: Account,
): Promise<StandardParts> {
  await requireExamination(db, examinationId, viewer);
  const everybody = await candidateNumbers(db, examinationId, viewer.id);
  const earned = await standards.candidateParts(db, examinationId, viewer.id);
  return Object.fromEntries(
    RULE_PARTS.map((part) => [part, everybody.map(({ id }) => earned.get(id)?.[part] ?? null)]),
  ) as StandardParts;
}

/**
 * What the rule asks of everybody beside the scores, where it asks for anything: what was earned in
 * parts, with `knownTo` on the sheets that the decision knew, and safety events as they stand today.
 */
export async function factsFor(
  db: Database,
  examinationId: string,
  rule: ExamRule,
  viewer: Viewer,
  knownTo: string | null = null,
): Promise<ReadonlyMap<string, CandidateFacts> | undefined> {
  const parts =
    Object.keys(rule.parts ?? {}).length > 0
      ? await standards.candidateParts(db, examinationId, viewer.id, knownTo)
      : undefined;
  const safety = rule.safetyEventFails
    ? countSafety(await listOccurrences(db, examinationId, viewer.id))
    : undefined;
  if (!parts && !safety) return undefined;
  return factsOf([...(parts?.keys() ?? []), ...(safety?.keys() ?? [])], parts, safety);
}

/** The marks of every station in columns, as they are kept. */
export function stationMarks(
  db: Database,
  examinationId: string,
  viewer: Account,
): Promise<ReadonlyMap<string, MarkColumns>> {
  return ofEveryStation(db, examinationId, viewer, {
    kind: 'marks/1',
    workOut: (own, stations) => standards.markColumns(own, { examinationId, stations }, viewer.id),
  });
}

/** The list of decisions needs their counts; thousands of single outcomes stay behind. */
function withoutOutcomes(decision: Decision): DecisionSummary {
  const { outcomes, ...summary } = decision;
  void outcomes;
  return summary;
}

/** The settings as they were left; a draft of before lacks what has been added to them since. */
export async function keptSettings(
  db: Database,
  examinationId: string,
  stations: number,
  viewer: Viewer,
): Promise<Settings> {
  const usual = usualSettings(stations);
  const draft = await standards.findDraft(db, examinationId, viewer.id);
  return { ...usual, ...draft, rule: { ...usual.rule, ...draft?.rule } };
}

export function usualSettings(stations: number): Settings {
  return {
    method: 'borderline-regression',
    methods: {},
    fixedPercent: 60,
    sds: 1,
    borderline: borderlinePoint(FIVE_POINT_SCALE) ?? 2.5,
    rule: {
      semMultiplier: 0,
      fewestStationsPassed: Math.ceil(stations / 2),
      criticalBy: 'all',
      criticalFailureFails: true,
      safetyEventFails: false,
      parts: {},
    },
    handCuts: {},
  };
}

export async function keepDraft(
  db: Database,
  examinationId: string,
  settings: Settings,
  lead: Account,
): Promise<Settings> {
  await db.transaction(async (trx) => {
    await holdExamination(trx, examinationId, lead);
    await standards.saveDraft(trx, examinationId, settings);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'standard drafted',
      subject: examinationId,
      detail: { settings },
    });
  });
  return settings;
}

export async function readDecision(db: Database, id: string, viewer: Account): Promise<Decision> {
  const found = await standards.findDecision(db, id, viewer.id);
  if (!found) throw notFound('decision');
  return found;
}

/**
 * A signed decision read again under the present rule of critical items: its own cuts, on the
 * sheets that it knew. What was signed stays; this says whom the rule would change.
 */
export async function rereadDecision(
  db: Database,
  id: string,
  viewer: Account,
): Promise<Rereading> {
  const decision = await readDecision(db, id, viewer);
  const examinationId = await standards.examinationOf(db, id);
  const { data, people } = await marksAndPeople(db, examinationId, viewer, id);
  const cuts = data.map(
    ({ station }) => decision.cuts.find((cut) => cut.station === station)?.cut ?? null,
  );
  const byCandidate = data.map(({ records }) => new Map(records.map((r) => [r.candidate, r])));
  const rule = { criticalBy: 'all' as const, ...decision.settings.rule };
  const cut = { sumOfCuts: decision.total, total: decision.total };
  const facts = await factsFor(db, examinationId, rule, viewer, id);
  const changed = decision.outcomes.flatMap(({ candidate, outcome: before }) => {
    const person = people.find((p) => p.id === candidate);
    const scores = byCandidate.map(
      (station) => station.get(candidate) ?? { percent: null, critical: [] },
    );
    const { outcome: after, reasons } = decideCandidate(
      scores,
      cuts,
      cut,
      rule,
      facts?.get(candidate),
    );
    if (!person || after === before) return [];
    const { number } = person;
    return [{ candidate, number, before, after, reasons: [...reasons] }];
  });
  const newest = await standards.newestDecision(db, examinationId, viewer.id);
  return {
    decision: withoutOutcomes(decision),
    newest: newest?.id === id,
    submittedSince: await standards.countSubmittedSince(db, id, viewer.id),
    changed,
  };
}

/** A station with its marks candidate by candidate, as the core takes them. */
export type NamedStation = StationData & Pick<StationMarks, 'title' | 'position'>;

/** What a standard is computed from, and whom it decides on: not those who have withdrawn. */
export async function marksAndPeople(
  db: Database,
  examinationId: string,
  viewer: Viewer,
  knownTo: string | null = null,
): Promise<{
  data: NamedStation[];
  people: { id: string; number: number }[];
  candidates: string[];
}> {
  const people = await candidateNumbers(db, examinationId, viewer.id);
  const ids = people.map((person) => person.id);
  const stations = await listStations(db, examinationId, viewer.id);
  const of = { examinationId, stations: stations.map(({ id }) => id) };
  const columns = await standards.markColumns(db, of, viewer.id, knownTo);
  const marks = withColumns(stations, columns, people.length);
  return {
    people,
    candidates: people.flatMap(({ id, state }) => (state === 'withdrawn' ? [] : [id])),
    data: marks.map(({ station, title, position, ...columns }) => ({
      station,
      title,
      position,
      records: recordsOf(columns, ids),
    })),
  };
}

/** The stations with their columns; one that nobody has marked at has empty ones. */
function withColumns(
  stations: readonly Station[],
  columns: ReadonlyMap<string, MarkColumns>,
  people: number,
): StationMarks[] {
  const none = Array<null>(people).fill(null);
  return stations.map(({ id, title, position }) => {
    const { percents, grades, critical } = columns.get(id) ?? {
      percents: none,
      grades: none,
      critical: [],
    };
    return {
      station: id,
      title,
      position,
      percents: [...percents],
      grades: [...grades],
      critical: critical.map(({ place, counts }) => ({ place, counts: [...counts] })),
    };
  });
}

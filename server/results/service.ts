import type { Account } from '@kritikos/contracts/accounts';
import type { CandidateReport, CandidateResult, Results } from '@kritikos/contracts/results';
import type { Station } from '@kritikos/contracts/examinations';
import type { Decision } from '@kritikos/contracts/standards';
import { DOMAINS } from '@kritikos/core/scoring/checklist';
import { criticalVerdict } from '@kritikos/core/scoring/criticalItems';
import type { CriticalVerdict } from '@kritikos/core/scoring/criticalItems';
import { FIVE_POINT_SCALE } from '@kritikos/core/scoring/globalRating';
import { countSafety, NO_SAFETY_EVENT } from '@kritikos/core/standards/candidateFacts';
import { stationOutcome } from '@kritikos/core/standards/stationOutcome';
import type { SafetyOccurrence } from '@kritikos/contracts/safety';
import { findChecklistVersion } from '../checklists/service.ts';
import type { Database } from '../db/database.ts';
import { listStations } from '../examinations/stationRepository.ts';
import { requireExamination } from '../examinations/service.ts';
import { notFound } from '../http/problems.ts';
import { listOccurrences } from '../safety/repository.ts';
import { countSubmittedSince, findRelease, newestDecision } from '../standards/repository.ts';
import * as results from './repository.ts';
import type { CandidateRow, ReportSheet } from './repository.ts';

/** What the examination came to: every candidate's scores, and the outcome of the newest decision. */
export async function readResults(
  db: Database,
  examinationId: string,
  page: { offset: number; limit: number },
  viewer: Account,
): Promise<Results> {
  await requireExamination(db, examinationId, viewer);
  const decision = await newestDecision(db, examinationId, viewer.id);
  const stations = await listStations(db, examinationId, viewer.id);
  const rows = await results.candidateRows(db, examinationId, viewer.id, page);
  const named = await withItemTexts(db, stations);
  const outcomes = outcomesOf(decision);
  const occurrences = await listOccurrences(db, examinationId, viewer.id);
  return {
    decision: await summaryOf(db, decision, viewer),
    submittedSince: decision ? await countSubmittedSince(db, decision.id, viewer.id) : 0,
    stations: stations.map(({ id, position, title }) => ({
      stationId: id,
      position,
      title,
      cut: cutOf(decision, id),
    })),
    total: await results.countCandidates(db, examinationId, viewer.id),
    candidates: rows.map((row) => resultOf(row, named, decision, { outcomes, occurrences })),
  };
}

async function summaryOf(
  db: Database,
  decision: Decision | undefined,
  viewer: Account,
): Promise<Results['decision']> {
  if (!decision) return null;
  const { id, number, signedBy, signedAt, total, cuts } = decision;
  const meanCut = total / Math.max(1, cuts.length);
  return { id, number, signedBy, signedAt, meanCut, release: await findRelease(db, id, viewer.id) };
}

function outcomesOf(decision: Decision | undefined) {
  return new Map(decision?.outcomes.map((outcome) => [outcome.candidate, outcome] as const));
}

function cutOf(decision: Decision | undefined, stationId: string): number | null {
  return decision?.cuts.find((cut) => cut.station === stationId)?.cut ?? null;
}

interface StationOfResult {
  readonly id: string;
  /** What each item of its checklist asks, by key. */
  readonly itemTexts: ReadonlyMap<string, string>;
}

async function withItemTexts(
  db: Database,
  stations: readonly Station[],
): Promise<StationOfResult[]> {
  return Promise.all(
    stations.map(async ({ id, checklistVersionId }) => {
      const { content } = await findChecklistVersion(db, checklistVersionId);
      return { id, itemTexts: new Map(content.items.map((item) => [item.key, item.text])) };
    }),
  );
}

function resultOf(
  row: CandidateRow,
  ofStations: readonly StationOfResult[],
  decision: Decision | undefined,
  {
    outcomes,
    occurrences,
  }: {
    readonly outcomes: ReadonlyMap<string, Decision['outcomes'][number]>;
    readonly occurrences: readonly SafetyOccurrence[];
  },
): CandidateResult {
  const { candidateId, number, studentNumber, name, parts } = row;
  const rule = decision && decision.schema !== 1 ? decision.settings.rule.criticalBy : 'all';
  const stations = ofStations.map((station) => {
    const percent = row.percents.get(station.id) ?? null;
    const critical = row.critical.get(station.id) ?? [];
    const cut = cutOf(decision, station.id);
    const named = (verdict: CriticalVerdict) =>
      critical
        .filter((count) => criticalVerdict(count, rule) === verdict)
        .map(({ item }) => station.itemTexts.get(item) ?? item);
    return {
      stationId: station.id,
      percent,
      outcome:
        decision && decision.schema !== 1 ? stationOutcome({ percent, critical }, cut, rule) : null,
      criticalMissed: named('missed'),
      criticalUnseen: named('unseen'),
    };
  });
  const scored = stations.flatMap((s) => (s.percent === null ? [] : [s.percent]));
  const complete = stations.length > 0 && scored.length === stations.length;
  const outcome = outcomes.get(candidateId);
  const events = occurrences.filter((one) => one.candidateId === candidateId);
  const { laid, open } = countSafety(events).get(candidateId) ?? NO_SAFETY_EVENT;
  return {
    candidateId,
    number,
    studentNumber,
    name,
    stations,
    domains: Object.fromEntries(DOMAINS.map((d) => [d, parts[d]])) as CandidateResult['domains'],
    safety: parts.safety,
    safetyEvents: { all: events.length, laid, open },
    mean: complete ? scored.reduce((sum, x) => sum + x, 0) / scored.length : null,
    outcome: outcome?.outcome ?? null,
    reasons: outcome?.reasons ?? [],
  };
}

/** One candidate's page: every station, every sheet, and what each missed mark was for. */
export async function reportCandidate(
  db: Database,
  examinationId: string,
  candidateId: string,
  viewer: Account,
): Promise<CandidateReport> {
  const examination = await requireExamination(db, examinationId, viewer);
  const decision = await newestDecision(db, examinationId, viewer.id);
  const stations = await listStations(db, examinationId, viewer.id);
  const [row] = await results.candidateRows(db, examinationId, viewer.id, {
    offset: 0,
    limit: 1,
    candidateId,
  });
  if (!row) throw notFound('candidate');
  const occurrences = await listOccurrences(db, examinationId, viewer.id, { candidateId });
  const outcomes = outcomesOf(decision);
  const named = await withItemTexts(db, stations);
  const result = resultOf(row, named, decision, { outcomes, occurrences });
  const sheets = await results.submittedSheets(db, candidateId, viewer.id);
  const described = await Promise.all(sheets.map((sheet) => describeReportSheet(db, sheet)));
  const { title, school, heldOn } = examination;
  return {
    examination: { title, school, heldOn },
    decision: await summaryOf(db, decision, viewer),
    result,
    stations: stations.map((station) => ({
      stationId: station.id,
      title: station.title,
      procedure: station.procedureTitle,
      cut: cutOf(decision, station.id),
      percent: result.stations.find((s) => s.stationId === station.id)?.percent ?? null,
      sheets: described.filter((_, i) => sheets[i]?.stationId === station.id),
      safety: occurrences.filter((one) => one.stationId === station.id),
    })),
  };
}

async function describeReportSheet(
  db: Database,
  sheet: ReportSheet,
): Promise<CandidateReport['stations'][number]['sheets'][number]> {
  const { content } = await findChecklistVersion(db, sheet.checklistVersionId);
  const texts = new Map(content.items.map((item) => [item.key, item.text]));
  return {
    sheetId: sheet.sheetId,
    examiner: sheet.examiner,
    percent: sheet.percent,
    grade: FIVE_POINT_SCALE.find((g) => g.grade === sheet.rating)?.label ?? null,
    comment: sheet.comment,
    missed: sheet.missed.map(({ item, share }) => ({
      text: texts.get(item) ?? item,
      earned: share,
      critical: sheet.score.critical.missed.includes(item),
    })),
    notObserved: sheet.score.notObserved.length,
    unmarked: sheet.score.unmarked.length,
  };
}

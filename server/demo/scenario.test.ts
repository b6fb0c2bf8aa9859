import type { AgreementOverview, AgreementTable } from '@kritikos/contracts/agreement';
import type { Examination, ExaminationSummary } from '@kritikos/contracts/examinations';
import type { MarkingProgress } from '@kritikos/contracts/marking';
import type { Results } from '@kritikos/contracts/results';
import type { BankStation } from '@kritikos/contracts/stations';
import { beforeAll, describe, expect, it } from 'vitest';
import { newId } from '../http/newId.ts';
import { agreementOf } from '../testing/agreementOf.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';
import { IMPERFECTIONS } from './imperfections.ts';
import { LEAD } from './people.ts';
import { BANK, REWORDED } from './stations.ts';

// Every imperfection that was built into the demo must be there for an analysis to find.
const server = await startServer('demo');
let lead: Caller;
let id: string;
let agreement: AgreementOverview;
beforeAll(async () => {
  lead = await server.lead();
  id = await server.thisYears();
  agreement = await agreementOf(lead, id);
});
const itemOf = (position: number, key: string) => {
  const station = agreement.stations.find((s) => s.position === position);
  return station?.items.find((i) => i.item === key);
};

describe('the demo examination', () => {
  it('has eight stations over all regions, 48 candidates in two circuits, a third double-marked', async () => {
    const examination: Examination = (await lead.call('GET', `/examinations/${id}`)).body;
    expect(examination.stationList).toHaveLength(8);
    const regions = new Set(examination.stationList.map((s) => s.region));
    expect([...regions].sort()).toEqual(['ankle', 'elbow', 'hip', 'knee', 'shoulder', 'wrist']);
    expect([examination.candidates, examination.circuits]).toEqual([48, ['Green', 'White']]);
    const firsts = examination.stationList.flatMap((s) => s.examiners.filter((e) => e.circuit));
    expect(new Set(firsts.map((e) => e.name)).size).toBe(16);
    expect(agreement.planned / (48 * 8)).toBeCloseTo(1 / 3, 2);
  });

  it('has a station of two procedures, short enough for one screen', async () => {
    const bank: BankStation[] = (await lead.call('GET', '/bank-stations')).body.stations;
    const two = bank.filter((station) => station.procedures.length === 2);
    expect(two).toHaveLength(1);
    expect(two[0]?.uses).toBe(1);
    expect(two[0]?.items).toBeLessThanOrEqual(16);
  });

  it('shows the hard examiner at both her stations, and by name over all of them', () => {
    const { hardExaminer } = IMPERFECTIONS;
    for (const { position, examiners, pairs } of agreement.stations) {
      expect(examiners.includes(hardExaminer)).toBe(position <= 2);
      if (position > 2) continue;
      for (const { first, second, meanDifference } of pairs) {
        expect([first, second]).toContain(hardExaminer);
        expect((first === hardExaminer ? -1 : 1) * (meanDifference ?? NaN)).toBeGreaterThan(0);
      }
    }
    const [hardest, ...others] = agreement.severity?.examiners ?? [];
    expect(hardest?.examiner).toBe(hardExaminer);
    expect(hardest?.lower).toBeGreaterThan(0);
    for (const { lower, upper } of others) expect((lower ?? 0) * (upper ?? 0)).toBeLessThan(0);
    expect(agreement.sentence).toContain(`${hardExaminer} marks`);
  });

  it('shows the ambiguous item, first of all those in dispute', () => {
    const { position, item } = IMPERFECTIONS.ambiguousItem;
    const found = itemOf(position, item);
    expect(found?.dispute.kind).toBe('ambiguous');
    expect(agreement.sentence).toContain(`“${found?.text}” at station ${position}`);
  });

  it('shows the item that everyone passes, with a kappa that says why it is none', () => {
    const item = itemOf(1, IMPERFECTIONS.easyItem);
    const { percentAgreement, congerKappa } = item?.coefficients ?? {};
    expect(percentAgreement?.estimate).toBe(1);
    expect(congerKappa?.estimate).toBeNull();
    expect(congerKappa?.notes[0]).toMatch(/one and the same category/);
    expect(item?.dispute.kind).toBe('skewed');
  });

  it('shows the school difference as an item that one examiner marks otherwise', () => {
    const { position, item, examiner } = IMPERFECTIONS.otherSchool;
    expect(itemOf(position, item)?.dispute).toEqual({
      kind: 'one-sided',
      examiner,
      direction: 'harsher',
    });
  });

  it('leads from the number to the table and on to the two sheets', async () => {
    const { position, item } = IMPERFECTIONS.otherSchool;
    const station = agreement.stations.find((s) => s.position === position);
    const address = `/stations/${station?.stationId}/agreement/table`;
    const table: AgreementTable = (await lead.call('GET', `${address}?item=${item}`)).body;
    const other: AgreementTable = (await lead.call('GET', `${address}?item=${item}&pair=1`)).body;
    const all = [...table.counts, ...other.counts].flat().reduce((a, b) => a + b, 0);
    expect(all).toBe(itemOf(position, item)?.marks);
    const apart = [...table.cells, ...other.cells].filter((p) => p.row !== p.column);
    expect(apart.length).toBeGreaterThanOrEqual(4);
    const { firstSheet, secondSheet } = apart[0] ?? {};
    const comparison = (
      await lead.call('GET', `/sheets/${firstSheet}/comparison?with=${secondSheet}`)
    ).body;
    expect(comparison.differing).toContain(item);
    const whole: AgreementTable = (await lead.call('GET', address)).body;
    expect(whole.categories.map((c) => c.label)).toEqual(['no mark', 'part', 'full mark']);
  });

  it('does not compare sheets of different candidates', async () => {
    const [a, b] = await server
      .db('sheet')
      .whereNotNull('submitted_at')
      .distinct('candidate_id')
      .select('id')
      .limit(2);
    await lead.call('GET', `/sheets/${a.id}/comparison?with=${b.id}`).expect(422);
  });

  it('shows the sheet with missing marks and the interrupted station', async () => {
    const { attention }: MarkingProgress = (await lead.call('GET', `/examinations/${id}/marking`))
      .body;
    const { missingMarks, safetyEvent } = IMPERFECTIONS;
    expect(attention).toContainEqual(
      expect.objectContaining({
        candidateNumber: missingMarks.candidate,
        reason: '3 marks missing',
      }),
    );
    expect(attention).toContainEqual(
      expect.objectContaining({ candidateNumber: safetyEvent.candidate, reason: 'safety event' }),
    );
  });

  it('leaves the late candidate, and those in their rounds, incomplete and not failed', async () => {
    const { candidates }: Results = (await lead.call('GET', `/examinations/${id}/results`)).body;
    const late = candidates.find((c) => c.number === IMPERFECTIONS.lateCandidate);
    expect(late).toMatchObject({ outcome: 'incomplete', mean: null });
    const outcomes = (of: Results['candidates'][number]['outcome']) =>
      candidates.filter((c) => c.outcome === of).map((c) => c.number);
    expect(outcomes('incomplete')).toEqual([24, 45, 46, 47, 48]);
    expect(outcomes('fail').length).toBeGreaterThan(0);
    expect(outcomes('pass').length).toBeGreaterThan(24);
  });

  it('has a sheet half filled in for each of the last four', async () => {
    const begun = await server
      .db('sheet as h')
      .join('candidate as c', 'c.id', 'h.candidate_id')
      .where('c.examination_id', id)
      .whereNotNull('h.started_at')
      .whereNull('h.submitted_at')
      .distinct('c.number')
      .orderBy('c.number')
      .pluck('c.number');
    expect(begun).toEqual([45, 46, 47, 48]);
  });
});

describe('last year’s examination', () => {
  const years = async () => {
    const all: ExaminationSummary[] = (await lead.call('GET', '/examinations')).body;
    expect(all.map((e) => e.cohort)).toEqual(['2027', '2026', '2025']);
    return all.slice(1) as [ExaminationSummary, ExaminationSummary];
  };

  it('is complete, signed and released', async () => {
    const [, last] = await years();
    expect([last.candidates, last.stations, last.submitted]).toEqual([40, 8, last.sheets]);
    const results: Results = (await lead.call('GET', `/examinations/${last.id}/results`)).body;
    expect(results.decision?.release?.releasedBy).toBe(LEAD.name);
    expect(results.candidates.filter((c) => c.outcome === 'incomplete')).toEqual([]);
  });

  it('has at least three stations in common with this year’s; the reworded one is none of them', async () => {
    const [now, last] = await years();
    const { rows } = await server.db.raw(
      `select s.title from anchor a join station s on s.id = a.station_id
       where a.examination_id = ? and a.other_examination_id = ? order by s.position`,
      [now.id, last.id],
    );
    const titles = rows.map((row: { title: string }) => row.title);
    expect(titles).toHaveLength(5);
    expect(titles).not.toContain(BANK[REWORDED.station].title);
    const wordings = await server
      .db('station as s')
      .join('checklist_item as c', 'c.version_id', 's.checklist_version_id')
      .join('item as i', 'i.id', 'c.item_id')
      .where({ 's.title': BANK[REWORDED.station].title, 'c.key': REWORDED.item })
      .select('i.id', 'i.follows');
    expect(new Set(wordings.map((w) => w.id)).size).toBe(2);
    expect(wordings.map((w) => w.id)).toContain(wordings.find((w) => w.follows)?.follows);
  });

  it('was sat by a weaker cohort, and one station in common has become easier beyond that', async () => {
    const [now, last] = await years();
    const means = async (examination: string) => {
      const { candidates }: Results = (
        await lead.call('GET', `/examinations/${examination}/results`)
      ).body;
      return [0, 1, 2, 3, 4, 5, 6, 7].map((place) => {
        const scores = candidates.flatMap((c) => c.stations[place]?.percent ?? []);
        return scores.reduce((a, b) => a + b) / scores.length;
      });
    };
    const [present, former] = [await means(now.id), await means(last.id)];
    const gains = [1, 2, 4, 6].map((p) => (present[p - 1] ?? NaN) - (former[p - 1] ?? NaN));
    // Candidates differ with an SD of about 12 at a station; between means of 48 and 40 the
    // standard error is 2.6, and a little less over four stations.
    const gain = gains.reduce((a, b) => a + b) / gains.length;
    expect(gain).toBeGreaterThan(2 * 2.6);
    const { position } = IMPERFECTIONS.easierStation;
    const own = (present[position - 1] ?? NaN) - (former[position - 1] ?? NaN);
    expect(own - gain).toBeGreaterThan(2 * 2.6);
  });
});

describe('sheets that are filled in together', () => {
  it('are what sending every tap by itself makes of them', async () => {
    const [own] = await server
      .db('sheet as h')
      .join('station as s', 's.id', 'h.station_id')
      .where({ 's.examination_id': id, 's.position': 3 })
      .whereNotNull('h.submitted_at')
      .where('h.safety_events', '>', 0)
      .select('h.*');
    const kept = async (sheet: string) => ({
      row: await server
        .db('sheet')
        .where({ id: sheet })
        .first(
          'variants',
          'comment',
          'rating',
          'percent',
          'score',
          'missing_marks',
          'safety_events',
        )
        .select('critical_missed', 'critical_met', 'critical_unseen'),
      marks: await server
        .db('sheet_mark')
        .where({ sheet_id: sheet })
        .orderBy('item')
        .select('item', 'number_value', 'choice_value', 'observation', 'manner'),
      items: await server.db('sheet_item').where({ sheet_id: sheet }).orderBy('item').select('*'),
      faults: await server.db('sheet_fault').where({ sheet_id: sheet }).orderBy('fault'),
    });
    const filled = await kept(own.id);
    // The same taps on the sheet of the same station that this examiner has not begun yet.
    const free = await server
      .db('sheet')
      .where({ station_id: own.station_id, examiner_id: own.examiner_id, started_at: null })
      .first();
    const taps = await server.db('mark_event').where({ sheet_id: own.id }).orderBy('sequence');
    const { email, id: account } = await server
      .db('account')
      .where({ id: own.examiner_id })
      .first();
    const examiner = await server.signIn(email);
    const events = taps.map((tap, sequence) => ({
      id: newId(),
      device: 'one-by-one',
      sequence,
      at: tap.at.toISOString(),
      clockAhead: 0,
      checklistVersionId: tap.checklist_version_id,
      body: tap.body,
    }));
    for (const event of events) {
      const sent = { account, events: [event] };
      const { answers } = (
        await examiner.call('POST', `/sheets/${free.id}/events`, sent).expect(200)
      ).body;
      expect(answers[0].outcome).toBe('kept');
    }
    const alone = await kept(free.id);
    const nameless = (rows: Record<string, unknown>[]) =>
      rows.map((row) => ({ ...row, sheet_id: null }));
    expect(alone.row).toEqual(filled.row);
    expect(alone.marks).toEqual(filled.marks);
    expect(filled.marks.length).toBeGreaterThan(5);
    expect(nameless(alone.items)).toEqual(nameless(filled.items));
    expect(nameless(alone.faults)).toEqual(nameless(filled.faults));
  });
});

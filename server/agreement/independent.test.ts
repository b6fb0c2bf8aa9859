import type { AgreementOverview } from '@kritikos/contracts/agreement';
import { beforeAll, describe, expect, it } from 'vitest';
import { agreementOf } from '../testing/agreementOf.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

// The page of agreement once more by another path: SQL over the marks of each item, and the
// definitions of the coefficients written out plainly, without a line of the core.
const server = await startServer('demo');
let lead: Caller;
let overview: AgreementOverview;
beforeAll(async () => {
  lead = await server.lead();
  overview = await agreementOf(lead, await server.thisYears());
});

interface Marked {
  readonly candidate: number;
  readonly item: string;
  readonly examiner: string;
  readonly category: string;
  readonly share: number;
}

/** The kept marks of a station that somebody else gave too, from the rows of the items. */
async function marksOf(stationId: string): Promise<Marked[]> {
  const { rows } = await server.db.raw(
    `select c.number as candidate, i.item, h.examiner_id as examiner, i.category,
       i.share::float8 as share
     from sheet_item i join sheet h on h.id = i.sheet_id join candidate c on c.id = h.candidate_id
     where h.station_id = :stationId and h.submitted_at is not null and i.state = 'earned'
       and exists (select from sheet_item j join sheet o on o.id = j.sheet_id
         where o.station_id = h.station_id and o.candidate_id = h.candidate_id and o.id <> h.id
           and o.submitted_at is not null and j.item = i.item and j.state = 'earned')`,
    { stationId },
  );
  return rows;
}

/** Marks of each subject as rater to category; every demo subject has exactly two. */
function subjectsOf(marks: readonly Marked[], valueOf: (mark: Marked) => number) {
  const subjects = new Map<string, Map<string, number>>();
  for (const mark of marks) {
    const key = `${mark.candidate} ${mark.item}`;
    const own = subjects.get(key) ?? new Map<string, number>();
    own.set(mark.examiner, valueOf(mark));
    subjects.set(key, own);
  }
  return [...subjects.values()];
}

/** pa, and pe as the mean over pairs of raters of the agreement of their own shares (Conger 1980). */
function conger(
  subjects: readonly ReadonlyMap<string, number>[],
  categories: readonly number[],
  weight: (a: number, b: number) => number,
) {
  let agreed = 0;
  const given = new Map<string, number[]>();
  for (const marks of subjects) {
    const values = [...marks.values()];
    agreed += weight(values[0] ?? NaN, values[1] ?? NaN) / subjects.length;
    for (const [rater, mark] of marks) given.set(rater, [...(given.get(rater) ?? []), mark]);
  }
  const shares = [...given.values()].map((own) =>
    categories.map((category) => own.filter((mark) => mark === category).length / own.length),
  );
  let expected = 0;
  let pairs = 0;
  for (const [g, one] of shares.entries()) {
    for (const other of shares.slice(g + 1)) {
      pairs++;
      for (const [k, p] of one.entries()) {
        for (const [l, q] of other.entries()) {
          expected += p * q * weight(categories[k] ?? NaN, categories[l] ?? NaN);
        }
      }
    }
  }
  expected /= pairs;
  return { agreed, kappa: (agreed - expected) / (1 - expected) };
}

const same = (a: number, b: number) => (a === b ? 1 : 0);

describe('agreement of the demo', () => {
  it('is on technique what SQL and the definition of Conger give, station by station', async () => {
    expect(overview.stations).toHaveLength(8);
    for (const { stationId, technique, items } of overview.stations) {
      const declared = new Set(items.filter((item) => item.declared).map(({ item }) => item));
      const marks = (await marksOf(stationId)).filter(({ item }) => !declared.has(item));
      const part = ({ share }: Marked) => (share === 0 || share === 1 ? share : 0.5);
      const { agreed, kappa } = conger(subjectsOf(marks, part), [0, 0.5, 1], same);
      expect(technique.coefficients.percentAgreement?.estimate).toBeCloseTo(agreed, 10);
      expect(technique.coefficients.congerKappa?.estimate).toBeCloseTo(kappa, 10);
    }
  });

  it('is of every item the same, grades by linear weights over the declared scale', async () => {
    let compared = 0;
    for (const { stationId, items } of overview.stations) {
      const all = await marksOf(stationId);
      for (const { item, weighted, kind, marks, coefficients } of items) {
        const own = all.filter((mark) => mark.item === item);
        expect(own).toHaveLength(2 * marks);
        if (kind === 'choice' || marks === 0) continue;
        const top = weighted ? await topGrade(stationId, item) : 0;
        const categories = weighted
          ? Array.from({ length: top + 1 }, (_, grade) => grade)
          : kind === 'done'
            ? [0, 1]
            : [0, 0.5, 1];
        const weight = weighted ? (a: number, b: number) => 1 - Math.abs(a - b) / top : same;
        const subjects = subjectsOf(own, ({ category }) => Number(category));
        const { kappa } = conger(subjects, categories, weight);
        const plain = conger(subjects, categories, same);
        expect(coefficients.percentAgreement?.estimate).toBeCloseTo(plain.agreed, 10);
        const found = coefficients.congerKappa?.estimate ?? null;
        if (found === null) expect(Number.isFinite(kappa) && plain.agreed < 1).toBe(false);
        else expect(found, item).toBeCloseTo(kappa, 10);
        compared++;
      }
    }
    expect(compared).toBeGreaterThan(80);
  });

  it('has the limits of agreement of the numbers as they were tapped', async () => {
    let compared = 0;
    for (const { stationId, items } of overview.stations) {
      for (const { item, measured } of items) {
        for (const { first, second, limits, n } of measured?.pairs ?? []) {
          const { rows } = await server.db.raw(
            `select m.number_value::float8 - o.number_value::float8 as difference
             from sheet_mark m join sheet h on h.id = m.sheet_id
               join account a on a.id = h.examiner_id and a.name = :first
               join sheet i on i.station_id = h.station_id and i.candidate_id = h.candidate_id
               join account b on b.id = i.examiner_id and b.name = :second
               join sheet_mark o on o.sheet_id = i.id and o.item = m.item
             where h.station_id = :stationId and m.item = :item and h.submitted_at is not null
               and i.submitted_at is not null and m.number_value is not null
               and o.number_value is not null`,
            { stationId, item, first, second },
          );
          const differences = rows.map((r: { difference: number }) => r.difference);
          expect(differences).toHaveLength(n);
          if (!limits) continue;
          const mean = differences.reduce((a: number, b: number) => a + b, 0) / n;
          const squares = differences.reduce((s: number, d: number) => s + (d - mean) ** 2, 0);
          expect(limits.bias.estimate).toBeCloseTo(mean, 9);
          expect(limits.sd).toBeCloseTo(Math.sqrt(squares / (n - 1)), 9);
          compared++;
        }
      }
    }
    expect(compared).toBeGreaterThan(15);
  });
});

async function topGrade(stationId: string, item: string): Promise<number> {
  const { rows } = await server.db.raw(
    `select jsonb_array_length(i -> 'anchors') - 1 as top
     from station s join checklist_version v on v.id = s.checklist_version_id
       cross join jsonb_array_elements(v.content -> 'items') i
     where s.id = :stationId and i ->> 'key' = :item`,
    { stationId, item },
  );
  return Number(rows[0].top);
}

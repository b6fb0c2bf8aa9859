import type { Account } from '@kritikos/contracts/accounts';
import type { StationFigure } from '@kritikos/contracts/sources';
import type { Settings } from '@kritikos/contracts/standards';
import { examinerPairs } from '@kritikos/core/agreement/examinerPairs';
import { scoreTable, unitOf } from '@kritikos/core/agreement/stationAgreement';
import { sheetsByCandidate, subjectsOf } from '@kritikos/core/agreement/ratedSheet';
import type { RatedSheet } from '@kritikos/core/agreement/ratedSheet';
import type { ItemScale } from '@kritikos/core/agreement/itemScale';
import { scoredPairs } from '@kritikos/core/standards/setStandard';
import type { StationMethod } from '@kritikos/core/standards/stationMethods';
import { ratedSheetsOf } from '../agreement/keptSheet.ts';
import { partOf } from '../agreement/tables.ts';
import { comparedSheets } from '../agreement/working.ts';
import type { Database } from '../db/database.ts';
import { requireStation } from '../examinations/service.ts';
import { notFound } from '../http/problems.ts';
import { keptSettings, marksAndPeople } from '../standards/service.ts';
import type { Table, Worked } from './source.ts';

const COEFFICIENT_KEYS = ['percentAgreement', 'cohenKappa', 'congerKappa', 'gwetAC'];

/** The table and the command that give a figure of a station again. */
export async function stationSource(
  db: Database,
  stationId: string,
  asked: StationFigure,
  viewer: Account,
): Promise<Worked> {
  if (asked.figure === 'cut') return cutOf(db, stationId, asked, viewer);
  const station = await requireStation(db, stationId, viewer);
  const { content, sheets, numbers } = await comparedSheets(db, station, viewer);
  const candidates = sheetsByCandidate(ratedSheetsOf(sheets, numbers));
  const name = `station-${station.position}-${asked.figure}.csv`;
  if (asked.figure === 'scores') return scoresOf(name, candidates);
  if (asked.figure === 'limits') {
    const place = content.items.findIndex((item) => item.key === asked.item);
    const item = content.items[place];
    if (!item || unitOf(item) === null) throw notFound('number on this checklist');
    return limitsOf(name, candidates, place, asked.pair ?? 0);
  }
  const { figure, item, name: named } = asked;
  const facet =
    figure === 'technique' || figure === 'pair' || figure === 'item' ? undefined : figure;
  const part = partOf(content, { item: figure === 'item' ? item : undefined, facet, name: named });
  const taken = candidates.filter((own) => part.takes(own));
  const compared = figure === 'pair' ? ofPair(taken, asked.pair ?? 0) : taken;
  const one = figure === 'item';
  return {
    verb: 'agreement',
    tables: [ratings(name, compared, part, one ? null : content.items.map(({ key }) => key))],
    flags: [...scaleFlags(part.scale), ...(one ? [] : ['--by-candidate'])],
    keys: COEFFICIENT_KEYS,
  };
}

function ofPair(candidates: readonly (readonly RatedSheet[])[], place: number): RatedSheet[][] {
  const pair = examinerPairs(candidates)[place];
  if (!pair) throw notFound('pair of examiners');
  return pair.sheets.map(({ first, second }) => [first, second]);
}

/** A row a mark; with its item where several items are compared together. */
function ratings(
  name: string,
  candidates: readonly (readonly RatedSheet[])[],
  { scale, places }: { scale: ItemScale; places: readonly number[] },
  items: readonly string[] | null,
): Table {
  const subjects = subjectsOf(candidates, places, scale.read);
  return {
    name,
    header: ['candidate', 'examiner', ...(items ? ['item'] : []), 'mark'],
    rows: subjects.flatMap(({ candidate, place, marks }) =>
      marks.map(({ sheet, mark }) => [
        candidate,
        sheet.examiner,
        ...(items ? [items[place] ?? ''] : []),
        writtenAs(scale, mark),
      ]),
    ),
  };
}

/** Options go by place and key, "2-none": some keys alone would be read as a missing mark. */
function writtenAs({ categories }: ItemScale, mark: string | number): string | number {
  if (typeof mark === 'number') return mark;
  return `${categories.findIndex(({ key }) => key === mark) + 1}-${mark}`;
}

function scaleFlags(scale: ItemScale): string[] {
  const { categories, level, weights } = scale;
  return [
    '--scale',
    categories.map(({ key }) => String(writtenAs(scale, key))).join(','),
    ...(level === 'nominal' ? [] : ['--level', level]),
    ...(weights ? ['--weights', 'linear'] : []),
  ];
}

function scoresOf(name: string, candidates: readonly (readonly RatedSheet[])[]): Worked {
  const { examiners, numbers, rows } = scoreTable(candidates);
  return {
    verb: 'icc',
    tables: [
      {
        name,
        header: ['candidate', ...examiners],
        rows: rows.map((row, i) => [numbers[i] ?? 0, ...row]),
      },
    ],
    flags: [],
    keys: ['ICC21.estimate', 'ICC21.lower', 'ICC21.upper', 'semAgreement', 'mdc95'],
  };
}

function limitsOf(
  name: string,
  candidates: readonly (readonly RatedSheet[])[],
  place: number,
  asked: number,
): Worked {
  const pair = examinerPairs(candidates)[asked];
  if (!pair) throw notFound('pair of examiners');
  const rows = pair.sheets.flatMap(({ candidate, first, second }) => {
    const [a, b] = [first.values[place], second.values[place]];
    return a === undefined || b === undefined ? [] : [[candidate, a, b]];
  });
  return {
    verb: 'bland-altman',
    tables: [{ name, header: ['candidate', pair.first, pair.second], rows }],
    flags: [],
    keys: ['bias', 'lowerLimit', 'upperLimit', 'sd', 'proportionalBias'],
  };
}

const RESAMPLES = 2000;

/** The scores and overall grades of a station, and the method of the settings or the one asked for. */
async function cutOf(
  db: Database,
  stationId: string,
  { method }: StationFigure,
  viewer: Account,
): Promise<Worked> {
  const { examinationId } = await requireStation(db, stationId, viewer);
  const { data, people } = await marksAndPeople(db, examinationId, viewer);
  const settings = await keptSettings(db, examinationId, data.length, viewer);
  const station = data.find((one) => one.station === stationId);
  const numbers = new Map(people.map(({ id, number }) => [id, number]));
  const { candidates, scores, grades } = scoredPairs(station?.records ?? []);
  const by = method ?? settings.methods[stationId] ?? settings.method;
  return {
    verb: 'standard',
    tables: [
      {
        name: `station-${station?.position ?? 0}-grades.csv`,
        header: ['candidate', 'score', 'grade'],
        rows: candidates.map((id, i) => [
          numbers.get(id) ?? 0,
          scores[i] ?? null,
          grades[i] ?? null,
        ]),
      },
    ],
    ...methodFlags(by, settings),
  };
}

/** How the command is told a method of the page. */
function methodFlags(
  method: StationMethod,
  { borderline, sds, fixedPercent }: Settings,
): Pick<Worked, 'flags' | 'keys'> {
  const at = ['--borderline', String(borderline)];
  const by = (name: string, more: readonly string[], keys: readonly string[]) => ({
    flags: ['--method', name, ...more],
    keys,
  });
  switch (method) {
    case 'borderline-regression':
      return by(
        method,
        [...at, '--resamples', String(RESAMPLES), '--seed', '1'],
        ['cut', 'lower', 'upper', 'standardError', 'rSquared', 'bootstrap'],
      );
    case 'borderline-group':
      return by(method, at, ['cut', 'standardError']);
    case 'borderline-median':
      return by('borderline-group', at, ['median']);
    case 'contrasting-normal':
      return by('contrasting-groups', at, ['normal']);
    case 'contrasting-logistic':
      return by('contrasting-groups', at, ['logistic']);
    case 'contrasting-least':
      return by('contrasting-groups', at, ['leastMisclassified']);
    case 'cohen':
      return by('cohen', ['--percentile', '0.95', '--multiplier', '0.6'], ['cut']);
    case 'cohen-modified':
      return by('cohen', ['--percentile', '0.9', '--multiplier', '0.65'], ['cut']);
    case 'mean-minus-sd':
      return by('mean-sd', ['--k', String(sds)], ['cut', 'standardError']);
    case 'fixed-percent':
      return by('fixed', ['--percent', String(fixedPercent)], ['cut']);
  }
}

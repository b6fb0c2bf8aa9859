import { route } from '../http/route.ts';
import { notFound } from '../http/problems.ts';
import { examinationSource } from './examinationSources.ts';
import { fileOf, sourceOf } from './source.ts';
import type { Table } from './source.ts';
import { stationSource } from './stationSources.ts';

export const sourceRoutes = [
  route('GET /stations/:station/source', async ({ db, params, query, account }) =>
    sourceOf(await stationSource(db, params.station, query, account)),
  ),
  route('GET /stations/:station/source.csv', async ({ db, params, query, account }) => {
    const { tables } = await stationSource(db, params.station, query, account);
    return file(tables[0]);
  }),
  route('GET /examinations/:examination/source', async ({ db, params, query, account }) =>
    sourceOf(await examinationSource(db, params.examination, query.figure, account)),
  ),
  route('GET /examinations/:examination/source.csv', async ({ db, params, query, account }) => {
    const { tables } = await examinationSource(db, params.examination, query.figure, account);
    return file(tables[query.file ?? 0]);
  }),
];

function file(table: Table | undefined) {
  if (!table) throw notFound('such file');
  return fileOf(table);
}

import { route } from '../http/route.ts';
import { ownCalendar } from './ownCalendar.ts';
import { writeOpenExamination } from './openExamination.ts';
import { readOpenExamination } from './readOpenExamination.ts';
import { askPack, readPacks, takePack } from './service.ts';

export const paperRoutes = [
  route('GET /examinations/:examination/papers', ({ db, house, params, account }) =>
    readPacks(db, params.examination, account, house.door),
  ),
  route('POST /examinations/:examination/papers', ({ db, house, jobs, params, body, account }) =>
    askPack(db, jobs, params.examination, { paper: body.paper, door: house.door }, account),
  ),
  route('GET /examinations/:examination/papers/:pack', ({ db, params, account }) =>
    takePack(db, params.examination, params.pack, account),
  ),
  route('GET /examinations/:examination/file', async ({ db, params, account }) => ({
    fileName: 'examination.json',
    content: JSON.stringify(await writeOpenExamination(db, params.examination, account), null, 2),
  })),
  route('POST /examinations/files', ({ db, body, account }) =>
    readOpenExamination(db, body, account),
  ),
  route('GET /own/calendar', async ({ db, account }) => ({
    fileName: 'my-stations.ics',
    content: await ownCalendar(db, account, new Date()),
  })),
];

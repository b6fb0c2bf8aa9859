import type { Job } from '@kritikos/contracts/jobs';
import type { Cohort } from '@kritikos/contracts/people';
import type { Upload } from '@kritikos/contracts/studentImport';
import { DEMO_PASSWORD, LEAD, studentName } from '../../server/demo/people.ts';
import { report } from './report.ts';
import { pause, withServer } from './servers.ts';
import { Visitor } from './visitor.ts';

const PORT = 4896;
const STUDENTS = 10_000;

/** A list of ten thousand students: sent, looked at, taken. */
export async function benchPeople(): Promise<void> {
  const url = new URL(process.env.BENCH_DATABASE_URL ?? '');
  url.pathname = `/bench_people_${Date.now()}`;
  const environment = { DATABASE_URL: url.href, KRITIKOS_DEMO: '1' };
  const began = performance.now();
  await withServer('server/main.ts', PORT, environment, async () => {
    report('a new database is up with the demo', (performance.now() - began) / 1000, 20, 's');
    const lead = new Visitor(PORT);
    await lead.signIn(LEAD.email, DEMO_PASSWORD);
    const named = JSON.stringify({ name: 'Large', year: 2031 });
    const cohort = (await (await lead.ask('POST', '/cohorts', named)).json()) as Cohort;
    const rows = Array.from({ length: STUDENTS }, (_, i) => `L${i},${studentName(i)}`);
    const list = ['number,name', ...rows].join('\n');
    const started = performance.now();
    const sent = await lead.ask(
      'POST',
      `/cohorts/${cohort.id}/uploads?name=list`,
      list,
      'text/csv',
    );
    const { id, mapping } = (await sent.json()) as Upload;
    for (const what of ['preview', 'import']) {
      const path = `/cohorts/${cohort.id}/uploads/${id}/${what}`;
      let job = (await (await lead.ask('POST', path, JSON.stringify({ mapping }))).json()) as Job;
      while (['waiting', 'running'].includes(job.state)) {
        await pause(20);
        job = await lead.get<Job>(`/jobs/${job.id}`);
      }
      if (job.problem !== null) throw new Error(JSON.stringify(job.problem));
    }
    const seconds = (performance.now() - started) / 1000;
    report(`${STUDENTS} students are looked at and taken`, seconds, 10, 's');
  });
  const again = performance.now();
  await withServer('server/main.ts', PORT, environment, async () => {
    report('the server is up the second time', (performance.now() - again) / 1000, 6, 's');
    return Promise.resolve();
  });
}

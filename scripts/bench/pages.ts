import { DEMO_PASSWORD, LEAD } from '../../server/demo/people.ts';
import { Visitor } from './visitor.ts';
import { quantile, report } from './report.ts';
import { withServer } from './servers.ts';
import { CANDIDATES, MANY, MANY_STATIONS, tenThousand } from './tenThousand.ts';

const PORT = 4894;
const LOOKS = 5;

interface Listed {
  readonly id: string;
  readonly title: string;
  readonly submitted: number;
}

/** Every page of a lead for an examination of ten thousand candidates, on the server. */
export async function benchPages(): Promise<void> {
  const environment = { DATABASE_URL: await tenThousand(), KRITIKOS_DEMO: '' };
  await withServer('server/main.ts', PORT, environment, async () => {
    const lead = new Visitor(PORT);
    await lead.signIn(LEAD.email, DEMO_PASSWORD);
    const examinations = await lead.get<Listed[]>('/examinations');
    const own = examinations.find(({ title, submitted }) => title !== MANY && submitted > 0);
    const many = examinations.find(({ title }) => title === MANY);
    const { stationList } = await lead.get<{ stationList: { id: string }[] }>(
      `/examinations/${own?.id}`,
    );
    const pages = {
      'list of examinations': '/examinations',
      'the examination': `/examinations/${own?.id}`,
      'its candidates': `/examinations/${own?.id}/candidates?offset=0&limit=100`,
      'briefings read': `/examinations/${own?.id}/calibration`,
      'marking progress': `/examinations/${own?.id}/marking`,
      agreement: `/examinations/${own?.id}/agreement`,
      'table behind a coefficient': `/stations/${stationList[0]?.id}/agreement/table`,
      standards: `/examinations/${own?.id}/standards`,
      results: `/examinations/${own?.id}/results`,
    };
    for (const [name, path] of Object.entries(pages)) {
      const first = await lead.time(path);
      const times: number[] = [];
      for (let i = 0; i < LOOKS; i++) times.push(await lead.time(path));
      report(`${CANDIDATES} candidates: ${name}`, quantile(times, 0.5), 500, 'ms');
      if (first > 500) console.log(`  the first look after a change took ${first.toFixed(0)} ms`);
    }
    const file = await lead.time(`/examinations/${many?.id}/results.csv`);
    report(`results of ${CANDIDATES} x ${MANY_STATIONS}, as a file`, file / 1000, 3, 's');
  });
}

import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { offerCatalogue } from './checklists/service.ts';
import { prepareDatabase } from './db/database.ts';
import { DEMO_PASSWORD, EXAMINERS, LEAD } from './demo/people.ts';
import { loadDemo } from './demo/scenario.ts';
import { application } from './http/application.ts';
import { closeJobs } from './jobs/pool.ts';

const databaseUrl = process.env.DATABASE_URL;
if (!databaseUrl) throw new Error('DATABASE_URL is not set; npm start sets it.');
const port = Number(process.env.PORT ?? 4747);
const host = process.env.HOST ?? '127.0.0.1';
const logger = pino({ level: process.env.LOG_LEVEL ?? 'warn' });

const db = await prepareDatabase(databaseUrl);
await offerCatalogue(db);
if (process.env.KRITIKOS_DEMO) {
  const started = Date.now();
  if (await loadDemo(db))
    console.log(`Loaded the demo examination in ${((Date.now() - started) / 1000).toFixed(1)} s.`);
}
const webFolder = fileURLToPath(new URL('../web/dist', import.meta.url));
const app = await application(db, databaseUrl, logger, webFolder);
const server = app.express.listen(port, host, (error?: Error) => {
  if (error) {
    console.error(`Port ${port} cannot be used: ${error.message}. Set PORT to another one.`);
    process.exit(1);
  }
  console.log(`\nKritikos is at  http://${host}:${port}\n`);
  if (process.env.KRITIKOS_DEMO) {
    console.log('Demo accounts, all with the password', DEMO_PASSWORD);
    console.log(`  lead      ${LEAD.email}  (${LEAD.name})`);
    for (const { email, name } of EXAMINERS) console.log(`  examiner  ${email}  (${name})`);
  } else console.log('Open it to make the first lead account, or to sign in.');
  console.log('\nCtrl+C stops it.');
});

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
  await closeJobs();
  await app.close();
  await db.destroy();
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stop());

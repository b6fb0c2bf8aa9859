import { sealAudit, verifyAudit } from './audit/service.ts';
import { connect } from './db/database.ts';
import type { Database } from './db/database.ts';
import { verifyKept } from './marking/verifyKept.ts';

/** So many sheets are named; there may be more. */
const MOST_NAMED = 20;

/**
 * The command behind `npm run verify`: seals what waits, goes through the chain of the audit and
 * prints its last link to be noted outside the database, then scores every submitted sheet anew.
 * `--noted POSITION:HASH` checks a link noted earlier.
 */
const db = connect(process.env.DATABASE_URL ?? '', { statement_timeout: 0 });
try {
  await auditIsWhole(db);
  await marksAreKept(db);
} catch (error) {
  console.error(`It could not be read: ${(error as Error).message}`);
  process.exitCode = 1;
} finally {
  await db.destroy();
}

async function auditIsWhole(on: Database): Promise<void> {
  const noted = /--noted[= ](\d+):([0-9a-f]{64})/.exec(process.argv.join(' '));
  await sealAudit(on);
  const found = await verifyAudit(
    on,
    noted ? { position: Number(noted[1]), hash: noted[2] ?? '' } : undefined,
  );
  if (found.whole) {
    console.log(`The audit is whole: ${found.links} entries.`);
    console.log(`Note this outside the database:  ${found.links}:${found.head}`);
  } else {
    console.error(`The audit is not whole, at entry ${found.at}. ${found.why}`);
    process.exitCode = 1;
  }
}

async function marksAreKept(on: Database): Promise<void> {
  const { sheets, differing } = await verifyKept(on);
  if (differing.length === 0) {
    console.log(`The marks of ${sheets} submitted sheets are kept as they score.`);
    return;
  }
  console.error(
    `${differing.length} of ${sheets} submitted sheets are kept otherwise than they score:`,
  );
  for (const { sheet, what } of differing.slice(0, MOST_NAMED)) {
    console.error(`  ${sheet}: ${what.join(', ')}`);
  }
  process.exitCode = 1;
}

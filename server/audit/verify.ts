import { connect } from '../db/database.ts';
import { sealAudit, verifyAudit } from './service.ts';

/**
 * The command behind `npm run verify`: seals what waits, goes through the chain, and prints its
 * last link to be noted outside the database. `--noted POSITION:HASH` checks one noted earlier.
 */
const db = connect(process.env.DATABASE_URL ?? '');
try {
  const noted = /--noted[= ](\d+):([0-9a-f]{64})/.exec(process.argv.join(' '));
  await sealAudit(db);
  const found = await verifyAudit(
    db,
    noted ? { position: Number(noted[1]), hash: noted[2] ?? '' } : undefined,
  );
  if (found.whole) {
    console.log(`The audit is whole: ${found.links} entries.`);
    console.log(`Note this outside the database:  ${found.links}:${found.head}`);
  } else {
    console.error(`The audit is not whole, at entry ${found.at}. ${found.why}`);
    process.exitCode = 1;
  }
} catch (error) {
  console.error(`The audit could not be read: ${(error as Error).message}`);
  process.exitCode = 1;
} finally {
  await db.destroy();
}

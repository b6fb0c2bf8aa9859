import type { Account } from '@kritikos/contracts/accounts';
import type { Design, Trust } from '@kritikos/contracts/trust';
import type { DStudy } from '@kritikos/core/reliability/dStudy';
import { sayTrust } from '@kritikos/core/reliability/sayTrust';
import type { Database } from '../db/database.ts';
import { requireExamination } from '../examinations/service.ts';
import { computeTrust } from '../jobs/pool.ts';
import { newestDecision } from '../standards/repository.ts';
import { sheetScores } from './repository.ts';

/** How far the examination can be trusted, from the scores of its sheets. */
export async function readTrust(
  db: Database,
  examinationId: string,
  viewer: Account,
): Promise<Trust> {
  const { stations } = await requireExamination(db, examinationId, viewer);
  const points = await sheetScores(db, examinationId, viewer.id);
  const decision = await newestDecision(db, examinationId, viewer.id);
  const cut = decision ? decision.total / Math.max(1, decision.cuts.length) : null;
  const trust = await computeTrust({ points, stations, cut });
  const { alpha, candidates, shares, held, atCut, designs, notes } = trust;
  return {
    sentence: sayTrust(trust),
    candidates,
    stations,
    sheets: points.length,
    alpha: { estimate: alpha.estimate, lower: alpha.lower, upper: alpha.upper },
    shares: shares.map((share) => ({ ...share })),
    held: held && designOf(held),
    atCut,
    designs: designs.map(designOf),
    notes: [...notes],
  };
}

function designOf({ sizes, generalizability, dependability, sem }: DStudy): Design {
  const { station = 0, examiner = null } = sizes;
  return { stations: station, examiners: examiner, generalizability, dependability, sem };
}

import type {
  Account,
  ExaminersInvited,
  ExaminersJoined,
  Person,
} from '@kritikos/contracts/accounts';
import { inviteOne } from '../accounts/people.ts';
import * as accounts from '../accounts/repository.ts';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { holdExamination } from '../examinations/service.ts';
import type { House } from '../http/route.ts';
import { invalid } from '../http/problems.ts';
import * as resources from './resourceRepository.ts';

/**
 * Invites examiners who take part from then on, all of them or nobody. Whoever has an account as an
 * examiner already is not invited again, and takes part too.
 */
export async function inviteExaminers(
  db: Database,
  examinationId: string,
  { people }: ExaminersInvited,
  lead: Account,
  house: House,
): Promise<ExaminersJoined> {
  return db.transaction(async (trx) => {
    await holdExamination(trx, examinationId, lead);
    const known: (Person | undefined)[] = [];
    for (const { email } of people) known.push(await accounts.findByEmail(trx, email));
    const wrong = people.flatMap(({ email }, i) => {
      const why = whyNot(email, people.slice(0, i), known[i]);
      return why === null ? [] : [{ pointer: `/people/${i}/email`, detail: why }];
    });
    if (wrong.length > 0) throw invalid(wrong, 'Nobody was invited');
    const joined: ExaminersJoined['joined'] = [];
    const ids: string[] = [];
    for (const [i, { email, name }] of people.entries()) {
      const found = known[i];
      const roles = ['examiner' as const];
      const { person, passOn } = found
        ? { person: found, passOn: null }
        : await inviteOne(trx, { email, name, roles }, lead, house);
      ids.push(person.id);
      joined.push({ name: person.name, email, known: found !== undefined, passOn });
    }
    await resources.addExaminers(trx, examinationId, ids, lead.id);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'examiners take part',
      subject: examinationId,
      detail: { accounts: ids },
    });
    return { joined };
  });
}

function whyNot(
  email: string,
  before: readonly { email: string }[],
  known: Person | undefined,
): string | null {
  if (before.some((one) => one.email === email)) return 'stands in the list twice';
  if (!known) return null;
  if (known.disabledAt !== null)
    return 'has an account that is disabled; an administrator enables it';
  if (!known.roles.includes('examiner'))
    return 'has an account without the role of examiner; an administrator gives it';
  return null;
}

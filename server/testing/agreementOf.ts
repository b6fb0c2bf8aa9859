import type { AgreementOverview } from '@kritikos/contracts/agreement';
import type { Caller } from './startServer.ts';

const MOST_LOOKS = 100;

/** The agreement of an examination, looked at until nothing is awaited any more, as its page does. */
export async function agreementOf(lead: Caller, examination: string): Promise<AgreementOverview> {
  for (let look = 0; look < MOST_LOOKS; look++) {
    const { body } = await lead.call('GET', `/examinations/${examination}/agreement`).expect(200);
    if (body.job === null) return body;
    if (body.job.state === 'failed') throw new Error(body.job.problem);
  }
  throw new Error('The agreement was never worked out.');
}

import type { Hints } from '../hints/hints.ts';
import { route } from '../http/route.ts';
import * as service from './service.ts';
import { handIn, readSitting, readStanding, takeWords } from './sitting.ts';

/** Whoever looks at the examination reads its panels again. */
async function telling<T>(
  hints: Hints,
  change: Promise<{ examinationId: string } & T>,
): Promise<T> {
  const answer = await change;
  hints.examinationChanged(answer.examinationId);
  return answer;
}

export const panelRoutes = [
  route('GET /examinations/:examination/panels', ({ db, params, account }) =>
    service.readPanels(db, params.examination, account),
  ),
  route('POST /examinations/:examination/panels', async ({ db, hints, params, body, account }) => {
    const list = await service.makePanel(db, params.examination, body, account);
    hints.examinationChanged(params.examination);
    return list;
  }),
  route('POST /panels/:panel/seats', ({ db, house, params, body, account }) =>
    service.giveSeat(db, params.panel, body, house, account),
  ),
  route('POST /seats/:seat/links', ({ db, house, params, account }) =>
    service.linkSeat(db, params.seat, house, account),
  ),
  route('DELETE /seats/:seat', ({ db, params, account }) =>
    service.takeSeatAway(db, params.seat, account),
  ),
  route('POST /panels/:panel/rounds', async ({ db, hints, params, account }) => {
    const { list } = await telling(hints, service.openRound(db, params.panel, account));
    return list;
  }),
  route('POST /panels/:panel/closing', async ({ db, hints, params, body, account }) => {
    const { list } = await telling(hints, service.closeRound(db, params.panel, body, account));
    return list;
  }),
  route('POST /panels/:panel/reopening', async ({ db, hints, params, body, account }) => {
    const { list } = await telling(hints, service.reopenRound(db, params.panel, body, account));
    return list;
  }),
  route('POST /sittings', ({ db, body }) => readSitting(db, body.token)),
  route('POST /sittings/standing', ({ db, body }) => readStanding(db, body.token)),
  route('POST /sittings/words', async ({ db, hints, body }) => {
    const { standing } = await telling(hints, takeWords(db, body));
    return standing;
  }),
  route('POST /sittings/hand-in', async ({ db, hints, body }) => {
    const { standing } = await telling(hints, handIn(db, body));
    return standing;
  }),
];

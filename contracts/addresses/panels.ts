import type { Contracts } from '../contract.ts';
import {
  closing,
  handedIn,
  judged,
  newPanel,
  newSeat,
  panelList,
  reopened,
  seatAsked,
  seatLink,
  sitting,
  standing,
} from '../panels.ts';
import { leads, reads } from './access.ts';

/** Panels of judges: the lead's side, and the seats that are taken by link without an account. */
export const panels = {
  'GET /examinations/:examination/panels': {
    says: 'The panels of an examination with their rounds and what came of each',
    access: reads('examination'),
    answers: panelList,
  },
  'POST /examinations/:examination/panels': {
    says: 'Make a panel: the method, what is judged, and what else judges are asked',
    access: leads('examination'),
    body: newPanel,
    answers: panelList,
  },
  'POST /panels/:panel/seats': {
    says: 'Give a judge a seat; the link to it is answered once, and sent where there is an address',
    access: leads('panel'),
    body: newSeat,
    answers: seatLink,
  },
  'POST /seats/:seat/links': {
    says: 'Make another link to a seat; the one before holds no longer',
    access: leads('seat'),
    answers: seatLink,
  },
  'DELETE /seats/:seat': {
    says: 'Take a seat away; what was said from it stays in the rounds that are closed',
    access: leads('seat'),
    answers: panelList,
  },
  'POST /panels/:panel/rounds': {
    says: 'Open the next round',
    access: leads('panel'),
    answers: panelList,
  },
  'POST /panels/:panel/closing': {
    says: 'Close the round that is open; while somebody is missing only if that is meant',
    access: leads('panel'),
    body: closing,
    answers: panelList,
  },
  'POST /panels/:panel/reopening': {
    says: 'Open the last round again, with a reason',
    access: leads('panel'),
    body: reopened,
    answers: panelList,
  },
  'POST /sittings': {
    says: 'What a judge sees from a seat, by the secret of its link',
    access: 'anyone',
    body: seatAsked,
    answers: sitting,
  },
  'POST /sittings/standing': {
    says: 'How a panel stands: which round is open, how many have handed in',
    access: 'anyone',
    body: seatAsked,
    answers: standing,
  },
  'POST /sittings/words': {
    says: 'Take down what a judge says; the same word sent twice counts once',
    access: 'anyone',
    body: judged,
    answers: standing,
  },
  'POST /sittings/hand-in': {
    says: 'Hand in a round, or take it back while the round is open',
    access: 'anyone',
    body: handedIn,
    answers: standing,
  },
} as const satisfies Contracts;

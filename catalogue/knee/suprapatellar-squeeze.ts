import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, tell, feltSlack, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { moves, feels, push, figure, KNEE_REGION } from '../figures.ts';

/** The pouch closed by one hand, both sides of the kneecap felt by the other. */
export const suprapatellarSqueeze = defineProcedure(
  {
    id: 'suprapatellar-squeeze',
    names: ['Suprapatellar squeeze', 'fluid displacement test'],
    title: 'Pouch squeezed above the kneecap, fluid felt beside it',
    indication: 'A knee that feels full above the kneecap.',
    region: 'knee',
    kind: 'effusion',
    structures: ['knee joint'],
    patient: 'Lies on the back, knee straight, thigh muscles slack.',
    examiner: 'At the side of the knee.',
    steps: [
      'Close one hand over the pouch a hand’s breadth above the kneecap and press towards it.',
      'Feel both sides of the kneecap; press one to see the other fill.',
      'Let go and watch the bulge drop.',
    ],
    schools: [
      {
        key: 'cross',
        label: 'With cross-pressure',
        description: 'One side pressed to fill the other.',
        hands: 'one side pressed to fill the other',
        drawn: {
          hands: [
            moves('thigh', 0.7, 'front'),
            moves('shank', 0, 'inner'),
            feels('shank', 0, 'outer'),
          ],
          view: 'above',
        },
      },
      {
        key: 'plain',
        label: 'Squeeze only',
        description: 'Without cross-pressure.',
        hands: 'no cross-pressure',
        drawn: {},
      },
    ],
    figure: figure(
      'supine',
      {},
      {
        hands: [moves('thigh', 0.7, 'front'), feels('shank', 0.0, 'front')],
        forces: [push('thigh', 0.86, 'below', 'front')],
        region: KNEE_REGION,
        closeUp: 'kneecap',
      },
    ),
    loads: [{ structure: 'knee joint', mode: 'fluid' }],
    findings: [yesNo('fluid', 'States whether there is fluid', ['swelling'], ['None', 'Fluid'])],
    positive: 'A bulge on squeezing that drops on release, more than on the other knee.',
    negative: 'No bulge.',
    confounders: ['Fat pads', 'A bursa in front of the kneecap', 'Thickened lining'],
    doesNotProve: 'Which fluid it is, or that a little is absent.',
    followUp: ['bulge-brush-effusion', 'patellar-ballottement'],
    contraindications: ['Suspected infection: stop, escalate'],
  },
  {
    task: 'Test the knee for fluid with the squeeze and say what it may miss.',
    items: [
      prepare.asked(
        'fever',
        'Asks about fever',
        flagged('A hot joint with fever is an emergency.'),
      ),
      position.measured('knee-angle', 'Knee flexion during the test', '°', [0, 5], {
        from: -15,
        to: 135,
      }),
      feltSlack('thigh muscles'),
      perform.graded('pouch', 'Closes the pouch towards the kneecap', [
        'On the thigh',
        'On the pouch, no direction',
        'Towards the kneecap',
      ]),
      perform.graded('both-borders', 'Feels both sides of the kneecap', [
        'Neither',
        'One side',
        'Both sides',
      ]),
      perform.done('release', 'Watches the release as a step of its own'),
      interpret.done('misses', 'Says that a few millilitres may be missed'),
      tell.done('tells', 'Tells the person what was found'),
    ],
    faults: [
      ['Squeezes the thigh', 'pouch'],
      ['Lets go too soon', 'release'],
      ['One border only', 'both-borders'],
      ['Knee bent', 'knee-angle'],
    ],
    cautions: ['Fever with a hot joint: stop, escalate.'],
    stopRule: 'Stop at sharp pain, fever, or the word stop.',
    patient: { condition: 'knee-effusion-large', side: 'right' },
  },
);

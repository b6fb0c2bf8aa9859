import { defineProcedure } from '../define.ts';
import { position, perform, interpret, tell, feltSlack } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, push, figure, KNEE_REGION } from '../figures.ts';
import { memory } from '../worth.ts';

/** Fluid milked down from the pouch, the kneecap tapped onto the thigh bone. */
export const patellarBallottement = defineProcedure(
  {
    id: 'patellar-ballottement',
    names: ['Patellar tap', 'ballottement'],
    title: 'Kneecap tapped down onto the thigh bone through fluid',
    indication: 'A visibly swollen knee.',
    region: 'knee',
    kind: 'effusion',
    structures: ['knee joint'],
    patient: 'Lies on the back, knee straight, thigh muscles slack.',
    examiner: 'At the tested side.',
    steps: [
      'Milk the pouch down to the kneecap and keep the hand closed.',
      'Push the kneecap briskly straight down and let go.',
      'Feel it dip, tap and float back.',
    ],
    schools: [
      {
        key: 'milk',
        label: 'Milk down',
        description: 'From a hand and a half above the kneecap.',
        order: 'milked down, then pressed',
      },
      {
        key: 'squeeze',
        label: 'Squeeze only',
        description: 'The pouch is closed without milking.',
        order: 'closed, then pressed',
      },
    ],
    figure: figure(
      'supine',
      {},
      {
        hands: [holds('thigh', 0.68, 'front'), moves('shank', 0.0, 'front')],
        forces: [push('shank', 0.02, 'back', 'front')],
        region: KNEE_REGION,
        closeUp: 'kneecap',
      },
    ),
    loads: [{ structure: 'knee joint', mode: 'float' }],
    findings: [yesNo('tap', 'States whether there is a tap', ['swelling'], ['No tap', 'Tap'])],
    positive: 'The kneecap dips, taps the bone and floats back.',
    negative: 'It sits on the bone already.',
    confounders: ['A thick fat pad', 'Tense fluid that gives no tap'],
    doesNotProve: 'That a little fluid is absent.',
    worth: [memory('effusion in primary care', 0.83, 0.49, 'Kastelein 2009')],
    followUp: ['bulge-brush-effusion'],
    contraindications: ['Suspected kneecap fracture or infection'],
  },
  {
    task: 'Test the knee for a larger effusion with the tap.',
    items: [
      position.measured('knee-angle', 'Knee flexion during the test', '°', [0, 5], {
        from: -15,
        to: 135,
      }),
      feltSlack('thigh muscles'),
      perform.graded('empties', 'Empties the pouch downwards', [
        'Not emptied',
        'In part',
        'Down to the kneecap',
      ]),
      perform.done('stays-closed', 'Keeps the upper hand closed'),
      perform.graded('vertical', 'Presses straight down in under half a second', [
        'Slow or sideways',
        'Brisk, aslant',
        'Brisk, straight',
      ]),
      perform.done('light-first', 'Makes the first press the lightest'),
      interpret.done('small', 'Says that small fluid needs the stroke test'),
      tell.done('tells', 'Tells the person what was found'),
    ],
    faults: [
      ['Pouch not emptied', 'empties'],
      ['Upper hand lets go', 'stays-closed'],
      ['Slow push', 'vertical'],
      ['Hand under the knee', 'knee-angle'],
    ],
    cautions: ['Omit with a suspected kneecap fracture or infection.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'knee-effusion-large', side: 'left' },
  },
);

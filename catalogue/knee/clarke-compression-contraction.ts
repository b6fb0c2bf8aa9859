import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, tell, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, push, own, decides, figure, KNEE_REGION } from '../figures.ts';
import { memory } from '../worth.ts';

/** The kneecap held from above while the thigh muscle tightens gently. */
export const clarkeCompressionContraction = defineProcedure(
  {
    id: 'clarke-compression-contraction',
    names: ['Clarke sign', 'patellar grind with contraction'],
    title: 'Kneecap held from above while the thigh tightens gently',
    indication: 'Pain behind the kneecap; functional provocation tells more.',
    region: 'knee',
    kind: 'provocation',
    structures: ['kneecap surfaces'],
    patient: 'Lies on the back, knee straight.',
    examiner: 'At the tested side, the face in view.',
    steps: [
      'Web of the hand just above the kneecap, pressing towards the foot.',
      'Ask for a slow gentle tightening of the thigh, hold two or three seconds, let go.',
      'Light first, then firmer; sound side first.',
    ],
    schools: [
      {
        key: 'single',
        label: 'Single light pass',
        description: 'The kinder and commoner form.',
        repetitions: '1',
      },
      { key: 'two', label: 'Two passes', description: 'Light, then firm.', repetitions: '2' },
    ],
    figure: figure(
      'supine',
      {},
      {
        decides: decides('kneeFlexion', 0, 10),
        hands: [holds('thigh', 0.94, 'front')],
        forces: [push('thigh', 0.96, 'below', 'front'), own(push('thigh', 0.5, 'above', 'front'))],
        region: KNEE_REGION,
        closeUp: 'kneecap',
      },
    ),
    loads: [{ structure: 'kneecap surfaces', mode: 'compression' }],
    findings: [yesNo('result', 'States the result', ['pain'], ['Negative', 'Positive'])],
    positive:
      'Familiar pain behind or around the kneecap, or the contraction cannot be held for it.',
    negative: 'Held without familiar pain.',
    confounders: ['Healthy knees find it unpleasant'],
    doesNotProve: 'Softened cartilage.',
    worth: [memory('pain from behind the kneecap', 0.39, 0.67, 'Doberstein 2008')],
    followUp: ['patellofemoral-passive-compression', 'slow-step-down'],
    contraindications: [
      'Kneecap fracture, dislocation or surgery',
      'Repair of the extensor tendon',
    ],
  },
  {
    task: 'Perform the compression with contraction and say what it is worth.',
    items: [
      prepare.asked('warns', 'Warns of discomfort'),
      position.done('face', 'Keeps the face in view'),
      position.measured('knee-angle', 'Knee flexion during the test', '°', [0, 10], {
        from: -15,
        to: 135,
      }),
      perform.graded('web', 'Sets the web above the upper border', [
        'On the body of the kneecap',
        'Too far up',
        'Just above the border',
      ]),
      perform.graded('gentle', 'Asks for a contraction built over two seconds', [
        'Hard or fast',
        'Slow, too strong',
        'Slow, gentle',
      ]),
      perform.graded(
        'light-first',
        'Makes the first press the lightest',
        ['Firm at once', 'Hardly different', 'Light, then firmer'],
        flagged('A hard first press hurts a sore kneecap.'),
      ),
      interpret.done('weak', 'Says that healthy knees often hurt'),
      tell.done('tells', 'Tells the person what was found'),
    ],
    faults: [
      ['Crushes the kneecap', 'web'],
      ['Asks for a hard contraction', 'gentle'],
      ['Firm press first', 'light-first'],
      ['Knee bent', 'knee-angle'],
    ],
    cautions: ['Stop at the first sharp pain.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'patellofemoral-pain', side: 'right' },
  },
);

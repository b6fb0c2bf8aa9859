import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, decides, figure } from '../figures.ts';

/** The limp elbow taken to both ends to name the end feel. */
export const elbowPassiveFlexionExtension = defineProcedure(
  {
    id: 'elbow-passive-flexion-extension',
    names: ['Passive elbow range', 'elbow end feel'],
    title: 'Examiner bends and straightens the elbow',
    indication: 'An active range that is short: what stops it, and does it hurt?',
    region: 'elbow',
    kind: 'rom',
    structures: ['elbow joint'],
    patient: 'Sits or lies, arm limp.',
    examiner: 'At the same side.',
    steps: [
      'Hold the lower upper arm from behind.',
      'Move at the lower forearm slowly to the first resistance.',
      'Press gently one or two seconds.',
      'Name the end feel each way.',
    ],
    schools: [
      {
        key: 'pressed',
        label: 'End pressure',
        description: 'One or two seconds at each end.',
        hold: '1 to 2 s at each end',
      },
      {
        key: 'unpressed',
        label: 'No end pressure',
        description: 'To the first resistance only.',
        hold: 'none at the ends',
      },
    ],
    figure: figure(
      'sitting',
      { arm: { shoulderFlexion: 20, elbowFlexion: 140, forearmPronation: -80 } },
      {
        from: { arm: { shoulderFlexion: 20, elbowFlexion: 5, forearmPronation: -80 } },
        decides: decides('elbowFlexion', 135, 150),
        hands: [holds('upperArm', 0.85, 'back'), moves('forearm', 0.9, 'inner')],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [{ structure: 'elbow joint', mode: 'motion' }],
    numbers: [
      {
        item: 'range',
        healthy: 145,
        tolerance: 5,
        half: 10,
        by: [
          { structure: 'elbow joint', state: 'stiff', values: [130, 115, 90] },
          { structure: 'elbow joint', state: 'effused', values: [140, 125, 110] },
        ],
      },
    ],
    findings: [yesNo('loss', 'States whether range is lost', ['stiffness'], ['Full', 'Lost'])],
    positive: 'An unusual end feel, 10 lost, or pain.',
    negative: 'Soft in flexion, hard in extension, painless, within 5.',
    rules: [
      { when: 'Springy', speaksFor: 'loose body' },
      { when: 'Boggy', speaksFor: 'fluid' },
      { when: 'Flexion lost more than extension', speaksFor: 'capsule' },
    ],
    confounders: ['A patient who helps', 'A thin arm ends hard in flexion'],
    doesNotProve: 'The cause of a hard stop.',
    followUp: ['forearm-rotation-passive'],
    contraindications: [
      'Recent dislocation',
      'Fracture',
      'Bone in the muscle',
      'Limits after surgery',
    ],
  },
  {
    task: 'Take the elbow to both ends and name the end feel.',
    items: [
      prepare.asked(
        'screen',
        'Asks about dislocation, fracture or surgery',
        flagged('A healing elbow must not be forced.'),
      ),
      position.done('limp', 'Supports the arm until it is limp'),
      perform.done('no-roll', 'Holds the lower upper arm so that it does not roll'),
      perform.done('forearm', 'Moves at the lower forearm, not the hand'),
      perform.graded('slow', 'Presses at the end for one to two seconds', [
        'Jerk',
        'Short',
        'One to two',
      ]),
      perform.asked('pain', 'Asks about pain during motion', flagged('Pain ends the movement.')),
      interpret.graded('end-feel', 'Names the end feel of each direction', ['None', 'One', 'Both']),
      interpret.measured('range', 'Flexion stated', '°', [135, 155], {
        half: 10,
        from: 60,
        to: 160,
      }),
      interpret.done('active', 'Compares passive with active'),
    ],
    faults: [
      ['Patient helps', 'limp'],
      ['Upper arm rolls', 'no-roll'],
      ['Grips the hand', 'forearm'],
      ['Forced', 'slow'],
      ['End feel not named', 'end-feel'],
    ],
    cautions: ['Tingling in the little finger: stop.'],
    stopRule: 'Stop at tingling, sharp pain, or the word stop.',
    patient: { condition: 'stiff-elbow', side: 'right' },
  },
);

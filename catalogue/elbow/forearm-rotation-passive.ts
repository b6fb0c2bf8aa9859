import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, turn, decides, figure, feels } from '../figures.ts';

/** The forearm turned by its bones to both ends. */
export const forearmRotationPassive = defineProcedure(
  {
    id: 'forearm-rotation-passive',
    names: ['Passive pronation and supination'],
    title: 'Examiner turns the forearm',
    indication: 'An active turn that is short or painful: what stops it?',
    region: 'elbow',
    kind: 'rom',
    structures: ['radio-ulnar joints', 'radial nerve at the supinator'],
    patient: 'Sits, arm at the ribs, elbow at 90, thumb up.',
    examiner: 'In front.',
    steps: [
      'Hold the upper arm to the trunk.',
      'Grip both forearm bones above the wrist.',
      'Turn slowly to each end, gentle pressure.',
      'Name the end feel.',
    ],
    schools: [
      {
        key: 'two-hand',
        label: 'Two hands',
        description: 'One holds the upper arm, one turns the forearm.',
      },
      {
        key: 'radial-head',
        label: 'With the radial head felt',
        description: 'A thumb on the radial head for crepitus.',
        drawn: { hands: [feels('forearm', 0.05, 'front'), moves('forearm', 0.88, 'outer')] },
        hands: 'thumb on the radial head',
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: { shoulderFlexion: 0, shoulderAbduction: 4, elbowFlexion: 90, forearmPronation: -82 },
      },
      {
        from: { arm: { shoulderFlexion: 0, shoulderAbduction: 4, elbowFlexion: 90 } },
        decides: decides('forearmPronation', -90, -70),
        hands: [holds('upperArm', 0.85, 'outer'), moves('forearm', 0.88, 'outer')],
        forces: [turn('forearm', 0.9, 'outwards')],
        region: ['forearm', 'hand'],
      },
    ),
    loads: [
      { structure: 'radio-ulnar joints', mode: 'motion' },
      { structure: 'radial nerve at the supinator', mode: 'stretch' },
    ],
    numbers: [
      {
        item: 'range',
        healthy: 85,
        tolerance: 5,
        half: 10,
        by: [{ structure: 'radio-ulnar joints', state: 'stiff', values: [65, 50, 30] }],
      },
    ],
    findings: [
      yesNo('loss', 'States whether rotation is lost', ['stiffness'], ['Full', 'Lost']),
      yesNo(
        'pain',
        'States whether full pronation hurts below the outer elbow',
        ['pain'],
        ['Painless', 'Painful'],
      ),
    ],
    positive: 'Under 70 either way or 10 between the sides; pain, a block or a click apart.',
    negative: '70 to 90, usual end feel, painless, alike.',
    rules: [
      { when: 'Hard early end', speaksFor: 'bone or radial head' },
      { when: 'Pain in full pronation', speaksFor: 'radial tunnel possible' },
    ],
    confounders: ['A wrist that twists', 'An upper arm that rolls'],
    doesNotProve: 'A nerve source.',
    followUp: ['resisted-supination-radial-tunnel'],
    contraindications: ['Recent fracture', 'Dislocation', 'Limits after surgery'],
  },
  {
    task: 'Test passive rotation of the forearm with its end feel.',
    items: [
      prepare.asked(
        'screen',
        'Asks about injury, dislocation or surgery',
        flagged('A healing bone must not be twisted.'),
      ),
      position.measured('elbow', 'Elbow angle', '°', [85, 95], { half: 10 }),
      position.done('thumb-up', 'Starts with the thumb up'),
      perform.done('upper-arm', 'Holds the upper arm at the trunk'),
      perform.done('grip', 'Grips the forearm bones above the wrist'),
      perform.graded('slow', 'Presses at the end for one to two seconds', [
        'Jerk',
        'Short',
        'One to two',
      ]),
      perform.asked(
        'asks-pain',
        'Asks about pain during motion',
        flagged('Pain ends the movement.'),
      ),
      interpret.graded('end-feel', 'Names the end feel of each direction', ['None', 'One', 'Both']),
      interpret.measured('range', 'Supination stated', '°', [70, 90], {
        half: 10,
        from: 0,
        to: 120,
      }),
      interpret.done('active', 'Compares passive with active'),
    ],
    faults: [
      ['Elbow straight', 'elbow'],
      ['Upper arm rolls', 'upper-arm'],
      ['Twists the hand', 'grip'],
      ['Jerks', 'slow'],
      ['No end feel', 'end-feel'],
    ],
    cautions: ['A recent fracture or dislocation is not twisted.'],
    stopRule: 'Stop at sharp pain, a block, or the word stop.',
    patient: { condition: 'stiff-elbow', side: 'left' },
  },
);

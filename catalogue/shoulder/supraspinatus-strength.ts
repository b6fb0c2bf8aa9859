import { ARM_OUT_OF_REACH } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, easesOff, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { moves, push, own, decides, figure } from '../figures.ts';
import { memory } from '../worth.ts';

/** A resisted lift in the plane of the blade, thumb down or up. */
export const supraspinatusStrength = defineProcedure(
  {
    id: 'supraspinatus-strength',
    names: ['Empty can test', 'Jobe test', 'full can test'],
    title: 'Resisted lift in the plane of the blade',
    indication:
      'Weakness on reaching up after a pull or a fall, or in an older person with night pain.',
    region: 'shoulder',
    kind: 'strength',
    structures: ['supraspinatus', 'subacromial space'],
    patient: 'Sits, arm at 90 degrees, 30 to 45 in front, elbow straight.',
    examiner: 'In front, a hand just above each wrist.',
    steps: [
      'The person holds against a rising downward push, three to five seconds.',
      'Tell weakness from pain.',
    ],
    schools: [
      {
        key: 'thumb-down',
        label: 'Thumb down',
        description: 'The commonest form.',
        angles: 'turned in, thumb down',
      },
      {
        key: 'thumb-up',
        label: 'Thumb up',
        description: 'Hurts less, as accurate.',
        angles: 'turned out, thumb up',
        drawn: { pose: { arm: { shoulderRotation: -60 } } },
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 0,
          shoulderAbduction: 90,
          shoulderHorizontalAdduction: 40,
          shoulderRotation: 60,
          elbowFlexion: 0,
        },
      },
      {
        decides: decides('shoulderAbduction', 80, 90),
        hands: [moves('forearm', 0.85, 'outer')],
        forces: [push('forearm', 0.85, 'inner', 'outer'), own(push('upperArm', 0.5, 'outer'))],
        region: ['upperArm'],
        view: 'front',
      },
    ),
    loads: [
      { structure: 'supraspinatus', mode: 'contraction' },
      { structure: 'subacromial space', mode: 'contraction' },
    ],
    voids: ARM_OUT_OF_REACH,
    numbers: [
      {
        item: 'grade',
        healthy: 5,
        tolerance: 0,
        half: 1,
        by: [{ structure: 'supraspinatus', state: 'ruptured', values: [4, 4, 3] }],
      },
    ],
    findings: [
      yesNo('weak', 'States whether the arm is weak', ['weakness'], ['Strong', 'Weak']),
      yesNo('pain', 'States whether it hurts', ['pain'], ['Painless', 'Painful']),
    ],
    positive: 'Weakness or pain, said which.',
    negative: 'Strong, painless.',
    rules: [
      { when: 'Weak, painless', speaksFor: 'tear or nerve' },
      { when: 'Weak, painful', speaksFor: 'tendon' },
      { when: 'Pain without weakness', speaksFor: 'subacromial tissue' },
    ],
    confounders: ['A trunk that leans'],
    doesNotProve: 'One muscle: it biases, it isolates nothing.',
    worth: [
      memory('full can, weakness', 0.77, 0.74, 'Itoi 1999'),
      memory('empty can, weakness', 0.77, 0.68, 'Itoi 1999'),
    ],
    followUp: ['infraspinatus-er-side', 'hawkins-kennedy'],
    contraindications: ['Acute tear', 'Cuff repair of the last 12 weeks'],
  },
  {
    task: 'Test the lift in the plane of the blade and tell weakness from pain.',
    items: [
      prepare.asked(
        'screens',
        'Asks about tear or repair',
        flagged('A repaired cuff is not loaded.'),
      ),
      position.measured('elevation', 'Arm elevation', '°', [80, 90], { half: 10 }),
      position.measured('plane', 'Degrees in front of the side plane', '°', [30, 45], { half: 10 }),
      position.done('thumb', 'Sets the thumb as declared'),
      position.done('straight', 'Has the elbow straight'),
      perform.done('wrist', 'Loads just above the wrist'),
      easesOff('Ramps the load without a jerk'),
      perform.done('trunk', 'Keeps the trunk from leaning'),
      interpret.measured('grade', 'Strength stated, 0 to 5', 'of 5', [5, 5], {
        half: 1,
        from: 0,
        to: 5,
      }),
    ],
    faults: [
      ['Thumb wrong', 'thumb'],
      ['Wrong plane', 'plane'],
      ['Elbow bent', 'straight'],
      ['Lean unseen', 'trunk'],
    ],
    cautions: ['Giving way: stop.'],
    stopRule: 'Stop at giving way, sharp pain, or the word stop.',
    patient: { condition: 'supraspinatus-tear', side: 'right' },
  },
);

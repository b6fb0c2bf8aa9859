import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, push, own, decides, figure } from '../figures.ts';
import { agreed } from '../worth.ts';

/** Elbow bending graded from 0 to 5. */
export const elbowFlexionMmt = defineProcedure(
  {
    id: 'elbow-flexion-mmt',
    names: ['Manual muscle test of the elbow flexors', 'biceps strength'],
    title: 'Grading elbow bending from 0 to 5',
    indication: 'Weak lifting, after a pop in front of the elbow or with neck symptoms.',
    region: 'elbow',
    kind: 'strength',
    structures: ['elbow flexors'],
    patient: 'Sits, arm at the side; arm supported at shoulder height for grades below 3.',
    examiner: 'Beside the arm; behind it for grade 2.',
    steps: [
      'Set and name the forearm position.',
      'Full bend against gravity: grade 3.',
      'Hold at 90 against moderate, then maximal resistance.',
      'Below 3: arm level; feel the tendon in the fold.',
    ],
    schools: [
      {
        key: 'palm-up',
        label: 'Palm up',
        description: 'Biceps: the common form.',
        angles: 'palm up',
      },
      {
        key: 'thumb-up',
        label: 'Thumb up',
        description: 'Brachioradialis, on the thumb side.',
        angles: 'forearm midway',
        hands: 'on the thumb side',
        drawn: {
          pose: { arm: { forearmPronation: 0 } },
          from: { arm: { forearmPronation: 0 } },
          hands: [holds('upperArm', 0.85, 'back'), moves('forearm', 0.88, 'front')],
          forces: [own(push('forearm', 0.9, 'front'))],
        },
      },
      {
        key: 'palm-down',
        label: 'Palm down',
        description: 'Brachialis, deep to the biceps.',
        angles: 'palm down',
        hands: 'on the back of the forearm',
        drawn: {
          pose: { arm: { forearmPronation: 80 } },
          from: { arm: { forearmPronation: 80 } },
          hands: [holds('upperArm', 0.85, 'back'), moves('forearm', 0.88, 'outer')],
          forces: [own(push('forearm', 0.9, 'outer'))],
        },
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: { shoulderFlexion: 0, shoulderAbduction: 6, elbowFlexion: 90, forearmPronation: -80 },
      },
      {
        from: {
          arm: { shoulderFlexion: 0, shoulderAbduction: 6, elbowFlexion: 5, forearmPronation: -80 },
        },
        decides: decides('elbowFlexion', 80, 110),
        hands: [holds('upperArm', 0.85, 'back'), moves('forearm', 0.88, 'inner')],
        forces: [own(push('forearm', 0.9, 'inner'))],
        region: ['upperArm'],
      },
    ),
    loads: [{ structure: 'elbow flexors', mode: 'contraction' }],
    findings: [
      yesNo(
        'weak',
        'States whether it is weaker than the other side',
        ['weakness'],
        ['Equal, grade 5', 'Weaker'],
      ),
    ],
    positive: 'Under grade 5 or clearly weaker than the other side; pain said apart.',
    negative: 'Grade 5, alike, painless.',
    rules: [
      { when: 'Grades 1 and 0', speaksFor: 'only a palpating hand tells them apart' },
      { when: 'Weak without pain', speaksFor: 'nerve or full tear' },
      { when: 'Strong with pain', speaksFor: 'small tendon lesion' },
      { when: 'Weak with pain', speaksFor: 'large tear or fracture' },
    ],
    confounders: ['A wrist that curls', 'A trunk that swings'],
    doesNotProve: 'Which of three muscles fails, unless three positions are tested.',
    worth: [agreed(0.8, 'Florence 1992, weighted, one tester, lower end of the grades')],
    followUp: ['elbow-extension-mmt'],
    contraindications: [
      'Suspected tear of the lower biceps: look and hook the tendon first',
      'Recent repair',
      'Fracture',
    ],
    measurements: [
      {
        what: 'strength',
        landmarks: 'lower forearm',
        unit: 'grade',
        instrument: 'hand',
        normal: '5',
        tolerance: '1',
      },
    ],
  },
  {
    task: 'Grade elbow bending from 0 to 5.',
    items: [
      prepare.asked(
        'screen',
        'Asks about tendon tear, repair or fracture',
        flagged('A torn tendon is not loaded.'),
      ),
      position.done('forearm', 'Sets the forearm position, named aloud'),
      position.graded('fits', 'Positions the arm for the grade', ['Wrong', 'Unsupported', 'Fits']),
      position.measured('angle', 'Elbow angle during the hold', '°', [80, 110], { half: 10 }),
      perform.done('three-first', 'Tests grade 3 before adding load'),
      perform.done('off-biceps', 'Steadies the upper arm, off the biceps'),
      perform.done(
        'ramp',
        'Builds resistance over a second',
        flagged('A jerk can tear a weak tendon.'),
      ),
      perform.done('same-point', 'Resists at one point of the lower forearm'),
      perform.done('tricks', 'Stops a wrist curl or a trunk swing'),
      interpret.done('feels', 'Says that grades 0 to 1 need a finger on the muscle'),
      interpret.graded('grade', 'States the grade with its criterion', [
        'None',
        'Grade only',
        'With criterion',
      ]),
    ],
    faults: [
      ['Starts with resistance', 'three-first'],
      ['Forearm not set', 'forearm'],
      ['Presses on the biceps', 'off-biceps'],
      ['Resists over the hand', 'same-point'],
      ['Trunk swings', 'tricks'],
      ['Jerks', 'ramp'],
    ],
    cautions: ['A bunched biceps is looked at, not loaded.'],
    stopRule: 'Stop at a snap, sharp pain, or the word stop.',
    patient: { condition: 'elbow-flexor-weakness', side: 'left' },
  },
);

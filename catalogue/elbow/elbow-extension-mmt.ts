import { SHOULDER_WOULD_SLIP } from '../contraindicated.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, push, own, decides, figure } from '../figures.ts';
import { agreed } from '../worth.ts';

/** Elbow straightening graded from 0 to 5. */
export const elbowExtensionMmt = defineProcedure(
  {
    id: 'elbow-extension-mmt',
    names: ['Manual muscle test of the elbow extensors', 'triceps strength'],
    title: 'Grading elbow straightening from 0 to 5',
    indication: 'Weak pushing, after a pop behind the elbow or with neck symptoms.',
    region: 'elbow',
    kind: 'strength',
    structures: ['elbow extensors'],
    patient:
      'Lies, shoulder at 90, elbow bent for grades 3 to 5; sits with the arm supported level for less.',
    examiner: 'Beside the arm; behind it for grade 2.',
    steps: [
      'Move the elbow once passively.',
      'Full range against gravity: grade 3.',
      'Then moderate, then maximal resistance at one point above the wrist, three to five seconds.',
      'Not full: support the arm level; else feel the muscle.',
    ],
    schools: [
      {
        key: 'break',
        label: 'Break test',
        description: 'Held 10 to 20 short of straight.',
        drawn: { from: { arm: { elbowFlexion: 15 } } },
        hold: '3 to 5 s',
      },
      {
        key: 'through-range',
        label: 'Through the range',
        description: 'Resisted all the way.',
        hold: 'none: resisted on the way',
        drawn: {},
      },
      {
        key: 'prone',
        label: 'Face down, arm over the edge',
        description: 'Equally common set-up against gravity.',
        positions: 'prone',
        drawn: {
          position: 'prone',
          pose: { arm: { shoulderFlexion: 0, shoulderAbduction: 90 } },
          from: { arm: { shoulderFlexion: 0, shoulderAbduction: 90, elbowFlexion: 90 } },
        },
      },
    ],
    figure: figure(
      'supine',
      { arm: { shoulderFlexion: 90, elbowFlexion: 15 } },
      {
        from: { arm: { shoulderFlexion: 90, elbowFlexion: 125 } },
        decides: decides('elbowFlexion', 10, 20),
        hands: [holds('upperArm', 0.8, 'front'), moves('forearm', 0.88, 'back')],
        forces: [own(push('forearm', 0.9, 'back'))],
        region: ['upperArm'],
      },
    ),
    loads: [{ structure: 'elbow extensors', mode: 'contraction' }],
    refrains: SHOULDER_WOULD_SLIP,
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
    ],
    confounders: ['Near the vertical gravity loads nothing', 'A longer lever asks half the force'],
    doesNotProve: 'Root or nerve.',
    worth: [agreed(0.8, 'Florence 1992, weighted, one tester, lower end of the grades')],
    followUp: ['elbow-flexion-mmt'],
    contraindications: ['Tendon repair', 'Fracture', 'Unstable shoulder'],
    measurements: [
      {
        what: 'strength',
        landmarks: 'just above the wrist',
        unit: 'grade',
        instrument: 'hand',
        normal: '5',
        tolerance: '1',
      },
    ],
  },
  {
    task: 'Grade elbow straightening from 0 to 5.',
    items: [
      prepare.asked(
        'screen',
        'Asks about tendon repair, fracture or a loose shoulder',
        flagged('A repaired tendon can tear.'),
      ),
      prepare.done('passive', 'Moves the elbow passively before loading'),
      position.graded('fits', 'Positions the arm for the grade', ['Wrong', 'Unsupported', 'Fits']),
      position.measured('angle', 'Degrees short of straight during the hold', '°', [10, 20], {
        half: 10,
        from: 0,
        to: 140,
      }),
      perform.done('three-first', 'Tests grade 3 before adding load'),
      perform.done('off-belly', 'Steadies above the elbow, off the muscle'),
      perform.done(
        'ramp',
        'Builds resistance over a second',
        flagged('A jerk can tear a weak tendon.'),
      ),
      perform.done('same-point', 'Resists at one point above the wrist for both grades'),
      interpret.done('feels', 'Says that grades 0 to 1 need a finger on the muscle'),
      interpret.graded('grade', 'States the grade with its criterion', [
        'None',
        'Grade only',
        'With criterion',
      ]),
      interpret.done('pain', 'Reports pain apart from strength'),
    ],
    faults: [
      ['Starts with resistance', 'three-first'],
      ['Elbow locked', 'angle'],
      ['Presses on the muscle', 'off-belly'],
      ['Jerks', 'ramp'],
      ['Lever changed between grades', 'same-point'],
      ['Pain graded as weakness', 'pain'],
    ],
    cautions: ['No breath holding.'],
    stopRule: 'Stop at a snap, sharp pain, or the word stop.',
    patient: { condition: 'triceps-tear', side: 'right' },
  },
);

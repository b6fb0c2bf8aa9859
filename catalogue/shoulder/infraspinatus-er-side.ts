import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { moves, push, own, decides, figure, holds } from '../figures.ts';
import { PAINFUL_SIDE_ONLY } from '../schools.ts';
import { memory } from '../worth.ts';

/** Elbows at the ribs: motion first, then resistance outwards. */
export const infraspinatusErSide = defineProcedure(
  {
    id: 'infraspinatus-er-side',
    names: ['External rotation strength at the side', 'infraspinatus test'],
    title: 'Elbow at the ribs: turned out freely, then against resistance',
    indication: 'Weak or painful outward turn, or a range to be told from a stiff capsule.',
    region: 'shoulder',
    kind: 'strength',
    structures: ['infraspinatus', 'shoulder capsule'],
    patient: 'Sits, elbows at 90 degrees at the sides.',
    examiner: 'In front, hands on the outer sides of the lower forearms.',
    steps: [
      'Turn out actively, both arms.',
      'Where it falls short, passively.',
      'Back to straight ahead, press out three to five seconds.',
    ],
    schools: [
      {
        key: 'static',
        label: 'From straight ahead',
        description: 'Held at neutral.',
        criterion: 'weak or painful from neutral',
      },
      {
        key: 'lag',
        label: 'Lag',
        description: 'Placed out, the person holds.',
        angles: 'placed turned out',
        drawn: {
          pose: { arm: { shoulderRotation: -75 } },
          from: { arm: { shoulderRotation: -75 } },
          hands: [holds('upperArm', 0.9, 'outer')],
          forces: [own(push('forearm', 0.85, 'outer'))],
        },
        criterion: 'the arm drops back',
      },
      PAINFUL_SIDE_ONLY,
    ],
    figure: figure(
      'sitting',
      {
        arm: { shoulderFlexion: 0, shoulderAbduction: 4, shoulderRotation: -45, elbowFlexion: 90 },
      },
      {
        from: { arm: { shoulderFlexion: 0, shoulderAbduction: 4, elbowFlexion: 90 } },
        decides: decides('shoulderRotation', -90, -45),
        hands: [moves('forearm', 0.85, 'outer')],
        forces: [own(push('forearm', 0.85, 'outer'))],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [
      { structure: 'infraspinatus', mode: 'contraction' },
      { structure: 'shoulder capsule', mode: 'motion' },
    ],
    numbers: [
      {
        item: 'grade',
        healthy: 5,
        tolerance: 0,
        half: 1,
        by: [{ structure: 'infraspinatus', state: 'ruptured', values: [4, 3, 2] }],
      },
      {
        item: 'range',
        healthy: 60,
        tolerance: 5,
        half: 10,
        by: [
          { structure: 'infraspinatus', state: 'ruptured', values: [50, 35, 15] },
          { structure: 'shoulder capsule', state: 'stiff', values: [45, 30, 10] },
        ],
      },
    ],
    findings: [
      yesNo('weak', 'States whether it is weak', ['weakness'], ['Strong', 'Weak']),
      yesNo('stiff', 'States whether the passive range is lost', ['stiffness'], ['Full', 'Lost']),
    ],
    positive:
      'Weakness, pain, or a lag: placed at the end of outward turn less 5 degrees, the arm falls back by 5 or more.',
    negative: '45 to 90 degrees, sides alike, strong.',
    rules: [
      { when: 'Passive range lost', speaksFor: 'stiff capsule' },
      { when: 'Passive full, active short', speaksFor: 'tear or nerve' },
    ],
    confounders: [
      'An elbow that drifts',
      'Pain',
      'The lag form needs slight lift (20 degrees) and a start 5 short of the end, or every arm springs back',
    ],
    doesNotProve: 'A tear where it hurts: try a painless angle.',
    worth: [
      memory('impingement of any degree', 0.42, 0.9, 'Park 2005'),
      memory('full tear', 0.51, 0.84, 'Park 2005'),
    ],
    followUp: ['er90-strength', 'tape-er0'],
    contraindications: ['Cuff repair', 'Anterior repair with a limit'],
  },
  {
    task: 'Test outward turn at the side, motion before strength.',
    items: [
      prepare.asked('screens', 'Asks about repairs', flagged('A repair has a limit of rotation.')),
      position.measured('elbow', 'Elbow angle', '°', [80, 100], { half: 10 }),
      perform.done('active-first', 'Has both arms turn out actively before resistance'),
      perform.measured('range', 'Active outward rotation read', '°', [45, 90], {
        full: 5,
        half: 10,
      }),
      perform.done('passive', 'Takes the short arm passively to its end'),
      perform.done('start', 'Starts resistance with the forearm straight ahead'),
      perform.done('forearm', 'Resists at the lower forearm'),
      perform.done('ribs', 'Keeps the elbow at the ribs'),
      interpret.measured('grade', 'Strength stated, 0 to 5', 'of 5', [5, 5], {
        half: 1,
        from: 0,
        to: 5,
      }),
    ],
    faults: [
      ['Elbow drifts', 'ribs'],
      ['No active range first', 'active-first'],
      ['Resists at the hand', 'forearm'],
      ['Start not straight', 'start'],
    ],
    cautions: ['Fear: stop.'],
    stopRule: 'Stop at fear, sharp pain, or the word stop.',
    patient: { condition: 'posterior-cuff-tear', side: 'left' },
  },
);

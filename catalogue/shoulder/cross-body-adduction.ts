import { ARM_OUT_OF_REACH } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, decides, figure } from '../figures.ts';
import { memory } from '../worth.ts';

/** The raised arm guided across the chest on a steadied shoulder. */
export const crossBodyAdduction = defineProcedure(
  {
    id: 'cross-body-adduction',
    names: ['Cross-body adduction test', 'scarf test'],
    title: 'Raised arm guided across the chest on a steadied shoulder',
    indication: 'Pain on top of the shoulder, or a shoulder that does not cross the body.',
    region: 'shoulder',
    kind: 'provocation',
    structures: ['acromioclavicular joint', 'posterior shoulder capsule'],
    patient: 'Sits upright, arm at 90 degrees in front, elbow bent.',
    examiner: 'In front or at the side; a hand on top of the shoulder, one under the elbow.',
    steps: [
      'Lift to 90, guide across the chest slowly.',
      'Light pressure only where the end was painless.',
      'Ask where it hurts.',
    ],
    schools: [
      { key: 'passive', label: 'Passive', description: 'Elbow bent, girdle steadied.' },
      {
        key: 'straight',
        label: 'Straight elbow',
        description: 'The whole arm as lever.',
        angles: 'elbow straight',
        drawn: {
          pose: { arm: { elbowFlexion: 5 } },
          from: { arm: { elbowFlexion: 5 } },
          hands: [holds('trunk', 0.98, 'outer'), moves('forearm', 0.85, 'outer')],
        },
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 0,
          shoulderAbduction: 90,
          shoulderHorizontalAdduction: 120,
          elbowFlexion: 80,
        },
      },
      {
        from: {
          arm: {
            shoulderFlexion: 0,
            shoulderAbduction: 90,
            shoulderHorizontalAdduction: 90,
            elbowFlexion: 80,
          },
        },
        decides: decides('shoulderHorizontalAdduction', 100, 130),
        hands: [holds('trunk', 0.98, 'outer'), moves('upperArm', 0.9, 'outer')],
        forces: [],
        region: ['upperArm'],
      },
    ),
    loads: [
      { structure: 'acromioclavicular joint', mode: 'compression' },
      { structure: 'posterior shoulder capsule', mode: 'stretch' },
    ],
    voids: ARM_OUT_OF_REACH,
    findings: [
      yesNo('pain', 'States whether the top of the shoulder hurts', ['pain'], ['No', 'Top hurts']),
      yesNo('stiff', 'States whether the back is tight', ['stiffness'], ['Free', 'Tight']),
    ],
    positive: 'Familiar pain on top of the shoulder.',
    negative: 'Full and painless.',
    rules: [
      { when: 'Top', speaksFor: 'acromioclavicular joint' },
      { when: 'Stretch at the back', speaksFor: 'posterior capsule or cuff' },
      { when: 'Outer side', speaksFor: 'subacromial tissue' },
    ],
    confounders: ['Large muscles or breast'],
    doesNotProve: 'Impingement.',
    worth: [
      memory('old joint lesion', 0.77, 0.79, 'Chronopoulos 2004'),
      memory('impingement', 0.23, 0.82, 'Park 2005'),
    ],
    followUp: ['cross-body-self', 'tape-horizontal-adduction'],
    contraindications: ['Injury of the collarbone', 'Posterior instability'],
  },
  {
    task: 'Perform the cross-body test and read the site of pain.',
    items: [
      prepare.asked(
        'screens',
        'Asks about posterior instability',
        flagged('The arm bone can slip out backwards.'),
      ),
      position.measured('flexion', 'Arm elevation in front', '°', [80, 100], { half: 10 }),
      position.done('top', 'Lays a hand on top of the same shoulder'),
      perform.measured('seconds', 'Seconds across', 's', [2, 3], { half: 1, from: 0, to: 15 }),
      perform.done(
        'over-pressure',
        'Adds pressure only at a painless end',
        flagged('Pressure on a painful joint injures.'),
      ),
      perform.done('square', 'Keeps the trunk square'),
      interpret.done('asks-site', 'Asks for the site of pain'),
      interpret.graded('branch', 'Tells pain on top from pull at the back', [
        'Not',
        'In part',
        'Right',
      ]),
      interpret.done('next', 'Names a confirming test'),
    ],
    faults: [
      ['Arm too low', 'flexion'],
      ['Shoulder not steadied', 'top'],
      ['Trunk turns', 'square'],
      ['Site not asked', 'asks-site'],
    ],
    cautions: ['A clunk backwards: stop.'],
    stopRule: 'Stop at sharp pain on top, a clunk, or the word stop.',
    patient: { condition: 'ac-joint-pain', side: 'left' },
  },
);

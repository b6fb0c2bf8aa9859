import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret } from '../items.ts';
import { yesNo } from '../findings.ts';
import { tape, holds, decides, figure } from '../figures.ts';

/** The gap from the neck bone to the thumb behind the back, by tape. */
export const tapeHandBehindBack = defineProcedure(
  {
    id: 'tape-hand-behind-back',
    names: ['Tape: hand behind back'],
    title: 'Gap from the neck bone to the thumb behind the back',
    indication: 'A stiff shoulder whose reach behind is followed over weeks.',
    region: 'shoulder',
    kind: 'rom',
    structures: ['shoulder capsule'],
    patient: 'Stands, back bare, thumb up the spine.',
    examiner: 'Behind.',
    steps: [
      'Mark the most prominent bone at the base of the neck.',
      'Tape straight to the tip of the thumb, two readings.',
      'Same bone for both sides and all visits.',
    ],
    schools: [
      {
        key: 'thumb',
        label: 'To the thumb tip',
        description: 'The quick form.',
        means: 'tape to the thumb tip',
      },
      {
        key: 'styloid',
        label: 'To the wrist',
        description: 'Free of the posture of the thumb.',
        means: 'tape to the wrist',
      },
    ],
    figure: figure(
      'standing',
      {
        arm: {
          shoulderFlexion: -35,
          shoulderAbduction: 15,
          shoulderRotation: 80,
          elbowFlexion: 110,
        },
      },
      {
        decides: decides('elbowFlexion', 80, 140),
        hands: [holds('trunk', 0.98, 'back')],
        forces: [],
        props: [tape(['trunk', 0.98, 'back'], ['hand', 0.5, 'front'])],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [
      { structure: 'shoulder capsule', mode: 'motion' },
      { structure: 'posterior shoulder capsule', mode: 'stretch' },
    ],
    numbers: [
      {
        item: 'gap-read',
        healthy: 12,
        tolerance: 1.5,
        half: 3,
        by: [
          { structure: 'shoulder capsule', state: 'stiff', values: [20, 30, 45] },
          { structure: 'posterior shoulder capsule', state: 'tight', values: [16, 20, 26] },
        ],
      },
    ],
    findings: [
      yesNo('gap', 'States the side difference', ['stiffness'], ['Under 5 cm', '5 cm or more']),
    ],
    positive: 'Five centimetres more than the other side (common practice, no source).',
    negative: 'Within five, painless.',
    confounders: [
      'A trunk that leans',
      'A stiff elbow',
      'The most prominent spine is the seventh neck vertebra in 75 of 100 people, the first chest one in 25 (from memory)',
    ],
    doesNotProve: 'Which tissue: it is a global reach.',
    followUp: ['tape-er0'],
    contraindications: ['Limits after a repair'],
    measurements: [
      {
        what: 'neck to thumb',
        landmarks: 'most prominent spinous process, thumb tip',
        unit: 'cm',
        instrument: 'tape',
        normal: 'sides within 5',
        tolerance: '1.5',
      },
    ],
  },
  {
    task: 'Measure the reach behind the back by tape.',
    items: [
      prepare.asked('screens', 'Asks about limits after repair'),
      position.done('marks', 'Marks the most prominent bone'),
      position.done('neck', 'Has the neck neutral'),
      position.done('upright', 'Has the trunk upright'),
      perform.done('straight', 'Draws the tape straight to the thumb'),
      perform.measured('gap-read', 'Gap read', 'cm', [5, 40], {
        full: 1.5,
        half: 3,
        step: 0.5,
        to: 80,
      }),
      perform.done('second', 'Takes a second reading'),
      interpret.done('better', 'Says that smaller is better'),
      interpret.graded('noise', 'Compares a change with its noise', ['Not', 'In part', 'Compared']),
    ],
    faults: [
      ['Another bone', 'marks'],
      ['Neck bent', 'neck'],
      ['Tape slack', 'straight'],
      ['One reading', 'second'],
    ],
    cautions: ['Sharp pain: stop.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'frozen-shoulder', side: 'right' },
  },
);

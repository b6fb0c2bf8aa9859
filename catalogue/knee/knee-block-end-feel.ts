import { defineProcedure } from '../define.ts';
import { prepare, perform, interpret, feltSlack, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, decides, figure, KNEE_REGION } from '../figures.ts';
import { KNEE_CAUTION } from './shared.ts';

/** Slow passive bending and straightening to feel how the knee stops. */
export const kneeBlockEndFeel = defineProcedure(
  {
    id: 'knee-block-end-feel',
    names: ['Springy block', 'passive range with end feel'],
    title: 'Slow passive bending and straightening to feel how the knee stops',
    indication: 'A knee that locks or is short at either end.',
    region: 'knee',
    kind: 'rom',
    structures: ['medial meniscus', 'lateral meniscus', 'knee capsule'],
    patient: 'Lies on the back, muscles slack.',
    examiner: 'Beside the knee, one hand above it, the other at the heel.',
    steps: [
      'Bend fully, slowly, with one gentle press at the end.',
      'Straighten fully in the same way.',
      'Read both ends with the goniometer and compare.',
    ],
    schools: [
      {
        key: 'range-check',
        label: 'As a range check',
        description: 'Both ends felt and measured apart from other tests.',
      },
    ],
    figure: figure(
      'supine',
      { leg: { hipFlexion: 70, kneeFlexion: 135 } },
      {
        from: { leg: {} },
        decides: decides('kneeFlexion', 135, 150),
        hands: [holds('thigh', 0.85, 'front'), moves('shank', 0.92, 'front')],
        region: KNEE_REGION,
      },
    ),
    loads: [
      { structure: 'medial meniscus', mode: 'motion' },
      { structure: 'lateral meniscus', mode: 'motion' },
      { structure: 'knee capsule', mode: 'motion' },
      { structure: 'knee joint', mode: 'motion' },
    ],
    numbers: [
      {
        item: 'flexion',
        healthy: 140,
        tolerance: 5,
        half: 10,
        by: [
          { structure: 'knee capsule', state: 'stiff', values: [130, 115, 95] },
          { structure: 'knee joint', state: 'effused', values: [135, 115, 85] },
          { structure: 'medial meniscus', state: 'split', values: [140, 130, 120] },
          { structure: 'lateral meniscus', state: 'split', values: [140, 130, 120] },
        ],
      },
    ],
    findings: [
      yesNo('springy', 'States whether the end is springy', ['block'], ['Not springy', 'Springy']),
      yesNo(
        'limited',
        'States whether the range is limited',
        ['stiffness', 'block'],
        ['Full', 'Limited'],
      ),
    ],
    positive:
      'A springy or blocked end short of the other side; with true locking in the history it fits a displaced tear.',
    negative: 'Soft end on bending, firm end on straightening, equal range.',
    confounders: ['Tense effusion', 'Hamstring spasm', 'Swelling behind the knee', 'Arthritis'],
    doesNotProve: 'A torn meniscus.',
    measurements: [
      {
        what: 'knee flexion, extension',
        landmarks: 'great trochanter, lateral epicondyle, lateral malleolus',
        unit: '°',
        instrument: 'goniometer',
        normal: '135 to 150 of flexion, 0 to 10 beyond straight',
        tolerance: '5',
      },
    ],
    followUp: ['bounce-home-extension', 'joint-line-tenderness'],
    contraindications: ['A truly locked knee is never forced.'],
  },
  {
    task: 'Test the end feel of the knee in bending and straightening, and measure any deficit.',
    items: [
      prepare.asked('locking', 'Asks about locking'),
      feltSlack('thigh muscles'),
      perform.graded('knee-moves', 'Moves the knee while the thigh is steadied', [
        'Whole leg carried',
        'Thigh drifts',
        'Knee alone moves',
      ]),
      perform.measured('flexion', 'Knee flexion read at the end', '°', [135, 150], {
        half: 5,
        from: 0,
        to: 160,
      }),
      perform.done(
        'slow-press',
        'Builds the press at each end over a second',
        flagged('A jerk on a blocked knee injures it.'),
      ),
      perform.graded('measures', 'Measures both ends', [
        'Neither',
        'One end, or a guess',
        'Both with the goniometer',
      ]),
      interpret.done('not-forced', 'Says that a block is not forced but referred'),
    ],
    faults: [
      ['Jerks at the end', 'slow-press'],
      ['Whole leg carried', 'knee-moves'],
      ['No figure given', 'measures'],
      ['Other knee left out', 'both-sides'],
    ],
    cautions: ['A truly locked knee is referred, not forced.', KNEE_CAUTION],
    stopRule: 'Stop at a hard block, sharp pain, or the word stop.',
    patient: { condition: 'medial-meniscus-tear', side: 'right' },
  },
);

import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, feltSlack } from '../items.ts';
import { feels, figure, KNEE_REGION } from '../figures.ts';

/** The angle between pelvis, kneecap and shin bump, on three marks. */
export const quadricepsAngle = defineProcedure(
  {
    id: 'quadriceps-angle',
    names: ['Q angle', 'quadriceps angle'],
    title: 'Angle between front of the pelvis, kneecap and shin bump',
    indication: 'A kneecap that slips or hurts, as one number among several.',
    region: 'knee',
    kind: 'rom',
    structures: ['kneecap surfaces'],
    patient: 'Lies on the back, knee straight, toes up, thigh muscles slack; or stands.',
    examiner: 'In front or at the side.',
    steps: [
      'Mark front of the pelvis, centre of the kneecap, centre of the shin bump.',
      'Fulcrum on the kneecap, lower arm to the bump, upper arm to the pelvis.',
      'Read the small angle, two or three times, and average.',
    ],
    schools: [
      { key: 'supine', label: 'Lying', description: 'Relaxed, the commoner posture.' },
      {
        key: 'standing',
        label: 'Standing',
        description: 'Feet at shoulder width; values differ from lying.',
        positions: 'standing',
        drawn: { position: 'standing', view: 'front' },
      },
    ],
    figure: figure(
      'supine',
      {},
      { hands: [feels('shank', 0.06, 'front')], region: KNEE_REGION, view: 'above' },
    ),
    loads: [{ structure: 'pull of the quadriceps', mode: 'look' }],
    numbers: [
      {
        item: 'angle',
        healthy: 14,
        tolerance: 3,
        half: 5,
        by: [{ structure: 'pull of the quadriceps', state: 'misaligned', values: [19, 23, 27] }],
      },
    ],
    findings: [
      {
        key: 'class',
        text: 'States the class for this posture',
        options: [
          { key: 'normal', label: 'Normal', call: 0 },
          { key: 'high', label: 'High', call: 1 },
        ],
        reading: {
          kind: 'site',
          signs: ['deviation'],
          sites: [{ option: 'high', structures: ['pull of the quadriceps'] }],
          none: 'normal',
        },
      },
    ],
    positive: 'Nothing: a number, compared with the norm of sex and posture.',
    negative: 'About 13 degrees in men and 18 in women, lying.',
    confounders: ['A kneecap pushed off centre', 'A foot turned out', 'Working thigh muscle'],
    rules: [
      { when: 'High', speaksFor: 'knock-knee or a turned shin-bone' },
      { when: 'Low', speaksFor: 'a high-riding kneecap or softened cartilage' },
    ],
    doesNotProve: 'Anything by itself.',
    worth: [
      {
        of: 'agreement of examiners',
        text: 'ICC about .17 to .29',
        source: 'Greene 2001',
        sourceKind: 'from memory',
      },
    ],
    measurements: [
      {
        what: 'Q angle',
        landmarks: 'anterior superior iliac spine, centre of kneecap, centre of tuberosity',
        unit: '°',
        instrument: 'long-arm goniometer',
        normal:
          'men 13, women 18 (common practice); standing men 11.2 ± 3.0, women 15.8 ± 4.5 (Horton & Hall 1989, from memory)',
        tolerance: '5',
      },
    ],
    contraindications: [],
  },
  {
    task: 'Measure the quadriceps angle and say what it means.',
    items: [
      prepare.asked('drape', 'Explains the exposure of the pelvis'),
      position.asked('posture', 'Declares the posture'),
      position.graded('toes-up', 'Points the toes of the straight leg at the ceiling', [
        'Leg rolled',
        'Foot turned out or in',
        'Toes at the ceiling',
      ]),
      feltSlack('thigh muscles'),
      position.graded('marks', 'Marks three points before measuring', [
        'None',
        'One off',
        'All on the spot',
      ]),
      perform.graded('fulcrum', 'Lays the fulcrum on the kneecap', ['Off it', 'Near', 'On centre']),
      perform.graded('arms', 'Lays the arms through both marks', ['Neither', 'One', 'Both']),
      perform.done('square', 'Reads with the eye square to the dial'),
      perform.measured('angle', 'Angle read', '°', [10, 20], { half: 5, step: 1, from: 0, to: 40 }),
      interpret.done('alone', 'Says that the angle alone diagnoses nothing'),
    ],
    faults: [
      ['No marks', 'marks'],
      ['Foot turned out', 'toes-up'],
      ['Reads from the side', 'square'],
      ['Posture not said', 'posture'],
    ],
    cautions: ['Drape, explain, offer a chaperone.'],
    stopRule: 'Stop at the word stop.',
    patient: { condition: 'nothing-wrong', side: 'right' },
  },
);

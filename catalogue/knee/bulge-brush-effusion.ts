import { defineProcedure } from '../define.ts';
import { position, perform, interpret, feltSlack } from '../items.ts';
import { moves, push, figure, KNEE_REGION } from '../figures.ts';

/** Fluid stroked up the inner side, then sent back down the outer one. */
export const bulgeBrushEffusion = defineProcedure(
  {
    id: 'bulge-brush-effusion',
    names: ['Bulge sign', 'brush test', 'stroke test'],
    title: 'Stroking a little fluid up the inner side and back down the outer one',
    indication: 'A knee that feels full, with too little fluid to tap.',
    region: 'knee',
    kind: 'effusion',
    structures: ['knee joint'],
    patient: 'Lies on the back, knee straight and relaxed.',
    examiner: 'At the tested side, light falling from the side.',
    steps: [
      'Stroke upwards along the inner side from below the line to the pouch, two to four times.',
      'Stroke once downwards along the outer side.',
      'Watch the inner hollow for a wave.',
    ],
    schools: [
      {
        key: 'graded',
        label: 'Graded form',
        description: 'Two to four upward strokes, one downward stroke.',
        repetitions: '2 to 4 up, 1 down',
      },
      {
        key: 'push',
        label: 'Single stroke',
        description: 'One upward stroke, then a push from the outer side.',
        drawn: {
          hands: [moves('shank', 0, 'outer')],
          forces: [push('thigh', 0.9, 'above', 'inner'), push('shank', 0, 'inner', 'outer')],
        },
        repetitions: '1 up, 1 push',
      },
    ],
    figure: figure(
      'supine',
      {},
      {
        hands: [moves('shank', 0.0, 'inner')],
        forces: [push('thigh', 0.9, 'above', 'inner')],
        region: KNEE_REGION,
        closeUp: 'kneecap',
        view: 'above',
      },
    ),
    loads: [{ structure: 'knee joint', mode: 'fluid' }],
    findings: [
      {
        key: 'bulge-grade',
        text: 'States the grade of the wave',
        options: [
          { key: 'grade-0', label: 'Zero', call: 0 },
          { key: 'grade-1', label: 'Trace or 1+', call: 1 },
          { key: 'grade-2', label: '2+', call: 2 },
          { key: 'grade-3', label: '3+', call: 3 },
        ],
        reading: { kind: 'grade', sign: 'swelling' },
        partly: [],
      },
    ],
    positive:
      'A trace of a wave or more; an equal trace on both sides is reported, not called abnormal.',
    negative: 'No wave.',
    confounders: ['A large effusion that leaves no room for a wave', 'A fat pad'],
    doesNotProve: 'Damage inside the joint.',
    worth: [
      {
        of: 'agreement of examiners',
        kappa: 0.75,
        text: '73 % exact',
        source: 'Sturgill 2009',
        sourceKind: 'from memory',
      },
    ],
    followUp: ['patellar-ballottement'],
    contraindications: ['Suspected infection or fracture'],
  },
  {
    task: 'Test the knee for a small effusion and grade it.',
    items: [
      position.done('light', 'Has the light fall from the side'),
      position.measured('knee-angle', 'Knee flexion during the test', '°', [0, 5], {
        from: -15,
        to: 135,
      }),
      feltSlack('thigh muscles'),
      perform.graded('inner-up', 'Strokes up the inner side to the pouch', [
        'Wrong side',
        'Stops short',
        'Line to pouch',
      ]),
      perform.measured('strokes', 'Number of upward strokes', 'times', [2, 4], {
        half: 1,
        from: 0,
        to: 10,
      }),
      perform.graded('outer-down', 'Strokes down the outer side', [
        'Inner side',
        'Too short',
        'Pouch to line',
      ]),
      perform.done('watches', 'Watches the inner hollow'),
      interpret.done('large-hides', 'Says that a large effusion may show no wave'),
    ],
    faults: [
      ['Down-stroke on the inner side', 'outer-down'],
      ['One stroke only', 'strokes'],
      ['Eyes elsewhere', 'watches'],
      ['Knee bent', 'knee-angle'],
    ],
    cautions: ['Light hand on fragile skin; no stroking of the calf.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'knee-effusion-small', side: 'left' },
  },
);

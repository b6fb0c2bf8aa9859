import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret } from '../items.ts';
import { yesNo } from '../findings.ts';
import { push, own, decides, figure } from '../figures.ts';

/** The hand slid up a wall against a tape. */
export const tapeWallReach = defineProcedure(
  {
    id: 'tape-wall-reach',
    names: ['Tape: wall reach'],
    title: 'Hand slid up a wall against a tape',
    indication: 'A shoulder whose reach up a wall is followed over weeks.',
    region: 'shoulder',
    kind: 'rom',
    structures: ['shoulder capsule', 'supraspinatus'],
    patient: 'Faces the wall, toes of both feet touching it.',
    examiner: 'At the side, heels and trunk in view.',
    steps: [
      'Slide up as high as possible, heels down, hold a second or two.',
      'Read the tip of the longest finger.',
    ],
    schools: [
      {
        key: 'facing',
        label: 'Facing the wall',
        description: 'Elevation in front.',
        positions: 'facing the wall',
      },
      {
        key: 'side-on',
        label: 'Side on',
        description: 'Elevation at the side.',
        positions: 'side on to the wall',
        drawn: {
          afresh: true,
          pose: { arm: { shoulderAbduction: 165 } },
          from: {},
          decides: decides('shoulderAbduction', 150, 180),
          forces: [own(push('upperArm', 0.5, 'outer'))],
        },
      },
    ],
    figure: figure(
      'standing',
      { arm: { shoulderFlexion: 165, shoulderAbduction: 0 } },
      {
        from: { arm: {} },
        decides: decides('shoulderFlexion', 150, 180),
        hands: [],
        forces: [own(push('upperArm', 0.5, 'front'))],
        props: [{ kind: 'wall' }],
        region: ['upperArm'],
      },
    ),
    loads: [
      { structure: 'shoulder capsule', mode: 'motion' },
      { structure: 'supraspinatus', mode: 'contraction' },
    ],
    findings: [
      yesNo(
        'loss',
        'States the side difference',
        ['stiffness', 'weakness'],
        ['Under 5 cm', '5 cm or more'],
      ),
    ],
    positive: 'Five centimetres lower than the other side (common practice, no source).',
    negative: 'Within five.',
    confounders: ['Heels up', 'A trunk that leans'],
    doesNotProve: 'A joint angle: it is a height.',
    followUp: ['tape-overhead-pull'],
    contraindications: ['Limits after a repair'],
    measurements: [
      {
        what: 'reach',
        landmarks: 'floor, longest finger',
        unit: 'cm',
        instrument: 'wall tape',
        normal: 'sides within 5',
        tolerance: '1.5',
      },
    ],
  },
  {
    task: 'Measure the wall reach.',
    items: [
      prepare.asked('screens', 'Asks about limits after repair'),
      position.asked('zero', 'States the zero of the tape'),
      position.done('toes', 'Has the toes of both feet touch the wall'),
      perform.done('heels', 'Keeps the heels down'),
      perform.done('trunk', 'Keeps the trunk from leaning'),
      perform.measured('hold', 'Seconds of hold', 's', [1, 2], { half: 1, from: 0, to: 15 }),
      perform.done('pain', 'Asks for a pain score'),
      interpret.done('better', 'Says that larger is better'),
    ],
    faults: [
      ['Heels up', 'heels'],
      ['Toes away', 'toes'],
      ['Trunk leans', 'trunk'],
      ['Counts a bounce', 'hold'],
    ],
    cautions: ['Sharp pain: stop.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'supraspinatus-tear', side: 'left' },
  },
);

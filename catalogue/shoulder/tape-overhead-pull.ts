import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret } from '../items.ts';
import { yesNo } from '../findings.ts';
import { push, own, decides, figure } from '../figures.ts';

/** A tape raised on an upright pole as high as it goes. */
export const tapeOverheadPull = defineProcedure(
  {
    id: 'tape-overhead-pull',
    names: ['Tape: overhead pull'],
    title: 'Tape raised on an upright pole',
    indication: 'A shoulder whose active reach overhead is followed over weeks.',
    region: 'shoulder',
    kind: 'function',
    structures: ['shoulder capsule', 'supraspinatus'],
    patient: 'Stands beside the pole, any path of the arm.',
    examiner: 'In front, watching the trunk.',
    steps: [
      'Lift as high as possible, three tries with the same words.',
      'Best or mean of three, as declared.',
    ],
    schools: [
      {
        key: 'best',
        label: 'Best of three',
        description: 'The usual score.',
        criterion: 'best of three',
      },
      {
        key: 'mean',
        label: 'Mean of three',
        description: 'Steadier than the best.',
        criterion: 'mean of three',
      },
    ],
    figure: figure(
      'standing',
      { arm: { shoulderFlexion: 160, shoulderAbduction: 0 } },
      {
        from: { arm: {} },
        decides: decides('shoulderFlexion', 140, 180),
        hands: [],
        forces: [own(push('upperArm', 0.5, 'front'))],
        props: [{ kind: 'pole' }],
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
    positive: 'Five centimetres less than the other side (common practice, no source).',
    negative: 'Within five.',
    confounders: ['Effort', 'Warming up', 'Practice'],
    doesNotProve: 'A change: a better score just after treatment mixes much.',
    followUp: ['tape-wall-reach'],
    contraindications: ['Limits after a repair', 'Risk of falls'],
    measurements: [
      {
        what: 'rise of the tape',
        landmarks: 'pole',
        unit: 'cm',
        instrument: 'pole with tape',
        normal: 'sides within 5',
        tolerance: '2',
      },
    ],
  },
  {
    task: 'Measure the overhead pull.',
    items: [
      prepare.asked('screens', 'Asks about limits after repair'),
      position.done('pole', 'Sets the pole so that it stands without a hand'),
      position.done('feet', 'Has the feet flat'),
      perform.done('words', 'Uses the same words each try'),
      perform.done('trunk', 'Keeps the trunk from turning'),
      perform.asked('declares', 'Declares best or mean of three'),
      perform.measured('tries', 'Number of tries', 'times', [3, 3], { half: 1, from: 0, to: 10 }),
      interpret.done('better', 'Says that larger is better'),
    ],
    faults: [
      ['Trunk turns', 'trunk'],
      ['Heels rise', 'feet'],
      ['Pole shifts', 'pole'],
      ['Unequal tries', 'tries'],
    ],
    cautions: ['Sharp pain: stop.'],
    stopRule: 'Stop at sharp pain, unsteadiness, or the word stop.',
    patient: { condition: 'frozen-shoulder', side: 'right' },
  },
);

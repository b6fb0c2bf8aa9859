import { ARM_OUT_OF_REACH } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { feels, push, own, decides, figure } from '../figures.ts';

/** A finger on the tip of the blade as the arm nears its top. */
export const girdle3InferiorAngleDrop = defineProcedure(
  {
    id: 'girdle-3-inferior-angle-drop',
    names: ['Girdle mobility, part 3', 'Stenvers girdle series, part 3'],
    title: 'Finger on the tip of the blade as the arm nears its top',
    indication: 'Reaching up is short near its end and the blade is suspected.',
    region: 'shoulder',
    kind: 'rom',
    structures: ['scapulothoracic gliding'],
    patient: 'Stands or sits upright, back bare.',
    examiner: 'Behind, a thumb on the lower tip of the blade.',
    steps: [
      'The person raises the arm actively, straight forward.',
      'The finger follows the bone; read the drop near 170 degrees.',
    ],
    schools: [
      {
        key: 'one-arm',
        label: 'One arm',
        description: 'One at a time.',
        order: 'one arm after the other',
      },
      {
        key: 'both-arms',
        label: 'Both arms',
        description: 'A thumb on each tip.',
        order: 'both arms at once',
        drawn: { pose: { otherArm: { shoulderFlexion: 170, shoulderAbduction: 0 } } },
      },
    ],
    figure: figure(
      'standing',
      { arm: { shoulderFlexion: 170, shoulderAbduction: 0 } },
      {
        from: { arm: {} },
        decides: decides('shoulderFlexion', 165, 175),
        hands: [feels('trunk', 0.6, 'back')],
        forces: [own(push('upperArm', 0.5, 'front'))],
        region: ['upperArm'],
      },
    ),
    loads: [{ structure: 'scapulothoracic gliding', mode: 'motion' }],
    voids: ARM_OUT_OF_REACH,
    numbers: [
      {
        item: 'drop-read',
        healthy: 1.2,
        tolerance: 0.5,
        half: 1,
        by: [{ structure: 'scapulothoracic gliding', state: 'stiff', values: [0.7, 0.3, 0] }],
      },
    ],
    findings: [
      yesNo('drop', 'States the class of the drop', ['stiffness'], ['1 cm or more', 'Less']),
    ],
    positive: 'Less than half a centimetre, or it keeps rising.',
    negative: 'A centimetre or more.',
    confounders: ['Skin that slides', 'A trunk that leans', 'An arm short of 165: invalid'],
    doesNotProve: 'A cause; the criterion is as small as its error.',
    worth: [
      {
        of: 'agreement of examiners over the series',
        text: 'kappas of .63 to .84',
        source: 'Baertschi 2013',
        sourceKind: 'from memory',
      },
    ],
    followUp: ['girdle-4-cervicothoracic-coupling'],
    contraindications: ['Acute tear or dislocation'],
  },
  {
    task: 'Perform part 3 of the girdle series.',
    items: [
      prepare.asked(
        'screens',
        'Asks about instability',
        flagged('A loose shoulder is not raised fast.'),
      ),
      position.done('bare', 'Bares the back'),
      perform.done('points', 'Points out the tip at rest'),
      perform.done('active', 'Has the arm raised actively'),
      perform.done('trunk', 'Keeps the trunk from leaning'),
      perform.done('tracks', 'Tracks the bone, not the skin'),
      perform.measured('reach', 'Arm elevation at the reading', '°', [165, 175], {
        full: 5,
        half: 10,
      }),
      perform.measured('drop-read', 'Drop read', 'cm', [0, 2], { full: 1, half: 2, step: 0.5 }),
      interpret.done('invalid', 'Says that short of 165 degrees it is invalid'),
    ],
    faults: [
      ['Skin, not bone', 'tracks'],
      ['Helps the arm', 'active'],
      ['Trunk leans', 'trunk'],
      ['Read too low', 'reach'],
    ],
    cautions: ['Strong pain: stop.'],
    stopRule: 'Stop at strong pain or the word stop.',
    patient: { condition: 'stiff-girdle', side: 'right' },
  },
);

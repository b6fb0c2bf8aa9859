import { ARM_OUT_OF_REACH } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { feels, push, own, decides, figure } from '../figures.ts';

/** A thumb beside the neck bone feels it turn as the arm goes up. */
export const girdle4CervicothoracicCoupling = defineProcedure(
  {
    id: 'girdle-4-cervicothoracic-coupling',
    names: ['Girdle mobility, part 4', 'Stenvers girdle series, part 4'],
    title: 'Thumb beside the neck bone feels it turn as the arm goes up',
    indication: 'Reaching up is short and the base of the neck is stiff.',
    region: 'shoulder',
    kind: 'palpation',
    structures: ['cervicothoracic junction'],
    patient: 'Sits upright, neck neutral.',
    examiner: 'Behind, towards the tested side; a thumb on the far side of the spinous process.',
    steps: [
      'Find the prominent bone by bending and stretching the neck.',
      'Thumb on the side opposite to the raised arm, light.',
      'The person raises the arm fully: does the bone press the thumb?',
    ],
    schools: [
      {
        key: 'one-level',
        label: 'One level',
        description: 'The prominent bone only.',
        hands: 'on the prominent bone',
      },
      {
        key: 'three-levels',
        label: 'Three levels',
        description: 'That bone with the two below.',
        hands: 'on three levels',
        drawn: { hands: [feels('trunk', 0.99, 'back'), feels('trunk', 0.86, 'back')] },
      },
    ],
    figure: figure(
      'sitting',
      { arm: { shoulderFlexion: 165, shoulderAbduction: 0, elbowFlexion: 0 } },
      {
        from: { arm: {} },
        decides: decides('shoulderFlexion', 150, 180),
        hands: [feels('trunk', 0.99, 'back')],
        forces: [own(push('upperArm', 0.5, 'front'))],
        region: ['upperArm'],
      },
    ),
    loads: [{ structure: 'cervicothoracic junction', mode: 'motion' }],
    // It starts with the arm hanging; what is out of reach is the end.
    voids: ARM_OUT_OF_REACH.map((rule) => ({
      ...rule,
      why: 'The arm comes up to about 70 degrees at most; the end where the neck would move is out of reach.',
    })),
    findings: [yesNo('felt', 'States whether motion is felt', ['stiffness'], ['Felt', 'Not felt'])],
    positive: 'No motion is felt.',
    negative: 'The bone presses the thumb.',
    confounders: ['The wrong level', 'A bent neck'],
    doesNotProve: 'That stiffness there causes shoulder pain.',
    worth: [
      {
        of: 'agreement of examiners over the series',
        text: 'kappas of .63 to .84',
        source: 'Baertschi 2013',
        sourceKind: 'from memory',
      },
    ],
    followUp: ['girdle-5-horizontal-adduction-fixed-free'],
    contraindications: ['Neck injury or surgery', 'Dizziness'],
  },
  {
    task: 'Perform part 4 of the girdle series.',
    items: [
      prepare.asked(
        'screens',
        'Asks about dizziness',
        flagged('Dizziness may be a vessel of the neck.'),
      ),
      position.done('neck', 'Has the neck neutral at the reading'),
      position.done('behind', 'Stands behind towards the tested side'),
      perform.done('finds', 'Finds the level by bending the neck'),
      perform.done('far-side', 'Sets the thumb opposite to the raised arm'),
      perform.done('light', 'Rests the thumb beside the bone, skin not pale'),
      perform.done('active', 'Has the arm raised actively to its end'),
      interpret.done('direction', 'Says which way the bone turned'),
    ],
    faults: [
      ['Thumb on the same side', 'far-side'],
      ['Level not checked', 'finds'],
      ['Presses', 'light'],
      ['Neck bent', 'neck'],
    ],
    cautions: ['Dizziness: stop.'],
    stopRule: 'Stop at dizziness, tingling, or the word stop.',
    patient: { condition: 'stiff-neck-base', side: 'right' },
  },
);

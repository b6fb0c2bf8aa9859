import { ARM_OUT_OF_REACH } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { moves, feels, decides, figure } from '../figures.ts';

/** A light fingertip on the collarbone while the arm goes up. */
export const girdle2ClavicleMotion = defineProcedure(
  {
    id: 'girdle-2-clavicle-motion',
    names: ['Girdle mobility, part 2', 'Stenvers girdle series, part 2'],
    title: 'Light fingertip on the collarbone while the arm goes up',
    indication: 'Reaching up is short and the collar-bone is suspected of not rolling back.',
    region: 'shoulder',
    kind: 'rom',
    structures: ['sternoclavicular joint', 'acromioclavicular joint'],
    patient: 'Sits upright, neck neutral.',
    examiner: 'Behind, towards the tested side.',
    steps: [
      'Fingertip on top and just behind the middle of the collarbone, light.',
      'Lift the arm passively over four to six seconds, two or three times.',
      'Say what is felt up to 45 degrees and beyond.',
    ],
    schools: [
      {
        key: 'evidence',
        label: 'Backward roll',
        description: 'It rises a little and rolls backwards, mostly late.',
        criterion: 'rises a little, rolls backwards late',
      },
      {
        key: 'two-phase',
        label: 'Two phases',
        description: 'Forward roll to 45 degrees, backward after it.',
        criterion: 'forwards to 45 degrees, then backwards',
      },
    ],
    figure: figure(
      'sitting',
      { arm: { shoulderFlexion: 150, shoulderAbduction: 0, elbowFlexion: 0 } },
      {
        from: { arm: { shoulderFlexion: 10 } },
        decides: decides('shoulderFlexion', 140, 180),
        hands: [feels('trunk', 0.98, 'above'), moves('upperArm', 0.9, 'back')],
        forces: [],
        region: ['upperArm'],
      },
    ),
    loads: [
      { structure: 'sternoclavicular joint', mode: 'motion' },
      { structure: 'acromioclavicular joint', mode: 'motion' },
    ],
    voids: ARM_OUT_OF_REACH,
    findings: [
      yesNo(
        'roll',
        'States whether the late roll is felt',
        ['stiffness'],
        ['Felt', 'Absent or less'],
      ),
    ],
    positive: 'The late backward roll is absent or clearly less than on the other side.',
    negative: 'The declared pattern, sides alike.',
    confounders: [
      'Muscle bulk',
      'A finger that presses',
      'The collar-bone descends after about 45 degrees of lifting (taught so; common practice, no source)',
    ],
    doesNotProve: 'Anything certain: a fingertip is subjective.',
    worth: [
      {
        of: 'agreement of examiners over the series',
        text: 'kappas of .63 to .84',
        source: 'Baertschi 2013',
        sourceKind: 'from memory',
      },
    ],
    followUp: ['girdle-3-inferior-angle-drop'],
    contraindications: ['Collarbone fracture or plate', 'Pacemaker or line on that side'],
  },
  {
    task: 'Perform part 2 of the girdle series.',
    items: [
      prepare.asked(
        'screens',
        'Asks about pacemaker or line',
        flagged('Nothing is pressed above an implant.'),
      ),
      position.done('neck', 'Has the neck neutral'),
      position.done('behind', 'Stands behind towards the tested side'),
      perform.done('place', 'Sets the fingertip behind the middle of the bone'),
      perform.done(
        'light',
        'Rests the fingertips without denting the skin',
        flagged('Vessels and nerves lie behind the bone.'),
      ),
      perform.measured('seconds', 'Seconds of lifting', 's', [4, 6], { half: 2, from: 0, to: 20 }),
      perform.asked('early', 'Says what is felt up to 45 degrees'),
      perform.asked('late', 'Says what is felt beyond'),
      interpret.done('model', 'Judges by the declared model'),
    ],
    faults: [
      ['Presses', 'light'],
      ['Finger in front', 'place'],
      ['Phases not told apart', 'late'],
      ['Head bent', 'neck'],
    ],
    cautions: ['Tingling: stop.'],
    stopRule: 'Stop at tingling or the word stop.',
    patient: { condition: 'stiff-girdle', side: 'left' },
  },
);

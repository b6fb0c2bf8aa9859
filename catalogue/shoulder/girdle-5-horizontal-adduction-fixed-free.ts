import { ARM_OUT_OF_REACH } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, decides, figure } from '../figures.ts';

/** The arm across the body with the blade held, then let go. */
export const girdle5HorizontalAdductionFixedFree = defineProcedure(
  {
    id: 'girdle-5-horizontal-adduction-fixed-free',
    names: ['Girdle mobility, part 5', 'Stenvers girdle series, part 5'],
    title: 'Arm across the body with the blade held, then let go',
    indication: 'A shoulder that does not cross the body: is it the capsule or the girdle?',
    region: 'shoulder',
    kind: 'rom',
    structures: ['posterior shoulder capsule', 'acromioclavicular joint'],
    patient: 'Sits upright, arm at 90 at the side, elbow at 90.',
    examiner: 'Behind; one hand under the elbow, one hooks the outer border of the blade.',
    steps: [
      'Hold the blade, take the arm across to a firm end, read.',
      'Keep the arm there, let the blade go, go on, read the gain.',
    ],
    schools: [
      { key: 'sitting', label: 'Sitting', description: 'Blade gripped from behind.' },
      {
        key: 'lying',
        label: 'Lying',
        description: 'Blade pinned by the couch.',
        positions: 'supine',
        drawn: { position: 'supine' },
      },
      {
        key: 'fist',
        label: 'Fist on the breastbone',
        description: 'The fist rests on the breastbone; the elbow is guided across.',
        angles: 'fist on the breastbone',
        drawn: { pose: { arm: { elbowFlexion: 135 } }, from: { arm: { elbowFlexion: 135 } } },
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 0,
          shoulderAbduction: 90,
          shoulderHorizontalAdduction: 100,
          elbowFlexion: 90,
        },
      },
      {
        from: { arm: { shoulderFlexion: 0, shoulderAbduction: 90, elbowFlexion: 90 } },
        decides: decides('shoulderHorizontalAdduction', 90, 110),
        hands: [moves('upperArm', 0.9, 'inner'), holds('trunk', 0.7, 'outer')],
        forces: [],
        region: ['upperArm'],
      },
    ),
    loads: [
      { structure: 'posterior shoulder capsule', mode: 'stretch' },
      { structure: 'acromioclavicular joint', mode: 'motion' },
    ],
    numbers: [
      {
        item: 'held-read',
        healthy: 100,
        tolerance: 5,
        half: 10,
        by: [{ structure: 'posterior shoulder capsule', state: 'tight', values: [86, 78, 65] }],
      },
    ],
    voids: ARM_OUT_OF_REACH,
    findings: [
      yesNo(
        'held',
        'States the class with the blade held',
        ['stiffness'],
        ['90–110°', 'Under 90°'],
      ),
    ],
    positive: 'Held under 90: back of the capsule; gain under 15: the girdle.',
    negative: 'Held 90 to 110, gain 15 to 25.',
    rules: [
      { when: 'Pain on top after release', speaksFor: 'acromioclavicular joint' },
      { when: 'Stretch at the back', speaksFor: 'capsule' },
    ],
    confounders: ['A trunk that turns', 'An arm that sinks'],
    doesNotProve: 'Which part of the girdle.',
    worth: [
      {
        of: 'agreement of examiners over the series',
        text: 'kappas of .63 to .84',
        source: 'Baertschi 2013',
        sourceKind: 'from memory',
      },
    ],
    followUp: ['tape-horizontal-adduction'],
    contraindications: ['Posterior instability'],
  },
  {
    task: 'Perform part 5 of the girdle series.',
    items: [
      prepare.asked(
        'screens',
        'Asks about posterior instability',
        flagged('The arm bone can slip out backwards.'),
      ),
      position.measured('elevation', 'Arm abduction', '°', [85, 95], { half: 5 }),
      position.done('behind', 'Stands behind'),
      position.done('support', 'Supports the elbow from below'),
      perform.done('border', 'Grips the outer border of the blade'),
      perform.done('level', 'Keeps the arm level'),
      perform.measured('held-read', 'Angle read with the blade held', '°', [80, 115], {
        full: 5,
        half: 10,
      }),
      perform.done('release', 'Lets the blade go with the arm at its end'),
      perform.done('square', 'Keeps the trunk square'),
      interpret.done('apart', 'Reads held apart from gain'),
    ],
    faults: [
      ['Blade not held', 'border'],
      ['Let go too soon', 'release'],
      ['Trunk turns', 'square'],
      ['Reads the total', 'apart'],
    ],
    cautions: ['A clunk: stop.'],
    stopRule: 'Stop at a clunk, sharp pain on top, or the word stop.',
    patient: { condition: 'tight-posterior-capsule', side: 'left' },
  },
);

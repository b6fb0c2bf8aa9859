import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { push, own, figure } from '../figures.ts';
import { agreed } from '../worth.ts';

/** Both arms raised and lowered, the shoulder blades watched from behind. */
export const scapularPlaneElevation = defineProcedure(
  {
    id: 'scapular-plane-elevation',
    names: ['Scaption', 'scapular plane elevation'],
    title: 'Both arms raised and lowered, watched from behind',
    indication: 'Any shoulder that hurts or is short on reaching up; first, before single tests.',
    region: 'shoulder',
    kind: 'rom',
    structures: ['scapulothoracic gliding', 'subacromial space'],
    patient:
      'Sits or stands, back bare, arms 30 to 45 degrees in front of the side plane, thumbs up.',
    examiner: 'Explains in front, then watches from behind.',
    steps: [
      'Raise both arms and lower them over three seconds, three to five times.',
      'Watch winging, hitching, a painful arc, the way down.',
    ],
    schools: [
      {
        key: 'unloaded',
        label: 'Unloaded',
        description: 'Thumbs up, no weight.',
        means: 'no weight',
      },
      {
        key: 'loaded',
        label: 'Loaded',
        description: 'With a small weight, front and side raises.',
        means: 'a small weight',
        order: 'front raise, then side raise',
      },
    ],
    figure: figure(
      'standing',
      {
        arm: { shoulderFlexion: 0, shoulderAbduction: 150, shoulderHorizontalAdduction: 35 },
        otherArm: { shoulderFlexion: 0, shoulderAbduction: 150, shoulderHorizontalAdduction: 35 },
      },
      {
        hands: [],
        forces: [own(push('upperArm', 0.5, 'outer'))],
        region: ['upperArm'],
        view: 'front',
      },
    ),
    loads: [
      { structure: 'scapulothoracic gliding', mode: 'motion' },
      { structure: 'subacromial space', mode: 'compression' },
      { structure: 'shoulder capsule', mode: 'motion' },
    ],
    numbers: [
      {
        item: 'reach',
        healthy: 170,
        tolerance: 5,
        half: 10,
        by: [
          { structure: 'shoulder capsule', state: 'stiff', values: [130, 70, 55] },
          { structure: 'scapulothoracic gliding', state: 'stiff', values: [165, 150, 130] },
          { structure: 'supraspinatus', state: 'ruptured', values: [155, 130, 90] },
          { structure: 'subacromial space', state: 'irritated', values: [170, 160, 150] },
        ],
      },
    ],
    findings: [
      yesNo('arc', 'States whether there is a painful arc', ['pain'], ['None', 'Painful arc']),
      yesNo('blade', 'States whether the blade moves oddly', ['stiffness'], ['Smooth', 'Odd']),
    ],
    positive: 'A painful arc, odd motion that goes with the known pain, or under 160 degrees.',
    negative: 'Smooth, painless, 160 to 180.',
    confounders: ['Odd motion in painless people'],
    doesNotProve: 'One muscle as the cause.',
    worth: [agreed(0.55, 'McClure 2009')],
    followUp: ['supraspinatus-strength', 'girdle-1-scapular-back-tilt'],
    contraindications: ['Acute tear', 'Recent dislocation'],
  },
  {
    task: 'Watch both arms raised and lowered in the plane of the blade.',
    items: [
      prepare.asked(
        'screens',
        'Asks about a recent dislocation',
        flagged('A fresh dislocation is not raised.'),
      ),
      position.done('bare', 'Bares the back'),
      position.measured('plane', 'Degrees in front of the side plane', '°', [30, 45], { half: 10 }),
      position.done('thumbs', 'Has the thumbs up'),
      perform.done('behind', 'Watches from behind'),
      perform.measured('times', 'Number of raises', 'times', [3, 5], { half: 1, from: 0, to: 12 }),
      perform.done('lowering', 'Watches the lowering'),
      perform.measured('reach', 'Arm elevation read', '°', [150, 180], { half: 10 }),
      interpret.done('no-muscle', 'Says that odd motion alone names no muscle'),
    ],
    faults: [
      ['Watched from the front', 'behind'],
      ['Back covered', 'bare'],
      ['Wrong plane', 'plane'],
      ['Lowering not watched', 'lowering'],
    ],
    cautions: ['No load where it hurts.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'subacromial-pain', side: 'right' },
  },
);

import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, easesOff, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { moves, feels, push, own, decides, figure } from '../figures.ts';
import { memory } from '../worth.ts';

/** A resisted forward lift with the palm up. */
export const speed = defineProcedure(
  {
    id: 'speed',
    names: ['Speed test'],
    title: 'Resisted forward lift with the palm up',
    indication: 'Pain at the front groove on lifting forwards.',
    region: 'shoulder',
    kind: 'provocation',
    structures: ['long head of biceps', 'superior labrum'],
    patient: 'Sits or stands, arm 60 to 90 degrees in front, palm up, elbow nearly straight.',
    examiner: 'In front; a finger on the groove, a hand on the lower forearm.',
    steps: [
      'The person lifts against a rising downward push, three to five seconds.',
      'Pain at the groove is the criterion, weakness is not.',
    ],
    schools: [
      {
        key: 'static',
        label: 'Static',
        description: 'Held at 60 to 90 degrees.',
        angles: 'held at 60 to 90',
      },
      {
        key: 'dynamic',
        label: 'Dynamic',
        description: 'Through 0 to 60 degrees.',
        angles: 'from 0 to 60',
        drawn: { pose: { arm: { shoulderFlexion: 60 } }, from: { arm: { shoulderFlexion: 0 } } },
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: { shoulderFlexion: 75, shoulderAbduction: 0, elbowFlexion: 5, forearmPronation: -80 },
      },
      {
        decides: decides('shoulderFlexion', 60, 90),
        hands: [feels('upperArm', 0.12, 'front'), moves('forearm', 0.88, 'front')],
        forces: [push('forearm', 0.88, 'back', 'front'), own(push('upperArm', 0.5, 'front'))],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [{ structure: 'long head of biceps', mode: 'contraction' }],
    findings: [
      yesNo('groove', 'States whether the groove hurts', ['pain'], ['No', 'Groove hurts']),
    ],
    positive: 'Pain at the groove.',
    negative: 'None there.',
    confounders: ['Cuff', 'Labrum', 'Subacromial tissue'],
    doesNotProve: 'A tendon lesion: figures vary widely.',
    worth: [
      memory('biceps or upper labrum', 0.32, 0.75, 'Holtby & Razmjou 2004'),
      memory('biceps', 0.9, 0.14, 'Bennett 1998'),
      memory('partial tear', 0.5, 0.67, 'Gill 2007'),
    ],
    followUp: ['yergason'],
    contraindications: ['Biceps rupture or repair'],
  },
  {
    task: 'Perform the Speed test and read it at the groove.',
    items: [
      prepare.asked(
        'screens',
        'Asks about biceps rupture or repair',
        flagged('A repaired tendon is not loaded.'),
      ),
      position.measured('flexion', 'Arm elevation in front', '°', [60, 90], { half: 10 }),
      position.done('palm-up', 'Sets the palm up'),
      position.measured('elbow', 'Elbow angle', '°', [0, 30], { half: 10 }),
      perform.done('finger', 'Keeps a finger on the groove'),
      perform.done('forearm', 'Pushes at the lower forearm'),
      easesOff('Ramps the load without a jerk'),
      interpret.done('not-weak', 'Counts no weakness alone'),
      interpret.done('varies', 'Says that the figures vary'),
    ],
    faults: [
      ['Palm down', 'palm-up'],
      ['Elbow bent', 'elbow'],
      ['Groove not felt', 'finger'],
      ['Counts weakness', 'not-weak'],
    ],
    cautions: ['A snap: stop.'],
    stopRule: 'Stop at a snap, sharp pain, or the word stop.',
    patient: { condition: 'biceps-tendon', side: 'left' },
  },
);

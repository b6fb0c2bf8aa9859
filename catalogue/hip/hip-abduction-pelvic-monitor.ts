import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, easesOff } from '../items.ts';
import { yesNo } from '../findings.ts';
import { moves, feels, push, decides, figure } from '../figures.ts';

/** The straight leg taken outwards until the pelvis joins. */
export const hipAbductionPelvicMonitor = defineProcedure(
  {
    id: 'hip-abduction-pelvic-monitor',
    names: ['Hip abduction range'],
    title: 'Straight leg taken outwards until the pelvis joins',
    indication: 'Groin or inner thigh pain, or a hip that is short sideways.',
    region: 'hip',
    kind: 'rom',
    structures: ['hip adductors', 'hip joint'],
    patient: 'Lies on the back, knees straight, the other leg steadied.',
    examiner: 'At the tested side; a hand on the front of the pelvis.',
    steps: [
      'Toes up, take the leg out slowly.',
      'Stop when the pelvis moves, read the angle.',
      'Repeat with the knee bent.',
    ],
    schools: [
      { key: 'straight', label: 'Knees straight', description: 'The common form.' },
      {
        key: 'bent',
        label: 'Hips bent',
        description: 'Feet together, for the short adductors.',
        angles: 'hips and knees bent',
        drawn: {
          pose: {
            leg: { hipFlexion: 45, hipAbduction: 38, hipRotation: -52, kneeFlexion: 112 },
            otherLeg: { hipFlexion: 45, hipAbduction: 38, hipRotation: -52, kneeFlexion: 112 },
          },
          from: {
            leg: { hipFlexion: 40, hipAbduction: 5, kneeFlexion: 85 },
            otherLeg: { hipFlexion: 40, hipAbduction: 5, kneeFlexion: 85 },
          },
          hands: [feels('pelvis', 0.9, 'front'), moves('thigh', 0.9, 'inner')],
          forces: [push('thigh', 0.9, 'outer', 'inner')],
          view: 'above',
        },
      },
    ],
    figure: figure(
      'supine',
      { leg: { hipAbduction: 38 } },
      {
        from: { leg: {} },
        decides: decides('hipAbduction', 35, 50),
        hands: [feels('pelvis', 0.9, 'front'), moves('shank', 0.9, 'inner')],
        forces: [push('shank', 0.9, 'outer', 'inner')],
        region: ['thigh', 'shank'],
      },
    ),
    loads: [
      { structure: 'hip adductors', mode: 'stretch' },
      { structure: 'hip joint', mode: 'motion' },
    ],
    numbers: [
      {
        item: 'angle',
        healthy: 45,
        tolerance: 5,
        half: 10,
        by: [
          { structure: 'hip adductors', state: 'tight', values: [30, 25, 20] },
          { structure: 'hip joint', state: 'stiff', values: [32, 25, 15] },
        ],
      },
    ],
    findings: [
      yesNo('short', 'States the class of the range', ['stiffness'], ['35° or more', 'Less']),
      yesNo('pain', 'States whether the inner thigh hurts', ['pain'], ['None', 'Pain']),
    ],
    positive: 'Under 35, 10 less than the other side, or pain at the inner thigh.',
    negative: 'From 35, sides alike, painless.',
    rules: [
      { when: 'More with the knee bent', speaksFor: 'gracilis' },
      { when: 'The same', speaksFor: 'short adductors or joint' },
    ],
    confounders: ['A hip that turns out or bends'],
    doesNotProve: 'The cause of the limit.',
    followUp: ['faber'],
    contraindications: ['Adductor tear', 'Hip replacement'],
    measurements: [
      {
        what: 'abduction',
        landmarks: 'iliac spines, kneecap',
        unit: '°',
        instrument: 'goniometer',
        normal: '40 to 45',
        tolerance: '5',
      },
    ],
  },
  {
    task: 'Measure hip abduction with the pelvis monitored.',
    items: [
      prepare.asked('screens', 'Asks about adductor injury'),
      position.done('toes', 'Has the toes point up'),
      position.done('other', 'Steadies the other leg'),
      position.done('hand', 'Lays a hand on the front of the pelvis'),
      perform.measured('seconds', 'Seconds of the movement', 's', [3, 5], {
        half: 1,
        from: 0,
        to: 20,
      }),
      perform.done('no-turn', 'Keeps the hip from turning'),
      easesOff('Stops at the first movement of the pelvis'),
      perform.measured('angle', 'Hip abduction read', '°', [25, 50], {
        full: 5,
        half: 10,
        from: 0,
        to: 90,
      }),
      interpret.graded('muscle-joint', 'Tells muscle from joint by bending the knee', [
        'Not',
        'In part',
        'Told',
      ]),
    ],
    faults: [
      ['No hand on the pelvis', 'hand'],
      ['Hip turns out', 'no-turn'],
      ['Hitch missed', 'eases-off'],
      ['Too fast', 'seconds'],
    ],
    cautions: ['Groin pain: stop.'],
    stopRule: 'Stop at groin pain or the word stop.',
    patient: { condition: 'adductor-strain', side: 'left' },
  },
);

import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { moves, feels, push, decides, figure, holds } from '../figures.ts';

/** The other knee held to the chest, the straight leg watched for a lift. */
export const thomasSupine = defineProcedure(
  {
    id: 'thomas-supine',
    names: ['Thomas test', 'hip flexion contracture test'],
    title: 'Other knee held to the chest, the straight leg watched for a lift',
    indication: 'A hip that does not come straight, or a back that arches in lying.',
    region: 'hip',
    kind: 'length',
    structures: ['hip flexors'],
    patient: 'Lies on the back, head down; holds the other knee to the chest with the own hands.',
    examiner: 'At the tested side, eyes level with the thigh, a flat hand under the low back.',
    steps: [
      'Both legs straight: note the hollow of the back.',
      'The person draws one knee up until the back just touches the hand.',
      'Look at the straight thigh, press it lightly for the end feel, measure its angle to the bed.',
      'The side named is the leg that rises.',
    ],
    schools: [
      {
        key: 'flat-bed',
        label: 'On the flat bed',
        description: 'Tested leg straight on the bed: for contracture.',
      },
      {
        key: 'held-behind',
        label: 'Thigh held',
        description: 'The other thigh is held behind the knee where that knee is sore.',
        drawn: {
          hands: [
            { ...holds('thigh', 0.85, 'back'), other: true },
            feels('trunk', 0.1, 'back'),
            moves('thigh', 0.7, 'front'),
          ],
        },
        hands: 'held behind the thigh',
      },
    ],
    figure: figure(
      'supine',
      { leg: { hipFlexion: 2, kneeFlexion: 3 }, otherLeg: { hipFlexion: 110, kneeFlexion: 130 } },
      {
        decides: decides('hipFlexion', 0, 3),
        hands: [feels('trunk', 0.1, 'back'), moves('thigh', 0.7, 'front')],
        forces: [push('thigh', 0.75, 'back', 'front')],
        region: ['thigh'],
      },
    ),
    loads: [
      { structure: 'hip flexors', mode: 'stretch' },
      { structure: 'hip joint', mode: 'motion' },
    ],
    numbers: [
      {
        item: 'angle',
        healthy: 0,
        tolerance: 5,
        half: 10,
        by: [
          { structure: 'hip flexors', state: 'tight', values: [8, 15, 25] },
          { structure: 'hip joint', state: 'stiff', values: [8, 15, 25] },
        ],
      },
    ],
    findings: [
      yesNo(
        'lift',
        'States whether the straight thigh rises',
        ['stiffness'],
        ['Flat (0–3°)', 'Rises'],
      ),
    ],
    positive: 'The straight thigh rises more than 3 degrees with the back flat.',
    negative: 'It stays flat.',
    rules: [
      { when: 'Soft elastic end', speaksFor: 'muscle length' },
      { when: 'Hard or painful end', speaksFor: 'the joint' },
      { when: 'Goes down only outwards', speaksFor: 'tensor of the fascia' },
    ],
    confounders: [
      'A back left arched hides it',
      'A knee hauled in too hard fakes it',
      'A knee that cannot straighten',
    ],
    doesNotProve: 'Weakness; nor does it part muscle from capsule by itself.',
    measurements: [
      {
        what: 'thigh to bed',
        landmarks: 'great trochanter, trunk, lateral condyle',
        unit: '°',
        instrument: 'goniometer or inclinometer',
        normal: '0 to 3',
        tolerance: '5',
      },
    ],
    followUp: ['modified-thomas'],
    contraindications: ['Hip replacement', 'Spinal or hip surgery', 'Late pregnancy'],
  },
  {
    task: 'Perform the Thomas test on the flat bed and name the side.',
    items: [
      prepare.asked(
        'screens',
        'Asks about hip replacement',
        flagged('Deep bending can dislocate a replaced hip.'),
      ),
      position.done('straight', 'Has the tested leg straight on the bed'),
      position.done('own-hands', 'Has the person hold the other knee'),
      perform.done('under-back', 'Keeps a flat hand under the low back'),
      perform.done(
        'stops',
        'Stops the pull once the back touches',
        flagged('Too far a pull strains back or hip.'),
      ),
      perform.done('eye-level', 'Brings the eyes to thigh level'),
      perform.done('end-feel', 'Presses the thigh for its end feel', { observability: 'seen' }),
      perform.measured('angle', 'Thigh angle read against the bed', '°', [0, 3], {
        full: 5,
        half: 10,
        from: -20,
        to: 60,
      }),
      interpret.done('right-side', 'Names the raised leg as the tested one'),
      interpret.graded('muscle-joint', 'Tells muscle from joint by the end feel', [
        'Not told',
        'Unsure',
        'Told',
      ]),
    ],
    faults: [
      ['Back not checked', 'under-back'],
      ['Wrong leg named', 'right-side'],
      ['Knee hauled in', 'stops'],
      ['Never at eye level', 'eye-level'],
    ],
    cautions: ['Groin pain of the held hip is a finding of its own.'],
    stopRule: 'Stop at sharp groin pain, back pain, tingling, or the word stop.',
    patient: { condition: 'hip-flexor-tightness', side: 'right' },
  },
);

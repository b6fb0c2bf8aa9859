import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, critical, flagged } from '../items.ts';
import { site } from '../findings.ts';
import { moves, feels, decides, figure } from '../figures.ts';
import { memory, agreed } from '../worth.ts';

/** The leg hangs off the table end and is read three ways. */
export const modifiedThomas = defineProcedure(
  {
    id: 'modified-thomas',
    names: ['Modified Thomas test', 'edge-of-table hip flexor length test'],
    title: 'Hanging leg read by thigh, shin and sideways drift',
    indication: 'A runner or a desk worker with a tight front of the hip: which muscle?',
    region: 'hip',
    kind: 'length',
    structures: ['hip flexors', 'rectus femoris', 'iliotibial band at the hip'],
    patient:
      'Perches on the table end, hugs both knees, rolls back, keeps one knee, lets the other leg hang free.',
    examiner: 'At the table end, squatting to see the thigh line.',
    steps: [
      'Brace the table.',
      'Both knees in, roll back; held knee so that the back just flattens.',
      'Lower the leg, read the thigh, then the drift, bring it to the midline, read again, then the shin.',
      'Same back position for the other side.',
    ],
    schools: [
      {
        key: 'three-angles',
        label: 'Three angles',
        description: 'Thigh, shin and drift measured.',
        criterion: 'thigh at or below level, knee 80 degrees or more, drift to 15',
      },
      {
        key: 'parallel',
        label: 'Thigh parallel',
        description: 'Pass or fail by the thigh alone; commonest in gyms.',
        criterion: 'thigh level',
      },
    ],
    figure: figure(
      'supine',
      { leg: { hipFlexion: -8, kneeFlexion: 75 }, otherLeg: { hipFlexion: 115, kneeFlexion: 130 } },
      {
        decides: decides('hipFlexion', -15, 0),
        hands: [feels('trunk', 0.1, 'back'), moves('thigh', 0.8, 'front')],
        forces: [],
        region: ['thigh', 'shank'],
      },
    ),
    loads: [
      { structure: 'hip flexors', mode: 'stretch' },
      { structure: 'rectus femoris', mode: 'stretch' },
      { structure: 'iliotibial band at the hip', mode: 'stretch' },
      { structure: 'hip joint', mode: 'motion' },
    ],
    numbers: [
      {
        item: 'thigh',
        healthy: -8,
        tolerance: 4,
        half: 8,
        by: [
          { structure: 'hip flexors', state: 'tight', values: [5, 12, 20] },
          { structure: 'hip joint', state: 'stiff', values: [5, 12, 20] },
        ],
      },
      {
        item: 'knee',
        healthy: 85,
        tolerance: 5,
        half: 10,
        by: [{ structure: 'rectus femoris', state: 'tight', values: [70, 60, 45] }],
      },
    ],
    findings: [
      site(
        'short',
        'Names what is short',
        ['stiffness'],
        'Nothing',
        ['one-joint', 'One-joint flexor, or the joint', ['hip flexors', 'hip joint']],
        ['rectus', 'Rectus femoris', ['rectus femoris']],
        ['band', 'Outer band', ['iliotibial band at the hip']],
      ),
    ],
    positive:
      'Thigh above level, shin that stays forward, or drift over 15 degrees: each reported.',
    negative: 'All three at target.',
    rules: [
      { when: 'Thigh up, shin hangs', speaksFor: 'one-joint flexors' },
      { when: 'Thigh down, shin forward', speaksFor: 'rectus femoris' },
      { when: 'Drift; in the midline the thigh climbs', speaksFor: 'tensor of the fascia' },
    ],
    confounders: ['An uncontrolled pelvis', 'Buttocks too far on the table', 'An active leg'],
    doesNotProve: 'A short muscle: tone and joint look alike.',
    worth: [
      agreed(0.39, 'Peeler & Anderson 2007'),
      memory('hip extension without pelvic control', 0.32, 0.57, 'Vigotsky 2016'),
    ],
    measurements: [
      {
        what: 'thigh, knee, drift',
        landmarks: 'trochanter, condyle, malleolus; iliac spines, kneecap',
        unit: '°',
        instrument: 'goniometer',
        normal: 'thigh 0 or below, knee 80 or more, drift to 15',
        tolerance: '4 to 5',
      },
    ],
    followUp: ['thomas-supine', 'ely-prone', 'ober'],
    contraindications: ['Hip replacement', 'Slipped vertebra', 'Late pregnancy'],
  },
  {
    task: 'Perform the edge-of-table test and report all three readings.',
    items: [
      prepare.done(
        'braces',
        'Braces the table',
        critical('A light table tips when somebody sits on its end.'),
      ),
      prepare.asked(
        'screens',
        'Asks about hip replacement',
        flagged('Deep bending can dislocate a replaced hip.'),
      ),
      position.done('clear', 'Has the thigh hang clear of the edge'),
      position.done('both-knees', 'Has both knees hugged for the roll-back'),
      perform.graded('back', 'Lets the back just touch', [
        'Arched',
        'Pressed hard',
        'Just touches',
      ]),
      perform.done('passive', 'Lowers the leg passively'),
      perform.measured('thigh', 'Thigh angle read', '°', [-15, 0], {
        full: 4,
        half: 8,
        from: -40,
        to: 60,
        variants: ['three-angles', 'parallel'],
      }),
      perform.measured('knee', 'Knee angle read', '°', [80, 100], {
        full: 5,
        half: 10,
        from: 0,
        to: 150,
        variants: ['three-angles'],
      }),
      perform.done('midline', 'Reads the thigh again in the midline', {
        variants: ['three-angles'],
      }),
      interpret.graded('assigns', 'Assigns each reading to its muscle', ['None', 'Some', 'Each']),
    ],
    faults: [
      ['Table not braced', 'braces'],
      ['One knee hugged', 'both-knees'],
      ['Back over-tucked', 'back'],
      ['Leg held up', 'passive'],
      ['Drift not looked at', 'midline'],
    ],
    cautions: ['Burning at the front of the thigh: nerve, stop.'],
    stopRule: 'Stop at back pain, burning in the thigh, or the word stop.',
    patient: { condition: 'rectus-tightness', side: 'left' },
  },
);

import { NO_FULL_BEND } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { moves, feels, push, decides, figure } from '../figures.ts';
import { agreed } from '../worth.ts';

/** The heel taken to the buttock, the pelvis felt for a lift. */
export const elyProne = defineProcedure(
  {
    id: 'ely-prone',
    names: ['Ely test', 'prone knee bend'],
    title: 'Heel taken to the buttock, the pelvis felt for a lift',
    indication: 'A pull at the front of the thigh, or a back that arches on bending the knee.',
    region: 'hip',
    kind: 'length',
    structures: ['rectus femoris'],
    patient: 'Lies face down, legs straight, no pillow under the belly.',
    examiner:
      'At the tested side; a flat hand on the same side of the pelvis feels, it does not pin.',
    steps: [
      'Bend the knee slowly, three to five seconds.',
      'Note the knee angle at the first movement of the pelvis.',
      'Other side.',
    ],
    schools: [
      {
        key: 'first-lift',
        label: 'Angle at first lift',
        description: 'Knee angle where the pelvis first moves.',
      },
      {
        key: 'gap',
        label: 'Heel gap',
        description: 'Gap of heel and buttock by tape.',
        criterion: 'gap to 5 cm',
      },
    ],
    figure: figure(
      'prone',
      { leg: { kneeFlexion: 135, ankleDorsiflexion: -20 } },
      {
        from: { leg: {} },
        decides: decides('kneeFlexion', 130, 145),
        hands: [feels('pelvis', 0.7, 'back'), moves('shank', 0.9, 'front')],
        forces: [push('shank', 0.9, 'back', 'front')],
        region: ['thigh', 'shank'],
      },
    ),
    loads: [{ structure: 'rectus femoris', mode: 'stretch' }],
    voids: NO_FULL_BEND,
    numbers: [
      {
        item: 'angle',
        healthy: 135,
        tolerance: 5,
        half: 10,
        by: [{ structure: 'rectus femoris', state: 'tight', values: [120, 105, 90] }],
      },
    ],
    findings: [
      yesNo(
        'lift',
        'States whether the pelvis lifts early',
        ['stiffness'],
        ['From 130°', 'Earlier'],
      ),
    ],
    positive: 'The buttock rises before the knee reaches 130 degrees.',
    negative: '130 degrees or heel to buttock with the pelvis still.',
    rules: [
      { when: 'Tight stretch at the front of the thigh', speaksFor: 'muscle' },
      { when: 'Burning down the thigh', speaksFor: 'femoral nerve' },
      { when: 'Knee stops, pelvis still', speaksFor: 'knee' },
    ],
    confounders: ['Arthritis of the knee', 'A hollow back'],
    doesNotProve: 'A short iliopsoas: that muscle does not cross the knee.',
    worth: [agreed(0.46, 'Peeler & Anderson 2008')],
    followUp: ['modified-thomas'],
    contraindications: ['Extensor tendon repair', 'Cannot lie face down'],
    measurements: [
      {
        what: 'knee flexion at first lift',
        landmarks: 'trochanter, condyle, malleolus',
        unit: '°',
        instrument: 'goniometer',
        normal: '130 or more',
        tolerance: '5',
      },
    ],
  },
  {
    task: 'Perform the prone knee bend and read the angle at the first lift.',
    items: [
      prepare.asked(
        'screens',
        'Asks about knee surgery',
        flagged('A repaired tendon is not stretched.'),
      ),
      position.done('in-line', 'Sets the hip in line with the trunk'),
      position.done('hand', 'Lays a flat hand on the same side of the pelvis'),
      perform.measured('seconds', 'Seconds of bending', 's', [3, 5], { half: 1, from: 0, to: 20 }),
      perform.done(
        'stops',
        'Stops at the first movement of the pelvis',
        flagged('Pushing on strains back or knee.'),
      ),
      perform.measured('angle', 'Knee flexion at the first lift', '°', [110, 145], {
        full: 5,
        half: 10,
        from: 0,
        to: 150,
      }),
      interpret.done('names', 'Names rectus femoris'),
      interpret.graded('three', 'Tells muscle, nerve, knee apart', ['None', 'Two', 'All three']),
    ],
    faults: [
      ['Pelvis not felt', 'hand'],
      ['Pushes through the rise', 'stops'],
      ['Too fast', 'seconds'],
      ['Calls it iliopsoas', 'names'],
    ],
    cautions: ['Stop at nerve pain.'],
    stopRule: 'Stop at nerve pain, knee pain, back pain, or the word stop.',
    patient: { condition: 'rectus-tightness', side: 'right' },
  },
);

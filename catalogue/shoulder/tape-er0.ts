import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, critical } from '../items.ts';
import { yesNo } from '../findings.ts';
import { tape, holds, decides, figure, moves, push } from '../figures.ts';

/** The gap from navel to wrist with the arm turned out at the side. */
export const tapeEr0 = defineProcedure(
  {
    id: 'tape-er0',
    names: ['Tape: outward turn at the side'],
    title: 'Gap from navel to wrist with the arm turned out',
    indication: 'A stiff shoulder whose outward turn is followed over weeks.',
    region: 'shoulder',
    kind: 'rom',
    structures: ['shoulder capsule'],
    patient: 'Sits or stands, arm at the ribs, elbow at 90, thumb up.',
    examiner: 'In front.',
    steps: [
      'Turn out as far as it goes, active or passive as declared.',
      'Tape straight from navel to wrist.',
    ],
    schools: [
      { key: 'active', label: 'Active', description: 'By the person.', force: 'by the patient' },
      {
        key: 'passive',
        label: 'Passive',
        description: 'Needed to speak of the capsule.',
        force: 'by the examiner',
        drawn: {
          hands: [holds('upperArm', 0.9, 'outer'), moves('forearm', 0.95, 'inner')],
          forces: [push('forearm', 0.9, 'outer', 'inner')],
        },
      },
    ],
    figure: figure(
      'standing',
      { arm: { shoulderAbduction: 4, shoulderRotation: -55, elbowFlexion: 90 } },
      {
        from: { arm: { shoulderAbduction: 4, elbowFlexion: 90 } },
        decides: decides('shoulderRotation', -80, -45),
        hands: [holds('forearm', 0.95, 'front')],
        forces: [],
        props: [tape(['trunk', 0.15, 'front'], ['forearm', 1, 'front'])],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [{ structure: 'shoulder capsule', mode: 'motion' }],
    numbers: [
      {
        item: 'gap',
        healthy: 38,
        tolerance: 1.5,
        half: 3,
        by: [{ structure: 'shoulder capsule', state: 'stiff', values: [32, 26, 20] }],
      },
    ],
    findings: [
      yesNo('loss', 'States the side difference', ['stiffness'], ['Under 5 cm', '5 cm or more']),
    ],
    positive: 'Five centimetres less than the other side (common practice, no source).',
    negative: 'Within five.',
    rules: [
      { when: 'Loss without injury', speaksFor: 'a frozen shoulder is possible' },
      {
        when: 'Loss after injury or seizure',
        speaksFor: 'locked dislocation or fracture: image first',
      },
    ],
    confounders: ['A large belly', 'A weak cuff in the active form'],
    doesNotProve: 'A frozen shoulder without global passive loss.',
    followUp: ['infraspinatus-er-side'],
    contraindications: ['Injury or seizure: image first'],
    measurements: [
      {
        what: 'navel to wrist',
        landmarks: 'navel, radial styloid',
        unit: 'cm',
        instrument: 'tape',
        normal: 'sides within 5',
        tolerance: '1.5',
      },
    ],
  },
  {
    task: 'Measure the outward turn by tape and say what a loss means.',
    items: [
      prepare.asked(
        'screens',
        'Asks about injury or seizure',
        critical('A locked dislocation is imaged, not turned.'),
      ),
      position.measured('elbow', 'Elbow angle', '°', [80, 100], { half: 10 }),
      position.done('thumb', 'Has the thumb up'),
      position.done('square', 'Has the trunk square'),
      perform.asked('declares', 'Declares active or passive'),
      perform.done('straight', 'Draws the tape from navel to wrist'),
      perform.measured('gap', 'Gap read', 'cm', [25, 50], {
        full: 1.5,
        half: 3,
        step: 0.5,
        to: 80,
      }),
      perform.done('ribs', 'Keeps the elbow at the ribs'),
      interpret.done('frozen', 'Says what a loss without injury may be'),
      interpret.done('better', 'Says that larger is better'),
    ],
    faults: [
      ['Elbow off the side', 'ribs'],
      ['Trunk turns', 'square'],
      ['Forearm turns', 'thumb'],
      ['Not declared', 'declares'],
    ],
    cautions: ['Loss after an injury: image first.'],
    stopRule: 'Stop at fear, sharp pain, or the word stop.',
    patient: { condition: 'frozen-shoulder', side: 'left' },
  },
);

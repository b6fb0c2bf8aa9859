import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, easesOff, flagged } from '../items.ts';
import { countsFrom, present, yesNo } from '../findings.ts';
import { holds, moves, decides, figure } from '../figures.ts';
import { memory } from '../worth.ts';

/** The shin swung in and out with hip and knee at right angles. */
export const hipRotation9090 = defineProcedure(
  {
    id: 'hip-rotation-90-90',
    names: ['Hip rotation at 90 degrees'],
    title: 'Shin swung in and out with hip and knee at right angles',
    indication: 'Groin pain on twisting or sitting, or a suspected worn hip.',
    region: 'hip',
    kind: 'rom',
    structures: ['hip joint'],
    patient: 'Lies on the back, hip and knee at 90 degrees.',
    examiner: 'At the tested side; one hand at the knee, one at the ankle.',
    steps: [
      'Foot outwards is internal rotation, foot inwards external.',
      'Move slowly to the first rise of the pelvis, both ways.',
      'Read both angles.',
    ],
    schools: [
      { key: 'supine', label: 'Lying', description: 'Hip at 90 degrees.' },
      {
        key: 'seated',
        label: 'Sitting',
        description: 'Over the edge, commonest in clinics.',
        positions: 'sitting',
        figure: figure(
          'sitting',
          { leg: { hipFlexion: 88, kneeFlexion: 88, hipRotation: 30 } },
          {
            decides: decides('hipRotation', 30, 45),
            hands: [holds('thigh', 0.9, 'front'), moves('shank', 0.9, 'inner')],
            forces: [],
            region: ['thigh', 'shank'],
          },
        ),
      },
    ],
    figure: figure(
      'supine',
      { leg: { hipFlexion: 90, kneeFlexion: 90, hipRotation: 30 } },
      {
        from: { leg: { hipFlexion: 90, kneeFlexion: 90 } },
        decides: decides('hipRotation', 30, 45),
        hands: [holds('thigh', 0.9, 'front'), moves('shank', 0.9, 'inner')],
        forces: [],
        region: ['thigh', 'shank'],
      },
    ),
    loads: [
      { structure: 'hip joint', mode: 'motion' },
      { structure: 'hip joint', mode: 'twist' },
    ],
    numbers: [
      {
        item: 'internal',
        healthy: 40,
        tolerance: 5,
        half: 10,
        by: [
          { structure: 'hip joint', state: 'stiff', values: [25, 15, 5] },
          { structure: 'hip joint', state: 'worn', values: [35, 28, 20] },
          { structure: 'hip joint', state: 'irritated', values: [38, 34, 30] },
        ],
      },
      {
        item: 'external',
        healthy: 50,
        tolerance: 5,
        half: 10,
        by: [
          { structure: 'hip joint', state: 'stiff', values: [42, 32, 20] },
          { structure: 'hip joint', state: 'worn', values: [48, 44, 40] },
        ],
      },
    ],
    findings: [
      yesNo('pain', 'States whether there is groin pain', ['pain'], ['None', 'Groin pain']),
      countsFrom(
        2,
        present(
          'loss',
          'States whether internal rotation is lost',
          ['stiffness'],
          ['30° or more', '20 to 29°: borderline', 'Under 20°'],
        ),
        'equivocal',
      ),
    ],
    positive:
      'Internal rotation under 20, pain, or 10 less than the other side; 20 to 29 is borderline.',
    negative: 'Internal from 30, external from 45, painless.',
    rules: [
      { when: 'Internal rotation lost with flexion', speaksFor: 'arthritis of the hip' },
      { when: 'Groin pain on internal rotation', speaksFor: 'the inside of the joint' },
      { when: 'Internal much more than external', speaksFor: 'forward twist of the femur' },
    ],
    confounders: ['A knee ligament that gives'],
    doesNotProve: 'The cause of the loss.',
    worth: [memory('hip arthritis rule', 0.86, 0.75, 'Altman 1991')],
    followUp: ['faber'],
    measurements: [
      {
        what: 'hip rotation',
        landmarks: 'centre of kneecap, shin',
        unit: '°',
        instrument: 'goniometer',
        normal: 'internal 30 to 45, external 45 to 60',
        tolerance: '5',
      },
    ],
    contraindications: ['Hip replacement', 'Slipped growth plate of the hip'],
  },
  {
    task: 'Measure both rotations of the hip and name them rightly.',
    items: [
      prepare.asked(
        'screens',
        'Asks about hip replacement',
        flagged('Bending with inward turn can dislocate a replaced hip.'),
      ),
      position.measured('hip', 'Hip flexion', '°', [85, 95], { from: 0, to: 130 }),
      perform.done('upright', 'Keeps the thigh upright'),
      perform.done('pelvis', 'Stops at the first rise of the pelvis'),
      perform.measured('internal', 'Internal rotation read', '°', [15, 45], {
        full: 5,
        half: 10,
        from: 0,
        to: 80,
      }),
      perform.measured('external', 'External rotation read', '°', [30, 60], {
        full: 5,
        half: 10,
        from: 0,
        to: 90,
      }),
      easesOff('Stops at groin pain'),
      interpret.done('names', 'Says that foot out is internal rotation'),
      interpret.graded('pattern', 'Reads the pattern of loss', ['Not', 'In part', 'Read']),
    ],
    faults: [
      ['Names swapped', 'names'],
      ['Thigh tilts', 'upright'],
      ['Pelvis rolls', 'pelvis'],
      ['Pushes into pain', 'eases-off'],
    ],
    cautions: ['An adolescent with a limp: image first.'],
    stopRule: 'Stop at groin pain, knee pain, or the word stop.',
    patient: { condition: 'hip-irritation', side: 'right' },
  },
);

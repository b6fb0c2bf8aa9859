import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, critical } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, push, decides, figure, own } from '../figures.ts';
import { memory } from '../worth.ts';

/** The straight leg lifted for range, symmetry and symptoms. */
export const slrRange = defineProcedure(
  {
    id: 'slr-range',
    names: ['Straight leg raise'],
    title: 'Straight leg lifted for range, symmetry and symptoms',
    indication: 'Back pain with pain below the knee, or tight hamstrings.',
    region: 'hip',
    kind: 'length',
    structures: ['hamstrings', 'sciatic nerve'],
    patient: 'Lies on the back, one pillow at most.',
    examiner: 'At the tested side; one hand under the heel, one above the kneecap.',
    steps: [
      'Lift slowly with the knee straight to the first bend, tilt or symptom.',
      'Watch the other leg.',
      'Ask where and what.',
    ],
    schools: [
      { key: 'passive', label: 'Passive', description: 'The examiner lifts.' },
      {
        key: 'active',
        label: 'Active',
        description: 'The person lifts.',
        drawn: {
          hands: [holds('pelvis', 0.8, 'front')],
          forces: [own(push('shank', 0.9, 'front'))],
        },
        force: 'by the patient',
      },
    ],
    figure: figure(
      'supine',
      { leg: { hipFlexion: 75, kneeFlexion: 0 } },
      {
        from: { leg: {} },
        decides: decides('hipFlexion', 70, 90),
        hands: [moves('shank', 0.95, 'back'), holds('thigh', 0.85, 'front')],
        forces: [push('shank', 0.95, 'front', 'back')],
        region: ['thigh', 'shank'],
      },
    ),
    loads: [
      { structure: 'hamstrings', mode: 'stretch' },
      { structure: 'sciatic nerve', mode: 'stretch' },
    ],
    numbers: [
      {
        item: 'angle',
        healthy: 85,
        tolerance: 5,
        half: 10,
        by: [
          { structure: 'hamstrings', state: 'tight', values: [65, 55, 45] },
          { structure: 'sciatic nerve', state: 'compressed', values: [60, 45, 35] },
        ],
      },
    ],
    findings: [
      yesNo(
        'range',
        'States the class of the range',
        ['stiffness', 'tingling'],
        ['70° or more', 'Short'],
      ),
      yesNo(
        'nerve',
        'States whether there is pain below the knee',
        ['tingling'],
        ['None', 'Below the knee'],
      ),
    ],
    positive:
      'Less than 70 degrees or 10 less than the other side; as a nerve sign: familiar pain below the knee at 30 to 70.',
    negative: 'From 70, sides alike, no symptoms.',
    rules: [
      { when: 'Pull at the back of the thigh', speaksFor: 'hamstrings' },
      { when: 'Pain below the knee, more with the foot drawn up', speaksFor: 'nerve root' },
      { when: 'The other leg lifts', speaksFor: 'stiff flexors of the other hip' },
    ],
    confounders: ['A knee that bends'],
    doesNotProve: 'A nerve verdict by range alone.',
    worth: [
      memory('disc herniation', 0.91, 0.26, 'Deville 2000'),
      memory('disc herniation, crossed sign', 0.29, 0.88, 'Deville 2000'),
    ],
    measurements: [
      {
        what: 'hip flexion',
        landmarks: 'trochanter, trunk, condyle',
        unit: '°',
        instrument: 'inclinometer',
        normal: '70 to 90',
        tolerance: '5',
      },
    ],
    followUp: ['hamstring-90-90', 'hip-flexion-lumbar-monitor'],
    contraindications: ['Bladder or bowel change: stop and refer'],
  },
  {
    task: 'Perform the straight leg raise and tell muscle from nerve.',
    items: [
      prepare.asked(
        'red-flags',
        'Asks about bladder or bowel change',
        critical('Loss of control is an emergency.'),
      ),
      position.done('pillow', 'Has one pillow at most'),
      perform.asked('declares', 'Declares active or passive'),
      perform.done('straight', 'Keeps the lifted knee straight'),
      perform.measured('seconds', 'Seconds of lifting', 's', [3, 5], { half: 1, from: 0, to: 20 }),
      perform.asked('down-leg', 'Says whether the other leg moves'),
      perform.asked('where', 'Asks where the symptoms are'),
      perform.measured('angle', 'Hip flexion read', '°', [60, 100], {
        full: 5,
        half: 10,
        from: 0,
        to: 120,
      }),
      interpret.graded('muscle-nerve', 'Tells muscle from nerve', ['Not told', 'Unsure', 'Told']),
    ],
    faults: [
      ['Knee bends', 'straight'],
      ['Other leg not watched', 'down-leg'],
      ['No question', 'where'],
      ['Too fast', 'seconds'],
    ],
    cautions: ['Pain below the knee: lower again.'],
    stopRule: 'Stop at pain below the knee or the word stop.',
    patient: { condition: 'sciatic-irritation', side: 'right' },
  },
);

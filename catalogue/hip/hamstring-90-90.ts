import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, push, decides, figure, own } from '../figures.ts';
import { said } from '../worth.ts';

/** The knee straightened from hip and knee at right angles. */
export const hamstring9090 = defineProcedure(
  {
    id: 'hamstring-90-90',
    names: ['90-90 hamstring test', 'popliteal angle', 'knee extension angle'],
    title: 'Knee straightened from hip and knee at right angles',
    indication:
      'A pull at the back of the thigh on bending forwards, or a sprinter before training.',
    region: 'hip',
    kind: 'length',
    structures: ['hamstrings', 'sciatic nerve'],
    patient: 'Lies on the back, tested hip and knee at 90 degrees, the other leg flat.',
    examiner: 'At the tested side; trunk holds the thigh upright, hand at the heel.',
    steps: [
      'Hold the other thigh down.',
      'Straighten slowly to the first firm resistance, hold two seconds.',
      'Read how far it is short of straight.',
    ],
    schools: [
      { key: 'passive', label: 'Passive', description: 'The examiner straightens.' },
      {
        key: 'active',
        label: 'Active',
        description: 'The person straightens; usually 5 to 15 degrees less.',
        drawn: {
          pose: { leg: { kneeFlexion: 20 } },
          hands: [holds('thigh', 0.75, 'front')],
          forces: [own(push('shank', 0.9, 'front'))],
        },
        force: 'by the patient',
      },
    ],
    figure: figure(
      'supine',
      { leg: { hipFlexion: 90, kneeFlexion: 15 } },
      {
        from: { leg: { hipFlexion: 90, kneeFlexion: 90 } },
        decides: decides('kneeFlexion', 0, 20),
        hands: [holds('thigh', 0.75, 'front'), moves('shank', 0.92, 'back')],
        forces: [push('shank', 0.9, 'front', 'back')],
        region: ['thigh', 'shank'],
      },
    ),
    loads: [
      { structure: 'hamstrings', mode: 'stretch' },
      { structure: 'sciatic nerve', mode: 'stretch' },
    ],
    numbers: [
      {
        item: 'deficit',
        healthy: 15,
        tolerance: 5,
        half: 10,
        by: [
          { structure: 'hamstrings', state: 'tight', values: [30, 40, 55] },
          { structure: 'sciatic nerve', state: 'compressed', values: [25, 35, 45] },
        ],
      },
    ],
    findings: [
      yesNo(
        'short',
        'States the class by the declared cut-off',
        ['stiffness', 'tingling'],
        ['Within the cut-off', 'Over the cut-off'],
      ),
      yesNo('nerve', 'States whether there is tingling', ['tingling'], ['None', 'Tingling']),
    ],
    positive:
      'Further short of straight than the declared cut-off (20 degrees here); a side difference of 10 weighs more.',
    negative: 'Short by the declared cut-off at most.',
    rules: [
      { when: 'Stretch at the back of the thigh', speaksFor: 'muscle' },
      { when: 'Tingling, changed by the foot or neck', speaksFor: 'nerve' },
      { when: 'Hard block', speaksFor: 'knee' },
    ],
    confounders: ['A thigh that falls from upright', 'A pelvis that rolls'],
    doesNotProve: 'Illness: many healthy people are over 20.',
    followUp: ['slr-range'],
    measurements: [
      {
        what: 'deficit of extension',
        landmarks: 'trochanter, condyle, malleolus',
        unit: '°',
        instrument: 'goniometer',
        normal: 'to 20 by convention; measured means are higher',
        tolerance: '5',
      },
    ],
    worth: [said('healthy adults', 'about 39 short in men, 28 in women', 'Youdas 2005')],
    contraindications: [
      'Acute hamstring tear',
      'Nerve root signs',
      'Hip replacement: not beyond 90',
    ],
  },
  {
    task: 'Perform the 90-90 test and tell muscle from nerve.',
    items: [
      prepare.asked(
        'screens',
        'Asks about tingling in the leg',
        flagged('A nerve is not stretched for length.'),
      ),
      position.done('other-flat', 'Holds the other thigh flat'),
      position.measured('hip', 'Hip flexion', '°', [85, 95], { from: 0, to: 130 }),
      perform.done('upright', 'Keeps the thigh upright'),
      perform.done('ankle', 'Leaves the ankle relaxed'),
      perform.measured('seconds', 'Seconds of straightening', 's', [3, 5], {
        half: 1,
        from: 0,
        to: 20,
      }),
      perform.done(
        'stops',
        'Stops at the first firm resistance',
        flagged('Force tears a tight muscle.'),
      ),
      perform.measured('deficit', 'Deficit read', '°', [10, 40], {
        full: 5,
        half: 10,
        from: 0,
        to: 90,
      }),
      interpret.graded('three', 'Tells muscle, nerve, joint apart', ['None', 'Two', 'All three']),
    ],
    faults: [
      ['Other thigh not held', 'other-flat'],
      ['Thigh falls', 'upright'],
      ['Foot forced up', 'ankle'],
      ['Bounces', 'seconds'],
    ],
    cautions: ['Electric pain: stop.'],
    stopRule: 'Stop at electric pain, tearing pain, or the word stop.',
    patient: { condition: 'hamstring-tightness', side: 'right' },
  },
);

import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { holds, moves, push, decides, figure, own } from '../figures.ts';
import { memory, said } from '../worth.ts';

/** Wrist and thumb tilted step by step, ending at the first pain. */
export const finkelsteinStaged = defineProcedure(
  {
    id: 'finkelstein-staged',
    names: ['Finkelstein test', 'Eichhoff manoeuvre (fist form)'],
    title: 'Step-by-step tilt of wrist and thumb, stopping at the first pain',
    indication: 'Pain over the thumb side of the wrist on lifting.',
    region: 'wrist',
    kind: 'provocation',
    structures: ['first dorsal compartment'],
    patient: 'Sits, forearm thumb up on a table, hand over the edge.',
    examiner: 'In front or at the side.',
    steps: [
      'Ask for the fingertip site.',
      'One: the hand sinks by itself.',
      'Two: tilt it gently by the hand bones.',
      'Three: bend the thumb into the palm. Two to three seconds each; end at the first stage with known pain.',
    ],
    schools: [
      {
        key: 'staged',
        label: 'Staged',
        description: 'Three stages: provokes least.',
        order: 'active, passive, thumb',
      },
      {
        key: 'single',
        label: 'Single pull',
        description: 'The examiner draws the thumb into the tilt at once.',
        drawn: { hands: [holds('forearm', 0.8, 'outer'), moves('hand', 0.75, 'front')] },
        hands: 'on the thumb',
      },
      {
        key: 'fist',
        label: 'Fist (Eichhoff)',
        description: 'Thumb in the fist, then tilted: often taught, hurts healthy wrists.',
        hands: 'none: the patient tilts, thumb in the fist',
        drawn: { hands: [], forces: [own(push('hand', 0.5, 'back', 'front'))] },
        criterion: 'more false positives',
      },
      {
        key: 'what',
        label: 'Bent wrist, thumb lifted',
        description: 'The patient lifts the thumb against resistance, wrist bent.',
        angles: 'wrist fully bent',
        drawn: {
          pose: { arm: { wristUlnarDeviation: 0, wristExtension: -70 } },
          from: { arm: { wristExtension: -70 } },
          decides: null,
          hands: [holds('forearm', 0.8, 'outer'), moves('hand', 0.5, 'front')],
          forces: [own(push('hand', 0.5, 'front'))],
        },
        force: 'resisted thumb lift',
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 35,
          shoulderAbduction: 6,
          elbowFlexion: 65,
          wristUlnarDeviation: 35,
        },
      },
      {
        from: { arm: { shoulderFlexion: 35, shoulderAbduction: 6, elbowFlexion: 65 } },
        decides: decides('wristUlnarDeviation', 30, 40),
        hands: [holds('forearm', 0.8, 'outer'), moves('hand', 0.4, 'front')],
        forces: [push('hand', 0.5, 'back', 'front')],
        region: ['forearm', 'hand'],
        closeUp: 'wrist',
      },
    ),
    loads: [{ structure: 'first dorsal compartment', mode: 'stretch' }],
    findings: [
      {
        key: 'grade',
        text: 'States the stage of the first known pain',
        options: [
          { key: 'grade-0', label: 'None', call: 0 },
          { key: 'grade-1', label: 'Stage 3', call: 1 },
          { key: 'grade-2', label: 'Stage 2', call: 2 },
          { key: 'grade-3', label: 'Stage 1', call: 3 },
        ],
        reading: { kind: 'grade', sign: 'pain' },
      },
    ],
    positive: 'Known fingertip pain at the bony tip of the thumb side.',
    negative: 'A pull only.',
    rules: [
      { when: 'Earlier stage', speaksFor: 'more irritable' },
      { when: 'Thumb base', speaksFor: 'joint' },
      { when: 'Tingling', speaksFor: 'skin nerve' },
      { when: 'Stage 3 only, no tenderness', speaksFor: 'weak evidence' },
    ],
    confounders: [
      'Stage 3 or the fist in healthy wrists',
      'A thumb that presses the tendon',
      'Irritated crossing tendons, a hand’s breadth above the wrist',
    ],
    doesNotProve: 'The disease on its own; the sheath is thickened more than inflamed.',
    worth: [
      memory('fist form', 0.89, 0.14, 'Goubau 2014'),
      memory('bent wrist, thumb lifted', 0.99, 0.29, 'Goubau 2014'),
      said('staged form', 'described', 'Dawson & Mudgal 2010'),
      said('single pull', 'more specific than the fist in healthy wrists', 'Wu 2018'),
    ],
    followUp: ['epb-entrapment-followup', 'first-dorsal-compartment-palpation'],
    contraindications: ['Fresh fracture', 'Unstable or arthritic wrist', 'Recent release'],
  },
  {
    task: 'Perform the staged test of the thumb tendons.',
    items: [
      prepare.asked(
        'screen',
        'Asks about fracture or wrist surgery',
        flagged('A broken wrist must not be tilted.'),
      ),
      prepare.asked('neutral', 'Explains without naming the expected pain'),
      position.done('edge', 'Supports the forearm thumb up, hand over the edge'),
      perform.graded('stages', 'Takes the stages in order', [
        'Straight to the thumb',
        'Skips one',
        'In order',
      ]),
      perform.done('bones', 'Moves from hand bones or thumb, not fingers'),
      perform.done(
        'slow',
        'Takes two seconds or more for each stage',
        flagged('A jerk hurts a healthy wrist.'),
      ),
      perform.done(
        'ends',
        'Ends at the first known pain',
        flagged('Going on after pain harms the patient.'),
      ),
      perform.done('off-tendon', 'Keeps off the tendon while stretching'),
      interpret.done('fingertip', 'Asks for the fingertip site at each stage'),
      interpret.graded('states', 'States stage, site, one false positive', [
        'One',
        'Two',
        'All three',
      ]),
    ],
    faults: [
      ['Straight to the fist', 'stages'],
      ['Predicts the pain', 'neutral'],
      ['Forearm loose', 'edge'],
      ['Grips fingers', 'bones'],
      ['Goes on after pain', 'ends'],
      ['Thumb on the tendon', 'off-tendon'],
    ],
    cautions: ['Every stage can be the last.'],
    stopRule: 'Stop at the first known pain or the word stop.',
    patient: { condition: 'de-quervain', side: 'left' },
  },
);

import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, push, decides, figure } from '../figures.ts';

/** The hip taken through six arcs with the pelvis watched. */
export const hipRangePassive = defineProcedure(
  {
    id: 'hip-range-passive',
    names: ['Passive hip range'],
    title: 'Hip through six arcs, pelvis watched',
    indication: 'Every hip that hurts or is stiff.',
    region: 'hip',
    kind: 'rom',
    structures: ['hip joint'],
    patient: 'Lies on the back; face down or standing with a support for extension.',
    examiner: 'At the tested side.',
    steps: [
      'Bend with the knee bent.',
      'Turn both ways, hip and knee at 90.',
      'Out, across, then back.',
      'Stop each when the pelvis moves.',
    ],
    schools: [
      {
        key: 'prone-extension',
        label: 'Extension face down',
        description: 'The usual way.',
        positions: 'prone for extension',
      },
      {
        key: 'standing-extension',
        label: 'Extension standing',
        description: 'Only with the couch as a support.',
        drawn: {
          position: 'standing',
          afresh: true,
          pose: {
            leg: { hipFlexion: -18 },
            arm: { shoulderFlexion: 45, elbowFlexion: 30 },
            otherArm: { shoulderFlexion: 45, elbowFlexion: 30 },
          },
          decides: decides('hipFlexion', -30, -10),
          hands: [holds('pelvis', 0.7, 'back'), moves('thigh', 0.85, 'front')],
          forces: [push('thigh', 0.85, 'back', 'front')],
        },
        positions: 'standing for extension',
      },
    ],
    figure: figure(
      'supine',
      { leg: { hipFlexion: 90, kneeFlexion: 90, hipRotation: 35 } },
      {
        from: { leg: { hipFlexion: 90, kneeFlexion: 90 } },
        decides: decides('hipRotation', 30, 45),
        hands: [holds('thigh', 0.9, 'front'), moves('shank', 0.85, 'inner')],
        forces: [push('shank', 0.85, 'outer', 'inner')],
        region: ['thigh', 'shank'],
      },
    ),
    loads: [
      { structure: 'hip joint', mode: 'motion' },
      { structure: 'hip joint', mode: 'twist' },
      { structure: 'hip adductors', mode: 'stretch' },
      { structure: 'hip flexors', mode: 'stretch' },
      { structure: 'iliotibial band at the hip', mode: 'stretch' },
    ],
    numbers: [
      {
        item: 'rotation',
        healthy: 40,
        tolerance: 5,
        half: 10,
        by: [
          { structure: 'hip joint', state: 'stiff', values: [28, 18, 8] },
          { structure: 'hip joint', state: 'worn', values: [35, 28, 20] },
          { structure: 'hip joint', state: 'irritated', values: [38, 34, 30] },
        ],
      },
    ],
    findings: [
      yesNo(
        'short',
        'States whether an arc is short or painful',
        ['stiffness', 'pain', 'crepitus'],
        ['All full', 'Short or painful'],
      ),
    ],
    positive: 'Short or painful against the other side.',
    negative: 'About 120 bent, 45 each turn, 45 out, 30 across, 20 back, alike.',
    rules: [
      { when: 'Inward turn lost first', speaksFor: 'joint' },
      {
        when: 'Straight leg limited',
        speaksFor: 'hamstrings, not the hip, though some teach it so',
      },
    ],
    confounders: [
      'A pelvis that follows',
      'The foot moves against the turn of a bent hip',
      'Dancers, sprinters and hurdlers have norms of their own',
    ],
    doesNotProve: 'Arthritis.',
    worth: [
      {
        of: 'norms',
        text: '120, 45, 45, 45, 30, 20',
        source: 'AAOS 1965',
        sourceKind: 'from memory',
      },
    ],
    followUp: [
      'hip-rotation-90-90',
      'hip-flexion-lumbar-monitor',
      'hip-adduction',
      'hip-extension-standing',
    ],
    contraindications: [
      'Hip replacement: no bend over 90, nothing past the midline, no inward turn when bent, unless the surgeon’s rules allow',
      'Fracture risk',
    ],
  },
  {
    task: 'Take the hip through six arcs.',
    items: [
      prepare.asked(
        'replacement',
        'Asks about hip replacement',
        flagged('A replaced hip can dislocate.'),
      ),
      prepare.asked('support', 'Has both hands on a fixed support before the leg goes back', {
        ...flagged('Without a support the patient can fall.'),
        variants: ['standing-extension'],
      }),
      position.done('level', 'Has the pelvis level'),
      perform.graded('six', 'Performs six arcs', ['Four or fewer', 'Five', 'Six']),
      perform.graded('pelvis', 'Ends the arc where the pelvis begins to move', [
        'In up to three arcs',
        'In four or five',
        'In all six',
      ]),
      perform.done('slow', 'Takes two seconds or more for each arc'),
      interpret.measured('rotation', 'Inward turn stated', '°', [30, 50], {
        half: 5,
        from: 0,
        to: 90,
      }),
      interpret.done('names', 'Names each arc by the thigh without swapping turns'),
    ],
    faults: [
      ['Pelvis moves, reading goes on', 'pelvis'],
      ['Turn named from the foot', 'names'],
      ['No support', 'support'],
      ['Arc missed', 'six'],
    ],
    cautions: ['Replaced hips follow the surgeon’s rules.'],
    stopRule: 'Stop at groin pain or the word stop.',
    patient: { condition: 'hip-arthritis', side: 'right' },
  },
);

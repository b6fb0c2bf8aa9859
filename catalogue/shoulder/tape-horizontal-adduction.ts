import { ARM_OUT_OF_REACH } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { push, own, decides, figure, holds, moves } from '../figures.ts';

/** The gap from elbow to the opposite shoulder, pulled across by the own hand. */
export const tapeHorizontalAdduction = defineProcedure(
  {
    id: 'tape-horizontal-adduction',
    names: ['Tape: cross-body gap'],
    title: 'Gap from elbow to the opposite shoulder',
    indication: 'A thrower or a stiff shoulder with a tight back of the capsule.',
    region: 'shoulder',
    kind: 'length',
    structures: ['posterior shoulder capsule'],
    patient: 'Sits upright, arm at 90 in front, pulled across by the other hand.',
    examiner: 'In front, holding the tape only.',
    steps: [
      'Pull to the end and hold.',
      'Tape from the tip of the elbow to the opposite top of the shoulder.',
    ],
    schools: [
      { key: 'self-pull', label: 'Self-pull', description: 'Blade free.', force: 'by the patient' },
      {
        key: 'pinned',
        label: 'Blade pinned',
        description: 'Passive, purer.',
        force: 'by the examiner, blade held',
        drawn: {
          hands: [holds('trunk', 0.85, 'outer'), moves('upperArm', 0.9, 'outer')],
          forces: [push('upperArm', 0.9, 'inner', 'outer')],
        },
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 0,
          shoulderAbduction: 90,
          shoulderHorizontalAdduction: 118,
          elbowFlexion: 70,
        },
      },
      {
        decides: decides('shoulderHorizontalAdduction', 100, 130),
        hands: [],
        forces: [own(push('upperArm', 0.9, 'inner', 'outer'))],
        props: [
          {
            kind: 'tape',
            from: { segment: 'upperArm', at: 1, surface: 'below' },
            to: { segment: 'upperArm', at: 0, surface: 'above', other: true },
          },
        ],
        region: ['upperArm'],
      },
    ),
    loads: [{ structure: 'posterior shoulder capsule', mode: 'stretch' }],
    voids: ARM_OUT_OF_REACH,
    findings: [yesNo('gap', 'States the side difference', ['stiffness'], ['To 4 cm', 'Over 4 cm'])],
    positive: 'Over four centimetres more than the other side (common practice, no source).',
    negative: 'Within four.',
    confounders: ['A blade that slides'],
    doesNotProve: 'A tight capsule alone.',
    followUp: ['girdle-5-horizontal-adduction-fixed-free'],
    contraindications: ['Posterior instability'],
    measurements: [
      {
        what: 'elbow to shoulder',
        landmarks: 'olecranon, opposite acromion',
        unit: 'cm',
        instrument: 'tape',
        normal: 'sides within 4',
        tolerance: '1.5',
      },
    ],
  },
  {
    task: 'Measure the cross-body gap by tape.',
    items: [
      prepare.asked(
        'screens',
        'Asks about posterior instability',
        flagged('The arm bone can slip out backwards.'),
      ),
      position.measured('flexion', 'Arm elevation in front', '°', [80, 100], { half: 10 }),
      position.done('square', 'Has the trunk square'),
      perform.done('same-words', 'Gives the same words on each side'),
      perform.done('elbow', 'Starts the tape at the tip of the elbow'),
      perform.done('acromion', 'Leads it to the opposite top of the shoulder'),
      perform.done('site', 'Asks for the site of pain'),
      interpret.done('why', 'Says which complaint it is added for'),
      interpret.done('better', 'Says that smaller is better'),
    ],
    faults: [
      ['Elbow drops', 'flexion'],
      ['Trunk twists', 'square'],
      ['Wrong shoulder top', 'acromion'],
      ['Site not asked', 'site'],
    ],
    cautions: ['A clunk: stop.'],
    stopRule: 'Stop at a clunk, sharp pain on top, or the word stop.',
    patient: { condition: 'tight-posterior-capsule', side: 'right' },
  },
);

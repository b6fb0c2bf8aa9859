import { defineProcedure } from '../define.ts';
import { position, perform, interpret } from '../items.ts';
import { site } from '../findings.ts';
import { holds, figure, moves, push, own } from '../figures.ts';

/** Both palms side by side, for the bulk of their muscles. */
export const thenarHypothenarInspection = defineProcedure(
  {
    id: 'thenar-hypothenar-inspection',
    names: ['Wasting of the hand', 'thenar and hypothenar inspection'],
    title: 'Looking at hand-muscle bulk',
    indication: 'Numb fingers, weak grip or a dropped cup.',
    region: 'wrist',
    kind: 'palpation',
    structures: ['median nerve in the forearm', 'ulnar nerve at the elbow'],
    patient: 'Both palms up side by side, then on edge, then backs.',
    examiner: 'At eye level; supports both hands level.',
    steps: [
      'Palms side by side.',
      'On edge.',
      'Backs: the first web space.',
      'Say none, mild or marked for each group.',
    ],
    schools: [
      {
        key: 'look',
        label: 'Look only',
        description: 'Three views, no load.',
        order: 'three views',
      },
      {
        key: 'strength',
        label: 'Look with strength',
        description: 'Adds opposition and spread.',
        order: 'the views, then strength',
        drawn: {
          hands: [moves('hand', 0.75, 'inner')],
          forces: [own(push('hand', 0.75, 'inner'))],
        },
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: { shoulderFlexion: 25, shoulderAbduction: 4, elbowFlexion: 85, forearmPronation: -85 },
        otherArm: {
          shoulderFlexion: 25,
          shoulderAbduction: 4,
          elbowFlexion: 85,
          forearmPronation: -85,
        },
      },
      { view: 'front', hands: [holds('hand', 0.4, 'outer')], region: ['hand'], closeUp: 'fingers' },
    ),
    loads: [
      { structure: 'ulnar nerve at the elbow', mode: 'contraction' },
      { structure: 'median nerve at the wrist', mode: 'contraction' },
    ],
    findings: [
      site(
        'wasted',
        'Names the wasted group',
        ['weakness'],
        'None',
        ['thenar', 'Thumb base', ['median nerve at the wrist']],
        ['hypothenar', 'Little finger side or web', ['ulnar nerve at the elbow']],
      ),
    ],
    positive: 'Flattening or a hollow, one side or one group.',
    negative: 'Full and equal, said aloud.',
    rules: [
      { when: 'Thumb base', speaksFor: 'median nerve' },
      { when: 'Little finger side, web', speaksFor: 'ulnar nerve' },
      { when: 'Both', speaksFor: 'lowest neck roots, plexus or general' },
    ],
    confounders: ['Arthritis of the thumb base'],
    doesNotProve: 'A healthy nerve: wasting is late.',
    followUp: ['ain-motor-check'],
    sides: 'one view',
    contraindications: ['Wounds: do not handle'],
  },
  {
    task: 'Inspect the hands for wasting.',
    items: [
      position.done('bare', 'Has both hands bare'),
      position.done('level', 'Supports both hands level'),
      perform.graded('views', 'Views palms, edges, backs of both hands', [
        'One view',
        'Two views',
        'Palms, edges and backs',
      ]),
      perform.done('names', 'Points to each pad by name'),
      perform.done('web', 'Looks at the first web space'),
      interpret.done('bulk', 'States none, mild or marked for each group'),
      interpret.graded('level-of-nerve', 'Relates wasting to nerve with likely level', [
        'Neither',
        'Nerve',
        'Both',
      ]),
      interpret.done('mimic', 'Names a mimic'),
    ],
    faults: [
      ['Gloves on', 'bare'],
      ['No edge view', 'views'],
      ['Pads confused', 'names'],
      ['Web left out', 'web'],
      ['Bulk not graded', 'bulk'],
    ],
    cautions: ['Fresh weakness is reported the same day.'],
    stopRule: 'Stop at a wound or the word stop.',
    patient: { condition: 'cubital-tunnel', side: 'left' },
  },
);

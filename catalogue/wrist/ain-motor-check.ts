import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, figure } from '../figures.ts';

/** The tips of thumb and index bent: a motor nerve without skin. */
export const ainMotorCheck = defineProcedure(
  {
    id: 'ain-motor-check',
    names: ['Anterior interosseous nerve check', 'circle pinch'],
    title: 'Bending the thumb and index tips',
    indication: 'A pinch that has gone flat, or fractures near the elbow, without numbness.',
    region: 'wrist',
    kind: 'strength',
    structures: ['anterior interosseous nerve'],
    patient: 'Sits, forearms supported.',
    examiner: 'In front, eye level with the pinch.',
    steps: [
      'A round circle of thumb and index tip, both hands, from the side.',
      'Thumb tip, index tip, each with the next bone held.',
      'Pronation with the elbow fully bent.',
      'Skin feeling; wrist extended to see the tips curl.',
    ],
    schools: [
      {
        key: 'three',
        label: 'Three muscles',
        description: 'Thumb, index and pronator, each graded.',
        order: 'thumb, index, pronator',
      },
      {
        key: 'circle',
        label: 'Circle only',
        description: 'The quick look.',
        order: 'the circle alone',
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: { shoulderFlexion: 30, shoulderAbduction: 6, elbowFlexion: 80 },
        otherArm: { shoulderFlexion: 30, shoulderAbduction: 6, elbowFlexion: 80 },
      },
      {
        view: 'side',
        hands: [holds('hand', 0.55, 'outer')],
        region: ['hand', 'forearm'],
        closeUp: 'fingers',
      },
    ),
    loads: [{ structure: 'anterior interosseous nerve', mode: 'contraction' }],
    findings: [yesNo('flat', 'States the shape of the pinch', ['weakness'], ['Round', 'Flat'])],
    positive: 'A flat pinch, a tip that does not bend, weak pronation, normal skin.',
    negative: 'Round, strong.',
    rules: [
      { when: 'Weak tips, skin normal', speaksFor: 'anterior interosseous nerve' },
      { when: 'Skin numb', speaksFor: 'median trunk higher up' },
      { when: 'Tip does not curl on wrist extension', speaksFor: 'tendon rupture' },
    ],
    confounders: ['A torn thumb flexor', 'Unusual nerve supply'],
    doesNotProve: 'A palsy from one muscle.',
    followUp: ['thenar-hypothenar-inspection'],
    contraindications: ['Hand surgery', 'Flexor repair'],
  },
  {
    task: 'Check the muscles of the anterior interosseous nerve.',
    items: [
      prepare.asked('repair', 'Asks about a flexor repair', flagged('A repaired tendon can tear.')),
      position.done('support', 'Supports the forearm'),
      perform.done('circle', 'Views the circle pinch from the side'),
      perform.graded('thumb', 'Tests the thumb tip with the next bone held', [
        'Not',
        'Not held',
        'Held',
      ]),
      perform.graded('index', 'Tests the index tip with the next bone held', [
        'Not',
        'Not held',
        'Held',
      ]),
      perform.done('pronation', 'Tests pronation with the elbow fully bent'),
      perform.done('skin', 'Checks skin feeling'),
      perform.done('curl', 'Extends the wrist to see the tips curl'),
      interpret.done('grades', 'States a grade for each muscle'),
      interpret.graded('separates', 'Separates nerve, tendon, trunk', ['Not', 'Two', 'All three']),
    ],
    faults: [
      ['Flat pinch accepted', 'circle'],
      ['Bone not held', 'thumb'],
      ['Index left out', 'index'],
      ['Elbow straight', 'pronation'],
      ['Skin not checked', 'skin'],
      ['Tendon not checked', 'curl'],
    ],
    cautions: ['A repaired flexor is not loaded.'],
    stopRule: 'Stop at a snap, sharp pain, or the word stop.',
    patient: { condition: 'ain-palsy', side: 'right' },
  },
);

import { HEEL_CORD_TORN } from '../contraindicated.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { site } from '../findings.ts';
import { holds, moves, decides, figure } from '../figures.ts';

/** The ankle and foot taken through six directions to their end feel. */
export const ankleRangePassive = defineProcedure(
  {
    id: 'ankle-range-passive',
    names: ['Passive ankle and foot range'],
    title: 'Ankle and foot through six directions',
    indication: 'A stiff or painful ankle or foot: which joint?',
    region: 'ankle',
    kind: 'rom',
    structures: ['ankle joint', 'soleus', 'subtalar joint', 'midfoot joints'],
    patient: 'Lies or sits, leg supported, knee angle noted.',
    examiner: 'At the foot end.',
    steps: [
      'Up and down from heel and hindfoot: the midfoot’s own bend is not counted.',
      'In and out from the heel.',
      'Forefoot in and out.',
      'One slow pass each, to the end feel.',
    ],
    schools: [
      { key: 'bent', label: 'Knee bent', description: 'Calf slack.', angles: 'knee 90' },
      {
        key: 'straight',
        label: 'Knee straight',
        description: 'Calf stretched; the same on both sides.',
        angles: 'knee 0',
        drawn: {
          pose: { leg: { hipFlexion: 0, kneeFlexion: 0, ankleDorsiflexion: 12 } },
          from: { leg: { hipFlexion: 0, kneeFlexion: 0 } },
        },
      },
    ],
    figure: figure(
      'supine',
      { leg: { hipFlexion: 30, kneeFlexion: 50, ankleDorsiflexion: 18 } },
      {
        from: { leg: { hipFlexion: 30, kneeFlexion: 50, ankleDorsiflexion: -45 } },
        decides: decides('ankleDorsiflexion', 10, 25),
        hands: [holds('shank', 0.8, 'back'), moves('foot', 0.12, 'below')],
        region: ['foot', 'shank'],
        closeUp: 'ankle',
      },
    ),
    loads: [
      { structure: 'ankle joint', mode: 'stretch' },
      { structure: 'soleus', mode: 'stretch' },
      { structure: 'subtalar joint', mode: 'motion' },
      { structure: 'midfoot joints', mode: 'stretch' },
    ],
    numbers: [
      {
        item: 'up',
        healthy: 20,
        tolerance: 5,
        half: 10,
        by: [
          { structure: 'ankle joint', state: 'stiff', values: [13, 8, 0] },
          { structure: 'soleus', state: 'tight', values: [13, 8, 0] },
        ],
      },
    ],
    shownAs: [
      {
        sign: 'pain',
        structures: ['midfoot joints'],
        words:
          'familiar pain on top of the midfoot when the forefoot is taken out or in, not up or down',
      },
    ],
    refrains: HEEL_CORD_TORN.map((rule) => ({
      ...rule,
      stage: 'up',
      items: ['six', 'up'],
      leaves: 'Leaves the upward stretch undone',
    })),
    findings: [
      site(
        'short',
        'Names the joint that is short or painful',
        ['stiffness', 'pain'],
        'None',
        ['ankle', 'Ankle', ['ankle joint', 'soleus']],
        ['heel', 'Heel', ['subtalar joint']],
        ['midfoot', 'Midfoot', ['midfoot joints']],
      ),
    ],
    positive: 'Short or painful against the other side.',
    negative: 'About 20 up, 50 down, whole foot 35 in, 15 out, alike.',
    rules: [{ when: 'Up is short, knee straight only', speaksFor: 'gastrocnemius' }],
    confounders: ['A forefoot twist called subtalar'],
    doesNotProve: 'The cause of a loss.',
    worth: [
      {
        of: 'norms',
        text: '20 up, 50 down, 35 in, 15 out',
        source: 'AAOS 1965',
        sourceKind: 'from memory',
      },
    ],
    followUp: ['ankle-dorsiflexion-plantarflexion-rom', 'hindfoot-inversion-eversion-rom'],
    contraindications: ['Suspected fracture', 'Fresh sprain: gently'],
  },
  {
    task: 'Take ankle and foot through six directions.',
    items: [
      prepare.asked(
        'rule',
        'Applies the X-ray rule after an injury',
        flagged('A fracture must not be moved.'),
      ),
      position.done('supported', 'Supports the leg'),
      position.asked('knee', 'States the knee angle'),
      perform.graded('six', 'Performs six directions', ['Four or fewer', 'Five', 'Six']),
      perform.graded('heel', 'Grips the heel for inversion or eversion', [
        'Forefoot',
        'One way',
        'Both ways',
      ]),
      perform.done('end-feel', 'Ends at the end feel'),
      interpret.measured('up', 'Dorsiflexion stated', '°', [10, 25], {
        half: 5,
        from: -30,
        to: 40,
      }),
      interpret.done('names', 'Names each direction by the part that moved'),
    ],
    faults: [
      ['Leg unsupported', 'supported'],
      ['Direction missed', 'six'],
      ['Heel not held', 'heel'],
      ['Past the end feel', 'end-feel'],
      ['Name swapped', 'names'],
    ],
    cautions: ['A fresh sprain is moved gently.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'stiff-ankle', side: 'right' },
  },
);

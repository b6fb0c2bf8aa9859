import { defineProcedure } from '../define.ts';
import { position, perform, interpret } from '../items.ts';
import { stages } from '../findings.ts';
import { holds, moves, push, own, decides, figure } from '../figures.ts';
import { memory } from '../worth.ts';

/** Resisted thumb straightening compared with thumb lifting. */
export const epbEntrapmentFollowup = defineProcedure(
  {
    id: 'epb-entrapment-followup',
    names: ['EPB entrapment test', 'short thumb extensor test'],
    title: 'Comparing resisted thumb straightening with thumb lifting',
    indication: 'Thumb-side wrist pain that stays after an injection: a second compartment?',
    region: 'wrist',
    kind: 'provocation',
    structures: ['sheath of the short thumb extensor', 'first dorsal compartment'],
    patient: 'Sits, forearm supported, wrist straight.',
    examiner: 'Facing, at the thumb side.',
    steps: [
      'Resist straightening of the thumb at its first bone.',
      'Resist lifting of the thumb at the hand bone.',
      'Three to five seconds each; score both.',
    ],
    schools: [
      {
        key: 'straighten-first',
        label: 'Straightening first',
        description: 'Straightening, then lifting.',
      },
      {
        key: 'lift-first',
        label: 'Lifting first',
        description: 'Lifting, then straightening.',
        order: 'lifting, then straightening',
      },
    ],
    figure: figure(
      'sitting',
      { arm: { shoulderFlexion: 30, shoulderAbduction: 6, elbowFlexion: 75 } },
      {
        view: 'side',
        decides: decides('wristExtension', -10, 10),
        hands: [holds('forearm', 0.88, 'outer'), moves('hand', 0.35, 'front')],
        forces: [own(push('hand', 0.4, 'front'))],
        region: ['forearm', 'hand'],
        closeUp: 'wrist',
      },
    ),
    loads: [
      {
        structure: 'sheath of the short thumb extensor',
        mode: 'contraction',
        stage: 'straightening',
      },
      { structure: 'thumb base joint', mode: 'compression', stage: 'lifting' },
      { structure: 'shared thumb tendon sheath', mode: 'contraction', stage: 'straightening' },
      { structure: 'shared thumb tendon sheath', mode: 'contraction', stage: 'lifting' },
    ],
    findings: [
      stages(
        'loads',
        'Says which load hurt more',
        ['pain'],
        ['none', 'Neither', []],
        ['lifting', 'Lifting', ['lifting']],
        ['equal', 'Equal', ['straightening', 'lifting']],
        ['straightening', 'Straightening', ['straightening']],
      ),
    ],
    positive: 'Straightening hurts more at the bony tip than lifting.',
    negative: 'Equal, none, or lifting worse.',
    rules: [
      { when: 'Straightening worse', speaksFor: 'a sheath of its own: an injection may miss it' },
      { when: 'Lifting worse', speaksFor: 'long thumb abductor' },
    ],
    confounders: ['A wrist that moves'],
    doesNotProve: 'A separate sheath: half the others are positive too.',
    worth: [memory('separate sheath', 0.81, 0.5, 'Alexander 2002')],
    followUp: ['finkelstein-staged'],
    contraindications: ['Fresh fracture', 'Recent release'],
  },
  {
    task: 'Compare the two resisted thumb movements.',
    items: [
      position.done('support', 'Supports the forearm'),
      position.measured('wrist', 'Wrist angle', '°', [-10, 10], { half: 10, from: -60, to: 60 }),
      perform.graded('straighten', 'Resists straightening at the first thumb bone', [
        'Not',
        'Wrong bone',
        'There',
      ]),
      perform.graded('lift', 'Resists lifting at the hand bone of the thumb', [
        'Not',
        'Wrong bone',
        'There',
      ]),
      perform.graded('ramp', 'Ramps each hold for three to five seconds', [
        'Jerk',
        'Short',
        'Ramped',
      ]),
      interpret.done('scores', 'Notes site with score for each'),
      interpret.graded('meaning', 'Says what the difference suggests', ['Not', 'In part', 'Told']),
      interpret.done('limit', 'Says how often it misleads'),
    ],
    faults: [
      ['Wrist moves', 'wrist'],
      ['Wrong joint', 'straighten'],
      ['One direction', 'lift'],
      ['No site', 'scores'],
      ['No comparison', 'meaning'],
    ],
    cautions: ['A fresh fracture is not loaded.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'de-quervain', side: 'right' },
  },
);

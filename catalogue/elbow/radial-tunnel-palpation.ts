import { defineProcedure } from '../define.ts';
import { position, perform, interpret } from '../items.ts';
import { site } from '../findings.ts';
import { holds, feels, push, decides, figure } from '../figures.ts';

/** The nerve beneath the supinator pressed, compared with the tendon. */
export const radialTunnelPalpation = defineProcedure(
  {
    id: 'radial-tunnel-palpation',
    names: ['Radial tunnel tenderness', 'posterior interosseous nerve palpation'],
    title: 'Pressing the nerve beneath the supinator',
    indication: 'Outer forearm ache below the elbow that a tendon does not explain.',
    region: 'elbow',
    kind: 'nerve',
    structures: ['radial nerve at the supinator', 'common extensor origin'],
    patient: 'Sits, elbow at 90 on a support, muscles slack.',
    examiner: 'In front; one hand supports.',
    steps: [
      'Measure 3 to 6 cm below the outer bump.',
      'Press through the muscle towards the radius, up to ten seconds.',
      'Compare with the bump and the other arm.',
      'Check finger and thumb strength.',
    ],
    schools: [
      {
        key: 'centimetres',
        label: 'Centimetres',
        description: 'Measured from the outer bump: preferred.',
        means: 'tape from the outer bump',
      },
      {
        key: 'fingers',
        label: 'Three finger-breadths',
        description: 'The examiner’s own fingers as the rule.',
        means: 'three finger-breadths',
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: { shoulderFlexion: 25, shoulderAbduction: 10, elbowFlexion: 85, forearmPronation: 30 },
      },
      {
        decides: decides('elbowFlexion', 60, 100),
        hands: [feels('forearm', 0.22, 'outer'), holds('forearm', 0.85, 'inner')],
        forces: [push('forearm', 0.22, 'inner', 'outer')],
        region: ['forearm'],
      },
    ),
    loads: [
      { structure: 'radial nerve at the supinator', mode: 'pressure' },
      { structure: 'common extensor origin', mode: 'pressure' },
    ],
    findings: [
      site(
        'site',
        'Names the site that hurts more',
        ['pain'],
        'Equal mild soreness',
        ['tunnel', 'Supinator', ['radial nerve at the supinator']],
        ['bump', 'Outer bump', ['common extensor origin']],
      ),
    ],
    positive: 'Deep familiar ache, more than on the other side, more than at the bump.',
    negative: 'Equal mild soreness: healthy arms are tender here.',
    rules: [
      { when: 'Here, not at the bump', speaksFor: 'radial tunnel suspected' },
      { when: 'Both', speaksFor: 'may coexist' },
      { when: 'Weak finger extension', speaksFor: 'palsy: refer' },
    ],
    confounders: ['Tense muscle', 'Pressure on the tendon'],
    doesNotProve: 'A nerve source; no numbness is expected of a motor nerve.',
    worth: [
      {
        of: 'the spot',
        text: 'no accuracy known',
        source: 'common practice 2024; grid Loh 2004',
        sourceKind: 'common practice',
      },
    ],
    followUp: ['resisted-supination-radial-tunnel'],
    contraindications: ['Anticoagulants: short and light'],
  },
  {
    task: 'Palpate the radial tunnel and say what it means.',
    items: [
      position.measured('elbow', 'Elbow angle, forearm supported', '°', [60, 100], { half: 10 }),
      position.done('slack', 'Feels that the forearm muscles are slack'),
      perform.measured('distance', 'Distance from the outer bump', 'cm', [3, 6], {
        half: 1,
        from: 0,
        to: 15,
      }),
      perform.graded('towards', 'Presses towards the radius, off the bump', [
        'On the bump',
        'Glancing',
        'Towards the radius',
      ]),
      perform.measured('duration', 'Duration of pressure', 's', [3, 10], {
        half: 5,
        from: 0,
        to: 60,
      }),
      perform.done('bump', 'Compares with the outer bump'),
      perform.done('strength', 'Checks strength of finger or thumb extension'),
      interpret.done('open', 'Asks openly for the site'),
      interpret.graded('separates', 'Separates pain, palsy, tendon', ['Not', 'Two', 'All three']),
    ],
    faults: [
      ['Muscle tense', 'slack'],
      ['No landmark', 'distance'],
      ['Presses the bump', 'towards'],
      ['Pressed too long', 'duration'],
      ['No strength check', 'strength'],
    ],
    cautions: ['Bruises with anticoagulants.'],
    stopRule: 'Stop at shooting pain or the word stop.',
    patient: { condition: 'radial-tunnel-pain', side: 'right' },
  },
);

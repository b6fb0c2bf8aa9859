import { ELBOW_SHORT } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { position, perform, interpret } from '../items.ts';
import { stages } from '../findings.ts';
import { holds, moves, push, own, decides, figure } from '../figures.ts';
import { said } from '../worth.ts';

/** The wrist extensors loaded with the elbow bent, then straight. */
export const resistedWristExtensionTwoPosition = defineProcedure(
  {
    id: 'resisted-wrist-extension-two-position',
    names: ['Cozen test', 'resisted wrist extension', 'tennis elbow test'],
    title: 'Loading the wrist extensors with the elbow bent, then stretched',
    indication: 'Outer elbow pain on lifting with a straight arm.',
    region: 'elbow',
    kind: 'provocation',
    structures: ['common extensor origin'],
    patient: 'Sits, arm supported, palm down, loose fist, wrist 20 to 30 degrees back.',
    examiner: 'In front or at the side.',
    steps: [
      'Elbow at 90: resist over the hand bones, three to five seconds.',
      'The same with the elbow straight.',
      'Ask for the spot after each; read the pair.',
    ],
    schools: [
      {
        key: 'bent-first',
        label: 'Bent, then straight',
        description: 'Two positions, read as a pair.',
        order: 'bent, then straight',
      },
      {
        key: 'straight-only',
        label: 'Straight only',
        description: 'The single test that is commoner.',
        order: 'straight alone',
        drawn: { from: { arm: { shoulderFlexion: 60, elbowFlexion: 5 } } },
      },
      {
        key: 'stretch',
        label: 'Passive stretch (Mills)',
        description: 'Wrist bent, palm down, elbow straightened.',
        drawn: {
          pose: { arm: { wristExtension: -65 } },
          from: { arm: { wristExtension: -65 } },
          hands: [holds('upperArm', 0.85, 'back'), moves('hand', 0.5, 'outer')],
          forces: [push('hand', 0.5, 'inner', 'outer')],
        },
        force: 'stretch',
      },
      {
        key: 'middle-finger',
        label: 'Middle finger (Maudsley)',
        description: 'Resisted middle finger, elbow straight.',
        drawn: {
          pose: { arm: { wristExtension: 5 } },
          from: { arm: { shoulderFlexion: 60, elbowFlexion: 5, wristExtension: 5 } },
          hands: [holds('forearm', 0.85, 'inner'), moves('hand', 0.95, 'outer')],
          forces: [own(push('hand', 0.95, 'outer'))],
        },
        hands: 'on the middle finger',
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 60,
          shoulderAbduction: 5,
          elbowFlexion: 5,
          forearmPronation: 80,
          wristExtension: 25,
        },
      },
      {
        from: {
          arm: {
            shoulderFlexion: 20,
            shoulderAbduction: 5,
            elbowFlexion: 90,
            forearmPronation: 80,
            wristExtension: 25,
          },
        },
        decides: decides('elbowFlexion', 0, 10),
        hands: [holds('forearm', 0.7, 'inner'), moves('hand', 0.45, 'outer')],
        forces: [own(push('hand', 0.5, 'outer'))],
        region: ['forearm', 'hand'],
      },
    ),
    loads: [
      { structure: 'common extensor origin', mode: 'contraction', stage: 'bent' },
      { structure: 'common extensor origin', mode: 'contraction', stage: 'straight' },
      { structure: 'common extensor origin', mode: 'stretch', stage: 'straight' },
    ],
    // Bent, the arm can be tested all the same.
    voids: ELBOW_SHORT.map((rule) => ({ ...rule, stage: 'straight' })),
    findings: [
      stages(
        'positions',
        'States which positions hurt at the outer bump',
        ['pain'],
        ['none', 'Neither', []],
        ['straight', 'Straight only', ['straight']],
        ['both', 'Both', ['bent', 'straight']],
      ),
    ],
    positive: 'Known pain at the outer bump in either position; straight only counts.',
    negative: 'No pain, or pain elsewhere.',
    rules: [
      { when: 'Straight only', speaksFor: 'outer tendon: stretched muscle' },
      { when: 'Bent only', speaksFor: 'check the grip again' },
      { when: '3 to 6 cm below', speaksFor: 'radial tunnel or supinator' },
      { when: 'Weak without pain', speaksFor: 'neck root or radial nerve' },
    ],
    confounders: ['Resistance on the fingers', 'A thumb on the bump'],
    doesNotProve: 'That it is not the nerve: the middle finger test does not separate them.',
    worth: [
      {
        of: 'bent form',
        sensitivity: 0.84,
        specificity: 0,
        source: 'Saroja 2014, small',
        sourceKind: 'from memory, unsure',
      },
      said('grip, straight against bent', 'a drop of 8 % is 83 % accurate', 'Dorf 2007'),
    ],
    followUp: ['lateral-epicondyle-palpation', 'resisted-supination-radial-tunnel'],
    contraindications: ['Recent tendon surgery', 'More than three repeats'],
  },
  {
    task: 'Load the wrist extensors in two positions and read the pair.',
    items: [
      position.done('palm-down', 'Has the palm down'),
      position.measured('wrist', 'Wrist extension', '°', [10, 45], { half: 10 }),
      position.measured('bent', 'Elbow angle, bent form', '°', [75, 105], { half: 10 }),
      position.measured('straight', 'Elbow angle, straight form', '°', [0, 10], { half: 10 }),
      perform.done('stabilises', 'Steadies the lower forearm or the elbow'),
      perform.done('hand-bones', 'Resists over the hand bones'),
      perform.graded('ramp', 'Ramps the hold for three to five seconds', [
        'Jerk',
        'Short',
        'Ramped',
      ]),
      perform.done('bump-free', 'Keeps off the outer bump while loading'),
      interpret.done('fingertip', 'Asks for the fingertip site'),
      interpret.graded('pair', 'Reads the two positions as a pair', [
        'Not',
        'One of them',
        'As a pair',
      ]),
    ],
    faults: [
      ['Palm up', 'palm-down'],
      ['Wrist not extended', 'wrist'],
      ['Elbow not straight', 'straight'],
      ['Resists the fingers', 'hand-bones'],
      ['Presses the bump', 'bump-free'],
      ['Straight only called negative', 'pair'],
    ],
    cautions: ['At most three repeats.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'early-lateral-tendinopathy', side: 'right' },
  },
);

import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { orVoid, yesNo } from '../findings.ts';
import { holds, moves, push, decides, figure } from '../figures.ts';
import { memory } from '../worth.ts';

/** Timed thumb pressure on the nerve, elbow not bent. */
export const ulnarNerveCompressionFlat = defineProcedure(
  {
    id: 'ulnar-nerve-compression-flat',
    names: ['Ulnar nerve pressure provocation, elbow relaxed'],
    title: 'Steady thumb pressure on the nerve, elbow not bent',
    indication: 'Tingling of the little finger where the elbow may not be bent fully.',
    region: 'elbow',
    kind: 'nerve',
    structures: ['ulnar nerve at the elbow'],
    patient: 'Sits or lies, elbow about 20, palm up, wrist straight.',
    examiner: 'At the inner side.',
    steps: [
      'Note the tingling already there.',
      'Press the nerve just above the tunnel, clock running.',
      'Ask openly, all the time; release at onset.',
      'Say the seconds; time the recovery.',
    ],
    schools: [
      {
        key: 's60',
        label: '60 seconds',
        description: 'As published: the most sensitive.',
        hold: '60 s',
      },
      {
        key: 's30',
        label: '30 seconds',
        description: 'As published, the shorter form.',
        hold: '30 s',
      },
      {
        key: 's15',
        label: '15 to 20 seconds',
        description: 'Common practice without a source.',
        hold: '15 to 20 s',
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 45,
          shoulderAbduction: 15,
          shoulderRotation: -40,
          elbowFlexion: 20,
          forearmPronation: -80,
        },
      },
      {
        decides: decides('elbowFlexion', 0, 45),
        hands: [moves('upperArm', 0.94, 'inner'), holds('forearm', 0.8, 'outer')],
        forces: [push('upperArm', 0.94, 'outer', 'inner')],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [{ structure: 'ulnar nerve at the elbow', mode: 'pressure' }],
    findings: [
      orVoid(
        yesNo(
          'result',
          'States the result',
          ['tingling'],
          ['None by the full hold', 'Little finger tingles'],
        ),
        'Void: none, released early',
      ),
    ],
    positive: 'Tingling or numbness of the little and half the ring finger; seconds noted.',
    negative: 'None by 30 to 60 seconds.',
    rules: [
      { when: 'Released before 30 seconds without symptoms', speaksFor: 'not assessable' },
      { when: 'Thumb or index tingles', speaksFor: 'another nerve' },
    ],
    confounders: ['A local ache is no positive'],
    doesNotProve: 'A healthy nerve after a short hold.',
    worth: [
      memory('60 seconds', 0.89, 0.98, 'Novak 1994'),
      memory('30 seconds', 0.55, 0.98, 'Novak 1994'),
    ],
    followUp: ['ulnar-nerve-compression-flexed'],
    contraindications: ['Recent nerve surgery'],
  },
  {
    task: 'Press the ulnar nerve with the elbow relaxed, by the clock.',
    items: [
      prepare.asked('before', 'Notes tingling already there'),
      position.measured('elbow', 'Elbow angle', '°', [0, 45], { half: 10 }),
      position.done('wrist', 'Has the palm up, wrist straight'),
      perform.graded('on-nerve', 'Presses on the nerve only', [
        'Bump or whole elbow',
        'Beside',
        'On it',
      ]),
      perform.measured('hold', 'Hold by the clock', 's', [30, 60], { half: 10, from: 0, to: 120 }),
      perform.done(
        'releases',
        'Releases at onset or at the full hold',
        flagged('Going on after onset harms the nerve.'),
      ),
      perform.done('recovery', 'Times the recovery, or says that none is needed'),
      interpret.done('open', 'Asks openly for the site'),
      interpret.done('seconds', 'States the seconds to onset, or that none came'),
      interpret.graded('meaning', 'States what a short hold means', ['Not', 'Prompted', 'Told']),
    ],
    faults: [
      ['Elbow bent', 'elbow'],
      ['Presses bone', 'on-nerve'],
      ['No clock', 'hold'],
      ['Leading question', 'open'],
      ['Goes on after onset', 'releases'],
      ['Short hold called negative', 'meaning'],
    ],
    cautions: ['Not beyond 60 seconds.'],
    stopRule: 'Stop at the onset of tingling or the word stop.',
    patient: { condition: 'cubital-tunnel', side: 'right' },
  },
);

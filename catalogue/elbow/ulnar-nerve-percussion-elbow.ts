import { defineProcedure } from '../define.ts';
import { position, perform, interpret } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, feels, decides, figure } from '../figures.ts';
import { memory, said } from '../worth.ts';

/** The nerve behind the inner elbow tapped at three levels. */
export const ulnarNervePercussionElbow = defineProcedure(
  {
    id: 'ulnar-nerve-percussion-elbow',
    names: ['Tinel sign at the elbow', 'ulnar nerve percussion'],
    title: 'Tapping the nerve behind the inner elbow',
    indication: 'Tingling of the little finger, to find the level.',
    region: 'elbow',
    kind: 'nerve',
    structures: ['ulnar nerve at the elbow'],
    patient: 'Sits, arm supported, elbow partly bent, wrist straight.',
    examiner: 'At the inner side.',
    steps: [
      'Find the groove.',
      'Tap lightly four to six times above, in and below it.',
      'Ask openly what is felt, where.',
      'Let the tingling fade before the next test.',
    ],
    schools: [
      { key: 'finger', label: 'Fingertip', description: 'Light and equal.', means: 'fingertip' },
      {
        key: 'hammer',
        label: 'Reflex hammer',
        description: 'A narrower tap; harder to keep light.',
        means: 'reflex hammer',
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 35,
          shoulderAbduction: 25,
          shoulderRotation: -35,
          elbowFlexion: 65,
          forearmPronation: -60,
        },
      },
      {
        decides: decides('elbowFlexion', 30, 100),
        hands: [feels('upperArm', 0.95, 'inner'), holds('forearm', 0.8, 'outer')],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [{ structure: 'ulnar nerve at the elbow', mode: 'pressure' }],
    findings: [
      yesNo(
        'tingling',
        'States the result',
        ['tingling'],
        ['None, or local soreness', 'Little finger tingles'],
      ),
    ],
    positive:
      'Tingling into the little finger and half the ring finger, more than on the other side.',
    negative: 'None, or local discomfort.',
    rules: [
      { when: 'Most at one level', speaksFor: 'likely site; two are possible' },
      { when: 'Thumb side tingles', speaksFor: 'another nerve' },
    ],
    confounders: ['Healthy people can be positive'],
    doesNotProve: 'Absence of early pressure.',
    worth: [
      memory('cubital tunnel', 0.7, 0.98, 'Novak 1994'),
      said('healthy people positive', 'about a quarter', 'Rayan 1992'),
    ],
    followUp: ['ulnar-nerve-subluxation', 'ulnar-nerve-compression-flat'],
    contraindications: ['Recent nerve surgery'],
  },
  {
    task: 'Tap the ulnar nerve at the elbow and read the answer.',
    items: [
      position.done('rests', 'Rests the arm on a support'),
      position.measured('elbow', 'Elbow angle', '°', [30, 100], { half: 10 }),
      perform.done('groove', 'Finds the groove before tapping'),
      perform.graded('light', 'Taps with equal, light force', [
        'Hard',
        'Light, unequal',
        'Light, equal',
      ]),
      perform.measured('taps', 'Taps at each level', 'taps', [4, 6], { half: 2, from: 0, to: 20 }),
      perform.done('levels', 'Taps at three levels'),
      interpret.done('open', 'Asks openly for the site'),
      interpret.graded('reads', 'Tells local soreness from finger tingling', [
        'Not',
        'Prompted',
        'Told',
      ]),
    ],
    faults: [
      ['Elbow fully bent', 'elbow'],
      ['Taps bone', 'groove'],
      ['Hits hard', 'light'],
      ['One tap', 'taps'],
      ['Asks for the little finger', 'open'],
      ['Local pain called positive', 'reads'],
    ],
    cautions: ['Tapping comes before pressure; the after-tingle fades in about a minute.'],
    stopRule: 'Stop at lasting tingling or the word stop.',
    patient: { condition: 'cubital-tunnel', side: 'left' },
  },
);

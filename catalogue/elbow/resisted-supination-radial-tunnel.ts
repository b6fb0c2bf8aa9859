import { defineProcedure } from '../define.ts';
import { position, perform, interpret } from '../items.ts';
import { yesNo, site } from '../findings.ts';
import { holds, moves, turn, own, decides, figure } from '../figures.ts';
import { said } from '../worth.ts';

/** The supinator loaded with wrist and fingers limp. */
export const resistedSupinationRadialTunnel = defineProcedure(
  {
    id: 'resisted-supination-radial-tunnel',
    names: ['Resisted supination for the radial tunnel'],
    title: 'Loading the supinator with the wrist loose',
    indication: 'Outer forearm ache on turning a screwdriver.',
    region: 'elbow',
    kind: 'nerve',
    structures: ['radial nerve at the supinator', 'common extensor origin'],
    patient: 'Sits, forearm palm down or thumb up, wrist and fingers limp.',
    examiner: 'In front; one hand above the elbow, one on the forearm shaft.',
    steps: [
      'Steady the upper arm.',
      'The patient turns the palm up against the grip, three to five seconds.',
      'Ask for the spot; at the bump, repeat with a limp wrist.',
    ],
    schools: [
      {
        key: 'straight',
        label: 'Elbow straight',
        description: 'Quiets the biceps: isolates better.',
        angles: 'elbow 0 to 10',
      },
      {
        key: 'bent',
        label: 'Elbow bent',
        description: 'Easier and commoner; the biceps helps.',
        angles: 'elbow 90',
        drawn: { pose: { arm: { shoulderFlexion: 0, elbowFlexion: 90 } }, band: [80, 100] },
      },
      {
        key: 'wrist-grip',
        label: 'Wrist grip',
        description: 'Common, confounded by the wrist extensors.',
        drawn: {
          hands: [holds('upperArm', 0.85, 'outer'), moves('forearm', 0.96, 'outer')],
          forces: [own(turn('forearm', 0.88, 'outwards'))],
        },
        hands: 'at the wrist',
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 50,
          shoulderAbduction: 8,
          elbowFlexion: 5,
          forearmPronation: 20,
          wristExtension: -30,
        },
      },
      {
        decides: decides('elbowFlexion', 0, 10),
        hands: [holds('upperArm', 0.85, 'outer'), moves('forearm', 0.65, 'outer')],
        forces: [own(turn('forearm', 0.6, 'outwards'))],
        region: ['forearm'],
      },
    ),
    loads: [
      { structure: 'radial nerve at the supinator', mode: 'contraction' },
      { structure: 'elbow flexors', mode: 'contraction' },
    ],
    misleads: [
      {
        lesion: { structure: 'common extensor origin', state: 'irritated' },
        sign: 'pain',
        looksLike: 'radial tunnel pain',
        avoidedBy: 'Resists on the forearm shaft',
      },
    ],
    findings: [
      site('site', 'Names the site', ['pain'], 'Painless', [
        'supinator',
        'Supinator, 3 to 6 cm below',
        ['radial nerve at the supinator'],
      ]),
      yesNo('weak', 'States whether it is weak', ['weakness'], ['Strong', 'Weak']),
    ],
    positive: 'Familiar deep pain over the supinator, not at the bump.',
    negative: 'None there.',
    rules: [
      { when: 'Pain at the bump', speaksFor: 'wrist extensors: limp wrist, repeat' },
      { when: 'Front of the elbow', speaksFor: 'lower biceps' },
      { when: 'Weak', speaksFor: 'nerve or biceps' },
    ],
    confounders: [
      'Wrist extensors at work',
      'Biceps at work with the elbow bent',
      'Resistance at the wrist recruits the wrist extensors and leads to the outer bump instead',
    ],
    doesNotProve: 'A nerve source.',
    worth: [said('the sign', 'described, accuracy unknown', 'Lister 1979')],
    followUp: ['resisted-pronation-consistency-contrast'],
    contraindications: ['Torn or repaired lower biceps'],
  },
  {
    task: 'Load the supinator without the wrist extensors.',
    items: [
      position.done('upper-arm', 'Steadies the upper arm above the elbow'),
      position.asked('elbow', 'States whether the elbow is bent or straight'),
      position.done('start', 'Starts palm down or thumb up'),
      perform.graded('shaft', 'Resists on the forearm shaft', ['Hand', 'Wrist', 'Shaft']),
      perform.asked('limp', 'Tells the patient to let wrist or fingers hang'),
      perform.graded('ramp', 'Ramps the hold for three to five seconds', [
        'Jerk',
        'Short',
        'Ramped',
      ]),
      perform.done('repeats', 'Resists once more with the wrist hanging'),
      interpret.done('fingertip', 'Asks for the fingertip site'),
      interpret.graded('branches', 'Reads supinator, bump, biceps apart', [
        'Not',
        'Two',
        'All three',
      ]),
      interpret.done('false-positive', 'Names one false positive'),
    ],
    faults: [
      ['Elbow not stated', 'elbow'],
      ['Grips the wrist', 'shaft'],
      ['Fist made', 'limp'],
      ['No repeat', 'repeats'],
      ['Jerks', 'ramp'],
    ],
    cautions: ['Radiating pain ends it.'],
    stopRule: 'Stop at radiating pain or the word stop.',
    patient: { condition: 'radial-tunnel-pain', side: 'left' },
  },
);

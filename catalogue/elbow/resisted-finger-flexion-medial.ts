import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, critical } from '../items.ts';
import { site } from '../findings.ts';
import { holds, moves, push, own, decides, figure } from '../figures.ts';

/** The finger flexors loaded as a contrast. */
export const resistedFingerFlexionMedial = defineProcedure(
  {
    id: 'resisted-finger-flexion-medial',
    names: ['Resisted finger flexion'],
    title: 'Loading the finger flexors as a contrast',
    indication: 'Inner elbow pain or a weak pinch: tendon, or nerve?',
    region: 'elbow',
    kind: 'provocation',
    structures: ['common flexor origin', 'ulnar nerve at the elbow', 'anterior interosseous nerve'],
    patient: 'Sits, palm up, wrist straight, fingers half bent.',
    examiner: 'In front.',
    steps: [
      'Steady the wrist.',
      'Hook the fingertips, pull towards straight, three to five seconds.',
      'Finger by finger or in pairs.',
      'Contrast with pronation, wrist flexion.',
    ],
    schools: [
      {
        key: 'each',
        label: 'Finger by finger',
        description: 'Finds the weak tip.',
        order: 'one finger after the other',
      },
      {
        key: 'all',
        label: 'All fingers',
        description: 'Quicker; hides one weak finger.',
        order: 'all fingers at once',
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: { shoulderFlexion: 20, shoulderAbduction: 6, elbowFlexion: 80, forearmPronation: -80 },
      },
      {
        decides: decides('wristExtension', -15, 15),
        hands: [holds('forearm', 0.9, 'outer'), moves('hand', 0.92, 'inner')],
        forces: [own(push('hand', 0.92, 'inner'))],
        region: ['hand', 'forearm'],
        closeUp: 'fingers',
      },
    ),
    loads: [
      { structure: 'ulnar nerve at the elbow', mode: 'contraction' },
      { structure: 'anterior interosseous nerve', mode: 'contraction' },
    ],
    findings: [
      site(
        'weak',
        'Names the weak tip',
        ['weakness'],
        'None',
        ['ulnar', 'Ring or little finger', ['ulnar nerve at the elbow']],
        ['index', 'Index finger', ['anterior interosseous nerve']],
      ),
    ],
    positive: 'Known inner pain (uncommon) or a weak tip.',
    negative: 'Painless, strong: what is expected.',
    rules: [
      {
        when: 'Pronation, wrist and fingers all hurt',
        speaksFor: 'whole origin, or no discrimination',
      },
      { when: 'Pronation only', speaksFor: 'typical inner tendon' },
      { when: 'Weak ring or little tip', speaksFor: 'ulnar nerve' },
      { when: 'Weak index tip', speaksFor: 'anterior interosseous nerve' },
    ],
    confounders: ['A wrist that bends'],
    doesNotProve: 'Tendon disease at the inner bump: the deep flexors do not start there.',
    followUp: ['ain-motor-check', 'ulnar-nerve-percussion-elbow'],
    contraindications: ['Recent flexor repair'],
  },
  {
    task: 'Load the finger flexors and use the contrast.',
    items: [
      prepare.asked(
        'repair',
        'Excludes a recent flexor repair',
        critical('A repaired tendon would tear.'),
      ),
      position.done('palm-up', 'Has the palm up, supported'),
      position.measured('wrist', 'Wrist angle', '°', [-15, 15], { half: 10, from: -60, to: 60 }),
      perform.done('steady', 'Steadies the wrist'),
      perform.graded('tips', 'Resists at the fingertips', ['Palm', 'First joints', 'Tips']),
      perform.done('each', 'Tests the fingers singly or in pairs'),
      interpret.done('fingertip', 'Asks for the fingertip site'),
      interpret.graded('contrast', 'Contrasts pronation, wrist, fingers', [
        'Not',
        'Two',
        'All three',
      ]),
    ],
    faults: [
      ['Wrist bent', 'wrist'],
      ['Wrist bends under load', 'steady'],
      ['Resists the palm', 'tips'],
      ['All at once', 'each'],
      ['No contrast', 'contrast'],
    ],
    cautions: ['A repaired flexor is not loaded.'],
    stopRule: 'Stop at a snap, sharp pain, or the word stop.',
    patient: { condition: 'cubital-tunnel', side: 'right' },
  },
);

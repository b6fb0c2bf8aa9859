import { defineProcedure } from '../define.ts';
import { position, perform, interpret } from '../items.ts';
import { site } from '../findings.ts';
import { holds, feels, decides, figure } from '../figures.ts';

/** The outer tendon origin pressed, apart from joint and nerve. */
export const lateralEpicondylePalpation = defineProcedure(
  {
    id: 'lateral-epicondyle-palpation',
    names: ['Lateral epicondyle palpation', 'short wrist extensor origin palpation'],
    title: 'Pressing the outer tendon origin',
    indication: 'Pain at the outer elbow on gripping or lifting.',
    region: 'elbow',
    kind: 'palpation',
    structures: ['common extensor origin', 'radial nerve at the supinator', 'elbow joint'],
    patient: 'Sits, elbow at 90 on a support, palm down.',
    examiner: 'In front; one hand supports the forearm.',
    steps: [
      'Find the outer bump.',
      'Press it, then 5 to 10 mm in front and slightly below.',
      'Press the muscle below, the radial head while turning the forearm, the ridge above.',
      'The painful spot comes last; ask openly.',
    ],
    schools: [
      {
        key: 'thumb',
        label: 'Thumb pad',
        description: 'Equal steady pressure with the thumb.',
        means: 'thumb',
      },
      {
        key: 'index',
        label: 'Index finger',
        description: 'Finer, with less force.',
        means: 'index finger',
      },
      {
        key: 'straight',
        label: 'Elbow straight',
        description: 'The muscle lies over the bump.',
        angles: 'elbow straight',
        drawn: { pose: { arm: { shoulderFlexion: 55, elbowFlexion: 5 } }, band: [0, 10] },
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: { shoulderFlexion: 25, shoulderAbduction: 10, elbowFlexion: 90, forearmPronation: 70 },
      },
      {
        decides: decides('elbowFlexion', 70, 100),
        hands: [feels('forearm', 0.05, 'outer'), holds('forearm', 0.8, 'inner')],
        region: ['forearm'],
      },
    ),
    loads: [
      { structure: 'common extensor origin', mode: 'pressure' },
      { structure: 'radial nerve at the supinator', mode: 'pressure' },
      { structure: 'elbow joint', mode: 'pressure' },
    ],
    findings: [
      site(
        'tender',
        'Names the tender site',
        ['pain'],
        'None',
        ['tendon', 'Outer bump or just in front', ['common extensor origin']],
        ['supinator', '3 to 6 cm below', ['radial nerve at the supinator']],
        ['joint', 'Joint line or radial head', ['elbow joint']],
      ),
    ],
    positive:
      'A fingertip of tenderness, clearly more than on the other side, that is the known pain.',
    negative: 'Equal on both sides.',
    rules: [
      { when: 'At the bump', speaksFor: 'tendon' },
      { when: '3 to 6 cm below', speaksFor: 'supinator or nerve' },
      { when: 'Joint line', speaksFor: 'joint' },
    ],
    confounders: ['Unequal force'],
    doesNotProve: 'Tendon disease on its own.',
    followUp: ['resisted-wrist-extension-two-position', 'radial-tunnel-palpation'],
    contraindications: ['Thin skin after injections: gently'],
  },
  {
    task: 'Palpate the outer elbow and name the site.',
    items: [
      position.measured('elbow', 'Elbow angle, forearm supported', '°', [70, 100], { half: 10 }),
      perform.done('finds', 'Identifies the outer bump'),
      perform.done('last', 'Presses the spot that was pointed at last'),
      perform.graded('front', 'Rolls to the front of the bump', [
        'Muscle only',
        'Bump only',
        'In front',
      ]),
      perform.graded('pad', 'Presses with a pad, equal each time', ['Nail', 'Unequal', 'Equal']),
      perform.done('radial-head', 'Presses the radial head while turning the forearm'),
      perform.done('supinator', 'Presses the supinator area'),
      interpret.done('open', 'Asks openly what is felt'),
      interpret.graded('separates', 'Separates tendon, nerve, joint by site', [
        'Not',
        'Two',
        'All three',
      ]),
    ],
    faults: [
      ['Starts at the pain', 'last'],
      ['Muscle belly only', 'front'],
      ['Uses a nail', 'pad'],
      ['Radial head left out', 'radial-head'],
      ['Leading question', 'open'],
    ],
    cautions: ['Skin thinned by injections tears.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'lateral-elbow-tendinopathy', side: 'right' },
  },
);

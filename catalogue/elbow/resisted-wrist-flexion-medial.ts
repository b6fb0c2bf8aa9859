import { defineProcedure } from '../define.ts';
import { position, perform, interpret } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, push, own, decides, figure } from '../figures.ts';

/** The wrist flexors loaded for pain at the inner elbow. */
export const resistedWristFlexionMedial = defineProcedure(
  {
    id: 'resisted-wrist-flexion-medial',
    names: ['Resisted wrist flexion'],
    title: 'Loading the wrist flexors',
    indication: 'Inner elbow pain on gripping or wringing.',
    region: 'elbow',
    kind: 'provocation',
    structures: ['common flexor origin'],
    patient: 'Sits, palm up, wrist slightly bent.',
    examiner: 'In front.',
    steps: [
      'Steady the lower forearm.',
      'Resist over the palm, three to five seconds.',
      'Ask for the spot, weigh it against pronation.',
    ],
    schools: [
      { key: 'bent', label: 'Elbow bent', description: 'The gentler form.', angles: 'elbow 90' },
      {
        key: 'straight',
        label: 'Elbow straight',
        description: 'More provocative; the textbook’s first test.',
        angles: 'elbow 0',
        drawn: { pose: { arm: { shoulderFlexion: 60, elbowFlexion: 5 } } },
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 20,
          shoulderAbduction: 6,
          elbowFlexion: 85,
          forearmPronation: -80,
          wristExtension: -15,
        },
      },
      {
        decides: decides('wristExtension', -20, 0),
        hands: [holds('forearm', 0.8, 'outer'), moves('hand', 0.5, 'inner')],
        forces: [own(push('hand', 0.5, 'inner'))],
        region: ['forearm', 'hand'],
      },
    ),
    loads: [{ structure: 'common flexor origin', mode: 'contraction' }],
    findings: [
      yesNo('pain', 'States whether the inner bump hurts', ['pain'], ['Painless', 'Painful']),
    ],
    positive: 'Known pain at the inner bump.',
    negative: 'None.',
    rules: [{ when: 'Pain at the wrist', speaksFor: 'wrist' }],
    confounders: ['Fingers that grip'],
    doesNotProve: 'Absence of tendon disease where it is negative.',
    followUp: ['resisted-finger-flexion-medial'],
    contraindications: ['Recent wrist injury', 'Flexor repair'],
  },
  {
    task: 'Load the wrist flexors and weigh the result.',
    items: [
      position.done('steady', 'Steadies the lower forearm'),
      position.asked('elbow', 'States whether the elbow is bent or straight'),
      position.done('palm-up', 'Has the palm up'),
      perform.graded('palm', 'Resists over the palm, not the fingers', ['Fingers', 'Both', 'Palm']),
      perform.graded('ramp', 'Ramps the hold for three to five seconds', [
        'Jerk',
        'Short',
        'Ramped',
      ]),
      interpret.done('fingertip', 'Asks for the fingertip site'),
      interpret.graded('weighs', 'Weighs it against pronation', ['Not', 'In part', 'Weighed']),
      interpret.done('negative', 'Says that a negative refutes nothing'),
    ],
    faults: [
      ['Forearm loose', 'steady'],
      ['Elbow not stated', 'elbow'],
      ['Resists the fingers', 'palm'],
      ['Palm down', 'palm-up'],
      ['Negative taken as proof', 'negative'],
    ],
    cautions: ['A repaired flexor is not loaded.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'medial-elbow-tendinopathy', side: 'left' },
  },
);

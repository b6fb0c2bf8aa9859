import { defineProcedure } from '../define.ts';
import { position, perform, interpret } from '../items.ts';
import { site } from '../findings.ts';
import { holds, moves, turn, own, decides, figure } from '../figures.ts';

/** The pronator loaded for pain at the inner elbow. */
export const resistedPronationMedial = defineProcedure(
  {
    id: 'resisted-pronation-medial',
    names: ['Resisted pronation', 'golfer’s elbow test'],
    title: 'Loading the pronator',
    indication: 'Inner elbow pain on turning the palm down.',
    region: 'elbow',
    kind: 'provocation',
    structures: ['common flexor origin', 'median nerve in the forearm'],
    patient: 'Sits, elbow at 45 to 100, thumb up.',
    examiner: 'In front.',
    steps: [
      'Steady the elbow.',
      'Grip the lower forearm shaft.',
      'Resist pronation three to five seconds.',
      'Ask for the spot.',
    ],
    schools: [
      { key: 'bent', label: 'Elbow bent', description: 'For the tendon.', angles: 'elbow at 90' },
      {
        key: 'straightening',
        label: 'Straightening during pronation',
        description: 'For the median nerve under the pronator.',
        drawn: {
          pose: { arm: { shoulderFlexion: 35, elbowFlexion: 45 } },
          from: { arm: { elbowFlexion: 90 } },
        },
        force: 'pronation while straightening',
      },
    ],
    figure: figure(
      'sitting',
      { arm: { shoulderFlexion: 0, shoulderAbduction: 6, elbowFlexion: 90 } },
      {
        decides: decides('elbowFlexion', 45, 100),
        hands: [holds('upperArm', 0.9, 'back'), moves('forearm', 0.8, 'outer')],
        forces: [own(turn('forearm', 0.7, 'inwards'))],
        region: ['forearm'],
      },
    ),
    loads: [
      { structure: 'common flexor origin', mode: 'contraction' },
      { structure: 'median nerve in the forearm', mode: 'pressure' },
    ],
    findings: [
      site(
        'site',
        'Names the site',
        ['pain', 'tingling'],
        'Painless',
        ['bump', 'Inner bump', ['common flexor origin']],
        ['nerve', 'Upper forearm with tingling', ['median nerve in the forearm']],
      ),
    ],
    positive: 'Known pain at or in front of the inner bump.',
    negative: 'None.',
    rules: [
      {
        when: 'Ache of the upper forearm, tingling to the thumb',
        speaksFor: 'median nerve under the pronator',
      },
      { when: 'No pain', speaksFor: 'another cause more likely, not excluded' },
    ],
    confounders: ['Resistance at the hand', 'Little effort'],
    doesNotProve: 'Absence of inner tendon disease; wrist flexion counts too.',
    worth: [
      {
        of: 'pronation painful in operated elbows',
        text: 'about 90 %, wrist flexion about 70 %',
        source: 'Gabel & Morrey 1995',
        sourceKind: 'from memory, unsure',
      },
    ],
    followUp: ['resisted-wrist-flexion-medial', 'median-nerve-forearm-compression'],
    contraindications: ['Injured lower radio-ulnar joint'],
  },
  {
    task: 'Load the pronator and name the site of pain.',
    items: [
      position.measured('elbow', 'Elbow angle', '°', [45, 100], { half: 10 }),
      position.done('thumb-up', 'Starts with the thumb up'),
      perform.graded('shaft', 'Grips the forearm shaft', ['Hand', 'Wrist', 'Shaft']),
      perform.done('still', 'Keeps the elbow still'),
      perform.graded('ramp', 'Ramps the hold for three to five seconds', [
        'Jerk',
        'Short',
        'Ramped',
      ]),
      interpret.done('fingertip', 'Asks for the fingertip site'),
      interpret.graded('reads', 'Reads tendon, nerve, other apart', ['Not', 'Two', 'All three']),
      interpret.done('not-excluded', 'Says that one test excludes nothing'),
    ],
    faults: [
      ['Starts palm down', 'thumb-up'],
      ['Resists on the hand', 'shaft'],
      ['Shoulder helps', 'still'],
      ['Jerks', 'ramp'],
      ['Rules out on one test', 'not-excluded'],
    ],
    cautions: ['A painful lower radio-ulnar joint is not twisted.'],
    stopRule: 'Stop at tingling, sharp pain, or the word stop.',
    patient: { condition: 'medial-elbow-tendinopathy', side: 'right' },
  },
);

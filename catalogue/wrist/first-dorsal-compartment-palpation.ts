import { defineProcedure } from '../define.ts';
import { prepare, perform, interpret, flagged } from '../items.ts';
import { site } from '../findings.ts';
import { holds, feels, figure } from '../figures.ts';

/** The thumb tendons found and pressed at the wrist, apart from bone, joint and nerve. */
export const firstDorsalCompartmentPalpation = defineProcedure(
  {
    id: 'first-dorsal-compartment-palpation',
    names: ['First dorsal compartment palpation', 'radial styloid palpation', 'snuffbox'],
    title: 'Finding and pressing the thumb tendons at the wrist',
    indication: 'Pain at the thumb side of the wrist: tendons, or the thumb’s base?',
    region: 'wrist',
    kind: 'palpation',
    structures: ['first dorsal compartment', 'thumb base joint'],
    patient: 'Sits, forearm thumb up on a table.',
    examiner: 'Facing, or at the thumb side.',
    steps: [
      'Have the thumb lifted to see the tendons.',
      'Press the bony tip, 1 cm above, 1 cm below.',
      'Press the snuffbox, the thumb base, the crossing 4 to 6 cm above.',
      'Palpate before any provocation.',
    ],
    schools: [
      { key: 'thumb', label: 'Thumb pad', description: 'Broader, equal pressure.', means: 'thumb' },
      {
        key: 'index',
        label: 'Index finger',
        description: 'Finer between the tendons.',
        means: 'index finger',
      },
    ],
    figure: figure(
      'sitting',
      { arm: { shoulderFlexion: 25, shoulderAbduction: 6, elbowFlexion: 80 } },
      {
        view: 'side',
        hands: [feels('forearm', 0.96, 'front'), holds('hand', 0.7, 'inner')],
        region: ['forearm', 'hand'],
        closeUp: 'wrist',
      },
    ),
    loads: [
      { structure: 'first dorsal compartment', mode: 'pressure' },
      { structure: 'thumb base joint', mode: 'pressure' },
    ],
    findings: [
      site(
        'tender',
        'Names the tender site',
        ['pain'],
        'None',
        ['tendon', 'Bony tip: thumb tendons', ['first dorsal compartment']],
        ['base', 'Thumb base', ['thumb base joint']],
      ),
    ],
    positive: 'A fingertip of tenderness over the tendons; swelling or creaking noted.',
    negative: 'None.',
    rules: [
      { when: 'Bony tip', speaksFor: 'thumb tendon sheath' },
      { when: 'Snuffbox', speaksFor: 'scaphoid: fracture until imaged after a fall' },
      { when: 'Thumb base', speaksFor: 'joint' },
      { when: '4 to 6 cm above', speaksFor: 'crossing tendons' },
      { when: 'Tingling on the back of the thumb', speaksFor: 'skin nerve' },
    ],
    confounders: ['Pressure on the skin nerve'],
    doesNotProve: 'A narrowed sheath on its own.',
    followUp: ['finkelstein-staged'],
    contraindications: ['A fall with pain in the snuffbox: image first'],
  },
  {
    task: 'Palpate the thumb side of the wrist and name the site.',
    items: [
      prepare.asked(
        'fall',
        'Asks about a fall on the hand',
        flagged('A broken scaphoid is easily missed.'),
      ),
      perform.done('lifted', 'Has the thumb lifted to find the tendons'),
      perform.graded('three', 'Presses the bony tip, 1 cm above, 1 cm below', [
        'None',
        'One or two',
        'All three',
      ]),
      perform.done(
        'snuffbox',
        'Palpates the snuffbox',
        flagged('A broken scaphoid is easily missed.'),
      ),
      perform.done('base', 'Palpates the thumb base'),
      perform.done('crossing', 'Palpates the crossing 4 to 6 cm above'),
      perform.done('before', 'Palpates before provocation, not during it'),
      interpret.done('fingertip', 'Asks for the fingertip site'),
      interpret.graded('separates', 'Separates tendon, bone, joint, nerve', ['Not', 'Some', 'All']),
    ],
    faults: [
      ['Thumb not lifted', 'lifted'],
      ['Bony tip left out', 'three'],
      ['Snuffbox left out', 'snuffbox'],
      ['Thumb base left out', 'base'],
      ['Presses while stretching', 'before'],
    ],
    cautions: ['A fall with pain in the snuffbox is treated as a fracture until imaged.'],
    stopRule: 'Stop at suspicion of a fracture or the word stop.',
    patient: { condition: 'de-quervain', side: 'right' },
  },
);

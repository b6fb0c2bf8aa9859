import { defineProcedure } from '../define.ts';
import { prepare, perform, interpret } from '../items.ts';
import { site } from '../findings.ts';
import { figure } from '../figures.ts';

/** Where a whole joint hurts, a hand is laid on it or circled over it. */
const AREAS = [
  'shoulder capsule',
  'subacromial space',
  'superior labrum',
  'posteroinferior labrum',
  'hip joint',
  'knee capsule',
  'knee joint',
  'kneecap surfaces',
  'elbow joint',
  'radio-ulnar joints',
  'lumbar spine',
];
/** Where a nerve or a band hurts, a finger runs along it. */
const LINES = [
  'radial nerve at the supinator',
  'ulnar nerve at the elbow',
  'median nerve in the forearm',
  'median nerve at the wrist',
  'sciatic nerve',
  'iliotibial band at the hip',
  'hip adductors',
];
/** Where a tendon, a ligament or a small joint hurts, one fingertip finds it. */
const POINTS = [
  'common extensor origin',
  'common flexor origin',
  'acromioclavicular joint',
  'sternoclavicular joint',
  'long head of biceps',
  'first dorsal compartment',
  'second dorsal compartment',
  'thumb base joint',
  'ulnar collateral ligament',
  'radial collateral ligament',
  'patellar tendon',
  'quadriceps tendon',
  'tibial tuberosity',
  'medial meniscus',
  'lateral meniscus',
  'medial collateral ligament',
  'lateral collateral ligament',
  'iliotibial band at the knee',
  'sacroiliac joint',
  'anterior talofibular ligament',
  'calcaneofibular ligament',
  'deltoid ligament',
  'syndesmosis',
  'midfoot joints',
  'big toe joint',
];

/** One finger on the worst spot, before and after every provocation. */
export const painSitePointing = defineProcedure(
  {
    id: 'pain-site-pointing',
    names: ['Fingertip localisation', 'one-finger pain site'],
    title: 'Asking the patient to point to the pain with a single finger',
    indication: 'Every pain, before and after every provocation.',
    region: 'any',
    kind: 'palpation',
    // Nothing is done to a side that could be compared.
    sides: 'none',
    structures: ['common extensor origin', 'radial nerve at the supinator'],
    patient: 'Sits; shows the spot with the own finger.',
    examiner: 'In front, hands off until the spot is shown.',
    steps: [
      'Ask for one finger on the worst spot.',
      'Ask for spread, for tingling.',
      'Relate the spot to a landmark.',
      'Ask again after each provocation: same pain, same place?',
    ],
    schools: [
      {
        key: 'chart',
        label: 'Body chart',
        description: 'The spot is drawn on a chart: the common record.',
        means: 'body chart',
      },
      {
        key: 'landmark',
        label: 'Spoken landmark',
        description: 'The spot is said as a distance from a landmark.',
        means: 'distance from a landmark, spoken',
      },
      {
        key: 'mark',
        label: 'Skin mark',
        description: 'A washable mark on the skin.',
        means: 'washable mark on the skin',
      },
    ],
    figure: figure(
      'sitting',
      {
        otherArm: {
          shoulderFlexion: 35,
          shoulderAbduction: 0,
          shoulderRotation: 55,
          elbowFlexion: 95,
        },
        arm: { shoulderFlexion: 20, elbowFlexion: 80 },
      },
      { view: 'front', region: ['forearm'] },
    ),
    loads: [...AREAS, ...LINES, ...POINTS].map((structure) => ({ structure, mode: 'pointing' })),
    shownAs: [
      {
        sign: 'pain',
        structures: ['hip joint'],
        words: 'cup the hand round the side of the hip, thumb in front and fingers behind',
      },
      { sign: 'pain', structures: AREAS, words: 'sweep a flat hand: {where}' },
      { sign: 'pain', structures: LINES, words: 'run a finger along: {where}' },
      { sign: 'tingling', structures: LINES, words: 'run a finger along, tingling: {where}' },
      { sign: 'pain', structures: POINTS, words: 'put one fingertip on: {where}' },
    ],
    findings: [
      site(
        'class',
        'Classes the site',
        ['pain', 'tingling'],
        'Nowhere',
        // Who has an area circles it, whatever else is sore.
        ['wide', 'Wide or wandering', AREAS],
        ['line', 'A line or band', LINES],
        ['point', 'A point', POINTS],
      ),
    ],
    positive: 'A point or a line, the same each time it is asked.',
    negative: 'An area, wide, or wandering.',
    rules: [
      { when: 'A point of up to 3 cm', speaksFor: 'weigh local tests as usual' },
      { when: 'Wide', speaksFor: 'screen neck, shoulder, elbow, wrist and hand' },
    ],
    confounders: ['Referred, nerve or sensitised pain'],
    doesNotProve: 'Exaggeration where it is wide.',
    worth: [
      {
        of: 'the whole idea',
        text: 'no figures known',
        source: 'common practice 2024',
        sourceKind: 'common practice',
      },
    ],
    followUp: ['lateral-epicondyle-palpation'],
    contraindications: [],
  },
  {
    task: 'Find out where it hurts, and what that means for local tests.',
    items: [
      prepare.done('hands-off', 'Keeps hands off until the spot is shown'),
      perform.asked('one-finger', 'Asks for one finger on the worst spot'),
      perform.done('own-finger', 'Lets the patient lead with the own finger'),
      perform.asked('landmark', 'Relates the spot to a named landmark'),
      perform.asked('spread', 'Asks about spread'),
      perform.asked('tingling', 'Asks about tingling'),
      interpret.graded('consequence', 'States the consequence for local tests', [
        'None',
        'In part',
        'Stated',
      ]),
      interpret.done('fair', 'Says that a wide area is a finding, not exaggeration'),
    ],
    faults: [
      ['Accepts a sweep of the hand', 'one-finger'],
      ['Leads with own finger', 'own-finger'],
      ['No landmark', 'landmark'],
      ['Jumps to the mind', 'fair'],
    ],
    cautions: ['Wide pain with fever or weight loss is reported, not tested.'],
    stopRule: 'Stop when pointing itself raises the pain.',
    patient: { condition: 'lateral-elbow-tendinopathy', side: 'right' },
  },
);

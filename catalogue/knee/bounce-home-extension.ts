import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, tell, feltSlack, flagged } from '../items.ts';
import { doubtfulWith, present } from '../findings.ts';
import { moves, decides, figure, KNEE_REGION } from '../figures.ts';
import { memory } from '../worth.ts';
import { KNEE_CAUTION } from './shared.ts';

/** The slack knee falls into straightness while the heel stays in the palm. */
export const bounceHomeExtension = defineProcedure(
  {
    id: 'bounce-home-extension',
    names: ['Bounce home test'],
    title: 'Slack knee let fall straight, heel kept in the palm',
    indication: 'A knee that does not come straight or locks.',
    region: 'knee',
    kind: 'provocation',
    structures: ['medial meniscus', 'lateral meniscus'],
    patient: 'Lies on the back, leg relaxed.',
    examiner: 'At the foot end, heel in one palm.',
    steps: [
      'Cradle the heel with the knee slightly bent.',
      'Let the knee fall straight; the heel never leaves the palm.',
      'Feel how it stops, once to three times, sound side first.',
    ],
    schools: [
      {
        key: 'slight-bend',
        label: 'From a slight bend',
        description: 'The drop starts at 20 to 30 degrees.',
        angles: '20 to 30 degrees to straight',
      },
      {
        key: 'full-bend',
        label: 'From full bend',
        description: 'The textbook form starts fully bent.',
        angles: 'full bend to straight',
        drawn: { from: { leg: { hipFlexion: 85, kneeFlexion: 130 } } },
      },
    ],
    figure: figure(
      'supine',
      { leg: { hipFlexion: 12, kneeFlexion: 0 } },
      {
        from: { leg: { hipFlexion: 20, kneeFlexion: 25 } },
        decides: decides('kneeFlexion', -5, 5),
        hands: [moves('shank', 0.98, 'back')],
        region: KNEE_REGION,
      },
    ),
    loads: [
      { structure: 'medial meniscus', mode: 'motion' },
      { structure: 'lateral meniscus', mode: 'motion' },
      { structure: 'knee joint', mode: 'motion' },
    ],
    numbers: [
      {
        item: 'residual',
        healthy: 0,
        tolerance: 3,
        half: 5,
        by: [
          { structure: 'medial meniscus', state: 'split', values: [0, 8, 15] },
          { structure: 'lateral meniscus', state: 'split', values: [0, 8, 15] },
          { structure: 'knee joint', state: 'effused', values: [0, 10, 15] },
        ],
      },
    ],
    findings: [
      doubtfulWith(
        present(
          'springy',
          'States the end feel',
          ['block'],
          ['Firm', 'Soft, short of straight', 'Springy'],
        ),
        'stiffness',
      ),
    ],
    positive: 'A rubbery rebound, a stop short of straight, or familiar pain at a line.',
    negative: 'Full straightening with a firm stop.',
    confounders: [
      'Tense effusion',
      'Guarding hamstrings',
      'Arthritis',
      'A springy stop may come at 5 to 8 degrees: say on which side it springs',
    ],
    doesNotProve: 'A tear, nor which part.',
    worth: [
      memory('block to extension, a neighbouring sign', 0.44, 0.86, 'Fowler & Lubliner 1989'),
    ],
    measurements: [
      {
        what: 'flexion left at the stop',
        landmarks: 'great trochanter, lateral epicondyle, lateral malleolus',
        unit: '°',
        instrument: 'goniometer',
        normal: '0',
        tolerance: '5',
      },
    ],
    followUp: ['knee-block-end-feel'],
    contraindications: [
      'Fresh bleeding into the joint',
      'Locked knee',
      'Fresh cruciate or meniscus repair',
      'Knee that overstretches painfully',
    ],
  },
  {
    task: 'Perform the bounce home test and name the end feel.',
    items: [
      prepare.asked('warns', 'Warns that the knee will drop'),
      feltSlack('thigh muscles'),
      position.measured('start', 'Knee flexion at the start', '°', [20, 30], {
        from: 0,
        to: 150,
        variants: ['slight-bend'],
      }),
      perform.graded('no-push', 'Lets the knee fall without a push', [
        'Pushes down',
        'Guides it down',
        'Lets go',
      ]),
      perform.done(
        'heel-in-palm',
        'Keeps the heel in the palm',
        flagged('A heel that drops jars the knee.'),
      ),
      perform.measured('residual', 'Knee flexion left at the stop', '°', [0, 5], {
        from: -15,
        to: 60,
      }),
      interpret.done('confounder', 'Names effusion or spasm as a confounder'),
      tell.done('tells', 'Tells the person what was found'),
    ],
    faults: [
      ['Pushes down', 'no-push'],
      ['Heel let go', 'heel-in-palm'],
      ['Leg held by the person', 'slack'],
      ['No angle given', 'residual'],
    ],
    cautions: ['Omit in a fresh swollen or locked knee.', KNEE_CAUTION],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'medial-meniscus-tear', side: 'left' },
  },
);

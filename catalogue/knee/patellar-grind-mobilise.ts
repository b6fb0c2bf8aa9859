import { defineProcedure } from '../define.ts';
import { position, perform, interpret, tell, feltSlack, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { moves, push, figure, KNEE_REGION } from '../figures.ts';

/** The kneecap slid freely, then under pressure in the same directions. */
export const patellarGrindMobilise = defineProcedure(
  {
    id: 'patellar-grind-mobilise',
    names: ['Patellar grind by gliding'],
    title: 'Kneecap slid freely, then under pressure',
    indication: 'Pain behind the kneecap where movement alone is comfortable.',
    region: 'knee',
    kind: 'provocation',
    structures: ['kneecap surfaces'],
    patient: 'Lies on the back, knee straight, thigh muscles slack.',
    examiner: 'At the tested side.',
    steps: [
      'Slide the kneecap up, down and sideways without load.',
      'Add backward pressure and slide in the same directions.',
      'Compare the two.',
    ],
    schools: [
      { key: 'two-phase', label: 'Free, then loaded', description: 'Two or three slides a phase.' },
    ],
    figure: figure(
      'supine',
      {},
      {
        hands: [moves('shank', 0.0, 'front')],
        forces: [push('shank', 0.01, 'back', 'front')],
        region: KNEE_REGION,
        closeUp: 'kneecap',
      },
    ),
    loads: [{ structure: 'kneecap surfaces', mode: 'compression' }],
    findings: [
      yesNo(
        'loaded-pain',
        'States whether load brings the pain',
        ['pain'],
        ['Negative', 'Positive'],
      ),
    ],
    positive: 'Familiar pain only under load.',
    negative: 'Comfortable in both phases.',
    rules: [
      { when: 'Pain under load only', speaksFor: 'the surfaces' },
      {
        when: 'Pain in both phases',
        speaksFor: 'borders, fat pad or general tenderness: no clear positive',
      },
    ],
    confounders: ['Tender healthy knees'],
    doesNotProve: 'Softened cartilage.',
    followUp: ['clarke-compression-contraction'],
    contraindications: ['After a dislocation: never to the outer limit'],
  },
  {
    task: 'Perform the two-phase patellar grind.',
    items: [
      position.measured('knee-angle', 'Knee flexion during the test', '°', [0, 5], {
        from: -15,
        to: 135,
      }),
      feltSlack('thigh muscles'),
      perform.graded('free-first', 'Slides without load first', [
        'Left out',
        'One direction',
        'All directions',
      ]),
      perform.graded('same', 'Slides in the same directions under load', [
        'Other directions',
        'Some',
        'The same',
      ]),
      perform.done(
        'light-load',
        'Makes the first load the lightest',
        flagged('A hard first load hurts a sore kneecap.'),
      ),
      perform.done('watches-face', 'Watches the face'),
      interpret.done('both-phases', 'Says that pain in both phases is no clear positive'),
      tell.done('tells', 'Tells the person what was found'),
    ],
    faults: [
      ['Free phase left out', 'free-first'],
      ['Loads at once', 'light-load'],
      ['Other directions', 'same'],
      ['Guard not felt', 'slack'],
    ],
    cautions: ['After a dislocation never slide to the outer limit.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'patellofemoral-pain', side: 'left' },
  },
);

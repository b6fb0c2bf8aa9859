import { defineProcedure } from '../define.ts';
import { position, perform, interpret } from '../items.ts';
import { yesNo } from '../findings.ts';
import { moves, feels, decides, figure, KNEE_REGION, push, own } from '../figures.ts';

/** A light palm over the kneecap while the knee moves. */
export const patellofemoralCrepitusCheck = defineProcedure(
  {
    id: 'patellofemoral-crepitus-check',
    names: ['Kneecap crepitus on movement'],
    title: 'Feeling for grating under a light hand while the knee moves',
    indication: 'Grating on stairs, with or without pain.',
    region: 'knee',
    kind: 'palpation',
    structures: ['kneecap surfaces'],
    patient: 'Sits over the edge or lies on the back, thigh supported.',
    examiner: 'At the side of the knee.',
    steps: [
      'Lay a light palm over the kneecap.',
      'Move the shin through 0 to 90 degrees and back, two or three times.',
      'Note fine grating, coarse grinding, a click or a sideways jump, and whether it hurts.',
    ],
    schools: [
      {
        key: 'passive',
        label: 'Examiner moves',
        description: 'The examiner carries the shin through the arc.',
      },
      {
        key: 'active',
        label: 'Patient moves',
        description: 'The person bends and straightens.',
        drawn: {
          hands: [feels('thigh', 0.98, 'front')],
          forces: [own(push('shank', 0.85, 'front'))],
        },
        force: 'by the patient',
      },
    ],
    figure: figure(
      'sitting',
      { leg: { hipFlexion: 88, kneeFlexion: 20 } },
      {
        from: { leg: { hipFlexion: 88, kneeFlexion: 88 } },
        decides: decides('kneeFlexion', 0, 90),
        hands: [feels('thigh', 0.98, 'front'), moves('shank', 0.85, 'front')],
        region: KNEE_REGION,
        closeUp: 'kneecap',
      },
    ),
    loads: [{ structure: 'kneecap surfaces', mode: 'motion' }],
    findings: [
      yesNo('crepitus', 'States whether there is grating', ['crepitus'], ['None', 'Grating']),
    ],
    positive: 'Grating of any class together with the familiar pain.',
    negative: 'No grating, or grating without pain.',
    confounders: ['A fold of the lining', 'A kneecap that tracks sideways'],
    doesNotProve: 'The state of the cartilage; many healthy knees grate.',
    followUp: ['patellofemoral-passive-compression'],
    contraindications: ['Gentle only after a dislocated kneecap.'],
  },
  {
    task: 'Check the kneecap for crepitus on movement and say what it means.',
    items: [
      position.done('supported', 'Supports the thigh'),
      perform.done('palm-over', 'Lays the palm over the kneecap'),
      perform.graded('no-pressure', 'Keeps the palm in light contact', [
        'Presses hard',
        'Presses at the ends of the arc',
        'Contact only',
      ]),
      perform.measured('arc', 'Knee flexion reached in the arc', '°', [85, 100], { half: 15 }),
      perform.measured('passes', 'Number of full passes', 'times', [2, 3], {
        half: 1,
        from: 0,
        to: 10,
      }),
      interpret.done('asks-pain', 'Asks whether it is the familiar pain'),
      interpret.done('weak-sign', 'Says that painless grating is no diagnosis'),
    ],
    faults: [
      ['Presses the kneecap', 'no-pressure'],
      ['Hand on the tendon', 'palm-over'],
      ['Half an arc', 'arc'],
      ['Calls painless grating a disease', 'weak-sign'],
    ],
    cautions: ['Gentle where the kneecap has been dislocated.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'patellofemoral-wear', side: 'left' },
  },
);

import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, tell, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { moves, push, decides, figure, KNEE_REGION, feels } from '../figures.ts';

/** A palm pressed on the kneecap while the knee straightens and bends. */
export const patellofemoralPassiveCompression = defineProcedure(
  {
    id: 'patellofemoral-passive-compression',
    names: ['Passive patellofemoral compression', 'Waldron test'],
    title: 'Palm pressed on the kneecap while the knee straightens and bends',
    indication: 'Pain behind the kneecap where contraction cannot be borne.',
    region: 'knee',
    kind: 'provocation',
    structures: ['kneecap surfaces'],
    patient: 'Lies on the back, hip and knee bent, foot free.',
    examiner: 'At the side.',
    steps: [
      'Palm on the kneecap, the other hand at the ankle.',
      'Press back, straighten slowly to 0 degrees, bend again, two or three times.',
      'Note the angle of pain.',
    ],
    schools: [
      { key: 'supine', label: 'Lying', description: 'The examiner moves the leg.' },
      {
        key: 'squat',
        label: 'Squat',
        description: 'Standing, the person squats slowly with a hand hold.',
        force: 'the person’s own weight',
        drawn: {
          position: 'standing',
          afresh: true,
          pose: {
            leg: { kneeFlexion: 75 },
            otherLeg: { kneeFlexion: 75 },
            axial: { trunkFlexion: 25 },
            arm: { shoulderFlexion: 70, elbowFlexion: 15 },
            otherArm: { shoulderFlexion: 70, elbowFlexion: 15 },
          },
          from: {
            leg: { kneeFlexion: 5 },
            otherLeg: { kneeFlexion: 5 },
            axial: { trunkFlexion: 0 },
            arm: { shoulderFlexion: 70, elbowFlexion: 15 },
            otherArm: { shoulderFlexion: 70, elbowFlexion: 15 },
          },
          hands: [feels('thigh', 0.98, 'front')],
          forces: [],
        },
        positions: 'standing',
      },
    ],
    figure: figure(
      'supine',
      { leg: { hipFlexion: 30, kneeFlexion: 35 } },
      {
        from: { leg: { hipFlexion: 70, kneeFlexion: 90 } },
        decides: decides('kneeFlexion', 0, 90),
        hands: [moves('thigh', 0.98, 'front'), moves('shank', 0.92, 'back')],
        forces: [push('thigh', 0.98, 'back', 'front')],
        region: KNEE_REGION,
        closeUp: 'kneecap',
      },
    ),
    loads: [{ structure: 'kneecap surfaces', mode: 'compression' }],
    findings: [
      yesNo('result', 'States whether it is the familiar pain', ['pain'], ['Negative', 'Positive']),
    ],
    positive: 'Familiar pain, with or without grating.',
    negative: 'Smooth, or painless grating.',
    confounders: ['Pressing on fat pad or tendon'],
    doesNotProve: 'The grade of the cartilage.',
    followUp: ['patellar-grind-mobilise', 'slow-step-down'],
    contraindications: ['Kneecap fracture', 'Extensor repair', 'Fresh dislocation'],
  },
  {
    task: 'Perform the passive compression through the range.',
    items: [
      prepare.asked(
        'history',
        'Asks about kneecap injury or surgery',
        flagged('A repaired tendon is not loaded.'),
      ),
      position.measured('start', 'Knee flexion at the start', '°', [85, 95], { from: 0, to: 135 }),
      perform.graded('palm', 'Centres the palm on the kneecap', [
        'On the tendon',
        'On one side',
        'Centred',
      ]),
      perform.graded('kept', 'Keeps the pressure in both directions', [
        'Given up',
        'One way only',
        'Both ways',
      ]),
      perform.measured('slow', 'Seconds of each way', 's', [2, 6], { half: 1, from: 0, to: 20 }),
      interpret.graded('angle', 'States the angle of pain', ['None', 'Start or end only', 'Angle']),
      interpret.done('crepitus', 'Says that grating alone is not positive'),
      tell.done('tells', 'Tells the person what was found'),
    ],
    faults: [
      ['Hand on the tendon', 'palm'],
      ['Pressure given up', 'kept'],
      ['Too fast', 'slow'],
      ['Calls grating positive', 'crepitus'],
    ],
    cautions: ['The standing form needs a hand hold.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'patellofemoral-wear', side: 'right' },
  },
);

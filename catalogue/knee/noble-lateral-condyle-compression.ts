import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, tell } from '../items.ts';
import { yesNo } from '../findings.ts';
import { moves, feels, decides, figure, KNEE_REGION } from '../figures.ts';

/** A thumb above the outer line while the knee straightens. */
export const nobleLateralCondyleCompression = defineProcedure(
  {
    id: 'noble-lateral-condyle-compression',
    names: ['Noble compression test'],
    title: 'Thumb on the outer condyle while the knee straightens',
    indication: 'Outer knee pain after some kilometres of running.',
    region: 'knee',
    kind: 'provocation',
    structures: ['iliotibial band at the knee'],
    patient: 'Lies on the back, knee and hip bent.',
    examiner: 'At the outer side.',
    steps: [
      'Thumb on the outer epicondyle, two to three centimetres above the line.',
      'Straighten slowly with steady pressure, then bend again, two or three times.',
      'Note the angle of pain.',
    ],
    schools: [
      {
        key: 'right-angle',
        label: 'From a right angle',
        description: '90 to 0 degrees.',
        angles: '90 to 0 degrees',
        drawn: { from: { leg: { hipFlexion: 60, kneeFlexion: 90 } } },
      },
      {
        key: 'small-arc',
        label: 'Small arc',
        description: 'From a slight bend, both ways.',
        angles: 'from a slight bend',
        drawn: { from: { leg: { hipFlexion: 10, kneeFlexion: 8 } } },
      },
    ],
    figure: figure(
      'supine',
      { leg: { hipFlexion: 25, kneeFlexion: 30 } },
      {
        from: { leg: { hipFlexion: 70, kneeFlexion: 90 } },
        decides: decides('kneeFlexion', 20, 40),
        hands: [feels('thigh', 0.92, 'outer'), moves('shank', 0.88, 'back')],
        region: KNEE_REGION,
      },
    ),
    loads: [{ structure: 'iliotibial band at the knee', mode: 'pressure' }],
    findings: [
      yesNo('result', 'States whether it is the familiar pain', ['pain'], ['Negative', 'Positive']),
    ],
    positive: 'Familiar pain under the thumb at about 30 degrees.',
    negative: 'None through the arc.',
    confounders: [
      'Outer meniscus',
      'Outer collateral ligament',
      'Biceps tendon',
      'Kneecap tracking as another cause',
    ],
    rules: [{ when: 'Cannot straighten for pain', speaksFor: 'counts as well' }],
    doesNotProve: 'A tight band.',
    followUp: ['renne-weight-bearing-compression'],
    contraindications: ['Anticoagulants or fragile skin: light thumb'],
  },
  {
    task: 'Perform the condyle compression and state the angle of pain.',
    items: [
      prepare.asked('skin', 'Asks about anticoagulants'),
      position.measured('start', 'Knee flexion at the start', '°', [85, 95], {
        from: 0,
        to: 135,
        variants: ['right-angle'],
      }),
      perform.graded('thumb', 'Sets the thumb on the epicondyle', [
        'On the joint line',
        'Near',
        'On it',
      ]),
      perform.graded('kept', 'Keeps the pressure over the arc', ['Slips off', 'Fades', 'Steady']),
      perform.measured('slow', 'Seconds of each pass', 's', [2, 6], { half: 1, from: 0, to: 20 }),
      interpret.measured('angle', 'Angle of pain stated', '°', [20, 40], {
        half: 10,
        from: 0,
        to: 135,
      }),
      interpret.graded('others', 'Names two other causes', ['None', 'One', 'Two']),
      tell.done('tells', 'Tells the person what was found'),
    ],
    faults: [
      ['Thumb on the line', 'thumb'],
      ['Pressure dropped', 'kept'],
      ['Too fast', 'slow'],
      ['No angle', 'angle'],
    ],
    cautions: ['The peroneal nerve lies further back: no pressure there.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'band-friction-knee', side: 'right' },
  },
);

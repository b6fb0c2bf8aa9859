import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, feltSlack, flagged } from '../items.ts';
import { countsFrom, present } from '../findings.ts';
import { moves, turn, decides, figure, KNEE_REGION } from '../figures.ts';

/** Both legs lifted by toes or heels to see a knee bend backwards and turn. */
export const externalRotationRecurvatum = defineProcedure(
  {
    id: 'external-rotation-recurvatum',
    names: ['External rotation recurvatum test'],
    title: 'Both legs lifted by the great toes, knees watched as they bend back',
    indication: 'A knee that was bent backwards or snaps straight on walking.',
    region: 'knee',
    kind: 'laxity',
    structures: ['posterolateral corner', 'anterior cruciate ligament'],
    patient: 'Lies on the back, both knees straight, thigh muscles slack.',
    examiner: 'At the foot end.',
    steps: [
      'Lift both feet evenly and slowly, wait five seconds.',
      'Watch the knees: bending back, turning out, bowing.',
      'Measure heel height one leg at a time with the thigh held down.',
      'Lower under control.',
    ],
    schools: [
      {
        key: 'toes',
        label: 'By the toes',
        description: 'The original grip on the great toes.',
        hands: 'on the great toes',
      },
      {
        key: 'heels',
        label: 'By the heels',
        description: 'Kinder where a toe is sore.',
        hands: 'under the heels',
        drawn: { hands: [moves('foot', 0.05, 'below')] },
      },
    ],
    figure: figure(
      'supine',
      {
        leg: { hipFlexion: 14, kneeFlexion: -10, tibialRotation: -12 },
        otherLeg: { hipFlexion: 12, kneeFlexion: 0 },
      },
      {
        decides: decides('kneeFlexion', -15, 0),
        hands: [moves('foot', 0.9, 'front')],
        forces: [turn('shank', 0.5, 'outwards')],
        region: KNEE_REGION,
      },
    ),
    loads: [{ structure: 'posterolateral corner', mode: 'tension' }],
    numbers: [
      {
        item: 'heel-height',
        healthy: 0,
        tolerance: 1,
        half: 2,
        by: [{ structure: 'posterolateral corner', state: 'torn', values: [2, 5, 8] }],
      },
    ],
    findings: [countsFrom(2, present('recurvatum', 'States the result', ['laxity']), 'equivocal')],
    positive: 'One side bends back more, with the shin turned out and bowed.',
    negative: 'Equal, without turning out.',
    rules: [
      {
        when: 'Bending back with turning out and bowing',
        speaksFor: 'back and outer corner, mostly with the front cruciate',
      },
      { when: 'Foot drop or numb back of the foot', speaksFor: 'peroneal nerve: stop and refer' },
    ],
    confounders: ['Generalised looseness, equal on both sides'],
    doesNotProve:
      'A sound corner: most are negative; an isolated back cruciate tear may be normal.',
    worth: [
      {
        of: 'grade III corner injuries found',
        text: '10 of 134 knees, all with the front cruciate',
        source: 'LaPrade 2008',
        sourceKind: 'from memory',
      },
    ],
    measurements: [
      {
        what: 'heel height',
        landmarks: 'heel to couch',
        unit: 'cm',
        instrument: 'tape',
        normal: 'equal; over 3 cm apart is abnormal',
        tolerance: '1',
      },
    ],
    followUp: ['varus-stress-knee', 'posterior-drawer-knee'],
    sides: 'one view',
    contraindications: ['Fresh cruciate or corner graft'],
  },
  {
    task: 'Perform the recurvatum test and name the structure it speaks for.',
    items: [
      prepare.asked('back-pain', 'Asks about back, hip, toe pain'),
      position.done('straight', 'Starts with both knees straight'),
      feltSlack('thigh muscles'),
      perform.graded('even-lift', 'Lifts both feet to the same height', [
        'One higher',
        'Evened out late',
        'Even',
      ]),
      perform.graded('watches-knees', 'Watches the knees', [
        'Watches the feet',
        'In turn',
        'The knees',
      ]),
      perform.measured('heel-height', 'Difference of heel heights', 'cm', [0, 3], {
        full: 1,
        half: 2,
        step: 0.5,
      }),
      perform.done(
        'lowered',
        'Lowers both heels without a drop',
        flagged('A dropped leg strains an unstable knee.'),
      ),
      interpret.graded('three-signs', 'Names bending back, turning out, bowing', [
        'One',
        'Two',
        'All three',
      ]),
      interpret.done('corner', 'Names the posterolateral corner'),
    ],
    faults: [
      ['One foot higher', 'even-lift'],
      ['Watches the feet', 'watches-knees'],
      ['Heels dropped', 'lowered'],
      ['Names the back cruciate only', 'corner'],
    ],
    cautions: ['Where positive: pulses, foot lift, feeling on the back of the foot.'],
    stopRule: 'Stop at back or toe pain, numbness, or the word stop.',
    patient: { condition: 'plc-injury', side: 'left' },
  },
);

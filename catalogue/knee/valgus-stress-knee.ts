import { defineProcedure } from '../define.ts';
import { interpret } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, push, decides, figure, kneeBent, KNEE_REGION } from '../figures.ts';
import { memory } from '../worth.ts';
import { KNEE_CAUTION, collateralStress, kneeGap } from './shared.ts';

/** The leg pressed outwards over a hand at the joint, straight and slightly bent. */
export const valgusStressKnee = defineProcedure(
  {
    id: 'valgus-stress-knee',
    names: ['Valgus stress test of the knee', 'abduction stress test'],
    title: 'Outward force on the leg, straight and slightly bent',
    indication: 'A tackle from outside, or inner-side pain.',
    region: 'knee',
    kind: 'laxity',
    structures: ['medial collateral ligament'],
    patient: 'Lies on the back, hip neutral, thigh on the support.',
    examiner: 'At the outer side of the leg.',
    steps: [
      'One hand at the outer side of the joint, the other at the inner lower shin, a finger on the inner line.',
      'Press the leg outwards smoothly with the knee straight, hold, then at 20 to 30 degrees.',
      'Report gap, stop and pain apart, sound side first.',
    ],
    schools: [
      { key: 'leg-on-couch', label: 'Leg on the couch', description: 'Two hands, the leg lies.' },
      {
        key: 'trunk-held',
        label: 'Leg held at the trunk',
        description:
          'The leg is lifted between elbow and trunk, both palms at the joint; it easily drifts to 10 degrees.',
        hands: 'both palms at the joint',
        drawn: {
          pose: { leg: { hipFlexion: 24 } },
          hands: [moves('thigh', 0.97, 'outer'), holds('shank', 0.08, 'inner')],
          forces: [push('thigh', 0.97, 'inner', 'outer')],
        },
      },
      {
        key: 'over-edge',
        label: 'Shin over the edge',
        description: 'Thigh on the couch, shin over its edge; never hanging at a right angle.',
        positions: 'supine, shin over the edge',
        drawn: { pose: { leg: { hipFlexion: 0, hipAbduction: 30 } } },
      },
    ],
    figure: figure(
      'supine',
      { leg: { ...kneeBent(25), hipAbduction: 12, kneeGap: 5 } },
      {
        decides: decides('kneeFlexion', 20, 30),
        hands: [holds('thigh', 0.95, 'outer'), moves('shank', 0.8, 'inner')],
        forces: [push('shank', 0.8, 'outer', 'inner')],
        region: KNEE_REGION,
        view: 'above',
      },
    ),
    loads: [{ structure: 'medial collateral ligament', mode: 'tension' }],
    findings: [
      kneeGap,
      yesNo('pain', 'States whether the ligament hurts', ['pain'], ['Painless', 'Painful']),
    ],
    positive: 'A gap of 3 mm more than the other side, or a soft stop; pain is reported apart.',
    negative: 'Equal, firm, painless.',
    rules: [
      { when: 'Opens when bent only', speaksFor: 'the inner collateral ligament alone' },
      { when: 'Opens when straight as well', speaksFor: 'capsule and cruciate: refer' },
      { when: 'Pain without opening', speaksFor: 'first-degree sprain' },
    ],
    confounders: [
      'A hip that turns',
      'Open growth plates',
      'Lost cartilage that lets the knee rock',
      'Guarding',
    ],
    doesNotProve: 'The state of meniscus or cruciate.',
    worth: [
      memory('pain at 30°', 0.78, 0.67, 'Kastelein 2008'),
      memory('looseness at 30°', 0.91, 0.49, 'Kastelein 2008'),
      {
        of: 'agreement of examiners at 30°',
        kappa: 0.16,
        text: '56 % agree',
        source: 'McClure 1989',
        sourceKind: 'from memory',
      },
    ],
    followUp: ['varus-stress-knee', 'lachman-anterior-translation'],
    contraindications: ['Fresh collateral repair', 'Adolescents: growth plate, image first'],
  },
  {
    task: 'Perform the valgus stress test at both angles and report gap, stop and pain.',
    items: [
      ...collateralStress('outside', 'inside'),
      interpret.done('straight-means', 'Says what opening when straight means'),
    ],
    faults: [
      ['Hip turns', 'hip-still'],
      ['Hands reversed', 'hands'],
      ['Straight stage left out', 'also-straight'],
      ['Hangs at a right angle', 'knee-angle'],
      ['No finger on the line', 'finger-line'],
    ],
    cautions: ['Opening when straight: feel the pulses, test the peroneal nerve.', KNEE_CAUTION],
    stopRule: 'Stop at guarding, sharp pain, or the word stop.',
    patient: { condition: 'mcl-tear', side: 'right' },
  },
);

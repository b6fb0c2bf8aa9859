import { defineProcedure } from '../define.ts';
import { interpret, flagged } from '../items.ts';
import { holds, moves, push, decides, figure, kneeBent, KNEE_REGION } from '../figures.ts';
import { KNEE_CAUTION, collateralStress, kneeGap } from './shared.ts';

/** The leg pressed inwards over a hand at the joint, straight and slightly bent. */
export const varusStressKnee = defineProcedure(
  {
    id: 'varus-stress-knee',
    names: ['Varus stress test of the knee', 'adduction stress test'],
    title: 'Inward force on the leg, straight and slightly bent',
    indication: 'A blow from inside, or outer-side looseness.',
    region: 'knee',
    kind: 'laxity',
    structures: ['lateral collateral ligament', 'posterolateral corner'],
    patient: 'Lies on the back, hip neutral, thigh on the support.',
    examiner: 'Between leg and couch side, or reaching across.',
    steps: [
      'One hand at the inner side of the joint, the other at the outer lower shin, a finger on the outer line.',
      'Press the leg inwards smoothly, straight, then at 20 to 30 degrees.',
      'Where it opens, test the peroneal nerve.',
    ],
    schools: [
      { key: 'leg-on-couch', label: 'Leg on the couch', description: 'Two hands, the leg lies.' },
      {
        key: 'trunk-held',
        label: 'Leg held at the trunk',
        description: 'The leg is lifted between elbow and trunk.',
        hands: 'both palms at the joint',
        drawn: {
          pose: { leg: { hipFlexion: 24 } },
          hands: [moves('thigh', 0.97, 'inner'), holds('shank', 0.08, 'outer')],
          forces: [push('thigh', 0.97, 'outer', 'inner')],
        },
      },
    ],
    figure: figure(
      'supine',
      { leg: { ...kneeBent(25), hipAbduction: 14, kneeGap: -5 } },
      {
        decides: decides('kneeFlexion', 20, 30),
        hands: [holds('thigh', 0.95, 'inner'), moves('shank', 0.8, 'outer')],
        forces: [push('shank', 0.8, 'inner', 'outer')],
        region: KNEE_REGION,
        view: 'above',
      },
    ),
    loads: [
      { structure: 'lateral collateral ligament', mode: 'tension' },
      { structure: 'posterolateral corner', mode: 'tension' },
    ],
    findings: [kneeGap],
    positive: 'A gap of 3 mm more than the other side, or a soft stop.',
    negative: 'Equal, firm; the outer side normally opens a little more than the inner.',
    rules: [
      { when: 'Opens when bent only', speaksFor: 'the outer collateral ligament' },
      { when: 'Opens when straight as well', speaksFor: 'back and outer corner with a cruciate' },
    ],
    confounders: [
      'Normal looseness of the outer side',
      'A hip that turns',
      'Growth plates',
      'Lost cartilage',
    ],
    doesNotProve: 'Which part of the corner is torn.',
    worth: [
      {
        of: 'outer ligament tear',
        sensitivity: 0.25,
        source: 'Harilainen 1987',
        sourceKind: 'from memory',
      },
    ],
    followUp: ['external-rotation-recurvatum'],
    contraindications: [
      'Fresh outer repair',
      'Foot drop: stop and refer',
      'Adolescents: growth plate',
    ],
  },
  {
    task: 'Perform the varus stress test at both angles and say what must be checked where it opens.',
    items: [
      ...collateralStress('inside', 'outside'),
      interpret.done(
        'nerve',
        'Names the check of the peroneal nerve',
        flagged('A foot drop must not be missed.'),
      ),
      interpret.done('normal-more', 'Says that the outer side normally opens more'),
    ],
    faults: [
      ['Hip turns', 'hip-still'],
      ['Hands not changed', 'hands'],
      ['Straight stage left out', 'also-straight'],
      ['Nerve forgotten', 'nerve'],
    ],
    cautions: ['Foot drop or a numb back of the foot: stop and refer.', KNEE_CAUTION],
    stopRule: 'Stop at numbness, sharp pain, or the word stop.',
    patient: { condition: 'lcl-tear', side: 'left' },
  },
);

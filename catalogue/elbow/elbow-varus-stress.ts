import { ELBOW_NOT_SLACK } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { interpret } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, push, decides, figure } from '../figures.ts';
import { collateralStress, ELBOW_STRESS_CAUTION, elbowGap } from './shared.ts';

/** The outer side of the elbow opened, straight and at 20 to 30 degrees. */
export const elbowVarusStress = defineProcedure(
  {
    id: 'elbow-varus-stress',
    names: ['Varus stress test of the elbow', 'outer collateral ligament test'],
    title: 'Opening the outer side of the elbow',
    indication: 'Outer-side looseness after a dislocation or an operation there.',
    region: 'elbow',
    kind: 'laxity',
    structures: ['radial collateral ligament'],
    patient: 'Sits or lies, arm slack.',
    examiner: 'Facing or at the side.',
    steps: [
      'Turn the upper arm inwards to its end.',
      'Fingertip on the outer joint line.',
      'Push the lower forearm inwards at 0, then at 20 to 30 degrees.',
      'If it opens, name the pivot shift as next.',
    ],
    schools: [
      { key: 'two-hand', label: 'Two hands', description: 'One holds the upper arm, one pushes.' },
      {
        key: 'axilla',
        label: 'Arm clamped under the examiner’s arm',
        description: 'Both hands stay free for the elbow.',
        hands: 'both at the elbow',
        drawn: {
          hands: [holds('hand', 0.5, 'outer'), moves('upperArm', 0.97, 'front')],
          forces: [push('upperArm', 0.78, 'back', 'front')],
        },
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 25,
          shoulderAbduction: 25,
          shoulderRotation: 50,
          elbowFlexion: 25,
          forearmPronation: 40,
        },
      },
      {
        view: 'front',
        decides: decides('elbowFlexion', 20, 30),
        hands: [holds('upperArm', 0.92, 'inner'), moves('forearm', 0.88, 'outer')],
        forces: [push('forearm', 0.5, 'inner', 'outer')],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [{ structure: 'radial collateral ligament', mode: 'tension' }],
    voids: ELBOW_NOT_SLACK,
    findings: [
      elbowGap,
      yesNo('pain', 'States whether it hurts at the outer line', ['pain'], ['Painless', 'Painful']),
    ],
    positive: 'A larger gap or a soft end.',
    negative: 'Firm, alike.',
    rules: [
      { when: 'Outer pain without a gap', speaksFor: 'extensor tendon or capsule' },
      { when: 'Inner pain', speaksFor: 'pressed inner joint' },
    ],
    confounders: [
      'An upper arm that rolls',
      'In full extension bone locks the joint and hides looseness: test slightly bent too',
    ],
    doesNotProve: 'That the back outer side is stable.',
    followUp: ['elbow-posterolateral-pivot-shift'],
    contraindications: ['Fresh fracture or dislocation', 'Open growth plate', 'Ligament repair'],
  },
  {
    task: 'Test the outer side of the elbow for opening.',
    items: [
      ...collateralStress('outer', 'inwards', 'inwards'),
      interpret.done('next', 'Names the pivot shift as the next step'),
    ],
    faults: [
      ['Upper arm rolls', 'no-roll'],
      ['Wrong rotation', 'rotation'],
      ['One angle', 'angles'],
      ['Inner line felt', 'fingertip'],
      ['Force outwards', 'push'],
      ['Pain called laxity', 'apart'],
    ],
    cautions: [ELBOW_STRESS_CAUTION],
    stopRule: 'Stop at tingling, guarding, or the word stop.',
    patient: { condition: 'outer-elbow-instability', side: 'right' },
  },
);

import { ELBOW_NOT_SLACK } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { interpret } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, push, decides, figure } from '../figures.ts';
import { collateralStress, ELBOW_STRESS_CAUTION, elbowGap } from './shared.ts';
import { memory } from '../worth.ts';

/** The inner side of the elbow opened, straight and at 20 to 30 degrees. */
export const elbowValgusStress = defineProcedure(
  {
    id: 'elbow-valgus-stress',
    names: ['Valgus stress test of the elbow', 'inner collateral ligament test'],
    title: 'Opening the inner side of the elbow',
    indication: 'Pain at the inner side on throwing, or a pop there.',
    region: 'elbow',
    kind: 'laxity',
    structures: ['ulnar collateral ligament'],
    patient: 'Sits or lies, shoulder slightly out, arm slack.',
    examiner: 'Facing or at the side.',
    steps: [
      'Turn the upper arm outwards to its end.',
      'Fingertip on the inner joint line.',
      'Push the lower forearm outwards at 0, then at 20 to 30 degrees.',
      'Report gap, end feel and pain apart.',
    ],
    schools: [
      { key: 'static', label: 'Held still', description: 'At 0, then at 20 to 30 degrees.' },
      {
        key: 'moving',
        label: 'Moving',
        description: 'Shoulder at 90, elbow goes from full bend to 30.',
        angles: 'shoulder 90, elbow from full bend to 30',
        drawn: {
          pose: {
            arm: {
              shoulderFlexion: 0,
              shoulderAbduction: 90,
              shoulderRotation: -85,
              elbowFlexion: 30,
              forearmPronation: 0,
            },
          },
          from: {
            arm: {
              shoulderFlexion: 0,
              shoulderAbduction: 90,
              shoulderRotation: -85,
              elbowFlexion: 135,
              forearmPronation: 0,
            },
          },
          hands: [holds('upperArm', 0.85, 'back'), moves('forearm', 0.88, 'inner')],
          forces: [push('forearm', 0.55, 'outer', 'inner')],
        },
        criterion: 'familiar inner pain between 120 and 70',
      },
      {
        key: 'axilla',
        label: 'Arm clamped under the examiner’s arm',
        description: 'Both hands stay free for the elbow.',
        hands: 'both at the elbow',
        drawn: {
          hands: [holds('hand', 0.5, 'back'), moves('upperArm', 0.97, 'front')],
          forces: [push('upperArm', 0.78, 'back', 'front')],
        },
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 20,
          shoulderAbduction: 25,
          shoulderRotation: -60,
          elbowFlexion: 25,
          forearmPronation: -80,
        },
      },
      {
        view: 'front',
        decides: decides('elbowFlexion', 20, 30),
        hands: [holds('upperArm', 0.92, 'outer'), moves('forearm', 0.88, 'back')],
        forces: [push('forearm', 0.5, 'front', 'back')],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [{ structure: 'ulnar collateral ligament', mode: 'tension' }],
    voids: ELBOW_NOT_SLACK,
    findings: [
      elbowGap,
      yesNo('pain', 'States whether it hurts at the inner line', ['pain'], ['Painless', 'Painful']),
    ],
    positive: 'More opening than the other side, or a soft end.',
    negative: 'No more than the other side, firm.',
    rules: [
      { when: 'Opens at 20 to 30 only', speaksFor: 'ligament' },
      { when: 'Opens straight too', speaksFor: 'ligament with capsule or bone' },
      { when: 'Outer pain', speaksFor: 'pressed outer joint' },
    ],
    confounders: [
      'An upper arm that rolls: the trial is void',
      'A thrower’s arm gaps normally',
      'In full extension bone locks the joint and hides looseness: test slightly bent too',
    ],
    doesNotProve: 'A whole ligament where it is negative: partial tears hide.',
    worth: [
      memory('held still, laxity', 0.19, 1, 'O’Driscoll 2005, 21 elbows'),
      memory('moving', 1, 0.75, 'O’Driscoll 2005, 21 elbows'),
    ],
    followUp: ['elbow-varus-stress', 'medial-epicondyle-palpation'],
    contraindications: ['Fresh fracture or dislocation', 'Open growth plate'],
  },
  {
    task: 'Test the inner side of the elbow for opening.',
    items: [
      ...collateralStress('inner', 'outwards', 'outwards'),
      interpret.graded('reads', 'Reads the two angles, void where the arm rolled', [
        'Not',
        'Angles only',
        'With void',
      ]),
    ],
    faults: [
      ['Upper arm rolls', 'no-roll'],
      ['Straight only', 'angles'],
      ['No fingertip', 'fingertip'],
      ['Force at the hand', 'push'],
      ['Pain called laxity', 'apart'],
    ],
    cautions: [
      ELBOW_STRESS_CAUTION,
      'Ulnar nerve symptoms often go with this injury: ask before, watch the little finger, keep off the nerve.',
    ],
    stopRule: 'Stop at tingling, guarding, or the word stop.',
    patient: { condition: 'inner-elbow-ligament-tear', side: 'right' },
  },
);

import { defineProcedure } from '../define.ts';
import { position, perform, interpret, feltSlack, easesOff } from '../items.ts';
import { laxityGrade, endPoint } from '../findings.ts';
import { holds, moves, push, decides, figure, kneeBent, KNEE_REGION } from '../figures.ts';
import { KNEE_CAUTION } from './shared.ts';

/** The low-angle grip with the force reversed. */
export const posteriorLachman = defineProcedure(
  {
    id: 'posterior-lachman',
    names: ['Posterior Lachman test'],
    title: 'Backward push on the shin with the knee slightly bent',
    indication: 'The same where a right angle cannot be reached.',
    region: 'knee',
    kind: 'laxity',
    structures: ['posterior cruciate ligament', 'posterolateral corner'],
    patient: 'Lies on the back, knee slightly bent, muscles slack.',
    examiner: 'At the tested side, grip as for the forward pull.',
    steps: [
      'Rule out a sag.',
      'Hold the thigh still and push the upper shin back, a second or two.',
      'Compare with the other side and with the right-angle push.',
    ],
    schools: [
      {
        key: 'standard-grip',
        label: 'Standard grip',
        description: 'Outer hand on the thigh, inner hand on the shin.',
      },
      {
        key: 'propped',
        label: 'Thigh propped',
        description: 'From the supported set-up.',
        hands: 'thigh pressed on the prop',
        drawn: { props: [{ kind: 'bolster', under: { segment: 'thigh', at: 0.75 } }] },
      },
    ],
    figure: figure(
      'supine',
      { leg: { ...kneeBent(25), tibialTranslation: -5 } },
      {
        from: { leg: kneeBent(25) },
        decides: decides('kneeFlexion', 20, 30),
        hands: [holds('thigh', 0.88, 'front'), moves('shank', 0.12, 'front')],
        forces: [push('shank', 0.14, 'back', 'front')],
        region: KNEE_REGION,
      },
    ),
    loads: [
      { structure: 'posterior cruciate ligament', mode: 'tension' },
      { structure: 'posterolateral corner', mode: 'tension' },
    ],
    findings: [laxityGrade(), endPoint()],
    positive: 'At least 3 mm more backward travel than the other side, soft stop.',
    negative: 'Equal travel, firm stop.',
    rules: [
      { when: 'More at 30 than at 90 degrees', speaksFor: 'back and outer corner' },
      { when: 'As much or more at 90 degrees', speaksFor: 'posterior cruciate ligament' },
    ],
    confounders: ['A shin that already sags'],
    doesNotProve: 'A sound ligament: the right-angle push finds more.',
    followUp: ['posterior-drawer-knee', 'external-rotation-recurvatum'],
    contraindications: ['Fresh graft: no full-strength push'],
  },
  {
    task: 'Perform the low-angle backward push and compare it with the right-angle one.',
    items: [
      position.done('trunk-flat', 'Has the trunk lie flat'),
      position.measured('knee-angle', 'Knee flexion during the push', '°', [20, 30], {
        from: 0,
        to: 135,
      }),
      feltSlack('thigh muscles'),
      perform.graded('thigh-held', 'Holds the thigh still', [
        'Thigh sinks along',
        'Moves a little',
        'Still',
      ]),
      perform.graded('push', 'Pushes the upper shin back', [
        'Mid-shin or jerked',
        'High, too quick',
        'High, held',
      ]),
      easesOff(),
      interpret.done('directions', 'Says which direction speaks for which cruciate'),
    ],
    faults: [
      ['Thigh sinks along', 'thigh-held'],
      ['Mid-shin grip', 'push'],
      ['Too much bend', 'knee-angle'],
      ['Directions swapped', 'directions'],
    ],
    cautions: [KNEE_CAUTION],
    stopRule: 'Stop at guarding, sharp pain, or the word stop.',
    patient: { condition: 'plc-injury', side: 'right' },
  },
);

import { NO_RIGHT_ANGLE } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { position, perform, interpret, feltSlack, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, decides, figure, KNEE_REGION } from '../figures.ts';

/** Hips and knees at a right angle, the shin left to gravity. */
export const godfrey9090Sag = defineProcedure(
  {
    id: 'godfrey-90-90-sag',
    names: ['Godfrey test'],
    title: 'Shin left to gravity with hip and knee at right angles',
    indication: 'A blow to the front of the shin or a fall on the bent knee.',
    region: 'knee',
    kind: 'laxity',
    structures: ['posterior cruciate ligament'],
    patient: 'Lies flat on the back, hips and knees at 90 degrees, heels held.',
    examiner: 'At the foot end or side, eyes level with the shin.',
    steps: [
      'Hold the heels with the shins level.',
      'Wait five to ten seconds and watch the line of the shin bump from the side.',
      'Let the limbs down slowly.',
    ],
    schools: [
      { key: 'both-legs', label: 'Both legs', description: 'Both heels held at once.' },
      {
        key: 'one-leg',
        label: 'One leg',
        description: 'Upper and lower shin held, the upper hand then let go.',
        hands: 'at the upper and the lower shin',
        drawn: {
          pose: { otherLeg: { hipFlexion: 0, kneeFlexion: 0 } },
          hands: [holds('shank', 0.95, 'back'), holds('shank', 0.25, 'back')],
        },
      },
    ],
    figure: figure(
      'supine',
      {
        leg: { hipFlexion: 90, kneeFlexion: 90, tibialTranslation: -5 },
        otherLeg: { hipFlexion: 90, kneeFlexion: 90 },
      },
      {
        decides: decides('kneeFlexion', 80, 100),
        hands: [holds('shank', 0.95, 'back')],
        region: KNEE_REGION,
      },
    ),
    loads: [{ structure: 'posterior cruciate ligament', mode: 'glide' }],
    voids: NO_RIGHT_ANGLE,
    findings: [yesNo('sag', 'States whether the shin sags', ['laxity'], ['No sag', 'Sag'])],
    positive: 'The shin bump sinks against the other side.',
    negative: 'Both level.',
    confounders: ['Working thigh muscle'],
    doesNotProve: 'How much is torn.',
    followUp: ['posterior-drawer-knee'],
    contraindications: ['Hip replacement: not beyond 90 degrees'],
  },
  {
    task: 'Perform the gravity sag with hips and knees at right angles.',
    items: [
      position.done('trunk-flat', 'Has the trunk lie flat'),
      position.measured('hip-angle', 'Hip flexion', '°', [80, 100], { half: 10, from: 0, to: 130 }),
      position.measured('knee-angle', 'Knee flexion', '°', [80, 100], {
        half: 10,
        from: 0,
        to: 135,
      }),
      feltSlack('thigh muscles'),
      perform.graded('heel-support', 'Supports heel or lower shin only', [
        'Hand under the calf',
        'Hand at mid-shin',
        'Heel or lower shin only',
      ]),
      perform.graded('side-view', 'Watches the shin from the side', [
        'From above',
        'From the side, too high',
        'Eye level',
      ]),
      perform.measured('wait', 'Seconds of waiting', 's', [5, 10], { half: 3 }),
      perform.done(
        'lowered',
        'Lowers the limbs without a drop',
        flagged('A dropped leg strains hip or back.'),
      ),
      interpret.done('names', 'Names the posterior cruciate ligament'),
    ],
    faults: [
      ['Hand under the calf', 'heel-support'],
      ['Looks from above', 'side-view'],
      ['Legs dropped', 'lowered'],
      ['Hip not at a right angle', 'hip-angle'],
    ],
    cautions: ['Ask about hip or back pain first.'],
    stopRule: 'Stop at hip or back pain, or the word stop.',
    patient: { condition: 'pcl-partial', side: 'right' },
  },
);

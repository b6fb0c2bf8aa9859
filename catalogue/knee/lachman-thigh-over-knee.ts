import { defineProcedure } from '../define.ts';
import { prepare, position, perform, easesOff, interpret } from '../items.ts';
import { laxityGrade, endPoint } from '../findings.ts';
import { holds, moves, push, decides, figure, kneeBent, KNEE_REGION } from '../figures.ts';
import { KNEE_CAUTION } from './shared.ts';

/** The thigh propped on the examiner's own, for a large limb or small hands. */
export const lachmanThighOverKnee = defineProcedure(
  {
    id: 'lachman-thigh-over-knee',
    names: ['Supported Lachman test'],
    title: 'Forward pull of the shin with the thigh on a prop',
    indication: 'The same in a big thigh or for small hands.',
    region: 'knee',
    kind: 'laxity',
    structures: ['anterior cruciate ligament'],
    patient: 'Lies on the back, thigh over the examiner’s bent knee or a bolster.',
    examiner: 'One knee on the couch under the thigh, the other foot on the floor.',
    steps: [
      'Press the thigh down on the prop with one hand.',
      'Grip the shin close below the joint line and draw it forward.',
      'Repeat with the same prop on the other side, sound side first.',
    ],
    schools: [
      {
        key: 'own-thigh',
        label: 'Examiner’s thigh',
        description: 'The examiner’s bent knee is the prop.',
        means: 'the examiner’s own bent knee',
      },
      {
        key: 'bolster',
        label: 'Bolster',
        description: 'A firm roll takes its place.',
        means: 'a firm roll',
      },
    ],
    figure: figure(
      'supine',
      { leg: { ...kneeBent(25), tibialTranslation: 5 } },
      {
        from: { leg: kneeBent(25) },
        decides: decides('kneeFlexion', 20, 30),
        hands: [holds('thigh', 0.8, 'front'), moves('shank', 0.14, 'back')],
        forces: [push('shank', 0.16, 'front')],
        props: [{ kind: 'bolster', under: { segment: 'thigh', at: 0.8 } }],
        region: KNEE_REGION,
      },
    ),
    loads: [{ structure: 'anterior cruciate ligament', mode: 'tension' }],
    misleads: [
      {
        lesion: { structure: 'posterior cruciate ligament', state: 'torn' },
        sign: 'laxity',
        looksLike: 'a torn front cruciate',
        avoidedBy: 'looks for a backward sag first',
      },
    ],
    findings: [laxityGrade(), endPoint()],
    positive: 'More travel than on the other side, or a soft stop.',
    negative: 'Equal travel, firm stop.',
    confounders: [
      'A prop of another height on the other side',
      'Guarding hamstrings',
      'A shin that already sags',
    ],
    doesNotProve: 'Anything unless the other knee was tested on the same prop.',
    followUp: ['anterior-drawer-knee', 'posterior-sag-sign'],
    contraindications: ['Fracture rule; no full-strength pull on a fresh graft.'],
  },
  {
    task: 'Perform the supported form of the low-angle forward pull and say why you chose it.',
    items: [
      prepare.asked('reason', 'States why this form was chosen'),
      position.done('foot-on-floor', 'Keeps the standing foot flat on the floor'),
      position.graded('prop-place', 'Lays the prop under the lower thigh', [
        'Under shin or hollow of the knee',
        'Too high up',
        'Under the lower thigh',
      ]),
      position.measured('knee-angle', 'Knee flexion during the pull', '°', [20, 30], {
        from: 0,
        to: 135,
      }),
      perform.graded('thigh-pressed', 'Presses the thigh still on the prop', [
        'Slides',
        'Moves a little',
        'Still',
      ]),
      perform.graded('shin-grip', 'Grips the shin close below the joint line', [
        'Mid-shin',
        'Close, thumb loose',
        'Close below the line',
      ]),
      perform.graded(
        'pull-line',
        'Draws the shin in line with the joint surface',
        ['To the ceiling', 'Drifts', 'In line'],
        { observability: 'felt' },
      ),
      easesOff(),
      interpret.done('rule-out-sag', 'Says that a backward sag must be ruled out first'),
    ],
    faults: [
      ['Prop under the joint', 'prop-place'],
      ['Thigh slides', 'thigh-pressed'],
      ['Mid-shin grip', 'shin-grip'],
      ['Off balance', 'foot-on-floor'],
    ],
    cautions: ['No prop in the hollow of the knee: vessels.', KNEE_CAUTION],
    stopRule: 'Stop at guarding, sharp pain, or the word stop.',
    patient: { condition: 'acl-partial', side: 'left' },
  },
);

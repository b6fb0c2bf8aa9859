import { defineProcedure } from '../define.ts';
import { bothSides, choice, consent, done, graded, handHygiene, measured } from '../items.ts';
import { endPoint, laxityGrade } from '../findings.ts';
import { memory } from '../worth.ts';
import { LACHMAN_FIGURE } from './shared.ts';

const translationGrades = [
  { key: 'equal', label: 'Equal', call: 0 },
  { key: 'grade-1', label: '1+ (3–5 mm)', call: 1 },
  { key: 'grade-2', label: '2+ (6–10 mm)', call: 2 },
  { key: 'grade-3', label: '3+ (over 10)', call: 3 },
];

/** Shin drawn forward on a held thigh at low flexion, to judge the anterior cruciate ligament. */
export const lachmanAnteriorTranslation = defineProcedure(
  {
    id: 'lachman-anterior-translation',
    names: ['Lachman test'],
    title: 'Forward pull of the shin with the knee slightly bent',
    indication: 'A knee that gave way with a pop, also when swollen.',
    region: 'knee',
    kind: 'laxity',
    structures: ['anterior cruciate ligament'],
    patient: 'Lies on the back, hamstrings slack, knee slightly bent.',
    examiner: 'At the tested side, facing the knee.',
    steps: [
      'Rule out a backward sag.',
      'Outer hand wraps the thigh just above the kneecap and holds it still.',
      'Inner hand wraps the shin close below the joint line and draws it straight forward, briskly, two or three times.',
      'Judge travel and stop, sound side first.',
    ],
    schools: [
      {
        key: 'standard-grip',
        label: 'Standard grip',
        description: 'One hand holds the thigh above the kneecap, the other draws the shin.',
        angles: '20 to 30 degrees',
      },
      {
        key: 'propped-thigh',
        label: 'Thigh propped',
        description:
          'The thigh rests on the examiner’s bent knee or a bolster: for a large thigh or small hands.',
        drawn: { props: [{ kind: 'bolster', under: { segment: 'thigh', at: 0.75 } }] },
        hands: 'thigh pressed on the prop',
      },
    ],
    figure: LACHMAN_FIGURE,
    loads: [{ structure: 'anterior cruciate ligament', mode: 'tension' }],
    misleads: [
      {
        lesion: { structure: 'posterior cruciate ligament', state: 'torn' },
        sign: 'laxity',
        looksLike: 'a torn front cruciate',
        avoidedBy: 'says that a backward sag must be ruled out first',
      },
    ],
    findings: [{ ...laxityGrade(), key: 'declared-grade' }, endPoint()],
    positive: 'At least 3 mm more travel than the other side, or a soft or absent stop.',
    negative: 'Equal travel with a firm stop.',
    confounders: [
      'Guarding hamstrings',
      'A shin that already sags',
      'A wedged meniscus',
      'Generalised looseness',
    ],
    doesNotProve: 'A front cruciate tear where the shin started from behind.',
    worth: [
      memory('front cruciate tear', 0.85, 0.94, 'Benjaminse 2006'),
      memory('front cruciate tear, awake', 0.81, 0.81, 'van Eck 2013'),
      {
        of: 'agreement on the grade',
        text: 'poor to fair',
        source: 'Cooperman 1990',
        sourceKind: 'from memory',
      },
    ],
    followUp: ['posterior-sag-sign', 'anterior-drawer-knee', 'lachman-thigh-over-knee'],
    contraindications: [
      'Possible fracture or dislocation',
      'A recent graft takes no full-strength pull',
    ],
  },
  {
    task: 'Perform the Lachman test and report what you find to the examiner.',
    patient: { condition: 'acl-rupture', side: 'right' },
    usualVariant: 'standard-grip',
    variants: [
      {
        key: 'standard-grip',
        label: 'Standard grip',
        description: 'One hand holds the thigh above the kneecap, the other draws the shin.',
      },
      {
        key: 'propped-thigh',
        label: 'Thigh propped',
        description:
          'The thigh rests on the examiner’s bent knee or a bolster: for a large thigh or small hands.',
      },
    ],
    cautions: [
      'Screen for fracture and for a knee that may have dislocated before any stress.',
      'A recent graft takes no full-strength pull.',
    ],
    stopRule: 'Stop at guarding that will not relax, sharp pain, or the word stop.',
    items: [
      handHygiene(),
      consent(),
      done({
        key: 'tested-side',
        text: 'Stands at the tested side, facing the knee',
        domain: 'positioning',
      }),
      measured({
        key: 'knee-angle',
        text: 'Knee flexion during the pull',
        domain: 'positioning',
        unit: '°',
        lower: 20,
        upper: 30,
        fullTolerance: 0,
        halfTolerance: 5,
        step: 5,
        minimum: 0,
        maximum: 135,
      }),
      done({
        key: 'hamstrings-slack',
        text: 'Feels the hamstrings for slackness',
        domain: 'positioning',
      }),
      graded({
        key: 'thigh-held',
        text: 'Holds the thigh still just above the kneecap',
        domain: 'technique',
        variants: ['standard-grip'],
        anchors: ['Thigh moves with the shin', 'Held, but high up or late', 'Still throughout'],
      }),
      graded({
        key: 'thigh-on-prop',
        text: 'Presses the lower thigh still on the prop',
        domain: 'technique',
        variants: ['propped-thigh'],
        anchors: ['Prop under the joint or shin', 'Thigh slides on the prop', 'Still throughout'],
      }),
      graded({
        key: 'shin-grip',
        text: 'Grips the shin close below the joint line',
        domain: 'technique',
        anchors: [
          'Grip at mid-shin or calf',
          'Close, but thumb loose',
          'Close below the joint line',
        ],
      }),
      graded({
        key: 'pull-direction',
        text: 'Draws the shin straight forward, in line with the joint surface',
        domain: 'technique',
        observability: 'felt',
        anchors: [
          'Lifts towards the ceiling',
          'Drifts during the pull',
          'In line with the surface',
        ],
      }),
      done({
        key: 'stops-on-pain',
        text: 'Goes no further after guarding, pain or the word stop (done if none came)',
        domain: 'technique',
        criticality: 'flag',
        criticalReason: 'Force against guarding or pain injures.',
        safety: true,
      }),
      bothSides(),
      choice({
        key: 'declared-grade',
        text: 'States the difference between the sides',
        domain: 'interpretation',
        options: translationGrades,
        answer: 'grade-3',
        partly: ['grade-2'],
      }),
      choice({
        key: 'end-point',
        text: 'States the end point',
        domain: 'interpretation',
        weight: 1,
        options: [
          { key: 'firm', label: 'Firm', call: 0 },
          { key: 'soft', label: 'Soft', call: 1 },
        ],
        answer: 'soft',
      }),
      done({
        key: 'rule-out-sag',
        text: 'Says that a backward sag must be ruled out first',
        domain: 'interpretation',
        observability: 'spoken',
        saidEarns: true,
      }),
      done({
        key: 'thanks',
        text: 'Tells the person what was found in plain words',
        domain: 'communication',
        observability: 'spoken',
        saidEarns: true,
      }),
    ],
    faults: [
      { key: 'whole-leg', text: 'Whole leg moves', item: 'thigh-held', grade: 0 },
      { key: 'mid-shin', text: 'Hand on mid-shin', item: 'shin-grip', grade: 0 },
      { key: 'ceiling-pull', text: 'Pulls to the ceiling', item: 'pull-direction', grade: 0 },
      { key: 'guard-unchecked', text: 'Guarding not checked', item: 'hamstrings-slack', grade: 0 },
      { key: 'one-side', text: 'Other knee left out', item: 'both-sides', grade: 0 },
    ],
  },
);

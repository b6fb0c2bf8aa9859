import { KNEE_TOO_FULL } from '../contraindicated.ts';
import { defineProcedure } from '../define.ts';
import { position, perform, interpret, tell, critical } from '../items.ts';
import { yesNo } from '../findings.ts';
import { feels, decides, figure, KNEE_REGION } from '../figures.ts';

/** The same thumb in a shallow squat on one leg. */
export const renneWeightBearingCompression = defineProcedure(
  {
    id: 'renne-weight-bearing-compression',
    names: ['Renne test'],
    title: 'Thumb on the outer condyle in a shallow squat',
    indication: 'Outer knee pain on running that lying down does not bring.',
    region: 'knee',
    kind: 'provocation',
    structures: ['iliotibial band at the knee'],
    patient: 'Stands with the weight on the tested leg, a hand on the rail.',
    examiner: 'In front or at the side, kneeling.',
    steps: [
      'Thumb on the outer epicondyle throughout.',
      'The person bends to 30 to 40 degrees and straightens, slowly, two or three times.',
      'Sound leg first.',
    ],
    schools: [
      { key: 'one-leg', label: 'One leg', description: 'Weight on the tested leg.' },
      {
        key: 'two-legs',
        label: 'Two legs',
        description: 'Easier, less specific.',
        positions: 'standing on both legs',
        drawn: {
          position: 'standing',
          pose: { otherLeg: { kneeFlexion: 35 } },
          from: { otherLeg: { kneeFlexion: 0 } },
        },
      },
    ],
    figure: figure(
      'single-leg-standing',
      { leg: { kneeFlexion: 35 } },
      {
        from: { leg: { kneeFlexion: 0 } },
        decides: decides('kneeFlexion', 30, 40),
        hands: [feels('thigh', 0.92, 'outer')],
        region: KNEE_REGION,
      },
    ),
    loads: [{ structure: 'iliotibial band at the knee', mode: 'compression' }],
    refrains: KNEE_TOO_FULL,
    findings: [
      yesNo('result', 'States whether it is the familiar pain', ['pain'], ['Negative', 'Positive']),
    ],
    positive: 'Familiar pain under the thumb near 30 degrees.',
    negative: 'None.',
    confounders: ['Outer meniscus', 'Pain from behind the kneecap', 'Arthritis'],
    doesNotProve: 'A tight band.',
    followUp: ['noble-lateral-condyle-compression'],
    contraindications: ['Fresh swelling', 'Poor balance'],
  },
  {
    task: 'Perform the weight-bearing compression.',
    items: [
      position.done(
        'rail',
        'Has the person hold rail or couch',
        critical('A person on one leg must not fall.'),
      ),
      position.done('weight', 'Has the weight on the tested leg'),
      perform.graded('thumb', 'Keeps the thumb on the epicondyle', [
        'On the joint line',
        'Drifts',
        'On it throughout',
      ]),
      perform.measured('bend', 'Knee flexion reached', '°', [30, 40], { from: 0, to: 135 }),
      perform.done('over-foot', 'Keeps the knee over the foot'),
      interpret.measured('angle', 'Angle of pain stated', '°', [20, 40], {
        half: 10,
        from: 0,
        to: 135,
      }),
      interpret.graded('others', 'Names two other causes', ['None', 'One', 'Two']),
      tell.done('tells', 'Tells the person what was found'),
    ],
    faults: [
      ['No hand hold', 'rail'],
      ['Weight on both feet', 'weight'],
      ['Thumb drifts', 'thumb'],
      ['Knee falls in', 'over-foot'],
    ],
    cautions: ['Somebody close; stop if the knee gives way.'],
    stopRule: 'Stop at giving way, sharp pain, or the word stop.',
    patient: { condition: 'band-friction-knee', side: 'left' },
  },
);

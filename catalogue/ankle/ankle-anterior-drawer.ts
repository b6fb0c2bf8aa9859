import { defineProcedure } from '../define.ts';
import { bothSides, choice, consent, done, graded, handHygiene, measured } from '../items.ts';
import { laxityGrade } from '../findings.ts';
import { holds, moves, push, decides, figure } from '../figures.ts';

/** Heel and talus drawn forward under a held leg, to judge the anterior talofibular ligament. */
export const ankleAnteriorDrawer = defineProcedure(
  {
    id: 'ankle-anterior-drawer',
    names: ['Anterior drawer test of the ankle'],
    title: 'Heel drawn forward under a held leg',
    region: 'ankle',
    kind: 'laxity',
    structures: ['anterior talofibular ligament'],
    patient: 'Sits or lies, knee bent so that the calf is slack, foot slightly pointed.',
    examiner: 'At the foot end.',
    steps: [
      'Hold the lower leg still just above the ankle.',
      'Cup the heel and draw it straight forward with the foot 10 to 20 degrees down.',
      'Report amount, end feel and pain apart, sound side first.',
    ],
    schools: [
      {
        key: 'heel-pull',
        label: 'Heel pull',
        description: 'The leg is held and the heel is drawn forward.',
      },
      {
        key: 'shin-push',
        label: 'Shin push',
        description: 'The foot stands fixed on the couch and the leg is pushed backwards.',
        drawn: {
          position: 'hook-lying',
          afresh: true,
          pose: { leg: { kneeFlexion: 128, ankleDorsiflexion: -20 } },
          hands: [holds('foot', 0.45, 'above'), moves('shank', 0.2, 'front')],
          forces: [push('shank', 0.2, 'back', 'front')],
        },
        force: 'leg pushed back',
      },
    ],
    figure: figure(
      'sitting',
      { leg: { hipFlexion: 88, kneeFlexion: 88, ankleDorsiflexion: -15 } },
      {
        decides: decides('ankleDorsiflexion', -20, -10),
        hands: [holds('shank', 0.82, 'front'), moves('foot', 0.06, 'back')],
        forces: [push('foot', 0.1, 'front', 'back')],
        region: ['shank', 'foot'],
      },
    ),
    loads: [{ structure: 'anterior talofibular ligament', mode: 'tension' }],
    findings: [
      {
        ...laxityGrade('States the amount of glide', ['Equal', 'Mild', 'Moderate', 'Marked']),
        key: 'declared-glide',
      },
    ],
    positive: 'More forward glide than on the other side, or a soft end.',
    negative: 'Equal, firm.',
    confounders: ['A tense calf', 'Guarding'],
    doesNotProve: 'The state of the heel-to-fibula ligament.',
    followUp: [],
    contraindications: ['Fracture rule not applied', 'Ligament repair', 'Parted leg bones'],
  },
  {
    task: 'Perform the anterior drawer of the ankle and report amount, end feel and pain apart.',
    simulatedPatient:
      'Left ankle turned in eight weeks ago, still unsteady; marked forward glide with a soft end. Right ankle sound.',
    usualVariant: 'heel-pull',
    variants: [
      {
        key: 'heel-pull',
        label: 'Heel pull',
        description: 'The leg is held and the heel is drawn forward.',
      },
      {
        key: 'shin-push',
        label: 'Shin push',
        description: 'The foot stands fixed on the couch and the leg is pushed backwards.',
      },
    ],
    cautions: [
      'Apply the fracture rule for ankles before stressing a recent injury.',
      'Not after ligament repair, nor where the two leg bones may have parted.',
    ],
    stopRule: 'Stop at sharp pain, guarding, new tingling, or the word stop.',
    items: [
      handHygiene(),
      consent(),
      done({
        key: 'fracture-rule',
        text: 'Applies the fracture rule before any stress',
        domain: 'preparation',
        observability: 'spoken',
        saidEarns: true,
        criticality: 'fails-station',
        criticalReason: 'A missed fracture is stressed next.',
        safety: true,
      }),
      done({
        key: 'slack-calf',
        text: 'Bends the knee to slacken the calf',
        domain: 'positioning',
      }),
      measured({
        key: 'plantarflexion',
        text: 'Ankle plantarflexion during the pull',
        domain: 'positioning',
        unit: '°',
        lower: 10,
        upper: 20,
        fullTolerance: 0,
        halfTolerance: 5,
        step: 5,
        minimum: -20,
        maximum: 50,
      }),
      graded({
        key: 'leg-held',
        text: 'Holds the leg still just above the ankle bones',
        domain: 'technique',
        variants: ['heel-pull'],
        anchors: ['Leg moves with the heel', 'Held too high', 'Still throughout'],
      }),
      graded({
        key: 'foot-fixed',
        text: 'Keeps the foot fixed on the couch',
        domain: 'technique',
        variants: ['shin-push'],
        anchors: ['Foot slides', 'Fixed by the toes only', 'Fixed throughout'],
      }),
      done({
        key: 'cups-heel',
        text: 'Cups the heel with the moving hand',
        domain: 'technique',
        variants: ['heel-pull'],
      }),
      done({
        key: 'pushes-shin',
        text: 'Sets the moving hand low on the front of the shin',
        domain: 'technique',
        variants: ['shin-push'],
      }),
      graded({
        key: 'straight-glide',
        text: 'Moves straight, without tilting the foot up',
        domain: 'technique',
        anchors: ['Foot pulled up', 'Tilts during the pull', 'Straight throughout'],
      }),
      done({
        key: 'ramped-load',
        text: 'Builds the load over one to two seconds',
        domain: 'technique',
        observability: 'felt',
        safety: true,
      }),
      bothSides(),
      choice({
        key: 'declared-glide',
        text: 'States the amount of glide',
        domain: 'interpretation',
        options: [
          { key: 'equal', label: 'Equal', call: 0 },
          { key: 'mild', label: 'Mild', call: 1 },
          { key: 'moderate', label: 'Moderate', call: 2 },
          { key: 'marked', label: 'Marked', call: 3 },
        ],
        answer: 'marked',
        partly: ['moderate'],
      }),
      done({
        key: 'pain-apart',
        text: 'Reports pain apart from laxity',
        domain: 'interpretation',
        observability: 'spoken',
        saidEarns: true,
      }),
      done({
        key: 'names-ligament',
        text: 'Names the front outer ligament of the ankle',
        domain: 'interpretation',
        observability: 'spoken',
        saidEarns: true,
      }),
      done({
        key: 'explains',
        text: 'Tells the person what was found in plain words',
        domain: 'communication',
        observability: 'spoken',
        saidEarns: true,
      }),
    ],
    faults: [
      { key: 'calf-tense', text: 'Calf tense', item: 'slack-calf', grade: 0 },
      { key: 'leg-loose', text: 'Leg not held', item: 'leg-held', grade: 0 },
      { key: 'forefoot-grip', text: 'Grips the forefoot', item: 'cups-heel', grade: 0 },
      { key: 'pulls-up', text: 'Pulls the foot up', item: 'straight-glide', grade: 0 },
      { key: 'jerk', text: 'Jerks', item: 'ramped-load', grade: 0 },
    ],
  },
);

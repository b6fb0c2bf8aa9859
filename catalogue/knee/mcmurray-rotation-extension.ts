import { NO_FULL_BEND } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, flagged } from '../items.ts';
import { doubtfulWith, present } from '../findings.ts';
import { moves, feels, turn, decides, figure, KNEE_REGION, push } from '../figures.ts';
import { memory } from '../worth.ts';
import { KNEE_CAUTION } from './shared.ts';

/** The bent knee turned, held turned, and straightened under a finger on the joint line. */
export const mcmurrayRotationExtension = defineProcedure(
  {
    id: 'mcmurray-rotation-extension',
    names: ['McMurray test', 'meniscal rotation and extension test'],
    title: 'Fully bent knee turned and straightened under a finger on the joint line',
    indication: 'A catch or lock, in a knee that bends fully.',
    region: 'knee',
    kind: 'provocation',
    structures: ['medial meniscus', 'lateral meniscus'],
    patient: 'Lies on the back and lets the limb be moved.',
    examiner: 'On the tested side, facing the knee.',
    steps: [
      'Bend the knee fully.',
      'Turn the shin outwards for the inner meniscus and hold the turn.',
      'Straighten smoothly with a finger on the tested line.',
      'Bend again, turn inwards for the outer meniscus, straighten.',
      'Do all of it on the sound knee first.',
    ],
    schools: [
      {
        key: 'rotation-only',
        label: 'Rotation only',
        description: 'The turn is held and the knee straightened, without a sideways force.',
        angles: 'full bend to 0 degrees',
        force: 'none sideways',
        criterion: 'thud or click at the line with the familiar pain',
      },
      {
        key: 'to-right-angle',
        label: 'To a right angle',
        description: 'The original form ends at 90 degrees.',
        angles: 'full bend to 90 degrees',
        figure: figure(
          'supine',
          { leg: { hipFlexion: 80, kneeFlexion: 90, tibialRotation: -20 } },
          {
            from: { leg: { hipFlexion: 95, kneeFlexion: 135, tibialRotation: -20 } },
            decides: decides('kneeFlexion', 85, 95),
            hands: [feels('shank', 0.02, 'inner'), moves('foot', 0.15, 'below')],
            forces: [turn('shank', 0.7, 'outwards')],
            region: KNEE_REGION,
          },
        ),
      },
      {
        key: 'valgus-with-turn',
        label: 'Valgus with the turn',
        description:
          'Outward turn with a force that opens the inner side, inward turn with its opposite.',
        drawn: { forces: [turn('shank', 0.7, 'outwards'), push('shank', 0.4, 'outer', 'inner')] },
        force: 'valgus with the outward turn, varus with the inward one',
      },
      {
        key: 'closing',
        label: 'Closing the tested side',
        description:
          'Outward turn with a force that loads the inner side, inward turn with its opposite.',
        drawn: { forces: [turn('shank', 0.7, 'outwards'), push('shank', 0.4, 'inner', 'outer')] },
        force: 'varus with the outward turn, valgus with the inward one',
      },
      {
        key: 'sweeping',
        label: 'One sweep',
        description: 'Each turn is held through one unbroken sweep from full bend to straight.',
        repetitions: 'one sweep a turn',
        drawn: {},
      },
      {
        key: 'stepwise',
        label: 'Step by step',
        description: 'The turn is tried at several angles on the way to straight.',
        angles: 'full bend, 120, 90, 60 degrees, each turned both ways',
        drawn: {},
      },
      {
        key: 'palm-over-kneecap',
        label: 'Palm over the kneecap',
        description: 'The palm lies on the kneecap, thumb and middle finger on both lines.',
        hands: 'thumb and finger on both lines',
        drawn: { hands: [feels('thigh', 0.98, 'front'), moves('foot', 0.15, 'below')] },
      },
      {
        key: 'to-and-fro-first',
        label: 'To and fro first',
        description:
          'The fully bent knee is worked to and fro before it is turned and straightened.',
        order: 'to and fro in full bend, then turn and straighten',
        drawn: {},
      },
    ],
    figure: figure(
      'supine',
      { leg: { hipFlexion: 35, kneeFlexion: 40, tibialRotation: -20 } },
      {
        from: { leg: { hipFlexion: 95, kneeFlexion: 135, tibialRotation: -20 } },
        decides: decides('kneeFlexion', 0, 135),
        hands: [feels('shank', 0.02, 'inner'), moves('foot', 0.15, 'below')],
        forces: [turn('shank', 0.7, 'outwards')],
        region: KNEE_REGION,
      },
    ),
    loads: [
      { structure: 'medial meniscus', mode: 'twist', stage: 'outwards' },
      { structure: 'lateral meniscus', mode: 'twist', stage: 'inwards' },
    ],
    voids: NO_FULL_BEND,
    findings: [
      doubtfulWith(
        present(
          'outward-result',
          'States the result with the shin turned outwards',
          ['click'],
          undefined,
          'outwards',
        ),
        'pain',
      ),
      doubtfulWith(
        present(
          'inward-result',
          'States the result with the shin turned inwards',
          ['click'],
          undefined,
          'inwards',
        ),
        'pain',
      ),
    ],
    positive: 'A thud or click that is felt at the tested line together with the familiar pain.',
    negative: 'Silent and painless; a painless click, or pain without one, is equivocal.',
    rules: [
      { when: 'Turned outwards', speaksFor: 'inner meniscus' },
      { when: 'Turned inwards', speaksFor: 'outer meniscus' },
      { when: 'Near full bend', speaksFor: 'back horn' },
      { when: 'About a right angle', speaksFor: 'body of the meniscus' },
      { when: 'Trouble extending, even without a click', speaksFor: 'a torn meniscus' },
    ],
    confounders: [
      'A snapping tendon',
      'Loose cartilage',
      'A lax cruciate',
      'The kneecap’s flick: one or two fingers on it tell it from a joint click',
    ],
    doesNotProve: 'A tear; and a negative test excludes none.',
    worth: [
      memory('meniscus tear', 0.705, 0.71, 'Hegedus 2007'),
      memory('meniscus tear', 0.61, 0.84, 'Smith 2015'),
      memory('meniscus tear', 0.55, 0.77, 'Meserve 2008'),
      memory('meniscus tear', 0.29, 0.95, 'Fowler & Lubliner 1989'),
      {
        of: 'thud on the inner line',
        sensitivity: 0.16,
        specificity: 0.98,
        kappa: 0.35,
        source: 'Evans 1993',
        sourceKind: 'from memory',
      },
    ],
    followUp: [
      'joint-line-tenderness',
      'thessaly-weight-bearing-twist',
      'apley-compression-distraction',
    ],
    contraindications: ['Locked knee, fresh meniscus repair, tense bleeding into the joint.'],
  },
  {
    task: 'Perform the rotation and extension test for both menisci and report each.',
    items: [
      prepare.asked('locking', 'Asks about locking', flagged('A locked knee is not twisted.')),
      position.measured('start-bend', 'Knee flexion at the start', '°', [130, 150], {
        half: 15,
        from: 0,
        to: 160,
      }),
      position.graded('controls-shin', 'Turns the shin, not the foot', [
        'Foot twists at the ankle',
        'Ankle gives in part',
        'Shin turns, ankle still',
      ]),
      perform.graded('hip-still', 'Keeps the hip from rolling', [
        'Hip rolls with the shin',
        'Rolls at the end',
        'Still throughout',
      ]),
      position.graded('finger-on-line', 'Presses a finger on the tested line', [
        'Off the line',
        'On one of the two lines',
        'On each line in turn',
      ]),
      perform.graded('turn-held', 'Holds the turn to the end of the arc', [
        'Released early',
        'Lost near the end',
        'Held throughout',
      ]),
      perform.done('both-turns', 'Tests outward as well as inward turn'),
      perform.done('sideways', 'Gives the sideways force of the declared school', {
        variants: ['valgus-with-turn', 'closing'],
      }),
      perform.done(
        'lowered',
        'Lowers the limb to the couch by hand',
        flagged('A dropped heel jars an injured knee.'),
      ),
    ],
    faults: [
      ['Hip rolls', 'hip-still'],
      ['Foot twists, shin still', 'controls-shin'],
      ['Not bent fully', 'start-bend'],
      ['Turn let go', 'turn-held'],
      ['One turn only', 'both-turns'],
      ['Leg dropped', 'lowered'],
    ],
    cautions: [
      'Not in a locked knee, after meniscus repair, or with a tense swelling.',
      KNEE_CAUTION,
    ],
    stopRule: 'Stop at a block, sharp pain, or the word stop.',
    patient: { condition: 'medial-meniscus-tear', side: 'right' },
  },
);

import { SHOULDER_WOULD_SLIP } from '../contraindicated.ts';
import { ARM_OUT_OF_REACH, ELBOW_SHORT } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, critical, flagged } from '../items.ts';
import { orVoid, yesNo } from '../findings.ts';
import { holds, moves, turn, compress, decides, figure, push, own } from '../figures.ts';
import { said } from '../worth.ts';

/** The radial head provoked to slip backwards, arm overhead. */
export const elbowPosterolateralPivotShift = defineProcedure(
  {
    id: 'elbow-posterolateral-pivot-shift',
    names: ['Posterolateral rotatory pivot shift', 'pivot shift of the elbow'],
    title: 'Provoking the radial head to slip backward and outward',
    indication:
      'An elbow that clunks or feels unsafe on pushing up from a chair, after a dislocation.',
    region: 'elbow',
    kind: 'laxity',
    structures: ['lateral ulnar collateral ligament'],
    patient: 'Lies, arm overhead, upper arm turned out to its end, palm turned to the face side.',
    examiner: 'At the head of the couch.',
    steps: [
      'Two or three free cycles.',
      'Turn the forearm fully out, take the wrist outwards with the other hand pushing inwards at the outer elbow, press along the forearm.',
      'Bend slowly from straight, watching face and elbow.',
      'End at the first fear or slip.',
    ],
    schools: [
      {
        key: 'awake',
        label: 'Awake',
        description: 'Fear is the usual positive result.',
        criterion: 'fear of the known giving way',
      },
      {
        key: 'reverse',
        label: 'Reverse path',
        description: 'From bent to straight: slips on the way.',
        drawn: { from: { arm: { elbowFlexion: 100 } } },
        order: 'bent to straight',
      },
      {
        key: 'push-up',
        label: 'Push-up sign',
        description: 'The patient rises from a chair with palms facing.',
        force: 'the patient presses up',
        drawn: {
          position: 'sitting',
          afresh: true,
          pose: {
            arm: {
              shoulderFlexion: -32,
              shoulderAbduction: 14,
              elbowFlexion: 42,
              wristExtension: 60,
            },
            otherArm: {
              shoulderFlexion: -32,
              shoulderAbduction: 14,
              elbowFlexion: 42,
              wristExtension: 60,
            },
          },
          from: {
            arm: {
              shoulderFlexion: -50,
              shoulderAbduction: 14,
              elbowFlexion: 75,
              wristExtension: 60,
            },
            otherArm: {
              shoulderFlexion: -50,
              shoulderAbduction: 14,
              elbowFlexion: 75,
              wristExtension: 60,
            },
          },
          hands: [],
          forces: [own(push('forearm', 0.8, 'below'))],
        },
        positions: 'sitting',
      },
    ],
    figure: figure(
      'supine',
      {
        arm: {
          shoulderFlexion: 160,
          shoulderRotation: -60,
          elbowFlexion: 40,
          forearmPronation: -85,
        },
      },
      {
        from: {
          arm: {
            shoulderFlexion: 160,
            shoulderRotation: -60,
            elbowFlexion: 5,
            forearmPronation: -85,
          },
        },
        decides: decides('elbowFlexion', 20, 45),
        hands: [moves('forearm', 0.88, 'inner'), holds('forearm', 0.12, 'outer')],
        forces: [
          turn('forearm', 0.85, 'outwards'),
          // Valgus: the wrist goes outwards, the hand at the outer elbow pushes inwards.
          push('forearm', 0.12, 'inner', 'outer'),
          compress('forearm'),
        ],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [{ structure: 'lateral ulnar collateral ligament', mode: 'glide' }],
    voids: [...ELBOW_SHORT, ...ARM_OUT_OF_REACH],
    refrains: SHOULDER_WOULD_SLIP,
    findings: [
      orVoid(
        yesNo(
          'result',
          'Names the result',
          ['apprehension'],
          ['Smooth, relaxed', 'Fear or a slip with a clunk'],
        ),
        'Not assessable: guarding, or short',
      ),
    ],
    positive: 'A slip with a clunk, or fear of the known giving way.',
    negative:
      'Smooth, relaxed, no fear. Guarding is not assessable, never negative: where fear forbids it, the test is repeated after numbing the joint or under anaesthesia.',
    rules: [
      { when: 'A free catch in the cycles', speaksFor: 'loose body' },
      { when: 'Fear', speaksFor: 'outer ligament to the ulna' },
    ],
    confounders: ['Loose joints all over', 'Guarding'],
    doesNotProve: 'Stability where the patient guards.',
    worth: [
      said('awake', 'sensitivity about 38 %, push-up signs 88 %', 'Regan & Lapner 2006, 8 elbows'),
    ],
    followUp: ['elbow-varus-stress'],
    contraindications: [
      'Fresh dislocation or fracture',
      'Ligament repair',
      'Unstable or stiff shoulder',
    ],
  },
  {
    task: 'Perform the pivot shift of the elbow and name its result.',
    items: [
      prepare.asked('warns', 'Warns of a slipping feeling'),
      prepare.asked(
        'excludes',
        'Excludes a fresh fracture or dislocation',
        critical('A fresh injury would be displaced.'),
      ),
      position.graded('locked', 'Locks the upper arm overhead in outward rotation', [
        'Free',
        'In part',
        'Locked',
      ]),
      perform.done('cycles', 'Bends freely a few times first'),
      perform.done('supination', 'Keeps full supination throughout'),
      perform.done('valgus', 'Takes the wrist outwards, the other hand at the outer elbow', {
        observability: 'felt',
      }),
      perform.done('axial', 'Presses along the forearm', { observability: 'felt' }),
      perform.done(
        'slow',
        'Takes three seconds or more to bend',
        flagged('A jerk can dislocate the elbow.'),
      ),
      perform.done(
        'ends',
        'Ends at the first fear or slip',
        critical('Going on after fear can dislocate the elbow.'),
      ),
      interpret.graded('ligament', 'Names the ligament with the next step', [
        'Neither',
        'One',
        'Both',
      ]),
    ],
    faults: [
      ['Upper arm free', 'locked'],
      ['No free cycles', 'cycles'],
      ['Palm turns back', 'supination'],
      ['Wrist goes inwards', 'valgus'],
      ['No axial load', 'axial'],
      ['Jerks', 'slow'],
      ['Repeats after fear', 'ends'],
    ],
    cautions: [
      'Never repeated after fear.',
      'Under anaesthesia only by a licensed clinician; the student names it.',
    ],
    stopRule: 'Stop at the first fear, slip, or the word stop.',
    patient: { condition: 'outer-elbow-instability', side: 'left' },
  },
);

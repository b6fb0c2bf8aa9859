import { SHOULDER_WOULD_SLIP } from '../contraindicated.ts';
import { ARM_OUT_OF_REACH } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, easesOff, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, push, own, decides, figure } from '../figures.ts';
import { memory } from '../worth.ts';

/** A resisted curl with the arm raised and turned fully out. */
export const bicepsLoadIi = defineProcedure(
  {
    id: 'biceps-load-ii',
    names: ['Biceps load II'],
    title: 'Resisted curl with the arm raised and turned out',
    indication:
      'A catch or deep pain on throwing, or after a fall on the arm, that points to the upper rim.',
    region: 'shoulder',
    kind: 'provocation',
    structures: ['superior labrum'],
    patient: 'Lies on the back, arm raised 120 degrees, turned fully out, elbow at 90, palm up.',
    examiner: 'At the tested side, hands at elbow and wrist.',
    steps: [
      'Ask for pain.',
      'The person bends the elbow against rising resistance.',
      'Ask again: new or more pain counts.',
    ],
    schools: [
      {
        key: 'published',
        label: 'Published form',
        description: 'With full outward turn and palm up.',
      },
      {
        key: 'plain',
        label: 'Plain curl',
        description: 'Taught without the turn: another test.',
        angles: 'arm not turned outwards',
        drawn: { pose: { arm: { shoulderRotation: 0, forearmPronation: 0 } } },
      },
    ],
    figure: figure(
      'supine',
      {
        arm: {
          shoulderFlexion: 0,
          shoulderAbduction: 120,
          shoulderRotation: -85,
          elbowFlexion: 90,
          forearmPronation: -80,
        },
      },
      {
        decides: decides('shoulderAbduction', 110, 130),
        hands: [holds('upperArm', 0.9, 'below'), moves('forearm', 0.9, 'front')],
        forces: [own(push('forearm', 0.9, 'front'))],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [
      { structure: 'superior labrum', mode: 'twist' },
      // Its own confounder: the tendon answers to the curl wherever the arm is.
      { structure: 'long head of biceps', mode: 'contraction' },
    ],
    voids: ARM_OUT_OF_REACH,
    refrains: SHOULDER_WOULD_SLIP,
    findings: [
      yesNo(
        'pain',
        'States whether resistance brings pain',
        ['pain'],
        ['Unchanged', 'New or more pain'],
      ),
    ],
    positive: 'Pain on, or increased by, the resisted curl.',
    negative: 'None, or unchanged.',
    confounders: ['Biceps tendon', 'Joint on top', 'Cuff'],
    doesNotProve: 'A tear: later studies found far lower figures.',
    worth: [
      memory('upper labrum', 0.9, 0.97, 'Kim 2001'),
      memory('upper labrum', 0.3, 0.78, 'Oh 2008'),
      memory('upper labrum', 0.67, 0.51, 'Cook 2012'),
    ],
    followUp: ['speed', 'yergason'],
    contraindications: ['Anterior instability', 'Biceps or labral repair'],
  },
  {
    task: 'Perform Biceps load II in its published form.',
    items: [
      prepare.asked(
        'screens',
        'Asks about instability',
        flagged('This is close to the position of dislocation.'),
      ),
      position.measured('elevation', 'Arm elevation', '°', [110, 130], { half: 10 }),
      position.done('turned', 'Sets full outward turn'),
      position.measured('elbow', 'Elbow angle', '°', [80, 100], { half: 10 }),
      position.done('palm-up', 'Sets the palm up'),
      perform.done('before', 'Asks for pain before resisting'),
      perform.done('wrist', 'Resists at the lower forearm'),
      easesOff('Ramps the resistance without a jerk'),
      interpret.done('compare', 'Counts new or more pain'),
      interpret.graded('figures', 'Sets early against later figures', ['None', 'One', 'Both']),
    ],
    faults: [
      ['Arm too low', 'elevation'],
      ['Not turned out', 'turned'],
      ['Palm down', 'palm-up'],
      ['Pain not asked before', 'before'],
    ],
    cautions: ['Fear: stop.'],
    stopRule: 'Stop at fear, a snap, or the word stop.',
    patient: { condition: 'slap-tear', side: 'left' },
  },
);

import { ARM_OUT_OF_REACH } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, easesOff, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, compress, decides, figure } from '../figures.ts';
import { memory } from '../worth.ts';

/** The loaded arm taken level across the body on a held blade. */
export const jerk = defineProcedure(
  {
    id: 'jerk',
    names: ['Jerk test'],
    title: 'Loaded arm taken level across the body on a held blade',
    indication: 'Pain at the back of the shoulder on pushing, or a clunk on crossing the body.',
    region: 'shoulder',
    kind: 'provocation',
    structures: ['posteroinferior labrum'],
    patient: 'Sits or stands, arm at 90 and turned inwards, elbow at 90.',
    examiner: 'Behind or beside; one hand holds the blade, one loads at the elbow.',
    steps: [
      'Load along the arm bone throughout.',
      'Take the arm level across the body in two seconds or more.',
      'Ask for pain; a second clunk on the way back is not needed.',
    ],
    schools: [
      {
        key: 'pain',
        label: 'Pain criterion',
        description: 'The published form.',
        criterion: 'sharp pain',
      },
      {
        key: 'clunk',
        label: 'Clunk criterion',
        description: 'A sign of looseness; the published figures do not hold.',
        criterion: 'clunk',
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 0,
          shoulderAbduction: 90,
          shoulderHorizontalAdduction: 100,
          elbowFlexion: 90,
        },
      },
      {
        from: { arm: { shoulderFlexion: 0, shoulderAbduction: 90, elbowFlexion: 90 } },
        decides: decides('shoulderHorizontalAdduction', 80, 120),
        hands: [moves('upperArm', 0.98, 'below'), holds('trunk', 0.75, 'back')],
        forces: [compress('upperArm')],
        region: ['upperArm'],
      },
    ),
    loads: [{ structure: 'posteroinferior labrum', mode: 'compression' }],
    voids: ARM_OUT_OF_REACH,
    findings: [
      yesNo(
        'pain',
        'States the result by the declared criterion',
        ['pain'],
        ['Negative', 'Positive'],
      ),
    ],
    positive: 'Sharp pain, with or without a clunk.',
    negative: 'None of the declared criterion.',
    confounders: ['A snapping blade', 'Joint on top'],
    doesNotProve: 'Instability where a clunk is painless.',
    worth: [memory('lower back labrum', 0.73, 0.98, 'Kim 2005')],
    followUp: ['kim-jerk-combined'],
    contraindications: ['Posterior dislocation', 'Fracture', 'Repair'],
  },
  {
    task: 'Perform the jerk test by the declared criterion.',
    items: [
      prepare.asked(
        'screens',
        'Asks about posterior dislocation',
        flagged('The arm bone can slip out backwards.'),
      ),
      position.measured('start', 'Arm abduction at the start', '°', [85, 95], { half: 5 }),
      position.done('inward', 'Turns the arm inwards at 90 degrees'),
      position.done('blade', 'Holds the shoulder blade of the tested side'),
      perform.done('load', 'Keeps the load throughout', { observability: 'felt' }),
      perform.done('level', 'Keeps the arm at shoulder height across'),
      perform.done('slowly', 'Takes two seconds or more across'),
      easesOff(),
      perform.done('elbow', 'Keeps the elbow at 90 degrees'),
      interpret.done('criterion', 'States pain or clunk by the declared criterion'),
      interpret.graded('figures', 'Says what the accuracy figures mean', [
        'Swaps them',
        'Definition only',
        'With the chance before',
      ]),
    ],
    faults: [
      ['Blade not held', 'blade'],
      ['Load missing', 'load'],
      ['Arm rises', 'level'],
      ['Arm not turned inwards', 'inward'],
      ['Done again to hear it', 'eases-off'],
    ],
    cautions: ['Never repeated to hear a clunk again.'],
    stopRule: 'Stop at fear, severe pain, or the word stop.',
    patient: { condition: 'posterior-labrum-tear', side: 'left' },
  },
);

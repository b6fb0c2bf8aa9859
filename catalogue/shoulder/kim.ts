import { ARM_OUT_OF_REACH } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, easesOff, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { moves, compress, decides, figure } from '../figures.ts';
import { memory } from '../worth.ts';

/** The loaded arm raised aslant with a push down and back. */
export const kim = defineProcedure(
  {
    id: 'kim',
    names: ['Kim test'],
    title: 'Loaded arm raised aslant with a push down and back',
    indication:
      'Pain at the back of the shoulder on pushing, with a suspected lower tear of the back rim.',
    region: 'shoulder',
    kind: 'provocation',
    structures: ['posteroinferior labrum'],
    patient: 'Sits against a back rest, arm at 90, elbow at 90, palm down.',
    examiner: 'Beside or behind; one hand cups the elbow, one lies on the near arm.',
    steps: [
      'Load along the arm bone.',
      'At once raise the arm 45 degrees aslant and push the near arm down and back.',
      'Ask where it hurts.',
    ],
    schools: [
      { key: 'seated', label: 'Seated', description: 'Against a back rest.' },
      {
        key: 'standing',
        label: 'Standing',
        description: 'Back against a wall.',
        positions: 'standing',
        drawn: { position: 'standing' },
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 0,
          shoulderAbduction: 130,
          shoulderHorizontalAdduction: 30,
          elbowFlexion: 90,
        },
      },
      {
        from: { arm: { shoulderFlexion: 0, shoulderAbduction: 90, elbowFlexion: 90 } },
        decides: decides('shoulderAbduction', 120, 140),
        hands: [moves('upperArm', 0.98, 'below'), moves('upperArm', 0.2, 'outer')],
        forces: [compress('upperArm')],
        region: ['upperArm'],
        view: 'front',
      },
    ),
    loads: [{ structure: 'posteroinferior labrum', mode: 'compression' }],
    voids: ARM_OUT_OF_REACH,
    findings: [
      yesNo(
        'pain',
        'States whether the back of the shoulder hurts',
        ['pain'],
        ['No', 'Sudden pain at the back'],
      ),
    ],
    positive: 'Sudden pain at the back of the shoulder, with or without a clunk.',
    negative: 'No pain at the back.',
    confounders: ['Posterior cuff', 'Joint on top', 'Looseness'],
    doesNotProve: 'A tear; a painless clunk is recorded.',
    worth: [memory('lower back labrum', 0.8, 0.94, 'Kim 2005')],
    followUp: ['jerk', 'kim-jerk-combined'],
    contraindications: ['Posterior dislocation', 'Fracture', 'Labral repair'],
  },
  {
    task: 'Perform the Kim test and read its accuracy rightly.',
    items: [
      prepare.asked(
        'screens',
        'Asks about posterior dislocation',
        flagged('The arm bone can slip out backwards.'),
      ),
      position.done('rest', 'Seats the person against a back rest'),
      position.measured('start', 'Arm abduction at the start', '°', [85, 95], { half: 5 }),
      position.done('palm-down', 'Has the palm down'),
      perform.done('load', 'Keeps the load through the whole lift', { observability: 'felt' }),
      perform.done('down-back', 'Pushes the near arm down with a backward share', {
        observability: 'felt',
      }),
      perform.measured('lift', 'Degrees of aslant lift', '°', [35, 55], { half: 10 }),
      perform.done('slowly', 'Takes two seconds or more for the lift'),
      easesOff(),
      interpret.done('site', 'Asks for the site of pain'),
      interpret.graded('figures', 'Says what the accuracy figures mean', [
        'Swaps them',
        'Definition only',
        'With the chance before',
      ]),
    ],
    faults: [
      ['Load lost', 'load'],
      ['Hand on the shoulder top', 'down-back'],
      ['Arm too low', 'start'],
      ['Site not asked', 'site'],
    ],
    cautions: ['Fear: stop.'],
    stopRule: 'Stop at fear, sharp pain, or the word stop.',
    patient: { condition: 'posterior-labrum-tear', side: 'right' },
  },
);

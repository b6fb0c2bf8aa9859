import { SHOULDER_WOULD_SLIP } from '../contraindicated.ts';
import { ARM_OUT_OF_REACH } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, easesOff, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, push, own, decides, figure } from '../figures.ts';
import { memory } from '../worth.ts';

/** The thumb turned back with the arm supported at 90 degrees. */
export const er90Strength = defineProcedure(
  {
    id: 'er90-strength',
    names: ['Patte test', 'hornblower test', 'external rotation at 90'],
    title: 'Thumb turned back with the arm supported at 90 degrees',
    indication:
      'A hand that cannot be kept behind the head, or a suspected tear of the back of the cuff.',
    region: 'shoulder',
    kind: 'strength',
    structures: ['teres minor', 'infraspinatus'],
    patient: 'Sits or stands, arm at 90 in the plane of the blade, elbow at 90.',
    examiner: 'Beside or behind, a hand under the elbow.',
    steps: [
      'Turn the thumb back actively.',
      'Then against rising resistance at the lower forearm.',
      'Name the form that was done.',
    ],
    schools: [
      {
        key: 'resisted',
        label: 'Resisted',
        description: 'Against a hand.',
        force: 'against a hand',
      },
      {
        key: 'hold',
        label: 'Hold',
        description: 'Unresisted thumb-back hold.',
        force: 'none: the patient holds',
        drawn: { hands: [], forces: [] },
      },
      {
        key: 'mouth',
        label: 'Hand to mouth',
        description: 'The elbow hitches above the hand.',
        angles: 'hand to the mouth',
        criterion: 'elbow higher than the hand',
        drawn: {
          afresh: true,
          pose: {
            arm: {
              shoulderFlexion: 0,
              shoulderAbduction: 100,
              shoulderHorizontalAdduction: 70,
              shoulderRotation: -8,
              elbowFlexion: 140,
              forearmPronation: 40,
            },
          },
          decides: null,
          hands: [],
          forces: [],
          view: 'front',
        },
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 0,
          shoulderAbduction: 90,
          shoulderHorizontalAdduction: 30,
          shoulderRotation: -80,
          elbowFlexion: 90,
        },
      },
      {
        decides: decides('shoulderRotation', -95, -70),
        hands: [holds('upperArm', 0.9, 'inner'), moves('forearm', 0.88, 'back')],
        forces: [own(push('forearm', 0.88, 'back'))],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [
      { structure: 'teres minor', mode: 'contraction' },
      { structure: 'infraspinatus', mode: 'contraction' },
    ],
    voids: ARM_OUT_OF_REACH,
    numbers: [
      {
        item: 'lag',
        healthy: 0,
        tolerance: 5,
        half: 10,
        by: [
          { structure: 'infraspinatus', state: 'ruptured', values: [10, 20, 40] },
          { structure: 'teres minor', state: 'ruptured', values: [5, 15, 30] },
        ],
      },
    ],
    refrains: SHOULDER_WOULD_SLIP,
    findings: [
      yesNo('weak', 'States whether it can be held', ['weakness'], ['Held', 'Drops or weak']),
    ],
    positive: 'Cannot turn or hold against gravity, weak, or drops.',
    negative: 'Full, strong.',
    confounders: ['Pain', 'Instability'],
    doesNotProve: 'A tear where it is only a little weak.',
    worth: [
      memory('severe fatty teres minor', 1, 0.93, 'Walch 1998'),
      memory('Patte form', 0.93, 0.72, 'Collin 2015'),
    ],
    followUp: ['infraspinatus-er-side'],
    contraindications: ['Anterior instability: this is its position', 'Cuff repair'],
  },
  {
    task: 'Test the outward turn at 90 degrees and name the form.',
    items: [
      prepare.asked(
        'screens',
        'Asks about anterior instability',
        flagged('This is the position of dislocation.'),
      ),
      position.measured('elevation', 'Arm abduction', '°', [80, 100], { half: 10 }),
      position.done('support', 'Supports the elbow from below'),
      perform.done('active-first', 'Has the active turn before resisting'),
      perform.done('forearm', 'Resists at the lower forearm'),
      easesOff('Ramps the resistance without a jerk'),
      perform.measured('lag', 'Lag read', '°', [0, 10], { full: 10, half: 20 }),
      interpret.done('form', 'Names the form that was done'),
      interpret.done('names', 'Names teres minor with infraspinatus'),
    ],
    faults: [
      ['Elbow not supported', 'support'],
      ['No active turn first', 'active-first'],
      ['Pushes at the hand', 'forearm'],
      ['Arm falls', 'elevation'],
    ],
    cautions: ['Fear: stop.'],
    stopRule: 'Stop at fear, sharp pain, or the word stop.',
    patient: { condition: 'posterior-cuff-tear', side: 'right' },
  },
);

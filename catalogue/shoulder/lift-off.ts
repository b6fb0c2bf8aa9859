import { ARM_OUT_OF_REACH } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, easesOff, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { moves, push, own, decides, figure, holds } from '../figures.ts';
import { memory } from '../worth.ts';

/** The back of the hand lifted off the low back. */
export const liftOff = defineProcedure(
  {
    id: 'lift-off',
    names: ['Gerber lift-off test'],
    title: 'Back of the hand lifted off the low back',
    indication:
      'Weak inward turn after the arm was torn outwards, in a shoulder that reaches the back painlessly.',
    region: 'shoulder',
    kind: 'strength',
    structures: ['subscapularis'],
    patient: 'Stands or sits, back of the hand on the low back.',
    examiner: 'Behind.',
    steps: [
      'Check that the reach is painless.',
      'Lift the hand away five seconds, unloaded first.',
      'Then against light resistance.',
    ],
    schools: [
      {
        key: 'unloaded',
        label: 'Unloaded',
        description: 'The original lift.',
        force: 'none: the patient lifts',
        drawn: { hands: [] },
      },
      {
        key: 'lag',
        label: 'Placed and held',
        description: 'Placed away, the person holds.',
        order: 'placed, then let go',
        drawn: {
          hands: [holds('upperArm', 0.85, 'back'), moves('forearm', 0.9, 'inner')],
          forces: [],
        },
      },
    ],
    figure: figure(
      'standing',
      {
        arm: {
          shoulderFlexion: -40,
          shoulderAbduction: 12,
          shoulderRotation: 85,
          elbowFlexion: 85,
        },
      },
      {
        decides: decides('elbowFlexion', 75, 105),
        hands: [moves('hand', 0.5, 'outer')],
        forces: [own(push('hand', 0.5, 'outer'))],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [{ structure: 'subscapularis', mode: 'contraction' }],
    voids: ARM_OUT_OF_REACH,
    numbers: [
      {
        item: 'gap',
        healthy: 12,
        tolerance: 1,
        half: 2,
        by: [{ structure: 'subscapularis', state: 'ruptured', values: [5, 2, 0] }],
      },
    ],
    findings: [
      yesNo('lift', 'States whether the hand lifts', ['weakness'], ['Lifts', 'Cannot lift']),
    ],
    positive: 'Cannot lift, or only by stretching the elbow.',
    negative: 'Lifts five centimetres or more.',
    confounders: ['A reach that is painful or short: invalid'],
    doesNotProve: 'A tear without a painless reach.',
    worth: [
      memory('subscapularis tear', 0.18, 1, 'Barth 2006'),
      memory('passive lag', 0.97, 0.96, 'Hertel 1996'),
    ],
    followUp: ['belly-press'],
    contraindications: ['Subscapularis repair'],
  },
  {
    task: 'Perform the lift-off, unloaded first.',
    items: [
      prepare.asked(
        'screens',
        'Asks about pain on reaching behind',
        flagged('A painful reach makes the test invalid.'),
      ),
      position.done('lumbar', 'Has the hand at the low back'),
      perform.done('unloaded', 'Has an unloaded lift first'),
      perform.done('palm', 'Adds resistance only after a full unloaded lift'),
      perform.done('elbow', 'Keeps the elbow angle unchanged'),
      perform.measured('gap', 'Gap read', 'cm', [5, 20], { full: 1, half: 2, step: 0.5 }),
      easesOff(),
      interpret.done('invalid', 'Says that a painful or short reach makes it invalid'),
      interpret.done('names', 'Names subscapularis'),
    ],
    faults: [
      ['Elbow stretches', 'elbow'],
      ['Reach not checked', 'screens'],
      ['Hand on the buttock', 'lumbar'],
      ['Resists at once', 'unloaded'],
    ],
    cautions: ['Sharp pain: stop.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'subscapularis-tear', side: 'left' },
  },
);

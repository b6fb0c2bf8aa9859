import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, easesOff, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { push, own, decides, figure, moves } from '../figures.ts';
import { PAINFUL_SIDE_ONLY } from '../schools.ts';
import { memory } from '../worth.ts';

/** The palm pressed into the belly, elbow and wrist watched. */
export const bellyPress = defineProcedure(
  {
    id: 'belly-press',
    names: ['Belly press test'],
    title: 'Palm pressed into the belly, elbow and wrist watched',
    indication: 'Weak inward turn where the hand cannot be brought behind the back.',
    region: 'shoulder',
    kind: 'strength',
    structures: ['subscapularis'],
    patient: 'Sits or stands, palm on the belly, wrist straight, elbow in front of the trunk.',
    examiner: 'At the side, eyes at elbow height.',
    steps: [
      'The person presses in three to five seconds.',
      'Watch whether the elbow falls back or the wrist bends.',
    ],
    schools: [
      {
        key: 'posture',
        label: 'Press and watch',
        description: 'The standard sign is the posture.',
        force: 'the patient’s press alone',
      },
      {
        key: 'pull',
        label: 'Against a pull',
        description: 'Held against a pull off the belly.',
        force: 'a pull off the belly, resisted',
        drawn: {
          hands: [moves('forearm', 0.9, 'inner')],
          forces: [own(push('hand', 0.5, 'inner')), push('forearm', 0.9, 'outer', 'outer')],
        },
      },
      PAINFUL_SIDE_ONLY,
    ],
    figure: figure(
      'standing',
      {
        arm: { shoulderFlexion: 25, shoulderAbduction: 40, shoulderRotation: 75, elbowFlexion: 95 },
      },
      {
        decides: decides('elbowFlexion', 80, 110),
        hands: [],
        forces: [own(push('hand', 0.5, 'inner'))],
        region: ['upperArm', 'forearm'],
        view: 'front',
      },
    ),
    loads: [{ structure: 'subscapularis', mode: 'contraction' }],
    numbers: [
      {
        item: 'bend',
        healthy: 0,
        tolerance: 10,
        half: 20,
        by: [{ structure: 'subscapularis', state: 'ruptured', values: [20, 40, 60] }],
      },
    ],
    findings: [
      yesNo('sign', 'States the sign', ['weakness'], ['Posture kept', 'Elbow or wrist gives']),
    ],
    positive: 'The elbow drops back, the wrist bends 30 degrees or more, or the hand comes off.',
    negative: 'Wrist straight, elbow in front.',
    confounders: ['Limited inward turn', 'Large belly', 'Wrist disease'],
    doesNotProve: 'A tear where inward turn is limited.',
    worth: [memory('subscapularis tear', 0.4, 0.98, 'Barth 2006')],
    followUp: ['lift-off'],
    contraindications: ['Subscapularis repair', 'Abdominal surgery'],
  },
  {
    task: 'Perform the belly press and read elbow or wrist.',
    items: [
      prepare.asked(
        'screens',
        'Asks about subscapularis repair',
        flagged('A repaired tendon is not loaded.'),
      ),
      position.done('wrist', 'Starts with the wrist straight'),
      position.done('elbow', 'Starts with the elbow in front of the trunk'),
      perform.measured('seconds', 'Seconds of pressing', 's', [3, 5], { half: 1, from: 0, to: 15 }),
      perform.done('side', 'Looks from the side at elbow height'),
      easesOff('Pulls only in the declared form'),
      perform.measured('bend', 'Wrist bend read', '°', [0, 30], { full: 10, half: 20 }),
      interpret.done('names-sign', 'Names elbow drop or wrist bend as the sign'),
      interpret.done('false', 'Names one reason for a false result'),
    ],
    faults: [
      ['Elbow behind at the start', 'elbow'],
      ['Wrist bend missed', 'bend'],
      ['Watched from the front', 'side'],
      ['Pulls undeclared', 'eases-off'],
    ],
    cautions: ['Belly pain: stop.'],
    stopRule: 'Stop at sharp shoulder or belly pain, or the word stop.',
    patient: { condition: 'subscapularis-tear', side: 'right' },
  },
);

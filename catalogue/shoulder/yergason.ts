import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, easesOff, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { moves, feels, turn, own, decides, figure, push } from '../figures.ts';
import { memory } from '../worth.ts';

/** The palm turned up against resistance with a finger on the groove. */
export const yergason = defineProcedure(
  {
    id: 'yergason',
    names: ['Yergason test'],
    title: 'Palm turned up against resistance, a finger on the groove',
    indication: 'Pain or snapping at the front groove on turning the palm up.',
    region: 'shoulder',
    kind: 'provocation',
    structures: ['long head of biceps'],
    patient: 'Sits or stands, arm at the side, elbow at 90 degrees, palm down.',
    examiner: 'In front; a finger on the groove, a hand on the lower forearm.',
    steps: [
      'The person turns the palm up against rising resistance, three to five seconds.',
      'Feel the groove.',
      'Ask where it hurts.',
    ],
    schools: [
      { key: 'turn', label: 'Turning only', description: 'Palm up against resistance.' },
      {
        key: 'with-rotation',
        label: 'With outward turn',
        description: 'The arm turned outwards as well: for a tendon that slips.',
        drawn: {
          pose: { arm: { shoulderRotation: -30 } },
          forces: [own(turn('forearm', 0.7, 'outwards')), own(push('forearm', 0.85, 'back'))],
        },
        force: 'outward turn resisted too',
      },
    ],
    figure: figure(
      'sitting',
      { arm: { shoulderFlexion: 0, elbowFlexion: 90, forearmPronation: 80 } },
      {
        decides: decides('forearmPronation', 75, 90),
        hands: [feels('upperArm', 0.12, 'front'), moves('forearm', 0.88, 'outer')],
        forces: [own(turn('forearm', 0.7, 'outwards'))],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [{ structure: 'long head of biceps', mode: 'contraction' }],
    findings: [
      yesNo('groove', 'States whether the groove hurts', ['pain'], ['No', 'Groove hurts']),
    ],
    positive: 'Pain at the groove, or a tendon felt snapping.',
    negative: 'None; pain elsewhere is recorded.',
    confounders: ['Elbow or wrist pain', 'Cuff tear'],
    doesNotProve: 'A sound tendon when negative.',
    worth: [
      memory('biceps or upper labrum', 0.43, 0.79, 'Holtby & Razmjou 2004'),
      memory('upper labrum, pooled', 0.12, 0.95, 'Hegedus 2012'),
    ],
    followUp: ['speed'],
    contraindications: ['Biceps rupture or repair'],
  },
  {
    task: 'Perform the Yergason test and read it at the groove.',
    items: [
      prepare.asked(
        'screens',
        'Asks about biceps rupture or repair',
        flagged('A repaired tendon is not loaded.'),
      ),
      position.measured('elbow', 'Elbow angle', '°', [80, 100], { half: 10 }),
      position.done('pronated', 'Starts with the palm fully down'),
      perform.done('finger', 'Keeps a finger on the groove'),
      perform.done('forearm', 'Grips the forearm, not the hand'),
      perform.done('direction', 'Resists turning up, not down'),
      easesOff('Ramps the resistance without a jerk'),
      perform.done('ribs', 'Keeps the elbow at the ribs'),
      interpret.done('little', 'Says that a negative excludes little'),
    ],
    faults: [
      ['Starts palm up', 'pronated'],
      ['No finger on the groove', 'finger'],
      ['Grips the hand', 'forearm'],
      ['Elbow away', 'ribs'],
    ],
    cautions: ['A snap: stop.'],
    stopRule: 'Stop at a snap, sharp pain, or the word stop.',
    patient: { condition: 'biceps-tendon', side: 'right' },
  },
);

import { ARM_OUT_OF_REACH } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, easesOff, flagged } from '../items.ts';
import { doubtfulWith, onlyFrom, present } from '../findings.ts';
import { holds, moves, turn, decides, figure } from '../figures.ts';
import { memory } from '../worth.ts';

/** The arm raised in front and turned in passively. */
export const hawkinsKennedy = defineProcedure(
  {
    id: 'hawkins-kennedy',
    names: ['Hawkins-Kennedy test'],
    title: 'Arm raised in front and turned in passively',
    indication:
      'Pain at the outer shoulder on reaching up; adds little alone, so with others or not at all.',
    region: 'shoulder',
    kind: 'provocation',
    structures: ['subacromial space'],
    patient: 'Sits or stands, passive; arm at 90 in front, elbow at 90.',
    examiner: 'At the side; a hand under the elbow, one at the forearm.',
    steps: [
      'Turn the forearm down slowly to the end or to pain.',
      'Ask whether it is familiar and where.',
    ],
    schools: [
      {
        key: 'front',
        label: 'In front',
        description: 'The original form.',
        angles: 'arm straight ahead',
      },
      {
        key: 'blade-plane',
        label: 'Plane of the blade',
        description: 'Up to 45 degrees out.',
        angles: 'up to 45 degrees out',
        drawn: {
          pose: { arm: { shoulderHorizontalAdduction: -35 } },
          from: { arm: { shoulderHorizontalAdduction: -35 } },
        },
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: { shoulderFlexion: 90, shoulderAbduction: 0, shoulderRotation: 60, elbowFlexion: 90 },
      },
      {
        from: { arm: { shoulderFlexion: 90, shoulderAbduction: 0, elbowFlexion: 90 } },
        decides: decides('shoulderFlexion', 80, 100),
        hands: [holds('upperArm', 0.85, 'back'), moves('forearm', 0.9, 'front')],
        forces: [turn('upperArm', 0.6, 'inwards')],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [
      { structure: 'subacromial space', mode: 'compression' },
      { structure: 'acromioclavicular joint', mode: 'compression' },
      { structure: 'shoulder capsule', mode: 'twist' },
    ],
    voids: ARM_OUT_OF_REACH,
    findings: [
      doubtfulWith(
        onlyFrom(present('result', 'States the result', ['pain']), 'subacromial space'),
        'pain',
      ),
    ],
    positive: 'Familiar pain at the outer or front side at the end.',
    negative: 'None; a stretch at the back is not positive.',
    confounders: ['Joint on top', 'A shoulder without rotation: invalid'],
    doesNotProve: 'Which tendon.',
    worth: [memory('impingement, pooled', 0.8, 0.56, 'Hegedus 2012')],
    followUp: ['supraspinatus-strength', 'cross-body-adduction'],
    contraindications: ['Acute tear', 'Fracture', 'Recent repair'],
  },
  {
    task: 'Perform the Hawkins-Kennedy test and say what it is worth.',
    items: [
      prepare.asked(
        'screens',
        'Asks about tear or fracture',
        flagged('A fracture must not be turned.'),
      ),
      position.measured('flexion', 'Arm elevation in front', '°', [80, 100], { half: 10 }),
      position.measured('elbow', 'Elbow angle', '°', [80, 100], { half: 10 }),
      position.done('carried', 'Carries the arm, the person passive'),
      perform.done('no-hitch', 'Keeps the blade from hitching'),
      perform.measured('seconds', 'Seconds of turning', 's', [2, 3], { half: 1, from: 0, to: 15 }),
      easesOff('Stops at pain'),
      interpret.done('familiar', 'Asks whether the pain is familiar'),
      interpret.done('worth', 'Says that it is more sensitive than specific'),
    ],
    faults: [
      ['Arm out at the side', 'flexion'],
      ['Person helps', 'carried'],
      ['Blade hitches', 'no-hitch'],
      ['Not asked', 'familiar'],
    ],
    cautions: ['No rotation at all: invalid, not positive.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'subacromial-pain', side: 'left' },
  },
);

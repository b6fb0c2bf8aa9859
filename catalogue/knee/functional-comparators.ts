import { KNEE_TOO_FULL } from '../contraindicated.ts';
import { defineProcedure } from '../define.ts';
import { position, perform, interpret, tell, critical } from '../items.ts';
import { yesNo } from '../findings.ts';
import { figure, KNEE_REGION } from '../figures.ts';

/** Squat, lunge and step-up, asked for pain one by one. */
export const functionalComparators = defineProcedure(
  {
    id: 'functional-comparators',
    names: ['Squat, lunge, step-up'],
    title: 'Squat, lunge and step-up as comparators',
    indication:
      'Pain at the front of the knee on stairs or squatting, to compare before and after.',
    region: 'knee',
    kind: 'function',
    structures: ['kneecap surfaces', 'patellar tendon'],
    patient: 'Stands with space around and support near.',
    examiner: 'Within reach.',
    steps: [
      'One squat, one lunge and one step-up of each leg, in an order that is written down.',
      'Ask after each whether it is the familiar pain.',
      'The step-down comes last.',
    ],
    schools: [
      { key: 'plain', label: 'Plain squat', description: 'Arms in front.' },
      {
        key: 'overhead',
        label: 'Overhead squat',
        description: 'Arms up; the same on re-test.',
        angles: 'arms up',
        drawn: { pose: { arm: { shoulderFlexion: 165 }, otherArm: { shoulderFlexion: 165 } } },
      },
    ],
    figure: figure(
      'standing',
      {
        leg: { hipFlexion: 60, kneeFlexion: 80, ankleDorsiflexion: 20 },
        otherLeg: { hipFlexion: 60, kneeFlexion: 80, ankleDorsiflexion: 20 },
        axial: { trunkFlexion: 30 },
        arm: { shoulderFlexion: 80 },
        otherArm: { shoulderFlexion: 80 },
      },
      { hands: [], forces: [], region: KNEE_REGION },
    ),
    loads: [
      // A deep squat squeezes the back of a torn piece.
      { structure: 'medial meniscus', mode: 'compression' },
      { structure: 'lateral meniscus', mode: 'compression' },
      { structure: 'kneecap surfaces', mode: 'compression' },
      { structure: 'patellar tendon', mode: 'contraction' },
    ],
    refrains: KNEE_TOO_FULL,
    findings: [
      yesNo(
        'pain',
        'States whether one brings the familiar pain',
        ['pain'],
        ['None', 'Familiar pain'],
      ),
    ],
    positive: 'Familiar pain in that movement.',
    negative: 'None; a painful step-down is then the marker.',
    confounders: ['A painful movement just before'],
    doesNotProve: 'A healthy knee where all are silent.',
    worth: [
      {
        of: 'squat pain',
        sensitivity: 0.91,
        specificity: 0.5,
        source: 'Cook 2010',
        sourceKind: 'from memory, unsure',
      },
    ],
    followUp: ['slow-step-down'],
    contraindications: ['Fresh swelling', 'Poor balance'],
  },
  {
    task: 'Compare squat, lunge and step-up for the familiar pain.',
    items: [
      position.done('near', 'Stands within reach', critical('A person in a lunge must not fall.')),
      perform.graded('all-three', 'Has all three movements done', ['One', 'Two', 'All three']),
      perform.asked('order', 'States the order for the record'),
      perform.graded('depth', 'Declares a depth that is then reached each time', [
        'None declared',
        'Declared, missed at least once',
        'Declared, reached each time',
      ]),
      perform.done('asks-each', 'Asks about pain after each'),
      interpret.graded('per-movement', 'Reports pain per movement', [
        'In general',
        'Two of three',
        'Each',
      ]),
      interpret.done('marker', 'Says which movement is the re-test marker'),
      tell.done('tells', 'Tells the person what was found'),
    ],
    faults: [
      ['One left out', 'all-three'],
      ['Not asked', 'asks-each'],
      ['Shallow', 'depth'],
      ['Out of reach', 'near'],
    ],
    cautions: ['Rest between movements.'],
    stopRule: 'Stop at giving way, sharp pain, or the word stop.',
    patient: { condition: 'patellar-tendinopathy', side: 'right' },
  },
);

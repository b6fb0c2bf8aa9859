import { defineProcedure } from '../define.ts';
import { position, perform, interpret } from '../items.ts';
import { yesNo } from '../findings.ts';
import { figure } from '../figures.ts';
import { said } from '../worth.ts';

/** The angle of arm and forearm from the front, elbow straight. */
export const elbowCarryingAngle = defineProcedure(
  {
    id: 'elbow-carrying-angle',
    names: ['Carrying angle', 'cubitus valgus and varus'],
    title: 'Frontal-plane alignment with the elbow straight',
    indication:
      'An elbow that stands off after a fracture in childhood, or ulnar nerve trouble years later.',
    region: 'elbow',
    kind: 'rom',
    structures: ['elbow joint'],
    patient: 'Stands or sits, arms at the sides, elbows straight, palms forward.',
    examiner: 'Square in front.',
    steps: [
      'Straighten both elbows, palms forward.',
      'Sight along upper arm and forearm, or lay the goniometer on.',
      'Say the angle with its name.',
    ],
    schools: [
      {
        key: 'eye',
        label: 'By eye',
        description: 'The common form; within 10 degrees.',
        means: 'the eye',
      },
      {
        key: 'goniometer',
        label: 'Goniometer',
        description: 'Middle of the crease, towards acromion and mid-wrist.',
        means: 'goniometer over the middle of the crease',
      },
    ],
    figure: figure(
      'standing',
      {
        arm: { shoulderAbduction: 10, forearmPronation: -85 },
        otherArm: { shoulderAbduction: 10, forearmPronation: -85 },
      },
      { view: 'front', region: ['upperArm', 'forearm'] },
    ),
    loads: [{ structure: 'elbow joint', mode: 'motion' }],
    findings: [
      yesNo(
        'unreadable',
        'States whether the angle can be read',
        ['stiffness'],
        ['Readable', 'Not: the elbow does not straighten'],
      ),
    ],
    positive: 'Any varus, valgus over 20, or 10 between the sides.',
    negative: 'Valgus 5 to 15 in men, 10 to 20 in women, sides alike.',
    rules: [
      { when: 'Much valgus', speaksFor: 'old injury of the outer bump, late ulnar nerve trouble' },
      { when: 'Varus', speaksFor: 'old fracture above the elbow' },
    ],
    confounders: ['A bent elbow', 'A palm turned in'],
    doesNotProve: 'Stability.',
    worth: [said('means', '11 ± 4 in men, 15 ± 5 in women', 'Paraskevas 2004')],
    followUp: ['elbow-valgus-stress'],
    sides: 'one view',
    contraindications: ['Fresh injury: image first'],
    measurements: [
      {
        what: 'carrying angle',
        landmarks: 'acromion, mid-crease, mid-wrist',
        unit: '°',
        instrument: 'goniometer',
        normal: '5 to 15 men, 10 to 20 women',
        tolerance: '5',
      },
    ],
  },
  {
    task: 'Judge the carrying angle of both elbows.',
    items: [
      position.done('straight', 'Has both elbows straight'),
      position.done('palms', 'Has both palms forward'),
      position.done('square', 'Stands square in front'),
      perform.graded('lines', 'Sights along the middle of arm, elbow, wrist', [
        'Along muscle',
        'One line off',
        'All on the middle',
      ]),
      interpret.measured('angle', 'Angle stated', '°', [5, 20], { half: 5, from: -20, to: 40 }),
      interpret.done('name', 'Names valgus or varus without a swap'),
      interpret.graded('asymmetry', 'Says what asymmetry means', [
        'Not',
        'One cause',
        'Cause with limit',
      ]),
      interpret.done('limit', 'Says that it is no test of stability'),
    ],
    faults: [
      ['Elbow bent', 'straight'],
      ['Palm turned in', 'palms'],
      ['Seen from the side', 'square'],
      ['Laid on muscle', 'lines'],
      ['Names swapped', 'name'],
    ],
    cautions: ['After an injury nothing is forced straight.'],
    stopRule: 'Stop where straightening hurts.',
    patient: { condition: 'stiff-elbow', side: 'right' },
  },
);

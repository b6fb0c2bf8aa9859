import { defineProcedure } from '../define.ts';
import { position, perform, interpret } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, decides, figure } from '../figures.ts';
import { said } from '../worth.ts';

/** Active bending and straightening measured with the goniometer. */
export const elbowFlexionExtensionGoniometry = defineProcedure(
  {
    id: 'elbow-flexion-extension-goniometry',
    names: ['Active elbow range by goniometer'],
    title: 'Measuring active bend and straighten',
    indication: 'A stiff elbow whose range is followed over weeks.',
    region: 'elbow',
    kind: 'rom',
    structures: ['elbow joint'],
    patient: 'Lies on the back or sits, towel under the upper arm, palm up.',
    examiner: 'At the same side, eye at the scale.',
    steps: [
      'Show the motion once.',
      'Axis on the outer bump, arms to acromion and radial tip.',
      'Read the end of extension, then of flexion, two or three times.',
      'Read before lifting off.',
    ],
    schools: [
      {
        key: 'supine',
        label: 'Lying',
        description: 'Better steadied; the textbook form.',
        positions: 'supine',
      },
      {
        key: 'seated',
        label: 'Seated',
        description: 'Quick in a clinic.',
        positions: 'sitting',
        drawn: {
          position: 'sitting',
          pose: { arm: { shoulderFlexion: 5 } },
          from: { arm: { shoulderFlexion: 5 } },
        },
      },
    ],
    figure: figure(
      'supine',
      {
        arm: {
          shoulderFlexion: -4,
          shoulderAbduction: 10,
          elbowFlexion: 142,
          forearmPronation: -85,
        },
      },
      {
        from: { arm: { shoulderFlexion: -4, shoulderAbduction: 10, forearmPronation: -85 } },
        decides: decides('elbowFlexion', 135, 150),
        hands: [holds('upperArm', 0.8, 'outer')],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [{ structure: 'elbow joint', mode: 'motion' }],
    numbers: [
      {
        item: 'flexion',
        healthy: 145,
        tolerance: 5,
        half: 10,
        by: [
          { structure: 'elbow joint', state: 'stiff', values: [130, 115, 90] },
          { structure: 'elbow joint', state: 'effused', values: [140, 125, 110] },
        ],
      },
      {
        item: 'extension',
        healthy: -5,
        tolerance: 5,
        half: 10,
        by: [
          { structure: 'elbow joint', state: 'stiff', values: [10, 25, 45] },
          { structure: 'elbow joint', state: 'effused', values: [5, 15, 30] },
        ],
      },
    ],
    findings: [
      yesNo(
        'loss',
        'Classes the range against the other side',
        ['stiffness'],
        ['Within the band', 'Lost'],
      ),
    ],
    positive: 'Flexion under 130, more than 10 short of or beyond zero, or 10 between the sides.',
    negative: 'Flexion 140 to 150, extension 0 to 10 beyond, alike.',
    rules: [
      { when: 'Active 5 less than passive', speaksFor: 'weakness, pain or tendon' },
      { when: 'Both short', speaksFor: 'joint or capsule' },
    ],
    confounders: [
      'Muscle bulk',
      'A shoulder that drifts',
      'Goniometers err by up to 25 degrees in some studies (from memory)',
    ],
    doesNotProve: 'A change under the smallest real one.',
    worth: [
      said('smallest real change between testers', '4 flexion, 6 extension', 'Armstrong 1998'),
    ],
    followUp: ['elbow-passive-flexion-extension'],
    contraindications: ['Fresh injury: nothing forced'],
    measurements: [
      {
        what: 'elbow flexion and extension',
        landmarks: 'acromion, outer bump, radial tip',
        unit: '°',
        instrument: 'goniometer',
        normal: '0 to 10 beyond zero, 140 to 150',
        tolerance: '5',
      },
    ],
  },
  {
    task: 'Measure active elbow range with the goniometer.',
    items: [
      position.done('support', 'Supports the upper arm'),
      position.done('palm-up', 'Has the palm turned up'),
      position.done('steady', 'Steadies the lower end of the upper arm'),
      perform.asked('active', 'Says that the motion is active'),
      perform.done('axis', 'Sets the axis on the outer bump'),
      perform.graded('arms', 'First reading: goniometer’s arms to acromion, radial tip', [
        'Neither',
        'One',
        'Both',
      ]),
      perform.done('reads', 'Reads before lifting off'),
      interpret.measured('flexion', 'Flexion stated', '°', [135, 155], {
        half: 5,
        from: 60,
        to: 160,
      }),
      interpret.measured(
        'extension',
        'Degrees short of straight; beyond it with a minus',
        '°',
        [-10, 5],
        {
          half: 5,
          from: -30,
          to: 60,
        },
      ),
      interpret.done('zero', 'States the convention of zero'),
    ],
    faults: [
      ['Shoulder drifts', 'steady'],
      ['Palm down', 'palm-up'],
      ['Axis on the elbow tip', 'axis'],
      ['Goniometer’s arm follows the hand', 'arms'],
      ['Reads after lifting off', 'reads'],
      ['Zero not stated', 'zero'],
    ],
    cautions: ['In a fresh injury nothing is forced.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'stiff-elbow', side: 'left' },
  },
);

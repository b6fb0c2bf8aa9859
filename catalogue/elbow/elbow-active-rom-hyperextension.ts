import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { decides, figure } from '../figures.ts';
import { memory } from '../worth.ts';

/** Straightened and bent by the patient, with a look beyond zero. */
export const elbowActiveRomHyperextension = defineProcedure(
  {
    id: 'elbow-active-rom-hyperextension',
    names: ['Active elbow flexion and extension', 'elbow hyperextension check'],
    title: 'Active bend and straighten, looking for motion beyond zero',
    indication: 'Every elbow; and a fall or dislocation after which it goes too far.',
    region: 'elbow',
    kind: 'rom',
    structures: ['elbow joint', 'front of the elbow capsule'],
    patient: 'Sits or stands, palm up.',
    examiner: 'At the side, eye level with the joint.',
    steps: [
      'Straighten fully, pause, bend fully, two or three times.',
      'Ask for straightening beyond zero.',
      'Watch trunk and shoulder.',
      'Say both end values, extension with its sign.',
    ],
    schools: [
      {
        key: 'by-side',
        label: 'Arm by the side',
        description: 'The common form.',
        drawn: { pose: { arm: { shoulderFlexion: 5 } }, from: { arm: { shoulderFlexion: 5 } } },
      },
      {
        key: 'raised',
        label: 'Arm raised level',
        description: 'Biceps slack: shows motion beyond zero better.',
        drawn: {},
        angles: 'shoulder 60 to 100',
      },
    ],
    figure: figure(
      'sitting',
      { arm: { shoulderFlexion: 80, elbowFlexion: -8, forearmPronation: -80 } },
      {
        from: { arm: { shoulderFlexion: 80, elbowFlexion: 140, forearmPronation: -80 } },
        decides: decides('elbowFlexion', -10, 0),
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [
      { structure: 'elbow joint', mode: 'motion' },
      { structure: 'front of the elbow capsule', mode: 'tension' },
    ],
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
          { structure: 'front of the elbow capsule', state: 'torn', values: [-15, -20, -25] },
        ],
      },
    ],
    findings: [
      yesNo('loss', 'States whether range is lost', ['stiffness'], ['Full', 'Lost']),
      yesNo(
        'beyond',
        'States whether it goes too far',
        ['laxity'],
        ['Within 10 of zero', 'Further than the other side'],
      ),
    ],
    positive: 'More than 10 beyond or short of zero, flexion under 130, or 10 between the sides.',
    negative: 'Flexion 140 to 150, extension 0 to 10 beyond zero, painless, alike.',
    rules: [
      { when: 'Beyond zero on both sides, painless', speaksFor: 'constitution' },
      { when: 'Beyond zero on one side', speaksFor: 'front capsule or ligament' },
      { when: 'Cannot straighten after an injury', speaksFor: 'image first' },
    ],
    confounders: ['A trunk that leans back', 'A shoulder that drops'],
    doesNotProve: 'A torn ligament.',
    worth: [memory('fracture, where straightening fails', 0.97, 0.49, 'Appelboam 2008')],
    followUp: ['elbow-flexion-extension-goniometry', 'elbow-carrying-angle'],
    contraindications: ['Fresh injury: active first, no forcing'],
    measurements: [
      {
        what: 'elbow flexion and extension',
        landmarks: 'acromion, outer bump, radial tip',
        unit: '°',
        instrument: 'eye',
        normal: '0 to 10 beyond zero, 140 to 150',
        tolerance: '10',
      },
    ],
  },
  {
    task: 'Judge active bending and straightening of the elbow, beyond zero too.',
    items: [
      prepare.asked(
        'trauma',
        'Asks about a recent injury',
        flagged('A broken elbow is imaged before it is moved.'),
      ),
      position.done('palm-up', 'Has the palm turned up'),
      perform.done('active-first', 'Asks for active motion before passive'),
      perform.done('tricks', 'Stops tricks of trunk or shoulder'),
      perform.done('eye-level', 'Looks from the side at joint level'),
      perform.asked('beyond-zero', 'Asks for straightening beyond zero'),
      interpret.measured('flexion', 'Flexion stated', '°', [135, 155], {
        half: 10,
        from: 60,
        to: 160,
      }),
      interpret.measured('extension', 'Extension stated with its sign', '°', [-10, 5], {
        half: 10,
        from: -30,
        to: 60,
      }),
      interpret.graded('reads', 'Tells laxity from loss', [
        'Not',
        'Without the other side',
        'With the other side',
      ]),
    ],
    faults: [
      ['Palm not up', 'palm-up'],
      ['Passive first', 'active-first'],
      ['Trunk leans', 'tricks'],
      ['Seen at a slant', 'eye-level'],
      ['Zero not passed', 'beyond-zero'],
    ],
    cautions: ['After an injury nothing is forced.'],
    stopRule: 'Stop at sharp pain, a locked joint, or the word stop.',
    patient: { condition: 'loose-elbow', side: 'left' },
  },
);

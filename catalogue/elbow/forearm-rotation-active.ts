import { defineProcedure } from '../define.ts';
import { position, perform, interpret } from '../items.ts';
import { yesNo } from '../findings.ts';
import { feels, decides, figure } from '../figures.ts';
import { said } from '../worth.ts';

/** The palm turned down and up with the elbow at the ribs. */
export const forearmRotationActive = defineProcedure(
  {
    id: 'forearm-rotation-active',
    names: ['Active pronation and supination'],
    title: 'Turning the palm down and up',
    indication: 'Trouble turning a key or a palm up, or after a forearm fracture.',
    region: 'elbow',
    kind: 'rom',
    structures: ['radio-ulnar joints'],
    patient: 'Sits, arm at the ribs, elbow at 90, thumb up.',
    examiner: 'In front.',
    steps: [
      'Start thumb up.',
      'Turn the palm down, back, then up.',
      'Measure just above the wrist tips.',
    ],
    schools: [
      {
        key: 'forearm',
        label: 'Forearm goniometer',
        description: 'Laid just above the wrist tips.',
        means: 'goniometer above the wrist',
      },
      {
        key: 'pencil',
        label: 'Pencil in the fist',
        description: 'Quicker; adds the twist of the wrist.',
        means: 'pencil held in the fist',
      },
    ],
    figure: figure(
      'sitting',
      { arm: { shoulderFlexion: 0, shoulderAbduction: 4, elbowFlexion: 90, forearmPronation: 80 } },
      {
        from: { arm: { shoulderFlexion: 0, shoulderAbduction: 4, elbowFlexion: 90 } },
        decides: decides('forearmPronation', 70, 90),
        hands: [feels('upperArm', 0.9, 'outer')],
        region: ['forearm', 'hand'],
      },
    ),
    loads: [{ structure: 'radio-ulnar joints', mode: 'motion' }],
    numbers: [
      {
        item: 'pronation',
        healthy: 80,
        tolerance: 5,
        half: 10,
        by: [{ structure: 'radio-ulnar joints', state: 'stiff', values: [65, 50, 35] }],
      },
      {
        item: 'supination',
        healthy: 85,
        tolerance: 5,
        half: 10,
        by: [{ structure: 'radio-ulnar joints', state: 'stiff', values: [65, 50, 30] }],
      },
    ],
    findings: [yesNo('loss', 'States whether rotation is lost', ['stiffness'], ['Full', 'Lost'])],
    positive: 'Under 70 either way or 10 between the sides.',
    negative: '70 to 90 both ways, alike.',
    rules: [
      { when: 'Pain at the wrist end', speaksFor: 'lower radio-ulnar joint' },
      { when: 'Pain at the elbow end', speaksFor: 'upper radio-ulnar joint' },
    ],
    confounders: [
      'A shoulder that helps',
      'The wrist in pencil readings',
      'Goniometers err by up to 25 degrees in some studies (from memory)',
    ],
    doesNotProve: 'Which bone blocks.',
    worth: [said('normal means', 'pronation 76 ± 5, supination 82 ± 4', 'Boone & Azen 1979')],
    followUp: ['forearm-rotation-passive'],
    contraindications: ['Fresh fracture of the forearm'],
    measurements: [
      {
        what: 'pronation and supination',
        landmarks: 'upper arm line, above the wrist tips',
        unit: '°',
        instrument: 'goniometer',
        normal: '70 to 90 both ways',
        tolerance: '10',
      },
    ],
  },
  {
    task: 'Measure active rotation of the forearm.',
    items: [
      position.measured('elbow', 'Elbow angle', '°', [85, 95], { half: 10 }),
      position.done('ribs', 'Keeps the elbow at the trunk'),
      position.done('thumb-up', 'Starts with the thumb up'),
      perform.done('trunk', 'Keeps the trunk upright'),
      perform.graded('instrument', 'Measures just above the wrist tips', [
        'On the hand',
        'Pencil unsaid',
        'Above the tips',
      ]),
      interpret.done('names', 'Names the directions without a swap'),
      interpret.measured('pronation', 'Pronation stated', '°', [70, 90], {
        half: 10,
        from: 0,
        to: 120,
      }),
      interpret.measured('supination', 'Supination stated', '°', [70, 90], {
        half: 10,
        from: 0,
        to: 120,
      }),
      interpret.graded('end', 'Says at which end it is limited', [
        'Not named',
        'End named without a reason',
        'End named with a reason',
      ]),
    ],
    faults: [
      ['Elbow not square', 'elbow'],
      ['Elbow leaves the trunk', 'ribs'],
      ['Start not thumb up', 'thumb-up'],
      ['Trunk leans', 'trunk'],
      ['Measured at the hand', 'instrument'],
      ['Direction swapped', 'names'],
    ],
    cautions: ['After an injury nothing is forced.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'stiff-elbow', side: 'left' },
  },
);

import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, easesOff, flagged } from '../items.ts';
import { countsFrom, present } from '../findings.ts';
import { moves, feels, decides, figure } from '../figures.ts';

/** The bent hip lifted with fingers under the low back. */
export const hipFlexionLumbarMonitor = defineProcedure(
  {
    id: 'hip-flexion-lumbar-monitor',
    names: ['Supine hip flexion range', 'knee to chest range'],
    title: 'Bent hip lifted with fingers under the low back',
    indication: 'Trouble with socks or squatting: hip, or back?',
    region: 'hip',
    kind: 'rom',
    structures: ['hip joint'],
    patient: 'Lies on the back, tested knee bent.',
    examiner: 'At the tested side; fingers under the low back.',
    steps: [
      'Lift hip with bent knee slowly.',
      'Read the angle where the back first presses the fingers.',
    ],
    schools: [
      {
        key: 'monitored',
        label: 'Back monitored',
        description: 'Angle at the first push of the back.',
      },
      {
        key: 'total',
        label: 'Knee to chest',
        description: 'Total movement; reads 10 to 20 more.',
        hands: 'none under the back',
        criterion: 'end of the movement',
        drawn: {
          pose: { leg: { hipFlexion: 125, kneeFlexion: 130 } },
          band: [115, 130],
          hands: [moves('shank', 0.15, 'front')],
        },
      },
    ],
    figure: figure(
      'supine',
      { leg: { hipFlexion: 110, kneeFlexion: 120 } },
      {
        from: { leg: {} },
        decides: decides('hipFlexion', 105, 125),
        hands: [feels('trunk', 0.08, 'back'), moves('shank', 0.15, 'front')],
        forces: [],
        region: ['thigh'],
      },
    ),
    loads: [
      { structure: 'hip joint', mode: 'motion' },
      { structure: 'hip joint', mode: 'compression' },
    ],
    numbers: [
      {
        item: 'angle',
        healthy: 115,
        tolerance: 5,
        half: 10,
        by: [{ structure: 'hip joint', state: 'stiff', values: [102, 92, 80] }],
      },
    ],
    findings: [
      countsFrom(
        3,
        present(
          'deficit',
          'States the class of the range',
          ['stiffness'],
          ['105° or more', '90 to 105°: reported', 'Under 90°'],
        ),
        'equivocal',
      ),
    ],
    positive:
      'Under 90. From 90 to 105, or 10 less than the other side, is reported: many sound backs push at 80 to 100.',
    negative: 'From 105, sides alike, painless.',
    rules: [
      { when: 'Straight leg low, this normal', speaksFor: 'hamstrings' },
      { when: 'Both low', speaksFor: 'hip joint' },
      { when: 'Groin pinch', speaksFor: 'impingement or labrum' },
    ],
    confounders: ['Belly against thigh'],
    doesNotProve: 'The cause of the stiffness.',
    followUp: ['hip-rotation-90-90'],
    contraindications: ['Hip replacement: commonly not beyond 90'],
    measurements: [
      {
        what: 'hip flexion',
        landmarks: 'trochanter, trunk, femur',
        unit: '°',
        instrument: 'goniometer',
        normal: 'about 105 until the back moves; 120 is total flexion with the back',
        tolerance: '5',
      },
    ],
  },
  {
    task: 'Measure hip flexion with the back monitored.',
    items: [
      prepare.asked(
        'screens',
        'Asks about hip replacement',
        flagged('Deep bending can dislocate a replaced hip.'),
      ),
      position.asked('other-leg', 'States the position of the other leg'),
      position.done('fingers', 'Lays fingers under the low back'),
      perform.measured('seconds', 'Seconds of lifting', 's', [3, 5], { half: 1, from: 0, to: 20 }),
      perform.done('plane', 'Keeps the thigh in the straight plane'),
      perform.measured('angle', 'Hip flexion at the first push', '°', [100, 120], {
        full: 5,
        half: 10,
        from: 0,
        to: 150,
      }),
      easesOff('Stops at groin or back pain'),
      interpret.done('apart', 'Tells the hip angle from the total'),
      interpret.graded('compares', 'Compares with the straight leg', [
        'Not',
        'In part',
        'Compared',
      ]),
    ],
    faults: [
      ['No fingers under the back', 'fingers'],
      ['Reads the total', 'apart'],
      ['Thigh drifts', 'plane'],
      ['Jerks', 'seconds'],
    ],
    cautions: ['Groin pinch: stop.'],
    stopRule: 'Stop at groin pinch, back pain, or the word stop.',
    patient: { condition: 'hip-arthritis', side: 'left' },
  },
);

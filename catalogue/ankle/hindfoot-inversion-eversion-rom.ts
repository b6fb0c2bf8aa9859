import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, decides, figure } from '../figures.ts';
import { said } from '../worth.ts';

/** The heel measured in and out along the line of the leg. */
export const hindfootInversionEversionRom = defineProcedure(
  {
    id: 'hindfoot-inversion-eversion-rom',
    names: ['Hindfoot inversion and eversion range', 'rearfoot motion'],
    title: 'Heel in and out, measured',
    indication: 'A stiff heel whose range is followed over weeks.',
    region: 'ankle',
    kind: 'rom',
    structures: ['subtalar joint'],
    patient: 'Lies face down, foot over the edge, ankle square.',
    examiner: 'At the foot end, looks straight along the heel.',
    steps: [
      'Hold the leg, cup the heel.',
      'Turn in, turn out, slowly.',
      'Axis behind the ankle, arms on leg and heel lines.',
      'Say whether heel or whole foot.',
    ],
    schools: [
      {
        key: 'heel',
        label: 'Heel only',
        description: 'About 20 in, 10 out.',
        criterion: '20 in, 10 out',
      },
      {
        key: 'whole-foot',
        label: 'Whole foot',
        description: 'About 30 to 35 in, 15 to 20 out.',
        hands: 'round the whole foot',
        drawn: {
          pose: { leg: { hindfootInversion: 32 } },
          from: { leg: { hindfootInversion: -16 } },
          band: [30, 35],
          hands: [holds('shank', 0.85, 'back'), moves('foot', 0.6, 'below')],
        },
        criterion: '35 in, 20 out',
      },
    ],
    figure: figure(
      'prone',
      { leg: { kneeFlexion: 4, ankleDorsiflexion: 0, hindfootInversion: 20 } },
      {
        from: { leg: { kneeFlexion: 4, ankleDorsiflexion: 0, hindfootInversion: -8 } },
        decides: decides('hindfootInversion', 15, 30),
        hands: [holds('shank', 0.85, 'back'), moves('foot', 0.08, 'below')],
        region: ['foot'],
        closeUp: 'ankle',
      },
    ),
    loads: [{ structure: 'subtalar joint', mode: 'motion' }],
    numbers: [
      {
        item: 'in',
        healthy: 25,
        tolerance: 5,
        half: 10,
        by: [{ structure: 'subtalar joint', state: 'stiff', values: [18, 12, 5] }],
      },
    ],
    findings: [yesNo('stiff', 'States whether it is stiff', ['stiffness'], ['Free', 'Stiff'])],
    positive: 'Loss, pain or excess against the other side.',
    negative: 'Alike.',
    rules: [
      { when: 'Stiff', speaksFor: 'arthritis or a bony bridge' },
      { when: 'Inwards painful', speaksFor: 'outer ligament or tendon' },
      { when: 'Too far inwards, talus firm', speaksFor: 'loose subtalar joint' },
    ],
    confounders: ['A foot that points', 'A leg that rolls'],
    doesNotProve: 'Anything about the ligaments of the ankle itself.',
    worth: [
      said('between testers', 'ICC about .32 in, .17 out', 'Elveru 1988'),
      said('whole foot means', '37 ± 5 in, 21 ± 5 out', 'Boone & Azen 1979'),
    ],
    followUp: ['subtalar-inversion-eversion'],
    contraindications: ['Fresh sprain: fracture rule first'],
    measurements: [
      {
        what: 'heel motion',
        landmarks: 'leg line, heel line',
        unit: '°',
        instrument: 'goniometer',
        normal: '20 in, 10 out',
        tolerance: '5',
      },
    ],
  },
  {
    task: 'Measure the heel in both directions.',
    items: [
      prepare.asked(
        'sprain',
        'Asks about a fresh sprain',
        flagged('A fracture must not be moved.'),
      ),
      position.done('clear', 'Has the foot clear of the edge'),
      position.done('square', 'Holds the ankle square'),
      perform.done('leg', 'Holds the lower leg still'),
      perform.graded('heel', 'Cups the heel, forefoot free', ['Forefoot', 'Midfoot', 'Heel']),
      perform.done('slow', 'Takes two seconds or more to each end'),
      interpret.done('names', 'Names the directions without a swap'),
      interpret.measured('in', 'Inversion stated, heel or whole foot said', '°', [15, 35], {
        half: 5,
        from: 0,
        to: 60,
      }),
      interpret.done('subtalar', 'Says that the motion is mainly subtalar'),
    ],
    faults: [
      ['Foot points', 'square'],
      ['Leg rolls', 'leg'],
      ['Grips the forefoot', 'heel'],
      ['Fast', 'slow'],
      ['Swapped', 'names'],
      ['Whole foot called heel', 'in'],
    ],
    cautions: ['A fresh sprain is not turned.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'stiff-ankle', side: 'left' },
  },
);

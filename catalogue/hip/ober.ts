import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, decides, figure } from '../figures.ts';
import { said } from '../worth.ts';

/** The upper leg, taken out and back, sinks by its own weight on a locked pelvis. */
export const ober = defineProcedure(
  {
    id: 'ober',
    names: ['Ober test', 'modified Ober test'],
    title: 'Upper leg sinking by its own weight on a locked pelvis',
    indication: 'Outer hip or knee pain on running.',
    region: 'hip',
    kind: 'length',
    structures: ['iliotibial band at the hip', 'hip abductors'],
    patient: 'Lies on the other side, under leg bent, pelvis stacked.',
    examiner:
      'Behind, own trunk against a roll; one hand on the crest, the other arm carries the whole limb.',
    steps: [
      'Lift the leg outwards, then back into the line of the body.',
      'Lock the pelvis by the crest, never by the trochanter.',
      'Let the limb sink three to five seconds; stop at the first tilt.',
      'Read it against the horizontal.',
    ],
    schools: [
      {
        key: 'knee-bent',
        label: 'Knee bent',
        description: 'The classic form.',
        angles: 'knee 80 to 100 degrees',
      },
      {
        key: 'knee-straight',
        label: 'Knee straight',
        description: 'The modified form; usually more drop.',
        angles: 'knee 0 to 5 degrees',
        figure: figure(
          'side-lying',
          { leg: { hipAbduction: -12 } },
          {
            from: { leg: { hipAbduction: 32 } },
            decides: decides('hipAbduction', -30, -3),
            hands: [holds('pelvis', 0.95, 'outer'), moves('shank', 0.4, 'inner')],
            forces: [],
            region: ['thigh'],
          },
        ),
      },
    ],
    figure: figure(
      'side-lying',
      { leg: { hipAbduction: -12, kneeFlexion: 90 } },
      {
        from: { leg: { hipAbduction: 32, kneeFlexion: 90 } },
        decides: decides('hipAbduction', -30, -3),
        hands: [holds('pelvis', 0.95, 'outer'), moves('shank', 0.2, 'inner')],
        forces: [],
        region: ['thigh'],
      },
    ),
    loads: [{ structure: 'iliotibial band at the hip', mode: 'stretch' }],
    numbers: [
      {
        item: 'angle',
        healthy: -12,
        tolerance: 4,
        half: 8,
        by: [{ structure: 'iliotibial band at the hip', state: 'tight', values: [0, 8, 15] }],
      },
    ],
    findings: [
      yesNo(
        'drop',
        'States the class of the drop',
        ['stiffness'],
        ['Below level', 'Level or above'],
      ),
    ],
    positive: 'The thigh only reaches the horizontal or stays above it.',
    negative: 'It sinks clearly below.',
    rules: [
      {
        when: 'Positive',
        speaksFor: 'weak abductors can overload the band: go on to the single-leg stance',
      },
      {
        when: 'Stays above its neighbour',
        speaksFor: 'positive by itself; to level is mild, above level marked',
      },
      { when: 'Pain at the outer knee', speaksFor: 'friction of the band' },
      { when: 'Pain at the outer hip', speaksFor: 'gluteal tendon or bursa' },
      { when: 'Tingling at the thigh', speaksFor: 'femoral nerve' },
    ],
    confounders: [
      'A pelvis that tilts',
      'A hip that bends or turns in',
      'A hand on the trochanter',
    ],
    doesNotProve: 'A short band alone: gluteal muscles and capsule limit it too.',
    worth: [said('same examiner', 'ICC .90 classic, .91 modified', 'Reese & Bandy 2003')],
    followUp: ['ober-band-provocation', 'trendelenburg'],
    measurements: [
      {
        what: 'thigh to horizontal',
        landmarks: 'outer lower thigh',
        unit: '°',
        instrument: 'inclinometer',
        normal: 'below the horizontal; mean about 19 to 25 below',
        tolerance: '4',
      },
    ],
    contraindications: ['Hip replacement', 'Cannot lie on the other side'],
  },
  {
    task: 'Perform the Ober test in the form that the station names and grade the drop.',
    items: [
      prepare.asked(
        'screens',
        'Asks about hip replacement',
        flagged('Crossing the midline can dislocate a replaced hip.'),
      ),
      position.done('stacked', 'Stacks trochanter over trochanter'),
      position.done('crest', 'Holds the crest, not the trochanter'),
      perform.done('carries', 'Carries the whole weight of the limb'),
      perform.done('out-first', 'Lifts outwards before taking it back'),
      perform.done('in-line', 'Has the thigh in the line of the body before lowering'),
      perform.done(
        'gravity',
        'Lets the limb sink without a push',
        flagged('A push against a painful hip injures it.'),
      ),
      perform.done('stops', 'Stops at the first tilt'),
      perform.measured('angle', 'Thigh angle read, below level negative', '°', [-30, -4], {
        full: 4,
        half: 8,
        from: -60,
        to: 40,
      }),
      interpret.done('grade', 'Grades by the declared criterion'),
    ],
    faults: [
      ['Hand on the trochanter', 'crest'],
      ['Not stacked', 'stacked'],
      ['Pushes down', 'gravity'],
      ['Hip drifts into bending', 'in-line'],
      ['Not lifted out first', 'out-first'],
    ],
    cautions: ['"Must touch the bed" is too strict.'],
    stopRule: 'Stop at a groin pinch, tingling, or the word stop.',
    patient: { condition: 'band-tightness-hip', side: 'left' },
  },
);

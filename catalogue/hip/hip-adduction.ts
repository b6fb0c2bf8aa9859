import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { moves, feels, push, decides, figure } from '../figures.ts';
import { said } from '../worth.ts';

/** The straight leg taken across the midline until the pelvis joins. */
export const hipAdduction = defineProcedure(
  {
    id: 'hip-adduction',
    names: ['Hip adduction range'],
    title: 'Leg across the midline',
    indication: 'Outer hip pain, or trouble crossing the legs.',
    region: 'hip',
    kind: 'rom',
    structures: ['hip abductors', 'hip joint'],
    patient: 'Lies on the back, knee straight, other leg out of the way.',
    examiner: 'At the foot end or tested side, sees both front points of the pelvis.',
    steps: [
      'Level the pelvis, hand on it.',
      'Take the leg across slowly, kneecap up.',
      'Stop at the first motion of the pelvis, read.',
    ],
    schools: [
      {
        key: 'lifted',
        label: 'Other leg lifted',
        description: 'The tested leg passes below.',
        order: 'other leg lifted first',
        drawn: {
          pose: { otherLeg: { hipFlexion: 40, hipAbduction: 0 } },
          from: { otherLeg: { hipFlexion: 40, hipAbduction: 0 } },
        },
      },
      {
        key: 'moved',
        label: 'Other leg moved out',
        description: 'The path is cleared on the couch.',
        order: 'other leg moved aside first',
        drawn: {},
      },
      {
        key: 'crossed',
        label: 'Crossed over',
        description: 'The tested leg is lifted over the other.',
        angles: 'tested hip slightly bent',
        drawn: {
          pose: { leg: { hipFlexion: 18 }, otherLeg: { hipAbduction: 0 } },
          from: { otherLeg: { hipAbduction: 0 } },
        },
      },
    ],
    figure: figure(
      'supine',
      { leg: { hipAbduction: -24 }, otherLeg: { hipAbduction: 25 } },
      {
        from: { leg: {}, otherLeg: { hipAbduction: 25 } },
        decides: decides('hipAbduction', -30, -20),
        hands: [feels('pelvis', 0.9, 'front'), moves('shank', 0.9, 'outer')],
        forces: [push('shank', 0.9, 'inner', 'outer')],
        region: ['thigh', 'shank'],
      },
    ),
    loads: [
      { structure: 'hip abductors', mode: 'stretch' },
      { structure: 'hip joint', mode: 'motion' },
      { structure: 'iliotibial band at the hip', mode: 'stretch' },
    ],
    numbers: [
      {
        item: 'angle',
        healthy: 28,
        tolerance: 5,
        half: 10,
        by: [
          { structure: 'iliotibial band at the hip', state: 'tight', values: [18, 12, 6] },
          { structure: 'hip joint', state: 'stiff', values: [18, 12, 5] },
        ],
      },
    ],
    findings: [
      yesNo(
        'short',
        'States the class of the range',
        ['stiffness', 'pain'],
        ['20° or more', 'Less, or painful'],
      ),
    ],
    positive: 'Under 20 or 10 between the sides; outer or groin pain apart.',
    negative: '20 to 30, alike.',
    rules: [
      { when: 'Outer tightness', speaksFor: 'abductors or band' },
      { when: 'Groin', speaksFor: 'joint' },
    ],
    confounders: ['A hip that turns', 'A pelvis that follows'],
    doesNotProve: 'The cause of the limit.',
    worth: [said('normal mean', '27 ± 4', 'Boone & Azen 1979')],
    followUp: ['ober', 'hip-abduction-pelvic-monitor'],
    contraindications: ['Hip replacement: past the midline it can dislocate'],
    measurements: [
      {
        what: 'adduction',
        landmarks: 'both front points, mid kneecap',
        unit: '°',
        instrument: 'goniometer',
        normal: '20 to 30',
        tolerance: '5',
      },
    ],
  },
  {
    task: 'Measure hip adduction with the pelvis monitored.',
    items: [
      prepare.asked(
        'replacement',
        'Asks about hip replacement or hip surgery',
        flagged('A replaced hip can dislocate past the midline.'),
      ),
      position.done('level', 'Has the pelvis level'),
      position.done('path', 'Clears the other leg from the path'),
      perform.graded('pelvis', 'Reads at the first motion of the pelvis', [
        'No hand',
        'Late',
        'At once',
      ]),
      perform.done('kneecap', 'Keeps the kneecap up'),
      perform.done('slow', 'Takes three seconds or more'),
      interpret.measured('angle', 'Adduction stated', '°', [20, 35], { half: 5, from: 0, to: 60 }),
      interpret.done('name', 'Names adduction, not abduction'),
    ],
    faults: [
      ['Replacement not asked', 'replacement'],
      ['Other leg blocks', 'path'],
      ['Goes on after the pelvis moves', 'pelvis'],
      ['Hip turns', 'kneecap'],
      ['Name swapped', 'name'],
    ],
    cautions: ['Never past the midline with a replaced hip.'],
    stopRule: 'Stop at groin pain or the word stop.',
    patient: { condition: 'nothing-wrong', side: 'left' },
  },
);

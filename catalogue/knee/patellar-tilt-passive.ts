import { defineProcedure } from '../define.ts';
import { position, perform, interpret, tell, feltSlack } from '../items.ts';
import { yesNo } from '../findings.ts';
import { moves, push, figure, KNEE_REGION } from '../figures.ts';
import { memory } from '../worth.ts';

/** The inner border of the kneecap pressed down while the outer one is lifted. */
export const patellarTiltPassive = defineProcedure(
  {
    id: 'patellar-tilt-passive',
    names: ['Patellar tilt test'],
    title: 'Outer border of the kneecap lifted while the inner one is pressed',
    indication: 'Pressure at the outer side of the kneecap on sitting long.',
    region: 'knee',
    kind: 'length',
    structures: ['outer kneecap retinaculum'],
    patient: 'Lies on the back, knee straight, condyles level with the couch.',
    examiner: 'At the side, eyes at the height of the kneecap.',
    steps: [
      'Thumb presses the inner border, index lifts the outer one, without sliding.',
      'Hold two seconds and read the outer border against the horizontal.',
    ],
    schools: [
      {
        key: 'by-eye',
        label: 'By class',
        description: 'Reaches the horizontal or not.',
        criterion: 'reaches the horizontal or not',
      },
      {
        key: 'degrees',
        label: 'In degrees',
        description: 'Below 0 tight, 0 to 15 normal, above 15 loose.',
        criterion: 'degrees above the horizontal',
      },
    ],
    figure: figure(
      'supine',
      {},
      {
        hands: [moves('shank', 0.0, 'outer')],
        forces: [push('shank', 0.0, 'front', 'outer')],
        region: KNEE_REGION,
        closeUp: 'kneecap',
        view: 'front',
      },
    ),
    loads: [{ structure: 'outer kneecap retinaculum', mode: 'stretch' }],
    findings: [yesNo('tight', 'States the class', ['stiffness'], ['Normal', 'Tight'])],
    positive:
      'The outer border does not reach the horizontal: tight outer restraints, less inward glide.',
    negative: 'It reaches the horizontal or a little above.',
    confounders: ['A limb that has rolled', 'Thick skin', 'Working thigh muscle'],
    doesNotProve: 'Where pain comes from.',
    worth: [
      memory('pain from behind the kneecap', 0.43, 0.92, 'Haim 2006'),
      {
        of: 'agreement of examiners',
        text: 'kappa .20 to .35',
        source: 'Watson 2001',
        sourceKind: 'from memory',
      },
    ],
    measurements: [
      {
        what: 'tilt',
        landmarks: 'borders of the kneecap',
        unit: '°',
        instrument: 'eye or small goniometer',
        normal: '0 to 15',
        tolerance: '5',
      },
    ],
    followUp: ['patellar-glide-quadrants'],
    contraindications: ['Freshly dislocated kneecap: gently, stop at a reaction'],
  },
  {
    task: 'Perform the patellar tilt and say what a tight outer side does to the glide.',
    items: [
      position.measured('knee-angle', 'Knee flexion during the test', '°', [0, 5], {
        from: -15,
        to: 135,
      }),
      position.graded('level', 'Sets the condyles level with the couch', [
        'Leg rolled out',
        'Nearly level',
        'Level',
      ]),
      feltSlack('thigh muscles'),
      perform.graded('tilts', 'Presses the inner border as the outer one rises', [
        'Slides it',
        'Lifts it whole',
        'Tilts',
      ]),
      perform.graded('eye-level', 'Reads at the height of the kneecap', [
        'From above',
        'Too high',
        'Level',
      ]),
      perform.measured('hold', 'Seconds of hold', 's', [2, 5], { half: 1, from: 0, to: 20 }),
      interpret.graded('meaning', 'Says that a tight outer side lessens the inward glide', [
        'The reverse',
        'Unsure',
        'Right',
      ]),
      tell.done('tells', 'Tells the person what was found'),
    ],
    faults: [
      ['Leg rolled out', 'level'],
      ['Slides the kneecap', 'tilts'],
      ['Reads from above', 'eye-level'],
      ['Meaning reversed', 'meaning'],
    ],
    cautions: ['Gentle where the kneecap has slipped out.'],
    stopRule: 'Stop at fear, sharp pain, or the word stop.',
    patient: { condition: 'tight-outer-retinaculum', side: 'right' },
  },
);

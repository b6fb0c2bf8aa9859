import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, feltSlack, critical, flagged } from '../items.ts';
import { site } from '../findings.ts';
import { moves, push, decides, figure, kneeBent, KNEE_REGION } from '../figures.ts';

/** The kneecap glided inwards and outwards, counted in quarters of its width. */
export const patellarGlideQuadrants = defineProcedure(
  {
    id: 'patellar-glide-quadrants',
    names: ['Patellar glide test'],
    title: 'Kneecap glided inwards and outwards, in quarters of its width',
    indication: 'Pain beside the kneecap, or one that slips.',
    region: 'knee',
    kind: 'length',
    structures: ['outer kneecap retinaculum', 'kneecap restraints'],
    patient: 'Lies on the back, knee over a roll at 20 to 30 degrees, thigh muscles slack.',
    examiner: 'At the outer side.',
    steps: [
      'Divide the width of the kneecap in four.',
      'Glide it inwards with the thumbs on the outer border, count to the firm stop.',
      'Glide it outwards likewise, stopping at the first reaction.',
    ],
    schools: [
      {
        key: 'on-roll',
        label: 'On a roll',
        description: 'Knee at 20 to 30 degrees.',
        angles: 'knee 20 to 30',
      },
      {
        key: 'straight',
        label: 'Straight',
        description: 'Looser, larger values.',
        angles: 'knee straight',
        drawn: { pose: { leg: { hipFlexion: 0, kneeFlexion: 0 } }, band: [0, 5], props: [] },
      },
    ],
    figure: figure(
      'supine',
      { leg: { ...kneeBent(25), kneecapShift: -5 } },
      {
        decides: decides('kneeFlexion', 20, 30),
        hands: [moves('thigh', 0.98, 'outer')],
        forces: [push('thigh', 0.98, 'inner', 'outer')],
        props: [{ kind: 'bolster', under: { segment: 'thigh', at: 0.95 } }],
        region: KNEE_REGION,
        closeUp: 'kneecap',
      },
    ),
    loads: [
      { structure: 'outer kneecap retinaculum', mode: 'glide' },
      { structure: 'kneecap restraints', mode: 'glide' },
    ],
    numbers: [
      {
        item: 'quarters',
        healthy: 1.5,
        tolerance: 0.5,
        half: 1,
        by: [{ structure: 'outer kneecap retinaculum', state: 'tight', values: [0.5, 0.5, 0] }],
      },
    ],
    findings: [
      site(
        'class',
        'States the class',
        ['stiffness', 'apprehension'],
        'Normal',
        ['tight-outer', 'Tight outer side', ['outer kneecap retinaculum']],
        ['loose-inner', 'Loose inner side', ['kneecap restraints']],
      ),
    ],
    positive: 'Less than one quarter inwards: tight outer side. Three quarters or more: loose.',
    negative:
      'One to two quarters inwards, half to two outwards; a normal glide is never called positive.',
    rules: [
      { when: 'Three quarters or more outwards', speaksFor: 'loose inner restraints' },
      { when: 'Less than one quarter inwards', speaksFor: 'tight outer retinaculum or band' },
    ],
    confounders: ['Generalised looseness'],
    doesNotProve: 'Instability without fear.',
    worth: [
      {
        of: 'thresholds',
        text: 'after Kolowich',
        source: 'Kolowich 1990',
        sourceKind: 'from memory, unsure',
      },
    ],
    measurements: [
      {
        what: 'glide',
        landmarks: 'width of the kneecap',
        unit: 'quarters',
        instrument: 'eye and fingers',
        normal: '1 to 2 inwards, 0.5 to 2 outwards',
        tolerance: '0.5',
      },
    ],
    followUp: ['patellar-tilt-passive'],
    contraindications: ['Fresh stabilising surgery'],
  },
  {
    task: 'Measure the glide of the kneecap in both directions and name its class.',
    items: [
      prepare.asked(
        'dislocation',
        'Asks about a past dislocation',
        flagged('A kneecap that has slipped out is pushed with care.'),
      ),
      position.measured('knee-angle', 'Knee flexion on the roll', '°', [20, 30], {
        from: 0,
        to: 135,
      }),
      feltSlack('thigh muscles'),
      perform.graded('parallel', 'Glides without tilting', [
        'Tilts',
        'Tilts at the end',
        'Parallel',
      ]),
      perform.done('both-ways', 'Glides inwards as well as outwards'),
      perform.done(
        'stops',
        'Stops at the first reaction',
        critical('A push past the reaction dislocates the kneecap.'),
      ),
      perform.measured('quarters', 'Quarters of inward glide', 'quarters', [1, 2], {
        half: 0.5,
        step: 0.5,
        from: 0,
        to: 4,
      }),
      interpret.done('unit', 'Says that one unit is a quarter of the width'),
    ],
    faults: [
      ['Tilts', 'parallel'],
      ['One way only', 'both-ways'],
      ['Past the reaction', 'stops'],
      ['Unit not known', 'unit'],
    ],
    cautions: ['Outward push in a former dislocator ends at the reaction.'],
    stopRule: 'Stop at fear, sharp pain, or the word stop.',
    patient: { condition: 'tight-outer-retinaculum', side: 'left' },
  },
);

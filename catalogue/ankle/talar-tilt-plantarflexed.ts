import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, critical, flagged } from '../items.ts';
import { laxityGrade } from '../findings.ts';
import { holds, moves, push, decides, figure } from '../figures.ts';

/** The heel tilted inwards with the foot pointed. */
export const talarTiltPlantarflexed = defineProcedure(
  {
    id: 'talar-tilt-plantarflexed',
    names: ['Talar tilt, foot pointed', 'inversion stress in plantarflexion'],
    title: 'Tilting the heel inward with the foot pointed',
    indication: 'An ankle that turns in with the foot pointed.',
    region: 'ankle',
    kind: 'laxity',
    structures: ['anterior talofibular ligament'],
    patient: 'Lies or sits, knee bent, foot pointed 20 to 40.',
    examiner: 'At the foot end or the outer side.',
    steps: [
      'Hold the lower leg.',
      'Move heel and talus as one block, finger at the outer gap.',
      'Tilt inwards, two to three seconds.',
      'Report amount, end feel, pain apart.',
    ],
    schools: [
      {
        key: 'ladder',
        label: 'Three positions',
        description: 'Pointed, square, pulled up in turn.',
        order: 'pointed, square, pulled up',
      },
      {
        key: 'pointed',
        label: 'Pointed only',
        description: 'For the front outer ligament alone.',
        order: 'this position alone',
      },
    ],
    figure: figure(
      'sitting',
      { leg: { hipFlexion: 88, kneeFlexion: 88, ankleDorsiflexion: -30, talarTilt: 4 } },
      {
        from: { leg: { hipFlexion: 88, kneeFlexion: 88, ankleDorsiflexion: -30 } },
        decides: decides('ankleDorsiflexion', -40, -20),
        hands: [holds('shank', 0.85, 'inner'), moves('foot', 0.08, 'outer')],
        forces: [push('foot', 0.1, 'inner', 'outer')],
        region: ['shank', 'foot'],
        closeUp: 'ankle',
      },
    ),
    loads: [{ structure: 'anterior talofibular ligament', mode: 'tension' }],
    findings: [
      laxityGrade('States the difference between the sides', [
        'Equal',
        'Mild, firm',
        'Moderate, soft',
        'Marked, no end',
      ]),
    ],
    positive: 'More tilt than on the other side or a soft end.',
    negative: 'Equal, firm.',
    rules: [{ when: 'Tilt with drawer', speaksFor: 'front outer ligament' }],
    confounders: ['Subtalar motion taken for tilt'],
    doesNotProve: 'The state of the heel ligament.',
    worth: [
      {
        of: 'films',
        text: 'cuts vary from 5 to 15 degrees',
        source: 'review figures before 2024',
        sourceKind: 'from memory, unsure',
      },
    ],
    followUp: ['talar-tilt-neutral'],
    contraindications: ['Suspected fracture', 'Parted leg bones', 'Ligament repair'],
  },
  {
    task: 'Perform the talar tilt with the foot pointed.',
    items: [
      prepare.asked(
        'rule',
        'Applies the X-ray rule first where the injury is fresh',
        critical('A missed fracture is stressed next.'),
      ),
      position.measured('ankle', 'Plantarflexion', '°', [20, 40], { half: 10, from: -30, to: 60 }),
      perform.graded('leg', 'Keeps the leg still just above the ankle bones', [
        'Leg turns',
        'Leg moves a little',
        'Leg still',
      ]),
      perform.done('block', 'Moves heel with talus as one block'),
      perform.done('finger', 'Lays a finger on the outer gap'),
      perform.done(
        'ramp',
        'Builds the load over one to two seconds',
        flagged('A jerk tears what is left.'),
      ),
      interpret.done('ligament', 'Names the front outer ligament'),
      interpret.done('apart', 'Reports amount apart from pain'),
    ],
    faults: [
      ['Foot not pointed', 'ankle'],
      ['Leg turns', 'leg'],
      ['Forefoot twisted', 'block'],
      ['No finger', 'finger'],
      ['Wrong ligament', 'ligament'],
      ['Pain called laxity', 'apart'],
    ],
    cautions: ['Not after ligament repair, nor where the leg bones may have parted.'],
    stopRule: 'Stop at sharp pain, guarding, or the word stop.',
    patient: { condition: 'two-outer-ligaments', side: 'left' },
  },
);

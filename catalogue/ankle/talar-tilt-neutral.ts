import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, critical, flagged } from '../items.ts';
import { site } from '../findings.ts';
import { holds, moves, push, decides, figure } from '../figures.ts';
import { memory } from '../worth.ts';

/** The heel tilted inwards, then outwards, with the foot square. */
export const talarTiltNeutral = defineProcedure(
  {
    id: 'talar-tilt-neutral',
    names: ['Talar tilt', 'inversion stress test', 'eversion stress test'],
    title: 'Tilting the heel inward, then outward, with the foot square',
    indication: 'An ankle that turns in or out, heel and inner ligaments suspected.',
    region: 'ankle',
    kind: 'laxity',
    structures: ['calcaneofibular ligament', 'deltoid ligament'],
    patient: 'Lies or sits, knee bent, ankle square.',
    examiner: 'At the foot end, as for the drawer.',
    steps: [
      'Hold the leg, finger just below the outer bone.',
      'Tilt inwards two to three seconds.',
      'Finger below the inner bone; tilt outwards.',
      'Read together with the pointed and pulled-up foot.',
    ],
    schools: [
      { key: 'single', label: 'One position', description: 'The foot square: the common form.' },
      {
        key: 'ladder',
        label: 'Three positions',
        description: 'Pointed, square, pulled up in turn.',
        drawn: { from: { leg: { ankleDorsiflexion: -30, talarTilt: 4 } } },
        order: 'pointed, square, pulled up',
      },
      {
        key: 'slight-up',
        label: 'Slightly pulled up',
        description: 'The heel ligament at its longest.',
        angles: 'a few degrees up',
        drawn: {
          pose: { leg: { ankleDorsiflexion: 5 } },
          from: { leg: { ankleDorsiflexion: 5 } },
          band: [0, 10],
        },
      },
    ],
    figure: figure(
      'sitting',
      { leg: { hipFlexion: 88, kneeFlexion: 88, ankleDorsiflexion: 0, talarTilt: 4 } },
      {
        from: { leg: { hipFlexion: 88, kneeFlexion: 88, ankleDorsiflexion: 0 } },
        decides: decides('ankleDorsiflexion', -5, 5),
        hands: [holds('shank', 0.85, 'inner'), moves('foot', 0.08, 'outer')],
        forces: [push('foot', 0.1, 'inner', 'outer')],
        region: ['shank', 'foot'],
        closeUp: 'ankle',
      },
    ),
    loads: [
      { structure: 'calcaneofibular ligament', mode: 'tension' },
      { structure: 'deltoid ligament', mode: 'tension' },
    ],
    findings: [
      site(
        'direction',
        'Names the direction that opens',
        ['laxity'],
        'Neither',
        ['inward', 'Inward: heel ligament', ['calcaneofibular ligament']],
        ['outward', 'Outward: inner ligament', ['deltoid ligament']],
      ),
    ],
    positive: 'More tilt than on the other side, a soft end, or a gap under the finger.',
    negative: 'Equal, firm.',
    rules: [
      { when: 'Pointed only', speaksFor: 'front outer ligament' },
      { when: 'Pointed and square', speaksFor: 'both outer ligaments' },
      { when: 'Pulled up too', speaksFor: 'severe: refer' },
      { when: 'Square only', speaksFor: 'rare: check the set-up' },
    ],
    confounders: ['Subtalar motion', 'A foot that drifts down'],
    doesNotProve: 'A loose subtalar joint.',
    worth: [memory('ligament injury', 0.5, 0.88, 'Hertel 1999')],
    followUp: ['talar-tilt-dorsiflexed', 'talar-tilt-plantarflexed'],
    contraindications: ['Suspected fracture', 'Parted leg bones', 'Ligament repair'],
  },
  {
    task: 'Perform the talar tilt both ways with the foot square.',
    items: [
      prepare.asked(
        'rule',
        'Applies the X-ray rule first where the injury is fresh',
        critical('A missed fracture is stressed next.'),
      ),
      position.measured('ankle', 'Ankle angle', '°', [-5, 5], { half: 5, from: -50, to: 30 }),
      perform.graded('leg', 'Keeps the leg still just above the ankle bones', [
        'Leg turns',
        'Leg moves a little',
        'Leg still',
      ]),
      perform.done('block', 'Moves the heel as a block, forefoot free'),
      perform.done('finger', 'Lays a finger just below the outer bone'),
      perform.done('in', 'Tilts inwards'),
      perform.done('out', 'Tilts outwards after that'),
      perform.done(
        'ramp',
        'Builds the load over one to two seconds',
        flagged('A jerk tears what is left.'),
      ),
      interpret.done('apart', 'Reports amount apart from pain'),
      interpret.graded('ligaments', 'Names the ligament of each direction', [
        'Neither',
        'One',
        'Both',
      ]),
    ],
    faults: [
      ['Foot drifts down', 'ankle'],
      ['Leg loose', 'leg'],
      ['Forefoot twisted', 'block'],
      ['No finger', 'finger'],
      ['Outward left out', 'out'],
      ['Pain called laxity', 'apart'],
    ],
    cautions: ['Not after ligament repair, nor where the leg bones may have parted.'],
    stopRule: 'Stop at sharp pain, guarding, or the word stop.',
    patient: { condition: 'two-outer-ligaments', side: 'right' },
  },
);

import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, decides, figure } from '../figures.ts';
import { said } from '../worth.ts';

/** The heel tilted in and out on a steady leg. */
export const subtalarInversionEversion = defineProcedure(
  {
    id: 'subtalar-inversion-eversion',
    names: ['Subtalar inversion and eversion'],
    title: 'Heel tilted in and out on a steady leg',
    indication: 'Trouble on uneven ground, or a stiff heel.',
    region: 'ankle',
    kind: 'rom',
    structures: ['subtalar joint'],
    patient: 'Lies with the foot over the end, ankle square.',
    examiner: 'At the foot end; one hand at the lower leg, one at the heel.',
    steps: ['Tilt the heel inwards to its end feel.', 'Tilt it outwards.', 'Compare.'],
    schools: [
      {
        key: 'supine',
        label: 'Lying, quick look',
        description: 'In mid-air.',
        drawn: { position: 'supine', pose: { leg: { kneeFlexion: 0 } } },
      },
      {
        key: 'prone',
        label: 'Face down, measured',
        description: 'With lines on the heel.',
        drawn: {},
        positions: 'prone',
      },
    ],
    figure: figure(
      'prone',
      { leg: { kneeFlexion: 4, ankleDorsiflexion: 0, hindfootInversion: 18 } },
      {
        decides: decides('hindfootInversion', 15, 30),
        hands: [holds('shank', 0.85, 'back'), moves('foot', 0.08, 'below')],
        forces: [],
        region: ['foot'],
        closeUp: 'ankle',
      },
    ),
    loads: [{ structure: 'subtalar joint', mode: 'motion' }],
    findings: [yesNo('stiff', 'States whether it is stiff', ['stiffness'], ['Free', 'Stiff'])],
    positive: 'Painful, blocked, or 10 degrees less than the other side.',
    negative: 'Free, painless, sides alike: about 20 in, 10 out.',
    rules: [
      { when: 'Stiff both ways', speaksFor: 'arthritis or a bony bridge' },
      { when: 'Too much outwards with a flat foot', speaksFor: 'loose arch' },
    ],
    confounders: ['Motion of the midfoot'],
    doesNotProve: 'A number: agreement is low.',
    worth: [said('agreement of examiners', 'ICC .32 in, .17 out', 'Elveru 1988')],
    followUp: ['great-toe-extension'],
    contraindications: ['Fresh sprain: fracture rule first'],
    measurements: [
      {
        what: 'heel tilt',
        landmarks: 'heel line, leg line',
        unit: '°',
        instrument: 'goniometer',
        normal: 'about 20 in, 10 out',
        tolerance: '5',
      },
    ],
  },
  {
    task: 'Test the heel in both directions and say how repeatable that is.',
    items: [
      prepare.asked(
        'sprain',
        'Asks about a fresh sprain',
        flagged('A fracture must not be moved.'),
      ),
      position.done('leg', 'Steadies the lower leg'),
      position.done('square', 'Sets the ankle square'),
      perform.done('heel', 'Grips the heel, not the forefoot'),
      perform.done('in', 'Tilts inwards to the end feel'),
      perform.done('out', 'Tilts outwards to the end feel'),
      interpret.done('names', 'Names both directions without a swap'),
      interpret.done('low', 'Says that repeatability is low'),
    ],
    faults: [
      ['Moves the forefoot', 'heel'],
      ['Leg turns', 'leg'],
      ['Names swapped', 'names'],
      ['One way only', 'out'],
    ],
    cautions: ['Sharp pain: stop.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'stiff-ankle', side: 'left' },
  },
);

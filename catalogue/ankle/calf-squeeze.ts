import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, critical, flagged } from '../items.ts';
import { countsFrom, present, yesNo } from '../findings.ts';
import { moves, push, decides, figure } from '../figures.ts';
import { memory } from '../worth.ts';

/** The calf squeezed while the foot is watched: no motion is the positive result. */
export const calfSqueeze = defineProcedure(
  {
    id: 'calf-squeeze',
    names: ['Thompson test', 'Simmonds test', 'calf squeeze'],
    title: 'Squeezing the calf, watching the foot',
    indication: 'A kick felt behind the heel, or weak pushing off.',
    region: 'ankle',
    kind: 'function',
    structures: ['Achilles tendon'],
    patient: 'Lies face down, feet over the edge, or kneels on a chair.',
    examiner: 'At the side; the other hand off the foot.',
    steps: [
      'Let the foot hang limp.',
      'Squeeze across the calf at or just below its widest part.',
      'Watch for the tip downwards.',
      'Feel for a gap 2 to 6 cm above the heel.',
    ],
    schools: [
      { key: 'prone', label: 'Face down', description: 'Feet over the edge: the common form.' },
      {
        key: 'kneeling',
        label: 'Kneeling',
        description: 'On a chair, feet free.',
        drawn: {
          position: 'kneeling',
          afresh: true,
          pose: { leg: { ankleDorsiflexion: -32 } },
          from: { leg: { ankleDorsiflexion: -20 } },
        },
        positions: 'kneeling on a chair',
      },
      {
        key: 'resting-angle',
        label: 'Resting angle (Matles)',
        description:
          'Knees bent to 90: the injured foot hangs square or upwards, the sound one points down.',
        angles: 'knees 90',
        criterion: 'foot no longer points',
        drawn: {
          pose: { leg: { kneeFlexion: 90, ankleDorsiflexion: -25 } },
          from: { leg: { kneeFlexion: 90, ankleDorsiflexion: -25 } },
        },
      },
    ],
    figure: figure(
      'prone',
      { leg: { kneeFlexion: 4, ankleDorsiflexion: -30 } },
      {
        from: { leg: { kneeFlexion: 4, ankleDorsiflexion: -18 } },
        decides: decides('ankleDorsiflexion', -45, -22),
        hands: [moves('shank', 0.4, 'back')],
        forces: [push('shank', 0.4, 'front', 'back')],
        region: ['shank', 'foot'],
      },
    ),
    loads: [
      { structure: 'Achilles tendon', mode: 'contraction' },
      { structure: 'Achilles tendon', mode: 'pressure' },
    ],
    findings: [
      // What is left of the cord still moves the foot a little.
      countsFrom(
        3,
        present(
          'motion',
          'States the motion of the foot',
          ['weakness'],
          ['Normal: test negative', 'Reduced', 'Absent: test positive'],
        ),
        'equivocal',
      ),
      countsFrom(
        2,
        yesNo('gap', 'States whether there is a gap', ['gap'], ['None', 'Gap']),
        'negative',
      ),
    ],
    positive: 'No tip downwards: positive means absent motion.',
    negative: 'A tip equal to the other side.',
    rules: [
      { when: 'Absent', speaksFor: 'complete rupture' },
      { when: 'Reduced', speaksFor: 'partial or old, or other muscles moving the foot' },
    ],
    confounders: ['A patient who pushes', 'A hand on the foot'],
    doesNotProve:
      'Tightness; it is about continuity, though some teach otherwise. An old rupture may look negative.',
    worth: [
      memory('complete rupture', 0.96, 0.93, 'Maffulli 1998'),
      memory('gap', 0.73, 0.89, 'Maffulli 1998'),
      memory('resting angle', 0.88, 0.85, 'Maffulli 1998'),
    ],
    followUp: ['ankle-foot-palpation'],
    contraindications: ['Hot swollen calf: suspected clot', 'Fresh rupture: once, gently'],
  },
  {
    task: 'Test the Achilles tendon for continuity.',
    items: [
      prepare.asked(
        'clot',
        'Excludes a hot, swollen calf',
        critical('A squeezed clot can travel to the lung.'),
      ),
      position.done('free', 'Has the feet free over the edge'),
      position.done('limp', 'Lets the foot hang limp'),
      perform.graded('place', 'Squeezes across the calf at its widest part or just below', [
        'Tendon',
        'Low',
        'There',
      ]),
      perform.done('hand-off', 'Keeps the other hand off the foot'),
      perform.done(
        'gentle',
        'Squeezes once only where the rupture is fresh',
        flagged('A fresh rupture must not be worked on.'),
      ),
      perform.done('gap-felt', 'Palpates the tendon for a gap'),
      interpret.done('word', 'States that positive means no motion'),
      interpret.done('continuity', 'Says that it tests continuity, not tightness'),
      interpret.done('next', 'Names referral with the foot held pointed'),
    ],
    faults: [
      ['Foot not over the edge', 'free'],
      ['Patient pushes', 'limp'],
      ['Squeezes the tendon', 'place'],
      ['Hand on the foot', 'hand-off'],
      ['Positive swapped', 'word'],
      ['Called a tightness test', 'continuity'],
    ],
    cautions: ['A hot swollen calf is not squeezed.'],
    stopRule: 'Stop at calf pain with warmth, or the word stop.',
    patient: { condition: 'achilles-rupture', side: 'right' },
  },
);

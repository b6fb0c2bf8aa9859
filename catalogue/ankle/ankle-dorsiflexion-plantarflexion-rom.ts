import { HEEL_CORD_TORN } from '../contraindicated.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { holds, moves, decides, figure, feels } from '../figures.ts';
import { said } from '../worth.ts';

/** The foot taken up and down from the hindfoot. */
export const ankleDorsiflexionPlantarflexionRom = defineProcedure(
  {
    id: 'ankle-dorsiflexion-plantarflexion-rom',
    names: ['Ankle dorsiflexion and plantarflexion range'],
    title: 'Foot up and down',
    indication: 'A stiff ankle whose range is followed over weeks.',
    region: 'ankle',
    kind: 'rom',
    structures: ['ankle joint', 'soleus', 'gastrocnemius'],
    patient: 'Lies or sits, foot clear of the edge.',
    examiner: 'At the foot end, eye level with the outer ankle.',
    steps: [
      'Active first.',
      'Steady the lower leg, move from the hindfoot, two to three seconds.',
      'Axis on the outer ankle, arms to fibula and fifth toe bone.',
      'Again with the knee straight.',
    ],
    schools: [
      { key: 'bent', label: 'Knee bent', description: 'Calf slack: the joint.', angles: 'knee 90' },
      {
        key: 'straight',
        label: 'Knee straight',
        description: 'Calf stretched: the muscle.',
        angles: 'knee 0',
        drawn: {
          position: 'long-sitting',
          pose: { leg: { kneeFlexion: 0, ankleDorsiflexion: 12 } },
          from: { leg: { kneeFlexion: 0 } },
          band: [10, 20],
        },
      },
      {
        key: 'lunge',
        label: 'Lunge',
        description: 'Standing knee to wall; very repeatable.',
        drawn: {
          position: 'lunge',
          afresh: true,
          pose: { leg: { ankleDorsiflexion: 36 } },
          from: { leg: { hipFlexion: 22, kneeFlexion: 40, ankleDorsiflexion: 18 } },
          band: [30, 40],
          hands: [feels('foot', 0.03, 'back')],
          props: [{ kind: 'wall' }],
        },
        positions: 'standing',
      },
    ],
    figure: figure(
      'sitting',
      { leg: { hipFlexion: 88, kneeFlexion: 88, ankleDorsiflexion: 18 } },
      {
        from: { leg: { hipFlexion: 88, kneeFlexion: 88, ankleDorsiflexion: -40 } },
        decides: decides('ankleDorsiflexion', 10, 25),
        hands: [holds('shank', 0.85, 'back'), moves('foot', 0.3, 'below')],
        region: ['foot', 'shank'],
      },
    ),
    loads: [
      { structure: 'ankle joint', mode: 'stretch' },
      { structure: 'soleus', mode: 'stretch' },
    ],
    numbers: [
      {
        item: 'up',
        healthy: 20,
        tolerance: 5,
        half: 10,
        by: [
          { structure: 'ankle joint', state: 'stiff', values: [13, 8, 0] },
          { structure: 'soleus', state: 'tight', values: [13, 8, 0] },
        ],
      },
      {
        item: 'down',
        healthy: 50,
        tolerance: 5,
        half: 10,
        // A short muscle behind the shin bone does not stop the foot from pointing.
        by: [{ structure: 'ankle joint', state: 'stiff', values: [42, 34, 25] }],
      },
    ],
    refrains: HEEL_CORD_TORN,
    findings: [yesNo('loss', 'States whether range is lost', ['stiffness'], ['Full', 'Lost'])],
    positive:
      'Under 15 up with the knee bent, under 10 straight, under 40 down, or 5 between the sides.',
    negative: 'From 15 bent, 10 straight, 40 down, alike.',
    rules: [
      { when: 'Less with the knee straight', speaksFor: 'gastrocnemius' },
      { when: 'The same both ways', speaksFor: 'joint, soleus or bone' },
      { when: 'Pain in front', speaksFor: 'impingement' },
    ],
    confounders: ['Motion of the midfoot', 'A heel that turns'],
    doesNotProve: 'Trouble: many healthy ankles lie just under the cut.',
    worth: [
      said('lunge', 'ICC .97 to .99', 'Bennell 1998'),
      said('normal means', 'up 13 ± 4, down 56 ± 6', 'Boone & Azen 1979'),
    ],
    followUp: ['ankle-df-straight-bent'],
    contraindications: ['Fresh injury', 'Repaired Achilles tendon'],
    measurements: [
      {
        what: 'dorsiflexion and plantarflexion',
        landmarks: 'fibula, outer ankle, fifth toe bone',
        unit: '°',
        instrument: 'goniometer',
        normal: '10 to 20, 40 to 50',
        tolerance: '5',
      },
    ],
  },
  {
    task: 'Measure the ankle up and down.',
    items: [
      prepare.asked(
        'screen',
        'Asks about a repaired Achilles tendon',
        flagged('A repair can stretch out.'),
      ),
      position.done('clear', 'Has the foot clear of the edge'),
      position.asked('knee', 'States whether the knee is bent or straight'),
      perform.done('active', 'Asks for active motion before passive'),
      perform.done('leg', 'Steadies the lower leg'),
      perform.done('hindfoot', 'Moves from the hindfoot'),
      perform.done('heel', 'Keeps the heel from turning'),
      interpret.measured('up', 'Dorsiflexion stated', '°', [10, 25], {
        half: 5,
        from: -30,
        to: 40,
      }),
      interpret.measured('down', 'Plantarflexion stated', '°', [40, 60], {
        half: 5,
        from: 0,
        to: 80,
      }),
      interpret.done('end-feel', 'Names the end feel'),
      interpret.graded('reads', 'Tells calf muscle from joint', ['Not', 'Prompted', 'Told']),
    ],
    faults: [
      ['Knee not stated', 'knee'],
      ['Passive only', 'active'],
      ['Leg loose', 'leg'],
      ['Grips the midfoot', 'hindfoot'],
      ['Foot turns', 'heel'],
      ['No end feel', 'end-feel'],
    ],
    cautions: ['A repaired tendon is not stretched.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'stiff-ankle', side: 'right' },
  },
);

import { HEEL_CORD_TORN } from '../contraindicated.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, critical } from '../items.ts';
import { site } from '../findings.ts';
import { holds, moves, push, decides, figure, feels } from '../figures.ts';
import { said } from '../worth.ts';

/** The foot drawn up with the knee straight, then bent, to part two calf muscles. */
export const ankleDfStraightBent = defineProcedure(
  {
    id: 'ankle-df-straight-bent',
    names: [
      'Silfverskiöld test',
      'Silfverskiold test',
      'ankle dorsiflexion, knee straight and bent',
    ],
    title: 'Foot drawn up with the knee straight, then bent',
    indication: 'A heel that comes up early: which calf muscle, or the joint?',
    region: 'ankle',
    kind: 'length',
    structures: ['gastrocnemius', 'soleus', 'ankle joint'],
    patient: 'Lies or sits with the legs along the couch.',
    examiner: 'At the foot end; one hand cups the heel, the other lies under the ball of the foot.',
    steps: [
      'Knee straight: press up slowly to the first firm resistance.',
      'Knee bent at least 30 degrees: again.',
      'The heel must not tilt outwards.',
    ],
    schools: [
      {
        key: 'unloaded',
        label: 'Unloaded',
        description: 'Lying, both knee positions.',
        positions: 'lying',
      },
      {
        key: 'lunge',
        label: 'Lunge',
        description: 'Standing lunge pair.',
        drawn: {
          position: 'lunge',
          afresh: true,
          pose: { leg: { ankleDorsiflexion: 36 } },
          band: [30, 40],
          hands: [feels('foot', 0.03, 'back')],
          forces: [],
          props: [{ kind: 'wall' }],
        },
        positions: 'standing',
      },
    ],
    figure: figure(
      'long-sitting',
      { leg: { kneeFlexion: 0, ankleDorsiflexion: 10 } },
      {
        decides: decides('ankleDorsiflexion', 10, 20),
        hands: [holds('foot', 0.05, 'below'), moves('foot', 0.85, 'below')],
        forces: [push('foot', 0.85, 'above', 'below')],
        region: ['shank', 'foot'],
      },
    ),
    loads: [
      { structure: 'gastrocnemius', mode: 'stretch' },
      { structure: 'soleus', mode: 'stretch' },
      { structure: 'ankle joint', mode: 'stretch' },
    ],
    numbers: [
      {
        item: 'first',
        healthy: 12,
        tolerance: 4,
        half: 8,
        by: [
          { structure: 'gastrocnemius', state: 'tight', values: [7, 2, -5] },
          { structure: 'soleus', state: 'tight', values: [7, 2, -5] },
          { structure: 'ankle joint', state: 'stiff', values: [7, 2, -5] },
        ],
      },
      {
        item: 'second',
        healthy: 20,
        tolerance: 4,
        half: 8,
        by: [
          { structure: 'soleus', state: 'tight', values: [13, 8, 0] },
          { structure: 'ankle joint', state: 'stiff', values: [13, 8, 0] },
        ],
      },
    ],
    refrains: HEEL_CORD_TORN,
    findings: [
      site(
        'limit',
        'Names what limits',
        ['stiffness'],
        'Nothing',
        ['gastrocnemius', 'Gastrocnemius', ['gastrocnemius']],
        ['soleus', 'Soleus or joint', ['soleus', 'ankle joint']],
      ),
    ],
    positive: 'Straight under 10 with bent from 15: gastrocnemius; bent under 15: soleus or joint.',
    negative: 'Straight from 10, bent from 15, painless.',
    rules: [
      { when: 'Loss with the knee straight only', speaksFor: 'gastrocnemius' },
      { when: 'Loss with the knee bent as well', speaksFor: 'soleus, capsule or bone' },
      { when: 'Pinch at the front', speaksFor: 'impingement' },
    ],
    confounders: ['A foot that rolls outwards'],
    doesNotProve: 'Which part of the joint limits.',
    worth: [said('lunge', 'ICC about .97', 'Bennell 1998')],
    followUp: ['subtalar-inversion-eversion'],
    contraindications: ['Achilles tear or repair', 'Suspected clot in the calf'],
    measurements: [
      {
        what: 'dorsiflexion',
        landmarks: 'below the outer ankle, fibula, fifth metatarsal',
        unit: '°',
        instrument: 'goniometer',
        normal: 'straight 10, bent 20',
        tolerance: '4',
      },
    ],
  },
  {
    task: 'Part the two calf muscles by the knee.',
    items: [
      prepare.asked(
        'screens',
        'Asks about calf swelling',
        critical('A clot must not be stretched.'),
      ),
      position.measured('straight', 'Knee flexion of the first reading', '°', [0, 5], {
        from: -10,
        to: 135,
      }),
      position.measured('bent', 'Knee flexion of the second reading', '°', [30, 90], {
        from: 0,
        to: 135,
      }),
      perform.done('heel', 'Holds the heel from tilting'),
      perform.done('ball', 'Pushes under the ball, not the toes'),
      perform.measured('first', 'Angle read, knee straight', '°', [0, 15], {
        full: 4,
        half: 8,
        from: -30,
        to: 40,
      }),
      perform.measured('second', 'Angle read, knee bent', '°', [10, 25], {
        full: 4,
        half: 8,
        from: -30,
        to: 50,
      }),
      interpret.done('one', 'Says that straight-only loss is gastrocnemius'),
      interpret.done('two', 'Says that bent loss is soleus or joint'),
    ],
    faults: [
      ['Foot rolls', 'heel'],
      ['Knee not straight', 'straight'],
      ['Pushes on toes', 'ball'],
      ['Muscles swapped', 'one'],
    ],
    cautions: ['Calf pain: stop.'],
    stopRule: 'Stop at calf pain, shaking, or the word stop.',
    patient: { condition: 'gastrocnemius-tightness', side: 'right' },
  },
);

import { defineProcedure } from '../define.ts';
import { perform, interpret, flagged } from '../items.ts';
import { site } from '../findings.ts';
import { holds, feels, figure } from '../figures.ts';
import { memory, said } from '../worth.ts';

/** Bony and ligament points pressed in a fixed round, the painful one last. */
export const ankleFootPalpation = defineProcedure(
  {
    id: 'ankle-foot-palpation',
    names: ['Ankle palpation round', 'ankle fracture rule points'],
    title: 'Pressing bony and tendon points',
    indication: 'Every injured ankle, before anything is stressed.',
    region: 'ankle',
    kind: 'palpation',
    structures: [
      'anterior talofibular ligament',
      'calcaneofibular ligament',
      'deltoid ligament',
      'syndesmosis',
      'Achilles tendon',
      'midfoot joints',
    ],
    patient: 'Lies or sits, leg slack.',
    examiner: 'At the foot; one hand cradles the heel.',
    steps: [
      'Both ankle bones, lowest 6 cm of their back edges, tips.',
      'Base of the fifth toe bone, navicular.',
      'Fibula up to the knee; pulse; feeling.',
      'Ligament points, Achilles.',
    ],
    schools: [
      {
        key: 'bone-first',
        label: 'Bone first',
        description: 'The fracture rule, then ligaments.',
        order: 'bone, then ligament',
      },
      {
        key: 'around',
        label: 'Outer to inner',
        description: 'One way round the ankle.',
        order: 'outer to inner',
      },
    ],
    figure: figure(
      'long-sitting',
      { leg: { hipFlexion: 94, kneeFlexion: 8, ankleDorsiflexion: -15 } },
      {
        view: 'side',
        hands: [holds('foot', 0.06, 'back'), feels('shank', 0.97, 'outer')],
        region: ['foot', 'shank'],
        closeUp: 'ankle',
      },
    ),
    loads: [
      { structure: 'anterior talofibular ligament', mode: 'pressure' },
      { structure: 'deltoid ligament', mode: 'pressure' },
      { structure: 'syndesmosis', mode: 'pressure' },
      { structure: 'midfoot joints', mode: 'pressure' },
      { structure: 'calcaneofibular ligament', mode: 'pressure' },
    ],
    findings: [
      site(
        'tender',
        'Names the tender ligament point',
        ['pain'],
        'None',
        ['high', 'Above the joint in front', ['syndesmosis']],
        ['inner', 'Inner side', ['deltoid ligament']],
        [
          'outer',
          'In front of or below the outer bone',
          ['anterior talofibular ligament', 'calcaneofibular ligament'],
        ],
        ['midfoot', 'Midfoot', ['midfoot joints']],
      ),
    ],
    positive: 'A focal tender point.',
    negative: 'None.',
    rules: [
      { when: 'Edge or tip of an ankle bone', speaksFor: 'X-ray rule' },
      { when: 'Above the joint', speaksFor: 'high sprain: measure the height' },
      { when: 'Upper fibula', speaksFor: 'high fibular fracture' },
    ],
    confounders: ['All is tender on the first days: again after four to seven'],
    doesNotProve: 'A tear.',
    worth: [
      memory('tender line of the syndesmosis', 0.92, 0.29, 'Sman 2015'),
      said('ankle rule, sensitivity', '96 to 99 %', 'Bachmann 2003'),
    ],
    followUp: ['ankle-anterior-drawer', 'syndesmosis-squeeze'],
    contraindications: ['Suspected fracture: gently'],
    measurements: [
      {
        what: 'height of tenderness',
        landmarks: 'tip of the outer bone',
        unit: 'cm',
        instrument: 'tape',
        normal: '0',
        tolerance: '1',
      },
    ],
  },
  {
    task: 'Palpate ankle and foot and apply the fracture rule.',
    items: [
      perform.done('last', 'Leaves the painful part until last'),
      perform.graded(
        'malleoli',
        'Presses the back edge of each ankle bone down to its tip',
        ['Neither bone', 'One bone, or tips only', 'Both bones'],
        flagged('A fracture is missed here.'),
      ),
      perform.graded(
        'midfoot',
        'Presses the fifth toe bone base, the navicular',
        ['Neither', 'One', 'Both'],
        flagged('A fracture is missed here.'),
      ),
      perform.done(
        'fibula',
        'Palpates the fibula up to the knee',
        flagged('A high fracture is missed.'),
      ),
      perform.done(
        'pulse',
        'Checks the foot pulse',
        flagged('A foot without a pulse is an emergency.'),
      ),
      perform.done('feeling', 'Checks skin feeling of the foot'),
      perform.graded('ligaments', 'Presses four ligament points: front outer, heel, inner, high', [
        'None',
        'One to three',
        'All four',
      ]),
      perform.done('achilles', 'Presses the Achilles tendon'),
      interpret.graded('rule', 'Reads bone against ligament by the X-ray rule', [
        'Not',
        'In part',
        'Applied',
      ]),
    ],
    faults: [
      ['Starts at the pain', 'last'],
      ['Back edges left out', 'malleoli'],
      ['Fifth toe bone left out', 'midfoot'],
      ['Upper fibula left out', 'fibula'],
      ['No pulse', 'pulse'],
    ],
    cautions: ['The rule does not hold for the drunk, the numb or with another painful injury.'],
    stopRule: 'Stop at suspicion of a fracture or the word stop.',
    patient: { condition: 'high-ankle-sprain', side: 'left' },
  },
);

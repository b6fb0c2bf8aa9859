import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, critical, flagged } from '../items.ts';
import { site } from '../findings.ts';
import { figure } from '../figures.ts';

/** Both bare ankles looked at from every side before they are touched. */
export const ankleInspection = defineProcedure(
  {
    id: 'ankle-inspection',
    names: ['Ankle and foot inspection'],
    title: 'Looking at ankle and foot',
    indication: 'Every ankle, before hands are laid on.',
    region: 'ankle',
    kind: 'palpation',
    structures: ['ankle joint', 'outer ankle ligaments'],
    patient: 'Sits or lies barefoot, then stands.',
    examiner: 'In front, at the sides, behind.',
    steps: [
      'Ask how it happened, whether four steps were possible.',
      'Look from front, sides, behind: swelling, bruise, arch, heel, calf.',
      'Say what is there and what is not.',
    ],
    schools: [
      {
        key: 'lying',
        label: 'Lying or sitting',
        description: 'First look after an injury.',
        positions: 'lying or sitting',
        drawn: { position: 'supine' },
      },
      {
        key: 'standing',
        label: 'Standing added',
        description: 'The full look, where weight can be borne.',
        drawn: {},
        positions: 'standing',
      },
    ],
    figure: figure('standing', {}, { view: 'front', region: ['foot', 'shank'] }),
    loads: [
      { structure: 'anterior talofibular ligament', mode: 'look' },
      { structure: 'calcaneofibular ligament', mode: 'look' },
      { structure: 'syndesmosis', mode: 'look' },
      { structure: 'deltoid ligament', mode: 'look' },
      { structure: 'midfoot joints', mode: 'look' },
      { structure: 'Achilles tendon', mode: 'look' },
    ],
    findings: [
      site(
        'seen',
        'Names where it is swollen or dented',
        ['swelling', 'gap'],
        'Nowhere',
        [
          'outer',
          'Swollen at the outer side',
          ['anterior talofibular ligament', 'calcaneofibular ligament'],
        ],
        ['high', 'Swollen high in front', ['syndesmosis']],
        ['inner', 'Swollen at the inner side', ['deltoid ligament']],
        ['midfoot', 'Swollen on top of the midfoot', ['midfoot joints']],
        ['achilles', 'Dented behind', ['Achilles tendon']],
      ),
    ],
    positive: 'An asymmetry, named.',
    negative: 'Symmetry, said aloud.',
    rules: [
      { when: 'Outer swelling', speaksFor: 'sprain or break: press the bone points first' },
      { when: 'High in front', speaksFor: 'high sprain' },
      { when: 'Dent behind', speaksFor: 'Achilles tendon' },
      { when: 'Hot, red, fever', speaksFor: 'infection' },
    ],
    confounders: ['Bruises sink to the heel'],
    doesNotProve: 'Which ligament is torn.',
    followUp: ['ankle-foot-palpation'],
    sides: 'one view',
    contraindications: ['Deformity or loss of pulse: urgent'],
    measurements: [
      {
        what: 'girth',
        landmarks: 'figure of eight',
        unit: 'cm',
        instrument: 'tape',
        normal: 'sides alike',
        tolerance: '0.5',
      },
    ],
  },
  {
    task: 'Inspect both ankles and say what is found.',
    items: [
      prepare.asked('mechanism', 'Asks how it happened'),
      prepare.asked(
        'steps',
        'Asks about four steps',
        flagged('Without it the fracture rule cannot be applied.'),
      ),
      position.done('bare', 'Has both feet bare'),
      perform.done(
        'deformity',
        'Checks for deformity before moving anything',
        critical('A dislocated ankle is an emergency.'),
      ),
      perform.done('looks-first', 'Looks before touching'),
      perform.graded('views', 'Views front, sides, behind', ['One', 'Two', 'All']),
      interpret.graded('says', 'States swelling, bruise, redness with the absent ones', [
        'Silent',
        'Present ones',
        'Both',
      ]),
      interpret.done(
        'urgent',
        'Names one sign that asks for urgent help',
        flagged('Delay can cost the foot.'),
      ),
    ],
    faults: [
      ['Steps not asked', 'steps'],
      ['Socks on', 'bare'],
      ['Touches first', 'looks-first'],
      ['No view from behind', 'views'],
      ['Absent ones not said', 'says'],
    ],
    cautions: ['Deformity, pallor or numbness is urgent.'],
    stopRule: 'Stop at deformity, pallor or numbness.',
    patient: { condition: 'ankle-atfl-tear', side: 'left' },
  },
);

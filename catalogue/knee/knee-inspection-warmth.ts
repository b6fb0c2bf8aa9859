import { defineProcedure } from '../define.ts';
import { prepare, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { feels, figure, KNEE_REGION } from '../figures.ts';

/** Both knees looked at first, then felt for warmth with the back of one hand. */
export const kneeInspectionWarmth = defineProcedure(
  {
    id: 'knee-inspection-warmth',
    names: ['Knee inspection', 'skin temperature of the knee'],
    title: 'Looking at both knees, then comparing their warmth',
    indication: 'Every knee, before anything is moved.',
    region: 'knee',
    kind: 'palpation',
    structures: ['knee joint'],
    patient:
      'Stands first where that is possible, then lies on the back, both legs bare to mid-thigh.',
    examiner: 'At the foot end, then beside the knee.',
    steps: [
      'Look from front, side and back before touching: hollows beside the kneecap, its position, muscle bulk, skin.',
      'Lay the back of one hand on mid-thigh, kneecap and shin of the sound leg.',
      'Repeat with the same hand on the other leg.',
    ],
    schools: [
      {
        key: 'look-then-feel',
        label: 'Look, then feel',
        description: 'Hollows and swelling by eye, then warmth by hand.',
      },
    ],
    figure: figure('supine', {}, { hands: [feels('shank', 0.02, 'front')], region: KNEE_REGION }),
    loads: [{ structure: 'knee joint', mode: 'fluid' }],
    findings: [
      yesNo(
        'swelling',
        'States whether a hollow is filled',
        ['swelling'],
        ['Hollows free', 'Hollow filled'],
      ),
    ],
    positive:
      'A side that is swollen, wasted or as warm as its own shin; the knee is normally a little cooler than thigh and shin.',
    negative: 'Both sides alike.',
    confounders: ['A brace or heat pack just taken off', 'Exercise', 'A fat pad'],
    doesNotProve: 'The cause of a swelling; an effusion may be cool.',
    followUp: ['suprapatellar-squeeze', 'bulge-brush-effusion'],
    contraindications: [],
  },
  {
    task: 'Inspect both knees and compare their warmth; report what you find.',
    items: [
      prepare.done('both-bare', 'Bares both legs to mid-thigh'),
      prepare.asked(
        'red-flags',
        'Asks about fever',
        flagged('A hot joint with fever is an emergency.'),
      ),
      perform.done('looks-first', 'Looks before touching'),
      perform.graded(
        'names-look',
        'Names hollows, kneecap, muscle bulk, skin',
        ['Names one or none', 'Leaves one out', 'Names all four'],
        { observability: 'spoken', saidEarns: true },
      ),
      perform.graded('back-of-hand', 'Uses the back of one same hand', [
        'Palm, or through cloth',
        'Changes hands between sides',
        'Back of the same hand throughout',
      ]),
      perform.graded('three-sites', 'Feels thigh, kneecap, shin', [
        'One site',
        'Two sites',
        'All three',
      ]),
      interpret.graded('warmer-side', 'States the warmth of both knees against their shins', [
        'Not stated',
        'One knee only',
        'Both knees, alike or not',
      ]),
    ],
    faults: [
      ['Cloth left over a knee', 'both-bare'],
      ['Touches before looking', 'looks-first'],
      ['Palm instead of back of hand', 'back-of-hand'],
      ['One side only', 'both-sides'],
    ],
    cautions: [
      'A hot, red joint in an unwell person is escalated, not tested.',
      'A swollen tender calf is not squeezed.',
    ],
    stopRule: 'Stop at fever with a hot joint, or the word stop.',
    patient: { condition: 'knee-effusion-large', side: 'right' },
  },
);

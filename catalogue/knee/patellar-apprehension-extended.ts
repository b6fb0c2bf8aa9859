import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, feltSlack, critical, flagged } from '../items.ts';
import { doubtfulWith, present } from '../findings.ts';
import { moves, push, figure, KNEE_REGION, holds } from '../figures.ts';

/** The kneecap pushed slowly outwards on the straight knee until the first sign of fear. */
export const patellarApprehensionExtended = defineProcedure(
  {
    id: 'patellar-apprehension-extended',
    names: ['Patellar apprehension test, knee straight'],
    title: 'Kneecap pushed slowly outwards on the straight knee',
    indication: 'A kneecap that slipped, where even a slight bend is feared.',
    region: 'knee',
    kind: 'laxity',
    structures: ['kneecap restraints'],
    patient: 'Lies on the back, knee straight, thigh muscles slack.',
    examiner: 'At the side, the face in view.',
    steps: [
      'Thumbs on the inner border of the kneecap.',
      'Push outwards with slowly rising force.',
      'End at the first reaction, never at a dislocation.',
    ],
    schools: [
      {
        key: 'two-thumbs',
        label: 'Two thumbs',
        description: 'Both thumbs push.',
        means: 'both thumbs',
      },
      {
        key: 'one-thumb',
        label: 'One thumb',
        description: 'The free hand rests on the thigh.',
        means: 'one thumb',
        drawn: { hands: [moves('shank', 0, 'inner'), holds('thigh', 0.55, 'front')] },
      },
    ],
    figure: figure(
      'supine',
      { leg: { kneecapShift: 5 } },
      {
        hands: [moves('shank', 0.0, 'inner')],
        forces: [push('shank', 0.0, 'outer', 'inner')],
        region: KNEE_REGION,
        closeUp: 'kneecap',
        view: 'above',
      },
    ),
    loads: [
      { structure: 'kneecap restraints', mode: 'glide' },
      { structure: 'kneecap surfaces', mode: 'compression' },
    ],
    findings: [
      doubtfulWith(present('reaction', 'States whether there was fear', ['apprehension']), 'pain'),
    ],
    positive:
      'Fear, a tightening thigh, a hand that grabs, or a request to stop; not looseness, not pain.',
    negative: 'Relaxed to a firm stop.',
    confounders: ['Loose healthy kneecaps', 'Pain read as fear'],
    doesNotProve: 'A stable kneecap.',
    worth: [
      {
        of: 'past dislocation',
        sensitivity: 0.39,
        source: 'Sallay 1996',
        sourceKind: 'from memory',
      },
    ],
    followUp: ['fairbank-apprehension-30', 'patellar-glide-quadrants'],
    contraindications: ['Fresh dislocation', 'Fresh stabilising surgery'],
  },
  {
    task: 'Perform the patellar apprehension test on the straight knee.',
    items: [
      prepare.asked(
        'dislocation',
        'Asks about a fresh dislocation',
        flagged('A fresh dislocation is not tested.'),
      ),
      position.measured('knee-angle', 'Knee flexion during the test', '°', [0, 10], {
        from: -15,
        to: 135,
      }),
      feltSlack('thigh muscles'),
      perform.graded('outwards', 'Pushes the inner border outwards', [
        'Inwards',
        'Aslant',
        'Outwards',
      ]),
      perform.done('slow', 'Takes two seconds or more to push'),
      perform.done(
        'stops',
        'Pushes no further after the first reaction (done if none came)',
        critical('A push past the reaction dislocates the kneecap.'),
      ),
      perform.done('watches-face', 'Watches the face'),
      interpret.graded('names-reaction', 'Names the reaction, not pain', [
        'Pain only',
        'Unclear',
        'Reaction named',
      ]),
      interpret.done('names', 'Names outward instability'),
    ],
    faults: [
      ['Sudden push', 'slow'],
      ['Pushes past the reaction', 'stops'],
      ['Pushes inwards', 'outwards'],
      ['Watches the knee only', 'watches-face'],
      ['Pain called positive', 'names-reaction'],
    ],
    cautions: ['Never to the point of slipping out.'],
    stopRule: 'Stop at the first sign of fear, or the word stop.',
    patient: { condition: 'patellar-instability', side: 'right' },
  },
);

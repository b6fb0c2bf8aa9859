import { KNEE_TOO_FULL } from '../contraindicated.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, feltSlack, critical, flagged } from '../items.ts';
import { doubtfulWith, present } from '../findings.ts';
import { holds, moves, push, decides, figure, kneeBent, KNEE_REGION } from '../figures.ts';
import { memory } from '../worth.ts';

/** The kneecap pushed outwards with the knee slightly bent. */
export const fairbankApprehension30 = defineProcedure(
  {
    id: 'fairbank-apprehension-30',
    names: ['Fairbank apprehension test', 'moving patellar apprehension test'],
    title: 'Kneecap pushed outwards with the knee slightly bent',
    indication: 'A kneecap that slipped or feels as if it would.',
    region: 'knee',
    kind: 'laxity',
    structures: ['kneecap restraints'],
    patient: 'Lies on the back, knee over a roll at 20 to 30 degrees.',
    examiner: 'At the side, the face in view.',
    steps: [
      'Both thumbs on the inner border.',
      'Push outwards slowly; stop at the first reaction.',
      'Moving form: keep the push while the knee bends to 90 degrees and back, then push inwards for relief.',
    ],
    schools: [
      {
        key: 'static',
        label: 'Static',
        description: 'At 20 to 30 degrees throughout.',
        angles: '20 to 30 degrees',
      },
      {
        key: 'to-straight',
        label: 'To straight',
        description: 'The push is kept while the knee straightens.',
        angles: '30 to 0 degrees',
        drawn: {
          pose: { leg: { hipFlexion: 0, kneeFlexion: 0 } },
          from: { leg: { hipFlexion: 16, kneeFlexion: 30 } },
          band: [0, 5],
        },
      },
      {
        key: 'moving',
        label: 'Moving',
        description:
          'From straight to a right angle and back, then with an inward push for relief.',
        angles: '0 to 90 degrees',
        criterion: 'fear that the inward push relieves',
        figure: figure(
          'supine',
          { leg: { hipFlexion: 50, kneeFlexion: 90 } },
          {
            from: { leg: {} },
            decides: decides('kneeFlexion', 0, 90),
            hands: [moves('thigh', 0.98, 'inner'), holds('shank', 0.9, 'back')],
            forces: [push('thigh', 0.98, 'outer', 'inner')],
            region: KNEE_REGION,
          },
        ),
      },
    ],
    figure: figure(
      'supine',
      { leg: { ...kneeBent(25), kneecapShift: 5 } },
      {
        decides: decides('kneeFlexion', 20, 30),
        hands: [moves('thigh', 0.98, 'inner')],
        forces: [push('thigh', 0.98, 'outer', 'inner')],
        props: [{ kind: 'bolster', under: { segment: 'thigh', at: 0.95 } }],
        region: KNEE_REGION,
        closeUp: 'kneecap',
      },
    ),
    loads: [
      { structure: 'kneecap restraints', mode: 'glide' },
      { structure: 'kneecap surfaces', mode: 'compression' },
    ],
    refrains: KNEE_TOO_FULL,
    findings: [
      doubtfulWith(present('reaction', 'States whether there was fear', ['apprehension']), 'pain'),
    ],
    positive: 'A tightening thigh or fear; in the moving form relieved by the inward push.',
    negative: 'Relaxed throughout.',
    confounders: ['Guarding', 'Pain read as fear'],
    doesNotProve: 'A torn inner ligament.',
    worth: [memory('moving form', 1, 0.88, 'Ahmad 2009')],
    followUp: ['patellar-glide-quadrants'],
    contraindications: ['Fresh dislocation or effusion', 'Fresh stabilising surgery'],
  },
  {
    task: 'Perform the apprehension test with the knee slightly bent, in the form that the station names.',
    items: [
      prepare.asked(
        'dislocation',
        'Asks about a fresh dislocation',
        flagged('A fresh dislocation is not tested.'),
      ),
      position.done('supported', 'Supports the weight of the leg'),
      position.measured('start', 'Knee flexion at the start', '°', [20, 30], {
        from: 0,
        to: 135,
        variants: ['static', 'to-straight'],
      }),
      feltSlack('thigh muscles'),
      perform.graded('outwards', 'Pushes the inner border outwards', [
        'Inwards',
        'Aslant',
        'Outwards',
      ]),
      perform.done('arc', 'Runs the arc of the declared form', {
        variants: ['to-straight', 'moving'],
      }),
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
    ],
    faults: [
      ['Sudden push', 'slow'],
      ['Pushes past the reaction', 'stops'],
      ['Start angle not set', 'start'],
      ['Arc the wrong way', 'arc'],
      ['Face not watched', 'watches-face'],
      ['Leg unsupported', 'supported'],
    ],
    cautions: ['Never to the point of slipping out.'],
    stopRule: 'Stop at the first sign of fear, or the word stop.',
    patient: { condition: 'patellar-instability', side: 'left' },
  },
);

import { NO_RIGHT_ANGLE } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { position, perform, interpret, feltSlack } from '../items.ts';
import { yesNo } from '../findings.ts';
import { feels, decides, figure, KNEE_REGION } from '../figures.ts';
import { memory } from '../worth.ts';

/** Both knees at a right angle, looked at from the side for a dropped shin. */
export const posteriorSagSign = defineProcedure(
  {
    id: 'posterior-sag-sign',
    names: ['Posterior sag sign', 'gravity drawer'],
    title: 'Looking from the side for a shin that has dropped back',
    indication: 'Before every forward drawer; a fall on the bent knee.',
    region: 'knee',
    kind: 'laxity',
    structures: ['posterior cruciate ligament'],
    patient: 'Lies on the back, both hips at 45 and knees at 90 degrees, feet level.',
    examiner: 'At the side, eyes level with the knees.',
    steps: [
      'Have the thigh muscles slack.',
      'Sight along kneecap and shin bump of both knees in one view.',
      'Run a thumb from kneecap to shin bump on each side.',
      'Do it before any forward pull is read.',
    ],
    schools: [
      {
        key: 'feet-flat',
        label: 'Feet flat',
        description: 'Looked for at the start of the drawer set-up.',
      },
    ],
    figure: figure(
      'hook-lying',
      { leg: { kneeFlexion: 90, tibialTranslation: -5 } },
      {
        decides: decides('kneeFlexion', 85, 95),
        hands: [feels('shank', 0.08, 'front')],
        region: KNEE_REGION,
      },
    ),
    loads: [{ structure: 'posterior cruciate ligament', mode: 'glide' }],
    voids: NO_RIGHT_ANGLE,
    findings: [yesNo('sag', 'States whether the shin sags', ['laxity'], ['No sag', 'Sag'])],
    positive: 'The shin bump has sunk and the step is lost on one side.',
    negative: 'Both sides alike.',
    confounders: ['Working thigh muscle', 'Spasm', 'A partial tear', 'Both knees sagging'],
    doesNotProve: 'How much is torn.',
    worth: [memory('back cruciate tear', 0.79, 1, 'Rubinstein 1994')],
    followUp: ['posterior-drawer-knee', 'godfrey-90-90-sag'],
    sides: 'one view',
    contraindications: ['A swollen knee is not forced to 90 degrees.'],
  },
  {
    task: 'Look for a posterior sag and say what it would do to a forward drawer.',
    items: [
      position.measured('knee-angle', 'Knee flexion of both knees', '°', [85, 95], {
        from: 0,
        to: 135,
      }),
      position.done('feet-level', 'Sets both feet level'),
      feltSlack('thigh muscles'),
      perform.graded('eye-level', 'Looks from the side at eye level', [
        'From foot or above',
        'From the side, too high',
        'Eye level',
      ]),
      perform.done('feels-step', 'Feels the step on both knees'),
      perform.done('before-pull', 'Does it before any forward pull'),
      interpret.done('names', 'Names the posterior cruciate ligament'),
      interpret.done('false-front', 'Explains the false forward looseness'),
    ],
    faults: [
      ['Looks from above', 'eye-level'],
      ['Feet not level', 'feet-level'],
      ['Step not felt', 'feels-step'],
      ['After the drawer', 'before-pull'],
    ],
    cautions: ['Use the bend that a swollen knee allows and note it.'],
    stopRule: 'Stop at sharp pain or the word stop.',
    patient: { condition: 'pcl-rupture', side: 'left' },
  },
);

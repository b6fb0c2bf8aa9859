import { defineProcedure } from '../define.ts';
import { position, perform, interpret, flagged } from '../items.ts';
import { yesNo } from '../findings.ts';
import { figure } from '../figures.ts';
import { said } from '../worth.ts';

/** Both bare elbows looked at from every side before they are touched. */
export const elbowInspection = defineProcedure(
  {
    id: 'elbow-inspection',
    names: ['Elbow inspection', 'look phase'],
    title: 'Looking at the elbow and forearm',
    indication: 'Every elbow, before anything is moved.',
    region: 'elbow',
    kind: 'palpation',
    structures: ['elbow joint'],
    patient: 'Sits or stands, both arms bare, palms forward, then elbows bent.',
    examiner: 'In front, at the side, behind.',
    steps: [
      'Look from the front, outer side, back, inner side.',
      'Look at the hollow between outer bump, elbow tip and radial head.',
      'Look for scars or pale hollow skin of injections.',
      'Say what is there and what is not.',
    ],
    schools: [
      {
        key: 'standing',
        label: 'Standing',
        description: 'The whole arm is seen from all sides.',
        positions: 'standing',
      },
      {
        key: 'seated',
        label: 'Seated',
        description: 'Quicker beside a couch.',
        positions: 'sitting',
        drawn: {
          position: 'sitting',
          pose: {
            arm: { shoulderFlexion: 10, elbowFlexion: 5 },
            otherArm: { shoulderFlexion: 10, elbowFlexion: 5 },
          },
        },
      },
    ],
    figure: figure(
      'standing',
      {
        arm: { shoulderAbduction: 12, forearmPronation: -80 },
        otherArm: { shoulderAbduction: 12, forearmPronation: -80 },
      },
      { view: 'front', region: ['upperArm', 'forearm'] },
    ),
    loads: [{ structure: 'elbow joint', mode: 'fluid' }],
    findings: [
      yesNo('full', 'States whether the outer hollow is full', ['swelling'], ['Hollow', 'Full']),
    ],
    positive: 'A visible asymmetry, named.',
    negative: 'Symmetry, said aloud.',
    rules: [
      { when: 'Full outer hollow', speaksFor: 'fluid in the joint' },
      { when: 'Swelling at the tip', speaksFor: 'bursa' },
      { when: 'Pale hollow skin', speaksFor: 'earlier injections: ask how many' },
    ],
    confounders: ['A bent elbow hides the hollow'],
    doesNotProve: 'Tendon disease.',
    worth: [
      said('injections at the outer elbow', 'worse after a year than waiting', 'Coombes 2010'),
    ],
    followUp: ['elbow-active-rom-hyperextension'],
    sides: 'one view',
    contraindications: ['Deformity after injury: image first'],
  },
  {
    task: 'Inspect both elbows and say what is found.',
    items: [
      position.done('bare', 'Bares both arms to the shoulder'),
      perform.done('looks-first', 'Looks before touching'),
      perform.graded('views', 'Views front, outer side, back, inner side', [
        'One',
        'Two or three',
        'All four',
      ]),
      perform.done('hollow', 'Looks at the outer hollow for fullness'),
      perform.done('skin', 'Looks for scars or changes of injected skin'),
      perform.done('bent', 'Looks again with the elbows bent'),
      interpret.graded('says', 'States findings with the absent ones', [
        'Silent',
        'Present ones only',
        'Both',
      ]),
      interpret.done(
        'red-flag',
        'Names a hot, red or deformed joint as a reason to stop',
        flagged('An infected or broken joint is not tested.'),
      ),
    ],
    faults: [
      ['Sleeve left on', 'bare'],
      ['Touches first', 'looks-first'],
      ['No view from behind', 'views'],
      ['Outer hollow missed', 'hollow'],
      ['Findings not said', 'says'],
    ],
    cautions: ['Hot red joint, fever or deformity: stop and report.'],
    stopRule: 'Stop at a hot, red or deformed joint.',
    patient: { condition: 'swollen-elbow', side: 'right' },
  },
);

import { NO_RIGHT_ANGLE } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { prepare, position, perform, feltSlack, easesOff, flagged } from '../items.ts';
import { laxityGrade, endPoint } from '../findings.ts';
import { memory } from '../worth.ts';
import { KNEE_CAUTION, DRAWER_FIGURE } from './shared.ts';

/** The shin drawn forward on a fixed foot, after looking for a sag. */
export const anteriorDrawerKnee = defineProcedure(
  {
    id: 'anterior-drawer-knee',
    names: ['Anterior drawer test of the knee'],
    title: 'Forward pull of the shin at a right angle, foot fixed',
    indication: 'A knee that gives way on turning, when a right angle can be reached.',
    region: 'knee',
    kind: 'laxity',
    structures: ['anterior cruciate ligament'],
    patient: 'Lies flat on the back, hip at 45 and knee at 90 degrees, foot flat and straight.',
    examiner: 'Sits lightly against the forefoot.',
    steps: [
      'Look for a backward sag before anything else.',
      'Both hands round the upper shin, thumbs at the joint line, fingers on the hamstrings.',
      'Draw straight forward, hold a second or two, two or three times.',
      'Sound side first.',
    ],
    schools: [
      {
        key: 'right-angle',
        label: 'Right angle',
        description: 'Knee at 90 degrees, steady pull.',
        angles: '80 to 100 degrees',
      },
      {
        key: 'less-bend',
        label: 'Less bend',
        description: 'Taught from 45 degrees where swelling stops the knee.',
        angles: '45 to 90 degrees',
        drawn: { pose: { leg: { kneeFlexion: 75 } }, band: [45, 90] },
      },
    ],
    figure: DRAWER_FIGURE,
    loads: [{ structure: 'anterior cruciate ligament', mode: 'tension' }],
    misleads: [
      {
        lesion: { structure: 'posterior cruciate ligament', state: 'torn' },
        sign: 'laxity',
        looksLike: 'a torn front cruciate',
        avoidedBy: 'looks for a sag before pulling',
      },
    ],
    voids: NO_RIGHT_ANGLE,
    findings: [laxityGrade(), endPoint()],
    positive: 'At least 3 mm more travel than the other side, or a soft stop.',
    negative: 'Equal travel, firm stop.',
    confounders: [
      'Effusion that keeps the knee from bending',
      'Hamstrings',
      'A back horn that acts as a wedge',
      'A shin that already sags',
    ],
    doesNotProve: 'A sound cruciate in a fresh swollen knee: there the low-angle pull is better.',
    worth: [
      memory('front cruciate tear, old', 0.92, 0.91, 'Benjaminse 2006'),
      memory('front cruciate tear, fresh', 0.49, 0.58, 'Benjaminse 2006'),
      memory('front cruciate tear, awake', 0.38, 0.81, 'van Eck 2013'),
    ],
    followUp: ['lachman-anterior-translation', 'posterior-drawer-knee'],
    contraindications: ['Foot injury: nobody sits on it', 'No full-strength pull on a fresh graft'],
  },
  {
    task: 'Perform the anterior drawer of the knee and grade it.',
    items: [
      prepare.done('toes-free', 'Keeps pressure off the toes', flagged('Sitting on toes hurts.')),
      position.measured('knee-angle', 'Knee flexion during the pull', '°', [80, 100], {
        half: 10,
        from: 0,
        to: 135,
      }),
      position.done('foot-fixed', 'Fixes the foot straight ahead'),
      feltSlack('hamstrings'),
      perform.done('sag-first', 'Looks for a backward sag before pulling'),
      perform.graded('hands', 'Holds the upper shin with thumbs at the joint line', [
        'Low on the shin',
        'High, thumbs off',
        'Thumbs at the line',
      ]),
      perform.graded('pull', 'Draws straight forward for a second or two', [
        'Jerks or pulls aside',
        'Too short',
        'Straight, held',
      ]),
      easesOff(),
    ],
    faults: [
      ['Pulls before looking', 'sag-first'],
      ['Foot not fixed', 'foot-fixed'],
      ['Hands too low', 'hands'],
      ['Jerked pull', 'pull'],
      ['Guard not felt', 'slack'],
    ],
    cautions: ['Gentle in a fresh bleed into the joint.', KNEE_CAUTION],
    stopRule: 'Stop at guarding, sharp pain, or the word stop.',
    patient: { condition: 'acl-rupture', side: 'left' },
  },
);

import { defineProcedure } from '../define.ts';
import { position, perform, interpret, flagged } from '../items.ts';
import { site } from '../findings.ts';
import { holds, feels, decides, figure } from '../figures.ts';

/** The inner tendon origin pressed, clear of the nerve. */
export const medialEpicondylePalpation = defineProcedure(
  {
    id: 'medial-epicondyle-palpation',
    names: ['Medial epicondyle palpation', 'flexor-pronator origin palpation'],
    title: 'Pressing the inner tendon origin',
    indication: 'Pain at the inner elbow on gripping, wringing or throwing.',
    region: 'elbow',
    kind: 'palpation',
    structures: ['common flexor origin', 'ulnar collateral ligament', 'ulnar nerve at the elbow'],
    patient: 'Sits, elbow at 90, palm up on a table.',
    examiner: 'At the inner side.',
    steps: [
      'Test the inner side for opening first.',
      'Press 5 to 10 mm in front of and below the inner bump.',
      'Press the ligament line, then touch the groove, apart.',
      'Ask for the known pain, for tingling.',
    ],
    schools: [
      {
        key: 'bent',
        label: 'Elbow bent',
        description: 'The common form; the groove is easy to find.',
      },
      {
        key: 'straight',
        label: 'Elbow straight',
        description: 'The nerve lies slacker.',
        angles: 'elbow straight',
        drawn: { pose: { arm: { shoulderFlexion: 55, elbowFlexion: 5 } }, band: [0, 10] },
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 35,
          shoulderAbduction: 20,
          shoulderRotation: -40,
          elbowFlexion: 85,
          forearmPronation: -80,
        },
      },
      {
        decides: decides('elbowFlexion', 60, 100),
        hands: [feels('forearm', 0.05, 'inner'), holds('forearm', 0.85, 'outer')],
        region: ['forearm', 'upperArm'],
      },
    ),
    loads: [
      { structure: 'common flexor origin', mode: 'pressure' },
      { structure: 'ulnar collateral ligament', mode: 'pressure' },
      { structure: 'ulnar nerve at the elbow', mode: 'pressure' },
    ],
    findings: [
      site(
        'tender',
        'Names the site',
        ['pain', 'tingling'],
        'None',
        ['tendon', 'In front of the inner bump', ['common flexor origin']],
        ['ligament', 'Along the ligament', ['ulnar collateral ligament']],
        ['nerve', 'Groove, with tingling', ['ulnar nerve at the elbow']],
      ),
    ],
    positive: 'Familiar local tenderness in front of the bump.',
    negative: 'None.',
    rules: [
      { when: 'In front', speaksFor: 'tendon' },
      { when: 'Groove with tingling', speaksFor: 'ulnar nerve' },
      { when: 'Line below, pain on valgus', speaksFor: 'ligament' },
      { when: 'A child', speaksFor: 'growth plate' },
    ],
    confounders: ['Irritated nerve beside a sore tendon'],
    doesNotProve: 'Tendon disease without a positive load test.',
    followUp: ['resisted-pronation-medial', 'elbow-valgus-stress'],
    contraindications: ['Long pressure on the nerve'],
  },
  {
    task: 'Palpate the inner elbow and name the site.',
    items: [
      position.measured('elbow', 'Elbow angle, palm up', '°', [60, 100], { half: 10 }),
      perform.done('stability', 'Does a valgus stress slightly bent before pressing'),
      perform.graded('front', 'Presses in front of the bump, clear of the nerve', [
        'Behind',
        'On the bump',
        'In front',
      ]),
      perform.done('graded', 'Builds the pressure up with a pad'),
      perform.done('ligament', 'Presses the ligament line by itself'),
      interpret.done('familiar', 'Asks whether it is the known pain'),
      interpret.done('tingling', 'Asks about tingling', flagged('A pressed nerve is let go.')),
      interpret.graded('separates', 'Separates tendon, nerve, ligament by site', [
        'Not',
        'Two',
        'All three',
      ]),
    ],
    faults: [
      ['Opening not tested', 'stability'],
      ['Presses behind', 'front'],
      ['Rubs across', 'graded'],
      ['Ligament left out', 'ligament'],
      ['Tingling not asked', 'tingling'],
    ],
    cautions: ['No long pressure on the nerve.'],
    stopRule: 'Stop at tingling or the word stop.',
    patient: { condition: 'medial-elbow-tendinopathy', side: 'left' },
  },
);

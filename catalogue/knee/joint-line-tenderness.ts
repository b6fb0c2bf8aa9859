import { defineProcedure } from '../define.ts';
import { position, perform, interpret } from '../items.ts';
import { site } from '../findings.ts';
import { holds, feels, decides, figure, KNEE_REGION, turn } from '../figures.ts';
import { memory } from '../worth.ts';
import { KNEE_CAUTION } from './shared.ts';

/** Both joint lines of the knee pressed from front to back. */
export const jointLineTenderness = defineProcedure(
  {
    id: 'joint-line-tenderness',
    names: ['Joint line tenderness'],
    title: 'Pressing along both joint lines of the knee from front to back',
    indication: 'A twist, a catch, or pain at one side of the knee.',
    region: 'knee',
    kind: 'palpation',
    structures: ['medial meniscus', 'lateral meniscus'],
    patient: 'Lies on the back, knee bent to a right angle, foot flat.',
    examiner: 'Beside the knee; one hand on the shin can turn it.',
    steps: [
      'Find the line from the hollow beside the tendon below the kneecap.',
      'Press backwards along the inner line in steps of about a centimetre, then along the outer line.',
      'Use the same pressure on both knees.',
    ],
    schools: [
      { key: 'neutral', label: 'Shin neutral', description: 'The shin is not turned.' },
      {
        key: 'turned',
        label: 'Shin turned',
        description:
          'The shin is turned inwards to bring the inner edge to the finger; the candidate names the turn.',
        drawn: { pose: { leg: { tibialRotation: 15 } }, forces: [turn('shank', 0.6, 'inwards')] },
        force: 'turned inwards for the inner line',
      },
    ],
    figure: figure(
      'hook-lying',
      { leg: { kneeFlexion: 85 } },
      {
        decides: decides('kneeFlexion', 70, 90),
        hands: [feels('shank', 0.01, 'inner'), holds('shank', 0.85, 'front')],
        region: KNEE_REGION,
      },
    ),
    loads: [
      { structure: 'medial meniscus', mode: 'pressure' },
      { structure: 'lateral meniscus', mode: 'pressure' },
      { structure: 'medial collateral ligament', mode: 'pressure' },
      { structure: 'lateral collateral ligament', mode: 'pressure' },
    ],
    findings: [
      site(
        'tender-line',
        'Names the tender line',
        ['pain'],
        'Neither',
        ['medial', 'Inner', ['medial meniscus', 'medial collateral ligament']],
        ['lateral', 'Outer', ['lateral meniscus', 'lateral collateral ligament']],
      ),
    ],
    positive: 'Sharp, familiar pain at one point of a line; its third says which part.',
    negative: 'No tenderness, or the same mild tenderness on both knees.',
    rules: [
      { when: 'Beside the tendon', speaksFor: 'front horn' },
      { when: 'Middle of the line', speaksFor: 'body of the meniscus, or the collateral ligament' },
      { when: 'Behind the collateral ligament', speaksFor: 'back horn, where most tears lie' },
    ],
    confounders: ['Arthritis', 'Collateral sprain', 'Bone bruise', 'Synovitis'],
    doesNotProve: 'A tear; it supports one, also where the twisting tests are silent.',
    worth: [
      memory('meniscus tear', 0.63, 0.77, 'Hegedus 2007'),
      memory('meniscus tear', 0.83, 0.83, 'Smith 2015'),
      memory('meniscus tear', 0.76, 0.77, 'Meserve 2008'),
      {
        of: 'agreement of examiners',
        text: 'poor to fair',
        source: 'Dervin 2001',
        sourceKind: 'from memory',
      },
    ],
    followUp: ['mcmurray-rotation-extension', 'thessaly-weight-bearing-twist'],
    contraindications: ['Fracture rule after an injury.'],
  },
  {
    task: 'Examine both joint lines for tenderness and interpret what you find.',
    items: [
      position.measured('knee-angle', 'Knee flexion during palpation', '°', [70, 90], {
        from: 0,
        to: 135,
      }),
      perform.graded('finds-line', 'Finds the line from the hollow beside the tendon', [
        'Finger on bone',
        'Found after searching',
        'Found at once',
      ]),
      perform.graded('three-thirds', 'Presses front, middle, back thirds', [
        'One third',
        'Two thirds',
        'All three',
      ]),
      perform.done('both-lines', 'Presses inner as well as outer line'),
      perform.done('same-pressure', 'Presses until the nail bed pales alike on both knees'),
      perform.asked('names-turn', 'Names the turn of the shin that is used', {
        variants: ['turned'],
      }),
      interpret.graded('alternatives', 'Names a meniscus tear with two alternatives', [
        'None',
        'One alternative',
        'Two alternatives',
      ]),
      interpret.done('no-proof', 'Says that tenderness alone confirms no tear'),
    ],
    faults: [
      ['Finger on the bone', 'finds-line'],
      ['Back third left out', 'three-thirds'],
      ['One line only', 'both-lines'],
      ['Presses the sore side harder', 'same-pressure'],
    ],
    cautions: [KNEE_CAUTION],
    stopRule: 'Stop at bony tenderness after an injury, or the word stop.',
    patient: { condition: 'medial-meniscus-fray', side: 'left' },
  },
);

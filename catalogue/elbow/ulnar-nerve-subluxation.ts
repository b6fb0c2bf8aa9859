import { ELBOW_SHORT } from '../hindrances.ts';
import { defineProcedure } from '../define.ts';
import { position, perform, interpret } from '../items.ts';
import { countsFrom, present } from '../findings.ts';
import { moves, feels, decides, figure, push, own } from '../figures.ts';
import { said } from '../worth.ts';

/** Whether the nerve stays in its groove as the elbow bends. */
export const ulnarNerveSubluxation = defineProcedure(
  {
    id: 'ulnar-nerve-subluxation',
    names: ['Ulnar nerve subluxation', 'ulnar nerve hypermobility check'],
    title: 'Feeling whether the nerve stays in its groove as the elbow bends',
    indication: 'A snap at the inner elbow on bending, or before an operation there.',
    region: 'elbow',
    kind: 'nerve',
    structures: ['ulnar nerve at the elbow'],
    patient: 'Sits, arm slightly out, palm up.',
    examiner: 'At the side; a light finger on the nerve.',
    steps: [
      'Bend fully and straighten slowly three times with a light finger on the nerve.',
      'Finger behind the bump at full bend, then straighten: a nerve caught in front dislocates.',
      'Feel for a second, later snap.',
    ],
    schools: [
      { key: 'trap', label: 'Finger behind', description: 'The most repeatable form.' },
      {
        key: 'active',
        label: 'Active bending',
        description: 'The patient bends alone.',
        force: 'by the patient',
        drawn: {
          hands: [feels('upperArm', 0.96, 'inner')],
          forces: [own(push('forearm', 0.85, 'inner'))],
        },
      },
      {
        key: 'passive',
        label: 'Passive bending',
        description: 'The examiner guides the wrist.',
        hands: 'one guides the wrist',
        drawn: {},
      },
    ],
    figure: figure(
      'sitting',
      {
        arm: {
          shoulderFlexion: 30,
          shoulderAbduction: 25,
          shoulderRotation: -30,
          elbowFlexion: 138,
          forearmPronation: -80,
        },
      },
      {
        from: {
          arm: {
            shoulderFlexion: 30,
            shoulderAbduction: 25,
            shoulderRotation: -30,
            elbowFlexion: 10,
            forearmPronation: -80,
          },
        },
        decides: decides('elbowFlexion', 130, 150),
        hands: [feels('upperArm', 0.96, 'inner'), moves('forearm', 0.88, 'outer')],
        region: ['upperArm', 'forearm'],
      },
    ),
    loads: [{ structure: 'ulnar nerve at the elbow', mode: 'glide' }],
    voids: ELBOW_SHORT,
    findings: [
      countsFrom(
        2,
        present(
          'class',
          'States the class',
          ['apprehension'],
          ['Stable', 'Perches on the bump', 'Slips in front'],
        ),
        'equivocal',
      ),
    ],
    positive: 'Perches or slips in front; it matters where the known tingling comes.',
    negative: 'Stays in its groove.',
    rules: [
      { when: 'A second, later snap', speaksFor: 'inner part of the triceps' },
      { when: 'Slips without symptoms', speaksFor: 'a harmless variant' },
    ],
    confounders: ['A finger that holds the nerve in'],
    doesNotProve: 'A pressed nerve.',
    worth: [
      said('healthy elbows', 'about 16 % slip', 'Childress 1975'),
      said('three classes', 'about 37 % mobile, repeatable', 'Calfee 2010'),
    ],
    followUp: ['ulnar-nerve-compression-flat'],
    contraindications: ['Pressure on the nerve'],
  },
  {
    task: 'Feel whether the ulnar nerve stays in its groove.',
    items: [
      position.done('supported', 'Supports the arm, palm up'),
      position.measured('bend', 'Elbow bend of each cycle', '°', [130, 150], { half: 10 }),
      perform.done('on-nerve', 'Lays a finger on the nerve in its groove'),
      perform.done('light', 'Feels the nerve without holding it in place'),
      perform.measured('cycles', 'Slow cycles', 'cycles', [3, 6], { half: 1, from: 0, to: 12 }),
      perform.done('trap', 'Straightens with a finger behind the bump'),
      interpret.done('second', 'Says whether a second snap is felt'),
      interpret.graded('meaning', 'Separates a slip with symptoms from a harmless one', [
        'Not',
        'Prompted',
        'Told',
      ]),
    ],
    faults: [
      ['Thumb on bone', 'on-nerve'],
      ['Not fully bent', 'bend'],
      ['Presses the nerve', 'light'],
      ['One cycle', 'cycles'],
      ['Every slip called disease', 'meaning'],
    ],
    cautions: ['Tell it to whoever injects or operates at the inner elbow.'],
    stopRule: 'Stop at lasting tingling or the word stop.',
    patient: { condition: 'slipping-ulnar-nerve', side: 'right' },
  },
);

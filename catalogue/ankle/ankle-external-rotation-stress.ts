import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, critical } from '../items.ts';
import { site } from '../findings.ts';
import { holds, moves, turn, decides, figure } from '../figures.ts';
import { memory, agreed } from '../worth.ts';

/** The foot turned outwards against a held leg. */
export const ankleExternalRotationStress = defineProcedure(
  {
    id: 'ankle-external-rotation-stress',
    names: ['External rotation stress test', 'Kleiger test', 'dorsiflexion external rotation'],
    title: 'Turning the foot outward against a fixed leg',
    indication: 'Pain above the ankle after an outward twist.',
    region: 'ankle',
    kind: 'provocation',
    structures: ['syndesmosis', 'deltoid ligament'],
    patient: 'Sits, knee at 90, ankle square or slightly up.',
    examiner: 'Sits or kneels before the foot.',
    steps: [
      'Hold the leg above the joint of the leg bones without squeezing.',
      'Turn heel and forefoot outwards as one, two to three seconds.',
      'Again with the foot pulled up.',
      'Ask for the fingertip site.',
    ],
    schools: [
      {
        key: 'up',
        label: 'Foot pulled up',
        description: 'The form of the large studies.',
        angles: 'ankle 10 to 20 up',
      },
      {
        key: 'square',
        label: 'Foot square',
        description: 'Neutral rotation.',
        angles: 'ankle 0',
        drawn: { pose: { leg: { ankleDorsiflexion: 0 } } },
      },
    ],
    figure: figure(
      'sitting',
      { leg: { hipFlexion: 88, kneeFlexion: 90, ankleDorsiflexion: 10 } },
      {
        decides: decides('kneeFlexion', 80, 100),
        hands: [holds('shank', 0.7, 'back'), moves('foot', 0.5, 'inner')],
        forces: [turn('shank', 0.95, 'outwards')],
        region: ['shank', 'foot'],
        closeUp: 'ankle',
      },
    ),
    loads: [
      { structure: 'syndesmosis', mode: 'stretch' },
      { structure: 'deltoid ligament', mode: 'tension' },
    ],
    findings: [
      site(
        'site',
        'Names the site of the known pain',
        ['pain'],
        'None',
        ['high', 'Above the joint in front', ['syndesmosis']],
        ['inner', 'Inner side', ['deltoid ligament']],
      ),
    ],
    positive: 'Known pain in front, where the leg bones meet.',
    negative: 'None there.',
    rules: [
      { when: 'Inner side', speaksFor: 'deltoid ligament' },
      { when: 'Front of the joint', speaksFor: 'impingement' },
      { when: 'Upper fibula', speaksFor: 'fracture' },
    ],
    confounders: ['A sole that tilts instead of turning', 'A squeezing hand'],
    doesNotProve: 'Parted bones: confirm with squeeze, line tenderness and hop.',
    worth: [
      memory('pulled up', 0.71, 0.63, 'Sman 2015'),
      memory('any form', 0.2, 0.85, 'deCesar 2011'),
      agreed(0.75, 'Alonso 1998'),
    ],
    followUp: ['syndesmosis-squeeze'],
    contraindications: ['Suspected fracture', 'Widened fork on films'],
  },
  {
    task: 'Perform the outward turn of the foot.',
    items: [
      prepare.asked(
        'rule',
        'Applies the X-ray rule first where the injury is fresh',
        critical('A missed fracture is twisted next.'),
      ),
      position.measured('knee', 'Knee angle', '°', [80, 100], { half: 10 }),
      position.asked('ankle', 'States whether the ankle is square or up'),
      perform.graded('leg', 'Holds the leg so that it does not turn', [
        'Turns',
        'Squeezed',
        'Still',
      ]),
      perform.graded('turns', 'Keeps the sole level while turning the foot outward', [
        'Tilts',
        'A little',
        'Turns',
      ]),
      perform.done(
        'ramp',
        'Ends the load at known pain',
        critical('Force against pain parts the bones.'),
      ),
      interpret.done('fingertip', 'Asks for the fingertip site'),
      interpret.done('reads', 'Reads front high against inner pain'),
      interpret.done('next', 'Names the next test'),
    ],
    faults: [
      ['Knee straight', 'knee'],
      ['Ankle not stated', 'ankle'],
      ['Leg turns along', 'leg'],
      ['Tilts the sole', 'turns'],
      ['No next test', 'next'],
    ],
    cautions: ['Not with a widened fork on films.'],
    stopRule: 'Stop at the known pain or the word stop.',
    patient: { condition: 'high-ankle-sprain', side: 'right' },
  },
);

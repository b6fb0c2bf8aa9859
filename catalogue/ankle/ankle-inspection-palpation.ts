import { defineProcedure } from '../define.ts';
import { position, perform, interpret, flagged } from '../items.ts';
import { site } from '../findings.ts';
import { holds, feels, figure } from '../figures.ts';
import { said } from '../worth.ts';

/** The short look and feel of the ankle inside a leg examination. */
export const ankleInspectionPalpation = defineProcedure(
  {
    id: 'ankle-inspection-palpation',
    names: ['Ankle look and feel'],
    title: 'Looking at the ankle, then pressing four sites',
    indication: 'Every painful ankle, before anything is moved.',
    region: 'ankle',
    kind: 'palpation',
    structures: [
      'Achilles tendon',
      'deltoid ligament',
      'anterior talofibular ligament',
      'midfoot joints',
    ],
    patient: 'Lies or sits, feet bare.',
    examiner: 'At the foot end.',
    steps: [
      'Look for deformity, swelling, redness, bruise.',
      'Press Achilles tendon, inner bone, outer bone, midfoot.',
      'After an injury: back edges and tips, navicular, fifth toe bone, four steps.',
    ],
    schools: [
      {
        key: 'four-sites',
        label: 'Four sites',
        description: 'The short round inside a leg examination.',
      },
      {
        key: 'with-rule',
        label: 'With the fracture rule',
        description: 'After an injury, its points are added.',
        order: 'four sites, then the points of the fracture rule',
      },
    ],
    figure: figure(
      'supine',
      { leg: { ankleDorsiflexion: -20 } },
      {
        view: 'side',
        hands: [holds('foot', 0.08, 'below'), feels('shank', 0.96, 'outer')],
        region: ['foot', 'shank'],
        closeUp: 'ankle',
      },
    ),
    loads: [
      { structure: 'deltoid ligament', mode: 'pressure' },
      { structure: 'anterior talofibular ligament', mode: 'pressure' },
      { structure: 'midfoot joints', mode: 'pressure' },
      { structure: 'Achilles tendon', mode: 'pressure' },
    ],
    findings: [
      site(
        'tender',
        'Names the site',
        ['pain', 'gap'],
        'None',
        ['inner', 'Inner bone', ['deltoid ligament']],
        ['outer', 'Outer bone', ['anterior talofibular ligament']],
        ['midfoot', 'Midfoot', ['midfoot joints']],
        ['achilles', 'Achilles: a gap', ['Achilles tendon']],
      ),
    ],
    positive: 'Familiar point tenderness, a gap in the tendon, swelling.',
    negative: 'No difference between the sides.',
    rules: [
      { when: 'Bone tender after an injury', speaksFor: 'image before any stress' },
      { when: 'Gap', speaksFor: 'calf squeeze or referral, no stretch' },
    ],
    confounders: ['All is tender on the first days'],
    doesNotProve: 'A sound bone where steps were not tried.',
    worth: [said('ankle rule, sensitivity', '96 to 99 %', 'Bachmann 2003')],
    followUp: ['calf-squeeze', 'ankle-foot-palpation'],
    contraindications: ['Suspected fracture: gently'],
  },
  {
    task: 'Look at both ankles, then palpate four sites.',
    items: [
      position.done('bare', 'Has both feet bare'),
      perform.done('looks-first', 'Looks before touching'),
      perform.graded('sites', 'Palpates four named sites', ['Two or fewer', 'Three', 'Four']),
      perform.done('named', 'Names each site while pressing'),
      perform.asked('pain', 'Asks for pain at each site'),
      interpret.graded(
        'gate',
        'Leads from tender bone to imaging',
        ['Not', 'Prompted', 'Led'],
        flagged('A fracture would be stressed next.'),
      ),
      interpret.done('describes', 'Describes without diagnosing'),
    ],
    faults: [
      ['Sock on', 'bare'],
      ['Touches first', 'looks-first'],
      ['Site missed', 'sites'],
      ['Does not ask', 'pain'],
    ],
    cautions: ['Tender bone or no four steps: image, no stress.'],
    stopRule: 'Stop at suspicion of a fracture or the word stop.',
    patient: { condition: 'achilles-rupture', side: 'left' },
  },
);

import { defineProcedure } from '../define.ts';
import { prepare, position, perform, interpret, flagged } from '../items.ts';
import { site } from '../findings.ts';
import { feels, figure } from '../figures.ts';
import { memory } from '../worth.ts';

/** Both bare shoulders looked at, then the bony line felt from the breastbone outwards. */
export const shoulderInspectPalpate = defineProcedure(
  {
    id: 'shoulder-inspect-palpate',
    names: ['Shoulder inspection and palpation'],
    title: 'Both bare shoulders looked at, the bony line felt from the breastbone outwards',
    indication: 'Every shoulder, before anything is moved.',
    region: 'shoulder',
    kind: 'palpation',
    structures: ['sternoclavicular joint', 'acromioclavicular joint'],
    patient: 'Sits, both shoulders bare, a chaperone offered.',
    examiner: 'In front, beside and behind in turn.',
    steps: [
      'Look from three sides: contour, wasting, winging, redness.',
      'Feel inner end, shaft and outer end of the collarbone, then the spine of the shoulder blade.',
      'Light first, then firmer; both sides.',
    ],
    schools: [
      {
        key: 'line',
        label: 'Collarbone line',
        description: 'From the breastbone outwards.',
        order: 'from the breastbone outwards',
      },
      {
        key: 'ring',
        label: 'Full ring',
        description: 'With tuberosity, groove and coracoid.',
        order: 'the line, then tuberosity, groove, coracoid',
        drawn: { hands: [feels('trunk', 0.95, 'front'), feels('upperArm', 0.1, 'front')] },
      },
    ],
    figure: figure(
      'sitting',
      {},
      { hands: [feels('trunk', 0.95, 'front')], forces: [], region: ['upperArm'], view: 'front' },
    ),
    loads: [
      { structure: 'acromioclavicular joint', mode: 'pressure' },
      { structure: 'sternoclavicular joint', mode: 'pressure' },
      { structure: 'long head of biceps', mode: 'pressure' },
    ],
    findings: [
      site(
        'tender',
        'Names the tender site',
        ['pain'],
        'None',
        ['outer', 'Outer end', ['acromioclavicular joint']],
        ['inner', 'Inner end', ['sternoclavicular joint']],
        ['groove', 'Groove', ['long head of biceps']],
      ),
    ],
    positive: 'A tender spot that is the familiar pain, a step or a changed contour.',
    negative: 'Both sides alike; no point brings the familiar pain.',
    rules: [{ when: 'Squared-off contour', speaksFor: 'dislocation: no testing, image' }],
    confounders: ['Tender points of healthy people'],
    doesNotProve: 'A diagnosis; findings are described.',
    worth: [memory('joint at the top of the shoulder', 0.96, 0.1, 'Walton 2004')],
    followUp: ['cross-body-adduction'],
    contraindications: ['Suspected fracture or dislocation'],
  },
  {
    task: 'Inspect both shoulders and palpate the bony line.',
    items: [
      prepare.asked(
        'screens',
        'Asks about a recent injury',
        flagged('A dislocated shoulder is imaged, not tested.'),
      ),
      prepare.asked('chaperone', 'Offers a chaperone'),
      position.done('bare', 'Bares both shoulders'),
      perform.graded('three-sides', 'Looks from front, side, back', ['One', 'Two', 'Three']),
      perform.done('order', 'Palpates the collarbone from inner to outer end'),
      perform.done('spine', 'Palpates the spine of the shoulder blade'),
      perform.done('light', 'Makes the first touch the lightest'),
      interpret.done('describes', 'Describes without diagnosing'),
      interpret.done('red-flag', 'Names one red flag'),
    ],
    faults: [
      ['Through clothing', 'bare'],
      ['Inner end left out', 'order'],
      ['Firm at once', 'light'],
      ['Names a diagnosis', 'describes'],
    ],
    cautions: ['A squared-off contour: stop and image.'],
    stopRule: 'Stop at a deformity, fever, or the word stop.',
    patient: { condition: 'ac-joint-pain', side: 'right' },
  },
);

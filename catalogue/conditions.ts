import type { Lesion } from '@kritikos/core/catalogue/lesion';
import type { Region } from './procedure.ts';

/** What a simulated patient has, told as a history; `{side}` becomes left or right. */
export interface Condition {
  readonly id: string;
  readonly name: string;
  readonly region: Region | 'any';
  readonly lesions: readonly Lesion[];
  readonly history: string;
  /** How this patient behaves whatever is tested, as the script says it. */
  readonly manners?: readonly string[];
}

const condition = (
  id: string,
  name: string,
  region: Condition['region'],
  history: string,
  ...lesions: [structure: string, state: Lesion['state'], degree: Lesion['degree']][]
): Condition => ({
  id,
  name,
  region,
  history,
  lesions: lesions.map(([structure, state, degree]) => ({ structure, state, degree })),
});

export const NOTHING_WRONG = condition(
  'nothing-wrong',
  'Nothing wrong',
  'any',
  'The {side} side ached for a few days last month and is well now.',
);

/** Conditions that a simulated patient can be given, of every region, and nothing at all. */
export const CONDITIONS: readonly Condition[] = [
  NOTHING_WRONG,
  condition(
    'acl-rupture',
    'Complete tear of the front cruciate ligament',
    'knee',
    'The {side} knee gave way on landing six weeks ago with a pop; it still buckles on turning.',
    ['anterior cruciate ligament', 'torn', 3],
  ),
  condition(
    'acl-partial',
    'Partial tear of the front cruciate ligament',
    'knee',
    'The {side} knee was twisted at football two months ago; it feels unsure on uneven ground.',
    ['anterior cruciate ligament', 'torn', 1],
  ),
  condition(
    'pcl-rupture',
    'Complete tear of the back cruciate ligament',
    'knee',
    'The {side} shin hit the dashboard three months ago; walking downhill feels loose.',
    ['posterior cruciate ligament', 'torn', 3],
  ),
  condition(
    'pcl-partial',
    'Partial tear of the back cruciate ligament',
    'knee',
    'A fall on the bent {side} knee two months ago; an ache at the back of it since.',
    ['posterior cruciate ligament', 'torn', 1],
  ),
  condition(
    'mcl-sprain',
    'First-degree sprain of the inner knee ligament',
    'knee',
    'A tackle from outside on the {side} knee ten days ago; sore on the inner side.',
    ['medial collateral ligament', 'sprained', 1],
  ),
  condition(
    'mcl-tear',
    'Second-degree tear of the inner knee ligament',
    'knee',
    'A tackle from outside on the {side} knee four weeks ago; it opens when stepping sideways.',
    ['medial collateral ligament', 'torn', 2],
  ),
  condition(
    'lcl-tear',
    'Second-degree tear of the outer knee ligament',
    'knee',
    'A blow to the inner side of the {side} knee five weeks ago; the outer side feels loose.',
    ['lateral collateral ligament', 'torn', 2],
  ),
  condition(
    'plc-injury',
    'Injury of the back and outer corner of the knee with the front cruciate',
    'knee',
    'The {side} knee was bent backwards at rugby three months ago; it snaps straight when walking.',
    ['posterolateral corner', 'torn', 3],
    ['anterior cruciate ligament', 'torn', 3],
  ),
  condition(
    'medial-meniscus-tear',
    'Tear of the back of the inner meniscus',
    'knee',
    'The {side} knee was twisted while crouching two months ago; it catches and once it locked.',
    ['medial meniscus', 'split', 2],
  ),
  condition(
    'lateral-meniscus-tear',
    'Tear of the outer meniscus',
    'knee',
    'The {side} knee was twisted at handball six weeks ago; a catch on the outer side.',
    ['lateral meniscus', 'split', 2],
  ),
  condition(
    'medial-meniscus-fray',
    'Small tear of the inner meniscus',
    'knee',
    'An ache at the inner side of the {side} knee after long kneeling, for three months.',
    ['medial meniscus', 'split', 1],
  ),
  condition(
    'knee-effusion-small',
    'Small effusion of the knee',
    'knee',
    'The {side} knee felt full after a long run last week.',
    ['knee joint', 'effused', 1],
  ),
  condition(
    'knee-effusion-large',
    'Large effusion of the knee',
    'knee',
    'The {side} knee swelled within a day of a twist five days ago.',
    ['knee joint', 'effused', 3],
  ),
  condition(
    'patellofemoral-pain',
    'Pain from behind the kneecap',
    'knee',
    'Pain at the front of the {side} knee on stairs and after sitting long, for half a year.',
    ['kneecap surfaces', 'irritated', 2],
  ),
  condition(
    'patellofemoral-wear',
    'Worn surfaces behind the kneecap',
    'knee',
    'The {side} knee grates and aches on stairs, for years.',
    ['kneecap surfaces', 'worn', 2],
  ),
  condition(
    'patellar-instability',
    'Kneecap that slips outwards',
    'knee',
    'The {side} kneecap jumped out twice last year and was pushed back.',
    ['kneecap restraints', 'unstable', 2],
  ),
  condition(
    'tight-outer-retinaculum',
    'Tight outer restraint of the kneecap',
    'knee',
    'Pressure at the outer side of the {side} kneecap when sitting long.',
    ['outer kneecap retinaculum', 'tight', 2],
  ),
  condition(
    'band-friction-knee',
    'Friction of the iliotibial band at the knee',
    'knee',
    'Pain at the outer side of the {side} knee after three kilometres of running.',
    ['iliotibial band at the knee', 'irritated', 2],
  ),
  condition(
    'patellar-tendinopathy',
    'Irritated tendon below the kneecap',
    'knee',
    'Pain just below the {side} kneecap on jumping, since the spring.',
    ['patellar tendon', 'irritated', 2],
  ),
  condition(
    'tuberosity-traction',
    'Irritated growth zone of the shin bump',
    'knee',
    'A sore bump below the {side} knee in a fast-growing thirteen-year-old footballer.',
    ['tibial tuberosity', 'irritated', 2],
    ['patellar tendon', 'irritated', 1],
  ),
  condition(
    'knee-arthritis',
    'Worn knee joint',
    'knee',
    'The {side} knee is stiff in the morning and aches after walking, for years.',
    ['medial meniscus', 'worn', 2],
    ['knee capsule', 'stiff', 2],
    ['kneecap surfaces', 'worn', 1],
  ),
  condition(
    'hip-irritation',
    'Irritated hip joint',
    'hip',
    'Groin pain on the {side} on sitting and twisting for three months.',
    ['hip joint', 'irritated', 2],
  ),
  condition(
    'hip-arthritis',
    'Worn and stiff hip joint',
    'hip',
    'The {side} hip is stiff on putting on socks, for two years.',
    ['hip joint', 'worn', 2],
    ['hip joint', 'stiff', 2],
  ),
  condition(
    'sacroiliac-pain',
    'Painful sacroiliac joint',
    'hip',
    'Pain over the back of the pelvis on the {side} since a fall on the buttock.',
    ['sacroiliac joint', 'irritated', 2],
  ),
  condition(
    'shoulder-instability',
    'Shoulder that slips forwards',
    'shoulder',
    'The {side} shoulder slipped twice last season.',
    ['inferior glenohumeral ligament', 'unstable', 2],
  ),
  condition(
    'ankle-atfl-tear',
    'Tear of the front outer ankle ligament',
    'ankle',
    'The {side} ankle turned in eight weeks ago and is still unsteady.',
    ['anterior talofibular ligament', 'torn', 3],
  ),
  condition(
    'hip-flexor-tightness',
    'Tight hip flexors',
    'hip',
    'The {side} hip feels tight at the front after a day at the desk.',
    ['hip flexors', 'tight', 2],
  ),
  condition(
    'rectus-tightness',
    'Tight straight muscle of the thigh',
    'hip',
    'The front of the {side} thigh pulls when the heel is drawn to the buttock.',
    ['rectus femoris', 'tight', 2],
  ),
  condition(
    'band-tightness-hip',
    'Tight band at the outer hip',
    'hip',
    'The outer side of the {side} thigh is tight and sore after long runs.',
    ['iliotibial band at the hip', 'tight', 2],
    ['iliotibial band at the hip', 'irritated', 1],
  ),
  condition(
    'hamstring-tightness',
    'Tight hamstrings',
    'hip',
    'The back of the {side} thigh pulls on bending forwards.',
    ['hamstrings', 'tight', 2],
  ),
  condition(
    'sciatic-irritation',
    'Irritated sciatic nerve',
    'hip',
    'Pain from the {side} buttock to below the knee for three weeks, worse on sitting.',
    ['sciatic nerve', 'compressed', 1],
  ),
  condition(
    'abductor-weakness',
    'Weak hip abductors',
    'hip',
    'The {side} hip tires on long walks since an operation last year.',
    ['hip abductors', 'ruptured', 2],
  ),
  condition(
    'adductor-strain',
    'Strained adductors',
    'hip',
    'A pull at the inner {side} thigh at football four weeks ago.',
    ['hip adductors', 'irritated', 2],
    ['hip adductors', 'tight', 1],
  ),
  condition(
    'gastrocnemius-tightness',
    'Tight outer calf muscle',
    'ankle',
    'The {side} heel comes up early on walking uphill.',
    ['gastrocnemius', 'tight', 2],
  ),
  condition(
    'stiff-ankle',
    'Stiff ankle joint',
    'ankle',
    'The {side} ankle is stiff since a fracture two years ago.',
    ['ankle joint', 'stiff', 2],
    ['subtalar joint', 'stiff', 2],
  ),
  condition(
    'stiff-big-toe',
    'Stiff big toe',
    'ankle',
    'The {side} big toe hurts on pushing off.',
    ['big toe joint', 'stiff', 2],
    ['big toe joint', 'irritated', 1],
  ),
  condition(
    'ac-joint-pain',
    'Irritated joint at the top of the shoulder',
    'shoulder',
    'The top of the {side} shoulder hurts on lying on it, since a fall from a bicycle.',
    ['acromioclavicular joint', 'irritated', 2],
  ),
  condition(
    'biceps-tendon',
    'Irritated long biceps tendon',
    'shoulder',
    'The front of the {side} shoulder hurts on lifting and carrying.',
    ['long head of biceps', 'irritated', 2],
  ),
  condition(
    'slap-tear',
    'Torn upper labrum',
    'shoulder',
    'The {side} shoulder catches on throwing since a fall on the arm.',
    ['superior labrum', 'split', 2],
  ),
  condition(
    'supraspinatus-tear',
    'Torn supraspinatus',
    'shoulder',
    'The {side} arm is weak on reaching up since a pull on it three months ago.',
    ['supraspinatus', 'ruptured', 2],
    ['subacromial space', 'irritated', 1],
  ),
  condition(
    'posterior-cuff-tear',
    'Torn back of the cuff',
    'shoulder',
    'The {side} hand cannot be brought behind the head since a fall.',
    ['infraspinatus', 'ruptured', 3],
    ['teres minor', 'ruptured', 2],
  ),
  condition(
    'subscapularis-tear',
    'Torn subscapularis',
    'shoulder',
    'The {side} hand is weak behind the back since the arm was torn outwards.',
    ['subscapularis', 'ruptured', 2],
  ),
  condition(
    'subacromial-pain',
    'Irritated tissue under the shoulder roof',
    'shoulder',
    'The outer side of the {side} shoulder hurts on reaching up, for half a year.',
    ['subacromial space', 'irritated', 2],
  ),
  condition(
    'frozen-shoulder',
    'Stiff shoulder capsule',
    'shoulder',
    'The {side} shoulder has grown stiffer for five months without any injury.',
    ['shoulder capsule', 'stiff', 3],
    ['posterior shoulder capsule', 'tight', 2],
  ),
  condition(
    'tight-posterior-capsule',
    'Tight back of the capsule',
    'shoulder',
    'The back of the {side} shoulder is tight in a tennis player.',
    ['posterior shoulder capsule', 'tight', 2],
  ),
  condition(
    'posterior-labrum-tear',
    'Torn lower back labrum',
    'shoulder',
    'The back of the {side} shoulder hurts on pushing since a tackle.',
    ['posteroinferior labrum', 'split', 2],
  ),
  condition(
    'stiff-girdle',
    'Stiff shoulder girdle',
    'shoulder',
    'The {side} shoulder blade feels stuck on reaching up.',
    ['scapulothoracic gliding', 'stiff', 2],
    ['sternoclavicular joint', 'stiff', 1],
  ),
  condition(
    'stiff-neck-base',
    'Stiff base of the neck',
    'shoulder',
    'The base of the neck is stiff on the {side} on reaching up.',
    ['cervicothoracic junction', 'stiff', 2],
  ),
  condition(
    'inner-elbow-ligament-tear',
    'Torn inner ligament of the elbow',
    'elbow',
    'The inner side of the {side} elbow opened with a pop on a hard throw two months ago; throwing is weak since.',
    ['ulnar collateral ligament', 'torn', 2],
  ),
  condition(
    'outer-elbow-instability',
    'Outer side of the elbow unstable',
    'elbow',
    'The {side} elbow was dislocated last year; it clunks on pushing up from a chair.',
    ['radial collateral ligament', 'torn', 1],
    ['lateral ulnar collateral ligament', 'unstable', 2],
  ),
  condition(
    'lateral-elbow-tendinopathy',
    'Worn tendon at the outer elbow',
    'elbow',
    'The outer side of the {side} elbow hurts on lifting a kettle, for four months.',
    ['common extensor origin', 'irritated', 2],
  ),
  condition(
    'medial-elbow-tendinopathy',
    'Worn tendon at the inner elbow',
    'elbow',
    'The inner side of the {side} elbow hurts on wringing a cloth, for four months.',
    ['common flexor origin', 'irritated', 2],
  ),
  condition(
    'radial-tunnel-pain',
    'Radial tunnel pain',
    'elbow',
    'The outer {side} forearm aches below the elbow after a day with a screwdriver.',
    ['radial nerve at the supinator', 'irritated', 2],
  ),
  condition(
    'cubital-tunnel',
    'Ulnar nerve pressed at the elbow',
    'elbow',
    'The little finger of the {side} hand tingles at night; keys slip.',
    ['ulnar nerve at the elbow', 'compressed', 2],
  ),
  condition(
    'slipping-ulnar-nerve',
    'Ulnar nerve that slips',
    'elbow',
    'Something snaps over the inner side of the {side} elbow on bending; the little finger tingles.',
    ['ulnar nerve at the elbow', 'unstable', 1],
  ),
  condition(
    'pronator-syndrome',
    'Median nerve pressed in the upper forearm',
    'elbow',
    'The front of the {side} forearm aches with tingling of the thumb side of the palm.',
    ['median nerve in the forearm', 'compressed', 1],
  ),
  condition(
    'ain-palsy',
    'Weak anterior interosseous nerve',
    'elbow',
    'The tips of thumb and index finger of the {side} hand do not bend; the skin feels normal.',
    ['anterior interosseous nerve', 'compressed', 3],
  ),
  condition(
    'stiff-elbow',
    'Stiff elbow and forearm',
    'elbow',
    'The {side} elbow has been stiff since a plaster cast in spring.',
    ['elbow joint', 'stiff', 2],
    ['radio-ulnar joints', 'stiff', 1],
  ),
  condition(
    'swollen-elbow',
    'Fluid in the elbow',
    'elbow',
    'The {side} elbow has been full and tight for three weeks without a fever.',
    ['elbow joint', 'effused', 2],
  ),
  condition(
    'loose-elbow',
    'Overstretched front of the elbow',
    'elbow',
    'The {side} elbow was bent backwards in a fall; it goes further than the other.',
    ['front of the elbow capsule', 'torn', 1],
  ),
  condition(
    'triceps-tear',
    'Torn elbow extensor',
    'elbow',
    'The back of the {side} elbow gave way on a push-up; pushing is weak.',
    ['elbow extensors', 'ruptured', 2],
  ),
  condition(
    'elbow-flexor-weakness',
    'Weak elbow flexors',
    'elbow',
    'Bending the {side} elbow has been weak and painless for a month.',
    ['elbow flexors', 'ruptured', 2],
  ),
  condition(
    'de-quervain',
    'Narrowed thumb tendon sheath',
    'wrist',
    'The thumb side of the {side} wrist hurts on lifting a child, for three months.',
    ['first dorsal compartment', 'irritated', 2],
    ['sheath of the short thumb extensor', 'irritated', 1],
  ),
  condition(
    'thumb-base-arthritis',
    'Worn thumb base',
    'wrist',
    'The base of the {side} thumb aches on opening jars.',
    ['thumb base joint', 'worn', 2],
  ),
  condition(
    'two-outer-ligaments',
    'Two outer ankle ligaments torn',
    'ankle',
    'The {side} ankle turned in badly ten weeks ago and turns in again on gravel.',
    ['anterior talofibular ligament', 'torn', 3],
    ['calcaneofibular ligament', 'torn', 2],
  ),
  condition(
    'all-outer-ligaments',
    'All outer ankle ligaments torn',
    'ankle',
    'The {side} ankle was dislocated half a year ago; it gives way daily.',
    ['anterior talofibular ligament', 'torn', 3],
    ['calcaneofibular ligament', 'torn', 3],
    ['posterior talofibular ligament', 'torn', 2],
  ),
  condition(
    'deltoid-sprain',
    'Sprained inner ankle ligament',
    'ankle',
    'The {side} foot was twisted outwards; the inner ankle hurts.',
    ['deltoid ligament', 'torn', 1],
  ),
  condition(
    'high-ankle-sprain',
    'High ankle sprain',
    'ankle',
    'The {side} foot was forced outwards in a tackle; it hurts above the ankle, hopping is impossible.',
    ['syndesmosis', 'sprained', 2],
  ),
  condition(
    'achilles-rupture',
    'Ruptured Achilles tendon',
    'ankle',
    'A kick was felt behind the {side} heel five days ago; pushing off fails.',
    ['Achilles tendon', 'ruptured', 3],
  ),
  condition(
    'midfoot-sprain',
    'Sprained midfoot',
    'ankle',
    'The top of the {side} midfoot hurts since a stirrup twist; films were clear.',
    ['midfoot joints', 'sprained', 2],
  ),
  condition(
    'early-lateral-tendinopathy',
    'Outer elbow tendon sore on pressure and stretch, not yet on load',
    'elbow',
    'The outer side of the {side} elbow pulls on lifting with a straight arm, for six weeks.',
    ['common extensor origin', 'sprained', 1],
  ),
  condition(
    'irritated-forearm-joints',
    'Irritated joints between the forearm bones',
    'elbow',
    'The {side} forearm hurts on turning a key either way.',
    ['radio-ulnar joints', 'irritated', 2],
  ),
  condition(
    'wide-quadriceps-angle',
    'Kneecap pulled outwards by a wide angle',
    'knee',
    'The {side} kneecap has always pointed a little inwards; it aches after long walks.',
    ['pull of the quadriceps', 'misaligned', 2],
  ),
  condition(
    'low-back-joint-pain',
    'Irritated joint of the low back',
    'hip',
    'The low back has hurt on the {side} on bending backwards since lifting a box.',
    ['lumbar spine', 'irritated', 2],
  ),
  condition(
    'fresh-outer-ligament-tear',
    'Front outer ankle ligament torn a week ago',
    'ankle',
    'The {side} ankle turned in a week ago; it is swollen in front of the outer bone.',
    ['anterior talofibular ligament', 'torn', 3],
    ['anterior talofibular ligament', 'sprained', 2],
  ),
  condition(
    'crossing-tendons-irritated',
    'Irritated crossing of the thumb tendons',
    'wrist',
    'The back of the {side} forearm creaks and hurts above the wrist since a week of rowing.',
    ['second dorsal compartment', 'irritated', 2],
  ),
  condition(
    'carpal-tunnel-late',
    'Median nerve pressed at the wrist for long',
    'wrist',
    'The thumb side of the {side} hand has been numb at night for years; buttons are hard.',
    ['median nerve at the wrist', 'compressed', 3],
  ),
  condition(
    'pcl-corner-tear',
    'Back cruciate and outer corner of the knee torn',
    'knee',
    'The {side} knee was struck from in front and inside at skiing four months ago; it gives way backwards on stairs.',
    ['posterior cruciate ligament', 'torn', 3],
    ['posterolateral corner', 'torn', 2],
  ),
  condition(
    'knee-capsule-sprain',
    'Sprained capsule of the knee',
    'knee',
    'The {side} knee was pulled and turned in a fall from a horse three weeks ago; it aches all round on turning over in bed.',
    ['knee capsule', 'sprained', 2],
  ),
  condition(
    'sc-joint-pain',
    'Irritated inner joint of the collarbone',
    'shoulder',
    'The inner end of the {side} collarbone has been sore since somebody fell on the shoulder at judo.',
    ['sternoclavicular joint', 'irritated', 2],
  ),
  condition(
    'outer-elbow-joint-wear',
    'Worn joint at the outer elbow',
    'elbow',
    'The outer side of the {side} elbow grates and aches on turning the palm, for years of laying bricks.',
    ['elbow joint', 'worn', 2],
    ['radio-ulnar joints', 'stiff', 1],
  ),
  condition(
    'stiff-heel-joint',
    'Stiff joint below the ankle',
    'ankle',
    'The {side} heel has hardly tilted since a fall from a ladder last year; slopes are awkward.',
    ['subtalar joint', 'stiff', 2],
  ),
  condition(
    'de-quervain-one-sheath',
    'Thumb tendons sore in one shared sheath',
    'wrist',
    'The thumb side of the {side} wrist hurts with every move of the thumb since weeks of pruning.',
    ['first dorsal compartment', 'irritated', 2],
    ['shared thumb tendon sheath', 'irritated', 2],
  ),
  condition(
    'soleus-tightness',
    'Tight deep calf muscle',
    'ankle',
    'The {side} heel comes up early in a squat, and the deep calf pulls.',
    ['soleus', 'tight', 2],
  ),
];

/** What a procedure needs to be known of to say whom it tells something about. */
type Examining = Readonly<{
  region: string;
  loads: readonly { structure: string }[];
  misleads: readonly { lesion: { structure: string } }[];
  voids: readonly { structure: string }[];
  refrains?: readonly { structure: string }[];
}>;

/**
 * The patients that a procedure can be set with: those who show something under it (or in whom it
 * cannot be done), then a sound one and those of its region who look alike and show nothing.
 */
export function conditionsFor({ region, loads, misleads, voids, refrains = [] }: Examining): {
  readonly telling: readonly Condition[];
  readonly silent: readonly Condition[];
} {
  const touched = new Set([
    ...loads.map(({ structure }) => structure),
    ...misleads.map(({ lesion }) => lesion.structure),
    ...voids.map(({ structure }) => structure),
    ...refrains.map(({ structure }) => structure),
  ]);
  const tells = ({ lesions }: Condition) => lesions.some(({ structure }) => touched.has(structure));
  return {
    telling: CONDITIONS.filter(tells),
    silent: CONDITIONS.filter(
      (own) => !tells(own) && (own.region === 'any' || region === 'any' || own.region === region),
    ),
  };
}

/** The condition to another degree than its own, every lesion of it alike. */
export function conditionAt(condition: Condition, degree: Lesion['degree']): Condition {
  return { ...condition, lesions: condition.lesions.map((lesion) => ({ ...lesion, degree })) };
}

export function conditionById(id: string): Condition {
  const found = CONDITIONS.find((condition) => condition.id === id);
  if (!found) throw new RangeError(`There is no condition ${id}.`);
  return found;
}

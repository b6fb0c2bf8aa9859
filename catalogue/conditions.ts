import type { Lesion } from '@kritikos/core/catalogue/response';
import type { Region } from './procedure.ts';

/** What a simulated patient has, told as a history; `{side}` becomes left or right. */
export interface Condition {
  readonly id: string;
  readonly name: string;
  readonly region: Region | 'any';
  readonly lesions: readonly Lesion[];
  readonly history: string;
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
];

export function conditionById(id: string): Condition {
  const found = CONDITIONS.find((condition) => condition.id === id);
  if (!found) throw new RangeError(`There is no condition ${id}.`);
  return found;
}

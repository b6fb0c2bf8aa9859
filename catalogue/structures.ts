/** Where a structure hurts, as a person points to it or an examiner names the place. */
const SITES: Readonly<Record<string, string>> = {
  'anterior cruciate ligament': 'deep in the knee',
  'posterior cruciate ligament': 'back of the knee',
  'medial collateral ligament': 'inner side of the knee',
  'lateral collateral ligament': 'outer side of the knee',
  'posterolateral corner': 'back and outer side of the knee',
  'medial meniscus': 'inner joint line',
  'lateral meniscus': 'outer joint line',
  'knee capsule': 'around the knee',
  'knee joint': 'above and beside the kneecap',
  'kneecap surfaces': 'behind the kneecap',
  'kneecap restraints': 'inner border of the kneecap',
  'outer kneecap retinaculum': 'outer border of the kneecap',
  'patellar tendon': 'just below the kneecap',
  'quadriceps tendon': 'just above the kneecap',
  'tibial tuberosity': 'bump of the shin',
  'iliotibial band at the knee': 'outer side of the knee above the joint line',
  'hip joint': 'groin',
  'sacroiliac joint': 'over the back of the pelvis',
  'ankle joint': 'front of the ankle',
  'outer ankle ligaments': 'below the outer ankle',
  'anterior talofibular ligament': 'in front of the outer ankle',
  'calf muscle': 'back of the calf',
  'inferior glenohumeral ligament': 'front of the shoulder',
};

export const STRUCTURES = Object.keys(SITES);

export function siteOf(structure: string): string {
  return SITES[structure] ?? structure;
}

/** Everybody here, the school and its town are made up. */
export const SCHOOL = 'Orrinmouth College of Physiotherapy';
export const DEMO_PASSWORD = 'couch-and-goniometer';

export const LEAD = { email: 'lead@orrinmouth.example', name: 'Ines Okafor-Lindqvist' };

export const EXAMINERS = [
  { email: 'examiner1@orrinmouth.example', name: 'Tomasz Adeyemi' },
  { email: 'examiner2@orrinmouth.example', name: 'Leilani Brandvold' },
  { email: 'examiner3@orrinmouth.example', name: 'Rosa Castellanos' },
  { email: 'examiner4@orrinmouth.example', name: 'Bilal Henriksen' },
  { email: 'examiner5@orrinmouth.example', name: 'Greta Mukherjee' },
  { email: 'examiner6@orrinmouth.example', name: 'Osei Fontaine' },
] as const;

export const CANDIDATE_NAMES = [
  'Amara Whitlock',
  'Joon-ho Barros',
  'Freya Nakagawa',
  'Mateus Oyelaran',
  'Siobhan Petrov',
  'Idris Lundgren',
  'Camille Abara',
  'Viktor Salinas',
  'Noor Haverkamp',
  'Declan Yamane',
  'Zuri Kowalczyk',
  'Hamish Dlamini',
  'Yara Lindholm',
  'Emeka Thornbury',
  'Lucía Vestergaard',
  'Ravi Obuya',
  'Astrid Mbeki-Ross',
  'Farid Pellegrini',
  'Nia Strandberg',
  'Kaito Ferreira',
  'Maren Achterberg',
  'Tariq Solberg',
  'Elodie Nwosu',
  'Callum Ishikawa',
];

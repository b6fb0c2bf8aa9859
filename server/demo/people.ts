/** Everybody here, the school and its town are made up. */
export const SCHOOL = 'Orrinmouth College of Physiotherapy';
export const DEMO_PASSWORD = 'couch-and-goniometer';

export const LEAD = { email: 'lead@orrinmouth.example', name: 'Ines Okafor-Lindqvist' };

export const CIRCUITS = ['Green', 'White'] as const;

export const EXAMINERS = [
  { email: 'examiner1@orrinmouth.example', name: 'Tomasz Adeyemi' },
  { email: 'examiner2@orrinmouth.example', name: 'Leilani Brandvold' },
  { email: 'examiner3@orrinmouth.example', name: 'Rosa Castellanos' },
  { email: 'examiner4@orrinmouth.example', name: 'Bilal Henriksen' },
  { email: 'examiner5@orrinmouth.example', name: 'Greta Mukherjee' },
  { email: 'examiner6@orrinmouth.example', name: 'Osei Fontaine' },
  { email: 'examiner7@orrinmouth.example', name: 'Ngaio Feldmann' },
  { email: 'examiner8@orrinmouth.example', name: 'Stellan Achebe' },
  { email: 'examiner9@orrinmouth.example', name: 'Pilar Rautio' },
  { email: 'examiner10@orrinmouth.example', name: 'Dafydd Sandoval' },
  { email: 'examiner11@orrinmouth.example', name: 'Wanjiru Eklund' },
  { email: 'examiner12@orrinmouth.example', name: 'Marek Tavares' },
  { email: 'examiner13@orrinmouth.example', name: 'Solveig Nakamura' },
  { email: 'examiner14@orrinmouth.example', name: 'Anselm Okonjo' },
  { email: 'examiner15@orrinmouth.example', name: 'Bronagh Vidal' },
  { email: 'examiner16@orrinmouth.example', name: 'Teodor Ansah' },
  { email: 'examiner17@orrinmouth.example', name: 'Hinemoa Krause' },
  { email: 'examiner18@orrinmouth.example', name: 'Lorcan Mwangi' },
  { email: 'examiner19@orrinmouth.example', name: 'Ottilie Barzani' },
  { email: 'examiner20@orrinmouth.example', name: 'Jarrah Pettersen' },
] as const;

/** The places in the list of those who stand at stations 1 to 8 of a circuit. */
const FIRST = { Green: [0, 1, 2, 3, 6, 7, 8, 9], White: [10, 11, 12, 13, 14, 15, 16, 17] } as const;
/** Second examiners walk between two stations and mark every third candidate of both circuits. */
const SECOND = [4, 5, 18, 19] as const;

/** Who marks at a station: one first examiner a circuit, and a second one for every third. */
export function examinersAt(
  position: number,
): readonly { email: string; every: number; circuit: string | null }[] {
  const email = (place: number | undefined) => EXAMINERS[place ?? -1]?.email ?? '';
  const firsts = CIRCUITS.map((circuit) => ({
    email: email(FIRST[circuit][position - 1]),
    every: 1,
    circuit,
  }));
  const second = email(SECOND[Math.ceil(position / 2) - 1]);
  return [...firsts, { email: second, every: 3, circuit: null }];
}

const GIVEN = [
  'Amara',
  'Joon-ho',
  'Freya',
  'Mateus',
  'Siobhan',
  'Idris',
  'Camille',
  'Viktor',
  'Noor',
  'Declan',
  'Zuri',
  'Hamish',
  'Yara',
  'Emeka',
  'Lucía',
  'Ravi',
  'Astrid',
  'Farid',
  'Nia',
  'Kaito',
  'Maren',
  'Tariq',
  'Elodie',
  'Callum',
  'Saoirse',
];
const FAMILY = [
  'Whitlock',
  'Barros',
  'Nakagawa',
  'Oyelaran',
  'Petrov',
  'Lundgren',
  'Abara',
  'Salinas',
  'Haverkamp',
  'Yamane',
  'Kowalczyk',
  'Dlamini',
  'Lindholm',
  'Thornbury',
  'Vestergaard',
  'Obuya',
  'Mbeki-Ross',
  'Pellegrini',
  'Strandberg',
  'Ferreira',
  'Achterberg',
  'Solberg',
  'Nwosu',
  'Ishikawa',
  'Quispe',
];

/** A name for the student at this place (from 0); the first 625 differ, then a number tells them apart. */
export function studentName(place: number): string {
  const turn = Math.floor(place / GIVEN.length);
  const given = GIVEN[place % GIVEN.length] ?? '';
  const family = FAMILY[(place + 3 * turn) % FAMILY.length] ?? '';
  const again = Math.floor(place / (GIVEN.length * FAMILY.length));
  return again === 0 ? `${given} ${family}` : `${given} ${family} ${again + 1}`;
}

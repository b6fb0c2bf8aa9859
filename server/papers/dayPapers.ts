import { needsOf } from '@kritikos/core/examinations/needs';
import type { Need } from '@kritikos/core/examinations/needs';
import type { Content } from 'pdfmake/interfaces';
import { wallClock } from '@kritikos/core/timetable/wallClock';
import { dayWords, ledger, onePageEach } from './paper.ts';
import type { Paper } from './paper.ts';
import type { Printed, PrintedPlan, PrintedSlot, PrintedStation } from './printed.ts';

/** What must stand ready in each room, and for the whole house where no rooms are said. */
export function equipmentLists({ stations }: Printed): Paper {
  const rooms = new Map<string, { station: PrintedStation; where: string }[]>();
  for (const station of stations) {
    const places = station.places.length > 0 ? station.places : [{ circuit: '', place: '' }];
    for (const { circuit, place } of places) {
      const [room = '', couch = ''] = place.split(/, (?=couch \d+$)/);
      const where = [circuit === '' ? '' : `circuit ${circuit}`, couch].filter(Boolean).join(', ');
      rooms.set(room, [...(rooms.get(room) ?? []), { station, where }]);
    }
  }
  return {
    name: 'Equipment',
    content: onePageEach(
      [...rooms]
        .sort(([a], [b]) => a.localeCompare(b))
        .map(([room, own]) => [
          { text: room === '' ? 'All stations' : room, style: 'title' },
          { text: 'Count together', style: 'heading' },
          ledger(
            ['Thing', 'Pieces', 'There'],
            piecesFor(own.map(({ station }) => station)).map(({ what, count }) => [
              what,
              String(count),
              '☐',
            ]),
            ['*', 60, 40],
          ),
          { text: 'Station by station', style: 'heading' },
          ledger(
            ['Station', 'Where', 'Needs'],
            own.map(({ station, where }) => [
              `${station.position} ${station.title}`,
              where,
              station.equipment.join(', '),
            ]),
            ['*', 110, '*'],
          ),
        ]),
    ),
  };
}

/** A station that stands in a room twice needs its things twice. */
function piecesFor(stations: readonly PrintedStation[]): readonly Need[] {
  const needy = stations.map(({ title, equipment }) => ({ title, equipment, patient: '' }));
  return needsOf(needy, 1).equipment;
}

/** To be hung up: where each station stands, and where candidates wait. */
export function signs({ stations, plan }: Printed): Paper {
  const posts = stations.flatMap((station) =>
    station.places.length > 0
      ? station.places.map((at) => ({ station, ...at }))
      : [{ station, circuit: '', place: '' }],
  );
  const sign = (large: string, title: string, below: string): Content[] => [
    {
      text: large,
      font: 'Serif',
      bold: true,
      fontSize: large.length <= 3 ? 230 : 90,
      alignment: 'center',
      margin: [0, large.length <= 3 ? 0 : 60, 0, 0],
      lineHeight: 0.95,
    },
    {
      text: title,
      font: 'Serif',
      fontSize: title.length <= 60 ? 34 : 22,
      alignment: 'center',
      margin: [0, 8, 0, 12],
    },
    { text: below, fontSize: 20, alignment: 'center' },
  ];
  return {
    name: 'Signs',
    landscape: true,
    content: onePageEach([
      ...posts.map(({ station, circuit, place }) =>
        sign(
          String(station.position),
          station.title,
          [circuit === '' ? '' : `Circuit ${circuit}`, place].filter(Boolean).join(' · '),
        ),
      ),
      ...(plan && plan.quarantineMinutes > 0
        ? [
            sign(
              'Gathering',
              'Candidates of the next session wait here',
              'Nobody leaves before they are called.',
            ),
          ]
        : []),
      sign('Quiet', 'Examination in progress', 'Telephones off. Speak only at the couch.'),
      sign('Rest', 'Candidates at rest', 'Wait here for the bell; nobody speaks of the stations.'),
    ]),
  };
}

/** A card for each candidate, by number alone, with where to be and when. */
export function routeCards({ candidates, stations, plan, examination }: Printed): Paper | null {
  if (!plan) return null;
  const clock = wallClock(examination.zone);
  const titles = new Map(stations.map(({ id, position, title }) => [id, `${position} ${title}`]));
  const routes = routesOf(plan);
  return {
    name: 'Route card',
    content: candidates.flatMap(({ number, extraTime }): Content[] => {
      const own = routes.get(number) ?? [];
      const [first] = own;
      if (!first) return [];
      return [
        {
          unbreakable: true,
          margin: [0, 0, 0, 26],
          table: {
            widths: ['*'],
            body: [
              [
                {
                  margin: [8, 6, 8, 6],
                  stack: [
                    {
                      columns: [
                        {
                          text: `Candidate ${number}`,
                          font: 'Serif',
                          bold: true,
                          fontSize: 20,
                          width: '*',
                        },
                        {
                          text: `${clock.dateOf(first.start)}, circuit ${first.circuit}`,
                          width: 'auto',
                          margin: [0, 8, 0, 0],
                        },
                      ],
                    },
                    `Be there at ${clock.at(first.start - plan.readingMinutes - plan.quarantineMinutes)}${plan.quarantineMinutes > 0 ? ', in the gathering room' : ''}.${extraTime > 0 ? ` You have ${extraTime} % more time at each station.` : ''}`,
                    ledger(
                      ['From', 'Until', 'Station', 'Where'],
                      own.map((slot) => [
                        clock.at(slot.start),
                        clock.at(slot.end),
                        slot.station === null ? 'Rest' : (titles.get(slot.station) ?? ''),
                        slot.place,
                      ]),
                      [40, 40, '*', '*'],
                    ),
                  ],
                },
              ],
            ],
          },
          layout: { hLineWidth: () => 0.75, vLineWidth: () => 0.75 },
        },
      ];
    }),
  };
}

/** The way of each candidate through the day, in order. */
export function routesOf({ slots }: PrintedPlan): Map<number, PrintedSlot[]> {
  const routes = new Map<number, PrintedSlot[]>();
  for (const slot of slots)
    routes.set(slot.candidate, [...(routes.get(slot.candidate) ?? []), slot]);
  for (const own of routes.values()) own.sort((a, b) => a.start - b.start);
  return routes;
}

/** For the office alone: who has which number, and when they come. */
export function register({ candidates, plan, examination }: Printed): Paper {
  const clock = wallClock(examination.zone);
  const routes = plan ? routesOf(plan) : new Map<number, PrintedSlot[]>();
  return {
    name: 'Register',
    content: [
      { text: 'Register', style: 'title' },
      {
        text: `For the office: it says whose number is whose. ${examination.school}, ${dayWords(examination.heldOn)}.`,
        margin: [0, 2, 0, 6],
      },
      ledger(
        ['Number', 'Student', 'Name', 'Circuit', 'First station at', 'Adjustment', 'Here'],
        candidates.map(({ number, studentNumber, name, extraTime }) => {
          const [first] = routes.get(number) ?? [];
          return [
            String(number),
            studentNumber,
            name,
            first?.circuit ?? '',
            first ? `${clock.at(first.start)}, ${clock.dateOf(first.start)}` : '',
            extraTime > 0 ? `${extraTime} % more time` : '',
            '☐',
          ];
        }),
        [44, 64, '*', 46, 118, 80, 30],
      ),
    ],
  };
}

import { stringify } from 'csv-stringify/sync';
import Excel from 'exceljs';
import { wallClock } from './clock.ts';
import type { Printed } from './printed.ts';

/** A table of the examination, for whatever program reads tables. */
interface Table {
  readonly name: string;
  readonly head: readonly string[];
  readonly rows: readonly (readonly (string | number)[])[];
}

export function tablesOf({ stations, candidates, plan, examination, sheets }: Printed): Table[] {
  const clock = wallClock(examination.zone);
  const station = new Map(stations.map((own) => [own.id, own]));
  const when = (minute: number) => `${clock.dateOf(minute)} ${clock.at(minute)}`;
  return [
    {
      name: 'Stations',
      head: ['station', 'title', 'minutes', 'region', 'equipment', 'places'],
      rows: stations.map((own) => [
        own.position,
        own.title,
        own.minutes,
        own.region,
        own.equipment.join(', '),
        own.places.map(({ circuit, place }) => `${circuit}: ${place}`).join('; '),
      ]),
    },
    {
      name: 'Candidates',
      head: ['number', 'name', 'extra time, percent'],
      rows: candidates.map(({ number, name, extraTime }) => [number, name, extraTime]),
    },
    {
      name: 'Timetable',
      head: [
        'start',
        'end',
        'circuit',
        'station',
        'title',
        'place',
        'candidate',
        'examiner',
        'second examiner',
        'simulated patient',
      ],
      rows: (plan?.slots ?? []).map((slot) => {
        const own = station.get(slot.station ?? '');
        return [
          when(slot.start),
          when(slot.end),
          slot.circuit,
          own?.position ?? 'rest',
          own?.title ?? '',
          slot.place,
          slot.candidate,
          slot.examiner ?? '',
          slot.second ?? '',
          slot.patient ?? '',
        ];
      }),
    },
    {
      name: 'Sheets',
      head: ['sheet', 'station', 'candidate', 'examiner'],
      rows: sheets.map((sheet) => [
        sheet.id,
        station.get(sheet.station)?.position ?? '',
        sheet.candidate,
        sheet.examiner,
      ]),
    },
  ];
}

/** UTF-8 with byte-order mark; what a spreadsheet would take for a formula is escaped. */
export function asCsv({ head, rows }: Table): string {
  return stringify([[...head], ...rows.map((row) => [...row])], {
    bom: true,
    escape_formulas: true,
  });
}

export async function asWorkbook(tables: readonly Table[]): Promise<Buffer> {
  const workbook = new Excel.Workbook();
  for (const { name, head, rows } of tables) {
    const sheet = workbook.addWorksheet(name, { views: [{ state: 'frozen', ySplit: 1 }] });
    sheet.columns = head.map((header, i) => ({
      header,
      width: Math.min(
        60,
        Math.max(header.length, ...rows.slice(0, 200).map((row) => String(row[i] ?? '').length)) +
          2,
      ),
    }));
    sheet.getRow(1).font = { bold: true };
    sheet.addRows(rows.map((row) => [...row]));
  }
  return Buffer.from(await workbook.xlsx.writeBuffer());
}

import { stringify } from 'csv-stringify/sync';
import Excel from 'exceljs';
import { wallClock } from '@kritikos/core/timetable/wallClock';
import type { Printed } from './printed.ts';

/** A table of the examination, for whatever program reads tables. */
interface Table {
  readonly name: string;
  readonly head: readonly string[];
  readonly rows: readonly (readonly (string | number | OnTheWall)[])[];
}

/** A time as clocks there show it, such as 2031-05-21 08:32. */
interface OnTheWall {
  readonly at: string;
}

export function tablesOf({ stations, candidates, plan, examination, sheets }: Printed): Table[] {
  const clock = wallClock(examination.zone);
  const station = new Map(stations.map((own) => [own.id, own]));
  const when = (minute: number): OnTheWall => ({ at: clock.sortable(minute) });
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
  const text = rows.map((row) => row.map((cell) => (typeof cell === 'object' ? cell.at : cell)));
  return stringify([[...head], ...text], {
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
        Math.max(header.length, ...rows.slice(0, 200).map((row) => lengthOf(row[i]))) + 2,
      ),
    }));
    sheet.getRow(1).font = { bold: true };
    for (const row of rows) {
      const added = sheet.addRow(
        row.map((cell) => (typeof cell === 'object' ? asCellDate(cell) : cell)),
      );
      row.forEach((cell, i) => {
        if (typeof cell === 'object') added.getCell(i + 1).numFmt = 'yyyy-mm-dd hh:mm';
      });
    }
  }
  return Buffer.from(await workbook.xlsx.writeBuffer());
}

/** A cell of a workbook has a date and no zone; the library takes it for one of UTC. */
function asCellDate({ at }: OnTheWall): Date {
  return new Date(`${at.replace(' ', 'T')}:00Z`);
}

function lengthOf(cell: string | number | OnTheWall | undefined): number {
  return typeof cell === 'object' ? cell.at.length : String(cell ?? '').length;
}

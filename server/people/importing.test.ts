import type { Job } from '@kritikos/contracts/jobs';
import type { Cohort } from '@kritikos/contracts/people';
import type { StudentImport, Upload } from '@kritikos/contracts/studentImport';
import Excel from 'exceljs';
import Xlsx from 'xlsx';
import { beforeAll, describe, expect, it } from 'vitest';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';
import { readTable } from './readTable.ts';
import { guessMapping } from './studentFile.ts';

const server = await startServer('demo');
let lead: Caller;
let cohort: Cohort;
beforeAll(async () => {
  lead = await server.lead();
  cohort = (await lead.call('POST', '/cohorts', { name: 'Lists', year: 2040 }).expect(200)).body;
});

/** Workbooks are written by SheetJS, another library than the one that reads them. */
function workbook(rows: unknown[][], change: (sheet: Xlsx.WorkSheet) => void = () => {}): Buffer {
  const sheet = Xlsx.utils.aoa_to_sheet(rows, { cellDates: true });
  change(sheet);
  const book = Xlsx.utils.book_new();
  Xlsx.utils.book_append_sheet(book, sheet, 'List');
  return written(book);
}
const written = (book: Xlsx.WorkBook): Buffer =>
  Xlsx.write(book, { type: 'buffer', bookType: 'xlsx', compression: true }) as Buffer;

const bring = (content: Buffer | string, into = cohort.id) =>
  lead.csv(`/cohorts/${into}/uploads?name=list`, content);

async function ended({ body }: { body: Job }): Promise<Job> {
  for (let i = 0; i < 200; i++) {
    const job: Job = (await lead.call('GET', `/jobs/${body.id}`).expect(200)).body;
    if (!['waiting', 'running'].includes(job.state)) return job;
    await new Promise((resolve) => setTimeout(resolve, 60));
  }
  throw new Error('The job does not end.');
}

async function run(
  what: 'preview' | 'import',
  { id, mapping }: Upload,
  into = cohort.id,
): Promise<StudentImport> {
  const path = `/cohorts/${into}/uploads/${id}/${what}`;
  const job = await ended(await lead.call('POST', path, { mapping }).expect(200));
  expect(job.problem).toBeNull();
  return job.result as StudentImport;
}

const upload = async (content: Buffer | string, into = cohort.id): Promise<Upload> =>
  (await bring(content, into).expect(200)).body;
const students = async (into = cohort.id) =>
  (await lead.call('GET', `/cohorts/${into}/students?limit=200`)).body.students;

describe('a list of students', () => {
  it('waits to be taken with four others of its account; the oldest goes', async () => {
    const ids: string[] = [];
    for (let i = 0; i < 7; i++) ids.push((await upload(`number,name\n${i},Somebody\n`)).id);
    const owner = { owner_id: lead.account?.id };
    expect((await server.db('upload').where(owner).pluck('id')).sort()).toEqual(
      ids.slice(2).sort(),
    );
    await server.db('upload').where(owner).delete();
  });

  it('comes from CSV: looked at first, then taken, and nothing is a student before', async () => {
    const list = await upload(
      'Student no;First name;Surname;Extra time\nL-1;Ana;Só;25 %\nL-2;Bo;Ek;',
    );
    expect(list).toMatchObject({
      columns: ['Student no', 'First name', 'Surname', 'Extra time'],
      sample: [
        ['L-1', 'Ana', 'Só', '25 %'],
        ['L-2', 'Bo', 'Ek', ''],
      ],
      mapping: { number: 0, name: [1, 2], extraTime: 3, seatedBreaks: null },
      remembered: false,
    });
    const look = await run('preview', list);
    expect(look).toMatchObject({ rows: 2, added: 2, changed: 0, errorCount: 0, taken: false });
    expect(await students()).toEqual([]);
    expect(await run('import', list)).toMatchObject({ added: 2, taken: true });
    expect(await students()).toMatchObject([
      { number: 'L-1', name: 'Ana Só', extraTime: 25 },
      { number: 'L-2', name: 'Bo Ek', extraTime: 0 },
    ]);
  });

  it('that comes a second time updates by number, says so before, and knows its columns again', async () => {
    const list = await upload(
      'Student no;First name;Surname;Extra time\nL-1;Ana;Sá;0\nL-2;Bo;Ek;\nL-3;Cy;Dee;',
    );
    expect(list.remembered).toBe(true);
    const look = await run('preview', list);
    expect(look).toMatchObject({ added: 1, changed: 1, same: 1 });
    expect(look.changes).toEqual([
      { number: 'L-1', name: 'Ana Sá', what: ['name was Ana Só', 'extra time was 25 %'] },
    ]);
    await run('import', list);
    expect((await students()).map((s: { name: string }) => s.name)).toEqual([
      'Ana Sá',
      'Bo Ek',
      'Cy Dee',
    ]);
  });

  it('with a bad cell is taken not at all, every problem named by row and column', async () => {
    const list = await upload('number,name,extra time\nL-4,Di,5\nL-4,Ed,x\n,Flo,\nL-5,,300');
    const result = await run('import', list);
    expect(result).toMatchObject({ taken: false, errorCount: 5 });
    expect(result.errors).toEqual([
      {
        row: 3,
        column: 'extra time',
        detail: '“x” is not a whole number of per cent from 0 to 200.',
      },
      { row: 3, column: 'number', detail: 'L-4 stands in row 2 too.' },
      { row: 4, column: 'number', detail: 'The student’s number is empty.' },
      { row: 5, column: 'name', detail: 'The name is empty.' },
      {
        row: 5,
        column: 'extra time',
        detail: '“300” is not a whole number of per cent from 0 to 200.',
      },
    ]);
    expect(await students()).toHaveLength(3);
    // Corrected, the list comes again with its columns as they were mapped.
    expect((await upload('number,name,extra time\nL-4,Di,5')).remembered).toBe(true);
  });

  it('does not take a number that was another student’s last year, and moves who repeats the year', async () => {
    const next: Cohort = (await lead.call('POST', '/cohorts', { name: 'Lists', year: 2041 })).body;
    const list = await upload('number,name\nL-1,Somebody Else\nL-2,bo  ek', next.id);
    const refused = await run('import', list, next.id);
    expect(refused.taken).toBe(false);
    expect(refused.errors[0]).toMatchObject({ row: 2, column: 'number' });
    expect(refused.errors[0]?.detail).toMatch(/^L-1 is the number of Ana Sá, cohort Lists\./);
    const again = await run('import', await upload('number,name\nL-2,Bo Ek', next.id), next.id);
    expect(again).toMatchObject({ moved: 1, taken: true });
    expect(again.changes[0]?.what).toEqual(['moves here from cohort Lists']);
  });

  it('is only of who brought it', async () => {
    const list = await upload('number,name\nL-9,Gus');
    const other = await server.signIn(
      (await server.db('account').whereRaw(`'examiner' = any(roles)`).first()).email,
    );
    const path = `/cohorts/${cohort.id}/uploads/${list.id}/import`;
    await other.call('POST', path, { mapping: list.mapping }).expect(403);
    const strange = { ...list.mapping, number: 7 };
    const job = await ended(await lead.call('POST', path, { mapping: strange }).expect(200));
    expect(job).toMatchObject({ state: 'failed' });
  });
});

describe('a workbook', () => {
  it('with a merged title above, and merged headings, is read from its heading on', async () => {
    const book = workbook(
      [['Intake 2040'], ['Number', 'Name', ''], ['W-1', 'Hal', 'Iro'], ['W-2', 'Jo', 'Kim']],
      (sheet) =>
        (sheet['!merges'] = [Xlsx.utils.decode_range('A1:C1'), Xlsx.utils.decode_range('B2:C2')]),
    );
    const list = await upload(book);
    expect(list.columns).toEqual(['Number', 'Name', 'Column C']);
    expect(list.notes).toEqual(['A row above the heading left out.']);
    const whole = { ...list, mapping: { ...list.mapping, name: [1, 2] } } as Upload;
    expect(await run('import', whole)).toMatchObject({ added: 2, taken: true });
    expect((await students()).map((s: { name: string }) => s.name)).toContain('Hal Iro');
  });

  it('counts a formula as its result, and names an error and a formula without one', async () => {
    const book = workbook(
      [
        ['Number', 'Name'],
        ['', 'Lu'],
        ['', 'Mo'],
        ['', 'No'],
      ],
      (sheet) => {
        sheet.A2 = { t: 'n', f: '1000+7', v: 1007 };
        sheet.A3 = { t: 'e', f: '1/0', v: 7 };
        sheet.A4 = { t: 'n', f: 'A2+1' };
        sheet['!ref'] = 'A1:B4';
      },
    );
    const { rows } = await readTable(book);
    expect(rows[0]?.cells).toEqual([{ text: '1007' }, { text: 'Lu' }]);
    expect(rows[1]?.cells[0]).toEqual({
      refused: expect.stringMatching(/is an error|is a formula/),
    });
  });

  it('with a date where a number should be says which cell', async () => {
    const list = await upload(
      workbook([
        ['Number', 'Name'],
        [new Date(Date.UTC(2040, 0, 5)), 'Pia'],
      ]),
    );
    const { errors } = await run('preview', list);
    expect(errors).toContainEqual({
      row: 2,
      column: 'Number',
      detail: 'This cell is a date; format the column as text and enter it again.',
    });
  });

  it('leaves out a hidden sheet and says so', async () => {
    const book = Xlsx.utils.book_new();
    Xlsx.utils.book_append_sheet(
      book,
      Xlsx.utils.aoa_to_sheet([
        ['Number', 'Name'],
        ['X', 'Old'],
      ]),
      'Old',
    );
    Xlsx.utils.book_append_sheet(
      book,
      Xlsx.utils.aoa_to_sheet([
        ['Number', 'Name'],
        ['Y', 'New'],
      ]),
      'New',
    );
    book.Workbook = { Sheets: [{ Hidden: 1 }, { Hidden: 0 }] };
    const { rows, notes } = await readTable(written(book));
    expect(rows.map(({ cells }) => cells)).toEqual([[{ text: 'Y' }, { text: 'New' }]]);
    expect(notes.join()).toMatch(/“Old” is hidden/);
  });

  it('of a million empty rows is read as it streams', async () => {
    const sheet = Xlsx.utils.aoa_to_sheet([
      ['Number', 'Name'],
      ['Z-1', 'Quin'],
    ]);
    sheet.A1048576 = { t: 's', v: '' };
    sheet['!ref'] = 'A1:B1048576';
    const book = Xlsx.utils.book_new();
    Xlsx.utils.book_append_sheet(book, sheet, 'List');
    const { rows } = await readTable(written(book));
    expect(rows).toHaveLength(1);
  });

  it('says 50 % where it shows 50 %', async () => {
    const rows = [
      ['Number', 'Name', 'Extra time'],
      ['P-1', 'Rae', 0.5],
      ['P-2', 'Sid', 0.07],
      ['P-3', 'Tam', 25],
      ['P-4', 'Una', 0.5],
    ];
    const book = workbook(rows, (sheet) => {
      for (const at of ['C2', 'C3']) (sheet[at] as Xlsx.CellObject).z = '0%';
      (sheet.C4 as Xlsx.CellObject).z = '0 "%"';
    });
    const byAnotherProgram = new Excel.Workbook();
    const sheet = byAnotherProgram.addWorksheet('List');
    rows.forEach((row) => sheet.addRow(row));
    for (const at of ['C2', 'C3']) sheet.getCell(at).numFmt = '0.0 %';
    for (const content of [book, Buffer.from(await byAnotherProgram.xlsx.writeBuffer())]) {
      const { rows: read } = await readTable(content);
      expect(read.map(({ cells }) => cells[2])).toEqual([
        { text: '50 %' },
        { text: '7 %' },
        { text: '25' },
        { text: '0.5' },
      ]);
    }
    const { errors, rows: taken } = await run('preview', await upload(book));
    expect(taken).toBe(3);
    expect(errors).toMatchObject([{ row: 5, column: 'Extra time' }]);
  });

  it('is read every time it is read, compressed or not', async () => {
    // A reader that lost a part of one now and then read this once and refused it the next time.
    const book = Xlsx.utils.book_new();
    for (const name of ['One', 'Two', 'Three'])
      Xlsx.utils.book_append_sheet(
        book,
        Xlsx.utils.aoa_to_sheet([
          ['Number', 'Name'],
          ['Y', name],
        ]),
        name,
      );
    for (const compression of [true, false]) {
      const content = Xlsx.write(book, { type: 'buffer', bookType: 'xlsx', compression }) as Buffer;
      for (let i = 0; i < 40; i++) expect((await readTable(content)).rows).toHaveLength(1);
    }
  });

  it('is read in the order of its sheets, whatever the order of its parts', async () => {
    const book = Xlsx.utils.book_new();
    for (const name of ['Candidates', 'Notes'])
      Xlsx.utils.book_append_sheet(
        book,
        Xlsx.utils.aoa_to_sheet([
          ['Number', 'Name'],
          ['Y', name],
        ]),
        name,
      );
    const zip = Xlsx.CFB.read(written(book), { type: 'buffer' });
    const relations = Xlsx.CFB.find(zip, '/xl/_rels/workbook.xml.rels');
    if (!relations) throw new Error('The workbook has no relations.');
    const text = Buffer.from(relations.content as Uint8Array).toString();
    const turned = text
      .replace('sheet1.xml', 'sheetX.xml')
      .replace('sheet2.xml', 'sheet1.xml')
      .replace('sheetX.xml', 'sheet2.xml');
    relations.content = Buffer.from(turned);
    const changed = Xlsx.CFB.write(zip, { type: 'buffer', fileType: 'zip' }) as Buffer;
    const { rows, notes } = await readTable(changed);
    // The first sheet of the workbook lies in the second part.
    expect(rows.map(({ cells }) => cells)).toEqual([[{ text: 'Y' }, { text: 'Notes' }]]);
    expect(notes).toEqual(['The sheet “Notes” was left out; the first one counts.']);
  });

  it('with letters of several bytes at any place keeps them whole', async () => {
    const names = Array.from({ length: 9000 }, (_, i) => `Zoë Ødegård ${'ü'.repeat(i % 7)}`);
    const book = Xlsx.utils.book_new();
    const sheet = Xlsx.utils.aoa_to_sheet([
      ['Name', 'Number'],
      ...names.map((name) => [name, 'Y']),
    ]);
    Xlsx.utils.book_append_sheet(book, sheet, 'Names');
    const { rows } = await readTable(written(book));
    expect(rows.map(({ cells }) => cells[0])).toEqual(names.map((text) => ({ text: text.trim() })));
  });

  it('whose sheets are named from the root of the package, as some programs do, has the same sheets', async () => {
    const book = Xlsx.utils.book_new();
    for (const [name, who] of [
      ['Notes', 'Old'],
      ['Year 4', 'New'],
      ['Remarks', 'Other'],
    ] as const)
      Xlsx.utils.book_append_sheet(
        book,
        Xlsx.utils.aoa_to_sheet([
          ['Number', 'Name'],
          ['Y', who],
        ]),
        name,
      );
    book.Workbook = { Sheets: [{ Hidden: 1 }, { Hidden: 0 }, { Hidden: 0 }] };
    const zip = Xlsx.CFB.read(written(book), { type: 'buffer' });
    const relations = Xlsx.CFB.find(zip, '/xl/_rels/workbook.xml.rels');
    if (!relations) throw new Error('The workbook has no relations.');
    const text = Buffer.from(relations.content as Uint8Array).toString();
    relations.content = Buffer.from(
      text.replaceAll('Target="worksheets/', 'Target="/xl/worksheets/'),
    );
    const changed = Xlsx.CFB.write(zip, { type: 'buffer', fileType: 'zip' }) as Buffer;
    const { rows, notes } = await readTable(changed);
    expect(rows.map(({ cells }) => cells)).toEqual([[{ text: 'Y' }, { text: 'New' }]]);
    expect(notes).toEqual([
      'The sheet “Notes” is hidden and was left out.',
      'The sheet “Remarks” was left out; the first one counts.',
    ]);
  });

  it('or a text that is none is refused in words', async () => {
    for (const [content, why] of [
      [Buffer.from('PK not a zip'), /no XLSX workbook/],
      [Buffer.from([0xff, 0xfe, 0x41]), /not UTF-8/],
      ['number,name\n"A', /quotation mark/],
      ['one column\n1\n2', /no heading of two columns/],
      ['number,name\n', /nobody under the heading/],
      ['', /empty/],
    ] as const) {
      const { status, body } = await bring(content);
      expect([status, body.detail ?? body.title]).toEqual([422, expect.stringMatching(why)]);
    }
  });
});

describe('the columns of a list', () => {
  it.each([
    [['Matriculation', 'Full name'], { number: 0, name: [1] }],
    [['Family name', 'Given name', 'ID'], { number: 2, name: [1, 0] }],
    [['number', 'name', 'seated breaks'], { number: 0, name: [1], seatedBreaks: 2 }],
  ])('are guessed from %o', (columns, mapping) => {
    expect(guessMapping(columns)).toMatchObject(mapping);
  });

  it('are not guessed where there is no number', () => {
    expect(guessMapping(['name', 'e-mail'])).toBeNull();
  });
});

describe('a list of ten thousand', () => {
  it('is taken whole', async () => {
    const big: Cohort = (await lead.call('POST', '/cohorts', { name: 'Big', year: 2042 })).body;
    const rows = Array.from({ length: 10_000 }, (_, i) => [`B${i}`, `Student ${i}`]);
    const list = await upload(workbook([['Number', 'Name'], ...rows]), big.id);
    expect(await run('import', list, big.id)).toMatchObject({ added: 10_000, taken: true });
    const { total } = (await lead.call('GET', `/cohorts/${big.id}/students?limit=1`)).body;
    expect(total).toBe(10_000);
  });
});

import archiver from 'archiver';
import { readdirSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { EXAMINERS } from '../demo/people.ts';
import { readCarefully } from '../jobs/carefulPool.ts';
import { jsonWithin, Unreadable } from '../jobs/jsonWithin.ts';
import { routes } from '../routes.ts';
import { startServer } from '../testing/startServer.ts';
import { TABLE_TYPES } from './bodies.ts';
import { newId } from './newId.ts';

const server = await startServer('demo', [], { mayFail: true });
const lead = await server.lead();
const examiner = await server.signIn(EXAMINERS[0].email);

const withBody = routes.filter(({ body, access }) => body && access !== 'anyone');
const pathOf = (path: string) => path.replace(/:\w+/g, newId());

describe('who asks comes before what they send', () => {
  it.each(withBody)('$address: to nobody in particular its body does not matter', async (route) => {
    for (const type of ['application/json', 'text/csv', 'application/x-nothing']) {
      const response = await server.anyone
        .call(route.method, pathOf(route.path))
        .type(type)
        .send('{"this is": [no JSON');
      expect(response.status, `${type} ${response.text}`).toBe(401);
    }
  });

  it('nor to whoever lacks the role, in the largest of all', async () => {
    const response = await examiner
      .call('POST', '/examinations/files')
      .type('application/json')
      .send(`[${'['.repeat(3_000_000)}`);
    expect(response.status).toBe(403);
  });

  it('a made-up cookie is no session', async () => {
    const response = await server
      .agent()
      .post(`/api/sheets/${newId()}/events`)
      .set('cookie', 'kritikos.sid=s:made-up.signature')
      .set('x-csrf-token', 'x')
      .type('application/json')
      .send('{ no JSON');
    expect([401, 403]).toContain(response.status);
  });

  it('nobody who need not be signed in sends more than a page', async () => {
    const attempt = { email: 'x@y.example', password: 'p', more: 'x'.repeat(70_000) };
    const response = await server.anyone.call('POST', '/session', attempt);
    expect(response.status).toBe(413);
  });
});

describe('a body that is packed', () => {
  it.each(['gzip', 'deflate', 'br'])('as %s is refused, not unfolded', async (encoding) => {
    for (const path of ['/examinations', '/examinations/files']) {
      const response = await lead
        .call('POST', path)
        .type('application/json')
        .set('content-encoding', encoding)
        .send(gzipSync('x'.repeat(1000)).toString('latin1'));
      expect(response.status).toBe(415);
    }
  });
});

describe('a file of an examination', () => {
  const send = (body: string) =>
    lead.call('POST', '/examinations/files').type('application/json').send(body);

  it('that is nested without end, or has values without end, is refused before it is made', async () => {
    const deep = await send('['.repeat(2_000_000));
    expect([deep.status, deep.body.detail]).toEqual([400, 'It is nested more than 40 deep.']);
    const wide = await send(`[${'0,'.repeat(8_000_001)}0]`);
    expect([wide.status, wide.body.detail]).toEqual([400, 'It has more than 8,000,000 values.']);
  });

  it('that is wrong in thousands of places names fifty of them', async () => {
    const wrong = { candidates: Array.from({ length: 19_000 }, () => ({ a: 1, b: 2 })) };
    const { status, body } = await send(JSON.stringify(wrong));
    expect([status, body.errors.length]).toEqual([422, 50]);
  });

  it('is one of an account at a time, and the server answers meanwhile', async () => {
    const large = `{"format":"x","candidates":[${'{"a":"}"},'.repeat(900_000)}{}]}`;
    const began = Date.now();
    const sending = [send(large), send(large), send(large)].map((one) => one.then((r) => r.status));
    await new Promise((resolve) => setTimeout(resolve, 50));
    await examiner.call('GET', '/own/stations').expect(200);
    const answered = Date.now() - began;
    const statuses = await Promise.all(sending);
    expect(statuses.filter((status) => status === 429)).toHaveLength(2);
    expect(answered).toBeLessThan(Date.now() - began);
    expect((await send('{}')).status).toBe(422);
  });
});

describe('JSON within limits', () => {
  it('is counted as it is, whatever stands in its strings', () => {
    const tricky = { a: '}]},"\\', 'b"[{': ['\\"', [], {}], c: { d: null } };
    const text = Buffer.from(JSON.stringify(tricky));
    expect(jsonWithin(text)).toEqual(tricky);
    expect(jsonWithin(text, { deepest: 3, most: 9 })).toEqual(tricky);
    expect(() => jsonWithin(text, { deepest: 1 })).toThrow(Unreadable);
    expect(() => jsonWithin(text, { most: 4 })).toThrow('more than 4 values');
    expect(() => jsonWithin(Buffer.from([0xff, 0xfe]))).toThrow('not UTF-8');
    expect(() => jsonWithin(Buffer.from('{"a":'))).toThrow('not valid JSON');
  });
});

/** A workbook whose only sheet is so many times a megabyte of empty rows. */
async function workbookOf(megabytes: number): Promise<Buffer> {
  const zip = archiver('zip', { zlib: { level: 9 } });
  const pieces: Buffer[] = [];
  zip.on('data', (piece: Buffer) => pieces.push(piece));
  const row =
    '<row><c t="inlineStr"><is><t>aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa</t></is></c></row>';
  const filler = Buffer.from(row.repeat(Math.ceil((1024 * 1024 * megabytes) / row.length)));
  const head =
    '<worksheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheetData>';
  zip.append(Buffer.concat([Buffer.from(head), filler, Buffer.from('</sheetData></worksheet>')]), {
    name: 'xl/worksheets/sheet1.xml',
  });
  await zip.finalize();
  return Buffer.concat(pieces);
}

describe('a list that is a trap', () => {
  it('is refused by what it unfolds to, leaves nothing behind, and holds nobody up', async () => {
    const trap = await workbookOf(260);
    expect(trap.length).toBeLessThan(4 * 1024 * 1024);
    const cohort = (await server.db('cohort').first('id')).id as string;
    const { folder } = await readCarefully<object, { folder: string }>('../testing/hungryJob.ts', {
      takes: 'nothing',
    });
    const { status, body } = await lead
      .call('POST', `/cohorts/${cohort}/uploads?name=trap.xlsx`)
      .type(TABLE_TYPES[1] ?? '')
      .send(trap);
    expect([status, body.detail]).toEqual([
      422,
      expect.stringContaining('unfolds to more than 200 MB'),
    ]);
    expect(readdirSync(folder)).toEqual([]);
  });
});

describe('a thread that reads what somebody brought', () => {
  const hungry = (takes: string, longest?: number) =>
    readCarefully<object, { folder: string }>(
      '../testing/hungryJob.ts',
      { takes },
      longest ? { longest } : {},
    );

  it('is ended where it takes too long, with what it left behind; the next one reads', async () => {
    const { folder } = await hungry('nothing');
    await expect(hungry('time', 2_000)).rejects.toThrow('After 2 s it was given up');
    expect(readdirSync(folder)).toEqual([]);
    await expect(hungry('nothing')).resolves.toEqual({ folder });
  });

  it('gives whoever waits behind such a one their own time', async () => {
    const [trap, honest] = [hungry('time', 4_000), hungry('nothing', 4_000)];
    await expect(trap).rejects.toThrow('After 4 s it was given up');
    await expect(honest).resolves.toBeDefined();
  });

  it('is ended where it takes too much memory', async () => {
    await expect(hungry('memory')).rejects.toThrow('It was given up; nothing was taken');
    await expect(hungry('nothing')).resolves.toBeDefined();
  });

  it('has a queue that ends', async () => {
    const many = await Promise.allSettled(Array.from({ length: 12 }, () => hungry('nothing')));
    const refused = many.filter(({ status }) => status === 'rejected');
    expect(refused.length).toBeGreaterThan(0);
    expect((refused[0] as PromiseRejectedResult).reason).toMatchObject({ status: 503 });
  });
});

import type { Resources } from '@kritikos/contracts/timetable';
import { beforeAll, describe, expect, it } from 'vitest';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let lead: Caller;
let id: string;
beforeAll(async () => {
  lead = await server.lead();
  id = await server.thisYears();
});
const read = async (): Promise<Resources> =>
  (await lead.call('GET', `/examinations/${id}/resources`).expect(200)).body;
const put = (part: string, body: object) =>
  lead.call('PUT', `/examinations/${id}/resources/${part}`, body);
const file = (of: string, ...rows: string[]) =>
  lead.csv(`/examinations/${id}/resources/file?of=${of}`, rows.join('\n'));

describe('who and what may be used', () => {
  it('begins with whoever stands at a station, and with what the stations need', async () => {
    const { examiners, equipment, regions, circuits } = await read();
    const assigned = await server
      .db('station_examiner as x')
      .join('station as s', 's.id', 'x.station_id')
      .where('s.examination_id', id)
      .countDistinct('account_id as n')
      .first();
    expect(examiners.filter(({ takesPart }) => takesPart)).toHaveLength(Number(assigned?.n));
    expect([circuits, regions.length]).toEqual([2, 6]);
    expect(equipment.filter(({ needed }) => needed > 0).length).toBeGreaterThan(3);
  });

  it('takes a file of examiners whole: regions, when they are there, whom they must not mark', async () => {
    const { examiners, regions } = await read();
    const [one, other] = examiners;
    const header = 'email;regions;from;until;conflicts';
    const taken = await file(
      'examiners',
      header,
      `${one?.email};${regions[0]}|${regions[1]};2026-05-21 08:30;2026-05-21 12:00;`,
      `${one?.email};;2026-05-21 13:00;2026-05-21 15:00;3: sister`,
      `${other?.email};all;;;`,
    ).expect(200);
    expect([taken.body.taken, taken.body.errors]).toEqual([3, []]);
    const now = (await read()).examiners;
    expect(
      now
        .filter(({ takesPart }) => takesPart)
        .map(({ email }) => email)
        .sort(),
    ).toEqual([one?.email, other?.email].sort());
    const own = now.find(({ email }) => email === one?.email);
    expect([
      own?.regions,
      own?.conflicts.map(({ number, reason }) => `${number} ${reason}`),
    ]).toEqual([[regions[0], regions[1]], ['3 sister']]);
    expect(own?.present?.map(({ start }) => new Date(start).getTime())).toHaveLength(2);
  });

  it('names every cell of a file that cannot be taken, and takes nothing', async () => {
    const before = await read();
    const bad = await file(
      'examiners',
      'email,regions,from,until,conflicts',
      'nobody@orrinmouth.example,,,,',
      `${before.examiners[0]?.email},tail,2026-05-21 25:00,2026-05-21 12:00,99: aunt|2`,
    ).expect(200);
    expect(bad.body.taken).toBe(0);
    expect(
      bad.body.errors.map((e: { row: number; column: string }) => `${e.row} ${e.column}`).sort(),
    ).toEqual(['2 email', '3 conflicts', '3 conflicts', '3 from', '3 regions']);
    expect(await read()).toEqual(before);
    expect((await file('rooms', 'room', 'A').expect(200)).body.errors[0].detail).toMatch(
      /“couches” is missing/,
    );
    expect(
      (await file('equipment', 'thing,pieces', 'Couch,many').expect(200)).body.errors[0].detail,
    ).toMatch(/“many” is no number from 0 to 999/);
  });

  it('keeps simulated patients: what they must not undergo follows to the stations', async () => {
    const { procedures, patients } = await read();
    const unknown = await file('patients', 'name,must not undergo', 'Piet Okonkwo,fabber').expect(
      200,
    );
    expect(unknown.body.errors).toEqual([
      {
        row: 2,
        column: 'must not undergo',
        detail: 'There is no procedure “fabber”. Perhaps faber is meant.',
      },
    ]);
    const taken = await file(
      'patients',
      'name,must not undergo,most in a row',
      `Tove Lindgren-Abara,${procedures[0]},2`,
      'Piet Okonkwo,,',
    ).expect(200);
    expect(taken.body.errors).toEqual([]);
    const now = (await read()).patients;
    const tove = now.find(({ name }) => name === 'Tove Lindgren-Abara');
    const piet = now.find(({ name }) => name === 'Piet Okonkwo');
    expect([tove?.mostInARow, tove?.stations.length]).toEqual([
      2,
      (piet?.stations.length ?? 0) - 1,
    ]);
    expect(now.length).toBe(patients.length + 2);
    // Renamed and left out: the one stays who they are, the other is retired.
    const renamed = { ...tove, name: 'Tove Abara', takesPart: false, present: null };
    await put('patients', { patients: [renamed, { ...piet, retired: true }] }).expect(200);
    const after = (await read()).patients;
    expect(after.find(({ id: own }) => own === tove?.id)?.name).toBe('Tove Abara');
    expect(after.some(({ id: own }) => own === piet?.id)).toBe(false);
    // Whoever is not named stays: another lead may have added them meanwhile.
    expect(after.length).toBe(patients.length + 1);
  });

  it('gives every station a couch, and refuses a room used twice with one that is free', async () => {
    await file('rooms', 'room,couches', 'Hall,8', '"Annexe, upstairs",7').expect(200);
    const wish = (await lead.call('GET', `/examinations/${id}/timetable`).expect(200)).body.wish;
    const couches = (await read()).rooms.reduce((sum, room) => sum + room.couches, 0);
    const circuits = Math.ceil((couches + 1) / 8);
    await lead.call('PUT', `/examinations/${id}/timetable`, { ...wish, circuits }).expect(200);
    const short = await lead.call('POST', `/examinations/${id}/resources/places`).expect(409);
    expect(short.body.detail).toMatch(
      new RegExp(
        `${8 * circuits} stations stand side by side .* ${couches} couches\\. Add ${8 * circuits - couches}`,
      ),
    );
    await lead.call('PUT', `/examinations/${id}/timetable`, { ...wish, circuits: 2 }).expect(200);
    const placed: Resources = (
      await lead.call('POST', `/examinations/${id}/resources/places`).expect(200)
    ).body;
    expect(placed.places).toHaveLength(16);
    expect(new Set(placed.places.map(({ roomId, couch }) => `${roomId} ${couch}`)).size).toBe(16);
    const [one, other] = placed.places;
    const twice = [{ ...other, roomId: one?.roomId, couch: one?.couch }];
    const refused = await put('places', { places: twice }).expect(422);
    expect(refused.body.errors[0].detail).toMatch(
      /couch \d of .+ has “.*” of circuit \d already; couch \d of .+ is free/,
    );
    expect((await read()).places).toEqual(placed.places);
    const inUse = await put('rooms', { rooms: [], removed: [one?.roomId] }).expect(409);
    expect(inUse.body.detail).toMatch(/stands there at couch/);
  });

  it('runs fewer circuits where there is too little of something, and says why in the plan', async () => {
    const { equipment } = await read();
    const thing = equipment.find(({ needed }) => needed > 1);
    const half = Math.floor((thing?.needed ?? 2) / 2);
    await put('equipment', { equipment: [{ what: thing?.what, pieces: half }] }).expect(200);
    expect((await read()).equipment.find(({ what }) => what === thing?.what)?.pieces).toBe(half);
    // Written otherwise it is the same thing, and keeps its name.
    const before = await read();
    const shouted = { what: thing?.what.toUpperCase(), pieces: half };
    await put('equipment', { equipment: [shouted] }).expect(200);
    expect((await read()).equipment).toEqual(before.equipment);
    await expect(server.db('equipment').insert({ what: shouted.what, pieces: 1 })).rejects.toThrow(
      /equipment_once/,
    );
    const { examiners } = await read();
    await put('examiners', {
      examiners: examiners.map(({ accountId }) => ({ accountId, takesPart: true })),
    }).expect(200);
    let { body: job } = await lead.call('POST', `/examinations/${id}/timetable`).expect(200);
    while (['waiting', 'running'].includes(job.state)) {
      await new Promise((resolve) => setTimeout(resolve, 100));
      job = (await lead.call('GET', `/jobs/${job.id}`).expect(200)).body;
    }
    expect([job.state, job.problem]).toEqual(['done', null]);
    const plan = (
      await lead.call('GET', `/examinations/${id}/timetables/${job.result.timetable}`).expect(200)
    ).body;
    expect(new Set(plan.slots.map(({ circuit }: { circuit: number }) => circuit)).size).toBe(1);
    expect(plan.unmet[0]).toMatchObject({
      rule: 'equipment',
      who: thing?.what,
      why: expect.stringMatching(/one circuit runs, for longer/),
    });
  });
});

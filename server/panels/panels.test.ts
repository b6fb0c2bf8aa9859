import type { Panel, PanelList, SeatLink, Sitting, Standing } from '@kritikos/contracts/panels';
import { beforeAll, describe, expect, it } from 'vitest';
import { textOf } from '../post/letters.ts';
import { SECRET_KEY, startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let lead: Caller;
let examination: string;
let stations: { id: string; title: string }[];
beforeAll(async () => {
  lead = await server.lead();
  examination = await server.thisYears();
  stations = (await lead.call('GET', `/examinations/${examination}`).expect(200)).body.stationList;
});

let count = 0;
const id = () => `01930000-0000-7000-8000-${String(++count).padStart(12, '0')}`;

async function makePanel(wanted: object): Promise<Panel> {
  const body = {
    title: `Panel ${++count}`,
    method: 'angoff-percent',
    level: 'item',
    stations: stations.slice(0, 2).map((station) => station.id),
    asksHofstee: false,
    asksBeuk: false,
    showsFacilities: true,
    ...wanted,
  };
  const list: PanelList = (
    await lead.call('POST', `/examinations/${examination}/panels`, body).expect(200)
  ).body;
  return list.panels.find(({ title }) => title === body.title) as Panel;
}

async function seat(panel: Panel, name: string, email: string | null = null): Promise<string> {
  const { body } = await lead
    .call('POST', `/panels/${panel.id}/seats`, { name, email })
    .expect(200);
  return body.link.split('#')[1];
}

const act = async (panel: Panel, what: 'rounds' | 'closing' | 'reopening', body: object = {}) => {
  const list: PanelList = (await lead.call('POST', `/panels/${panel.id}/${what}`, body).expect(200))
    .body;
  return list.panels.find((own) => own.id === panel.id) as Panel;
};
const again = async (panel: Panel): Promise<Panel> => {
  const list: PanelList = (await lead.call('GET', `/examinations/${examination}/panels`)).body;
  return list.panels.find((own) => own.id === panel.id) as Panel;
};
const sit = async (token: string): Promise<Sitting> =>
  (await server.anyone.call('POST', '/sittings', { token }).expect(200)).body;
const word = (subject: string, share: number | null, placement: object | null = null) => ({
  id: id(),
  subject,
  share,
  placement,
});
const say = (token: string, round: number, words: object[]) =>
  server.anyone.call('POST', '/sittings/words', { token, round, words });
const handIn = (token: string, round: number, done = true) =>
  server.anyone.call('POST', '/sittings/hand-in', { token, round, done });

/** Says a share of everything that is judged. */
async function sayAll(token: string, round: number, share: (place: number) => number) {
  const subjects = (await sit(token)).stations.flatMap(({ items, subject }) =>
    subject === null ? items.flatMap((item) => item.subject ?? []) : [subject],
  );
  const words = subjects.map((own, place) => word(own, share(place)));
  await say(token, round, words).expect(200);
  await handIn(token, round).expect(200);
}

describe('a panel of four judges in two rounds', () => {
  it('comes from everybody alone, over the spread without names, to a cut with its error', async () => {
    const panel = await makePanel({ asksHofstee: true, asksBeuk: true });
    expect(panel.subjects.length).toBeGreaterThan(20);
    expect(panel.subjects.some(({ earned }) => earned !== null)).toBe(true);
    const tokens: string[] = [];
    for (const name of ['Aldous Finch', 'Bettina Marl', 'Corin Hale', 'Dagny Roe'])
      tokens.push(await seat(panel, name));
    const [first, second, third, fourth] = tokens as [string, string, string, string];

    const early = await say(first, 1, [word(panel.subjects[0]?.key ?? '', 0.5)]);
    expect([early.status, early.body.title]).toEqual([409, 'Round 1 is closed']);
    await act(panel, 'rounds');
    const seen = await sit(first);
    expect(seen).toMatchObject({
      round: { number: 1, open: true },
      progress: { handedIn: 0, seats: 4 },
      before: null,
      words: [],
      seat: { name: 'Aldous Finch' },
    });
    expect(seen.stations[0]?.figures[0]?.svg).toMatch(/^<svg/);
    // Nothing that one judge is answered names another or says what they said.
    expect(JSON.stringify(seen)).not.toMatch(/Bettina|Corin|Dagny/);

    await sayAll(first, 1, () => 0.6);
    await sayAll(second, 1, () => 0.5);
    await sayAll(third, 1, (place) => (place % 2 ? 0.2 : 1));
    await say(third, 1, [word('lowestCut', 0.5)]).expect(409);
    await handIn(third, 1, false).expect(200);
    await say(third, 1, [
      word('lowestCut', 0.5),
      word('beukCut', 0.55),
      word('passRate', 0.8),
    ]).expect(200);
    await handIn(third, 1).expect(200);

    const watched = await again(panel);
    expect(watched.rounds[0]?.judges.map(({ handedInAt }) => handedInAt !== null)).toEqual([
      true,
      true,
      true,
      false,
    ]);
    // While a round is open the lead sees how far everybody is, and nothing of what was said.
    expect(watched.rounds[0]?.cut.estimate).toBeNull();
    expect(watched.rounds[0]?.subjects.every(({ values }) => values.length === 0)).toBe(true);
    const missing = await lead.call('POST', `/panels/${panel.id}/closing`, {});
    expect([missing.status, missing.body.title]).toEqual([409, 'Dagny Roe has not handed in']);
    const closed = await act(panel, 'closing', { withoutMissing: true });
    expect(closed.events.at(-1)).toMatchObject({
      what: 'closed',
      missing: ['Dagny Roe'],
      reason: null,
    });
    expect(closed.rounds[0]?.cut).toMatchObject({ n: 3 });

    const late = await lead.call('POST', `/panels/${panel.id}/reopening`, { reason: 'no' });
    expect(late.status).toBe(422);
    await act(panel, 'reopening', { reason: 'Dagny Roe had no network' });
    await sayAll(fourth, 1, () => 0.6);
    const whole = await act(panel, 'closing');
    const [one] = whole.rounds;
    // By hand: judges 60, 50, the weighted mean of the third, and 60.
    const cuts = one?.judges.map(({ cut }) => cut) as number[];
    expect(cuts[0]).toBeCloseTo(60, 6);
    expect(cuts[1]).toBeCloseTo(50, 6);
    const mean = cuts.reduce((sum, cut) => sum + cut, 0) / 4;
    expect(one?.cut.estimate).toBeCloseTo(mean, 6);
    const sd = Math.sqrt(cuts.reduce((sum, cut) => sum + (cut - mean) ** 2, 0) / 3);
    expect(one?.cut.standardError).toBeCloseTo(sd / 2, 6);
    expect(one?.answers.filter((own) => own.lowestCut !== undefined)).toHaveLength(1);

    await act(panel, 'rounds');
    const between = await sit(third);
    expect(between.before?.cuts).toHaveLength(4);
    expect(between.before?.subjects[0]).toMatchObject({ values: [0.5, 0.6, 0.6, 1], own: 1 });
    expect(between.before?.subjects.some(({ earned }) => earned !== null)).toBe(true);
    // What was said in the first round holds in the second until it is changed.
    expect(between.words.length).toBe(panel.subjects.length + 3);
    await sayAll(third, 2, () => 0.6);
    for (const token of [first, second, fourth]) await handIn(token, 2).expect(200);
    const done = await act(panel, 'closing');
    expect(done.rounds[1]?.cut.estimate).toBeCloseTo(57.5, 6);
    expect(done.rounds[1]?.spread).toBeCloseTo(5, 6);
    // The first round is as it was.
    expect(done.rounds[0]?.cut.estimate).toBeCloseTo(mean, 6);
    expect(done.events.map(({ number, what }) => `${number} ${what}`)).toEqual([
      '1 opened',
      '1 closed',
      '1 reopened',
      '1 closed',
      '2 opened',
      '2 closed',
    ]);
  });

  it('takes one word once however often it is sent, and the newest from whichever device', async () => {
    const panel = await makePanel({});
    const token = await seat(panel, 'Edda Vane');
    await act(panel, 'rounds');
    const key = panel.subjects[0]?.key ?? '';
    const first = word(key, 0.4);
    const later = word(key, 0.7);
    await say(token, 1, [first]).expect(200);
    await say(token, 1, [later]).expect(200);
    // The first device comes back from a lift and sends again what was taken already.
    await say(token, 1, [first]).expect(200);
    expect((await sit(token)).words).toEqual([{ subject: key, share: 0.7, placement: null }]);
    await say(token, 1, [word(key, null)]).expect(200);
    expect((await sit(token)).words).toEqual([{ subject: key, share: null, placement: null }]);
    expect(await server.db('panel_judgement').whereIn('id', [first.id, later.id])).toHaveLength(2);
  });

  it('takes no word under the id of another: of a second seat, or saying something else', async () => {
    const panel = await makePanel({});
    const [token, other] = [await seat(panel, 'Edda Vane'), await seat(panel, 'Fenn Oriel')];
    await act(panel, 'rounds');
    const [key = '', second = ''] = panel.subjects.map((subject) => subject.key);
    const first = word(key, 0.4);
    await say(token, 1, [first]).expect(200);
    const stolen = await say(other, 1, [first, word(second, 0.9)]);
    expect([stolen.status, stolen.body.errors]).toEqual([
      422,
      [{ pointer: '/words/0/id', detail: 'is the id of another word' }],
    ]);
    expect((await sit(other)).words).toEqual([]);
    for (const changed of [{ share: 0.5 }, { subject: second }]) {
      await say(token, 1, [{ ...first, ...changed }]).expect(422);
    }
    expect((await sit(token)).words).toEqual([{ subject: key, share: 0.4, placement: null }]);
  });

  it('takes words without end from nobody', async () => {
    const panel = await makePanel({});
    const token = await seat(panel, 'Edda Vane');
    await act(panel, 'rounds');
    const key = panel.subjects[0]?.key ?? '';
    const { id: own } = await server.db('panel_seat').where({ panel_id: panel.id }).first();
    await say(token, 1, [word(key, 0.4)]).expect(200);
    // As many as were said in a long night.
    await server.db.raw(
      `insert into panel_judgement (id, seat_id, number, subject, share)
       select gen_random_uuid(), ?, 1, ?, 0.5 from generate_series(1, 6000)`,
      [own, key],
    );
    const refused = await say(token, 1, [word(key, 0.3)]);
    expect([refused.status, refused.body.title]).toEqual([
      429,
      'More was said in this round than a panel can ask',
    ]);
    await handIn(token, 1).expect(200);
  });
});

describe('the other forms', () => {
  it('yes or no, points and whole stations each come to their cut', async () => {
    for (const [wanted, share, cut] of [
      [{ method: 'angoff-yes-no' }, (place: number) => place % 2, null],
      [{ method: 'angoff-points' }, () => 0.5, 50],
      [
        { method: 'angoff-percent', level: 'station' },
        (place: number) => [0.4, 0.6][place] ?? 0,
        50,
      ],
    ] as const) {
      const panel = await makePanel(wanted);
      const token = await seat(panel, 'Fenn Oriel');
      await act(panel, 'rounds');
      await sayAll(token, 1, share);
      const { rounds } = await act(panel, 'closing');
      if (cut === null) {
        const yes = (station: string) => {
          const own = panel.subjects.filter((subject) => subject.station === station);
          const weight = (list: typeof own) => list.reduce((sum, one) => sum + one.weight, 0);
          return (
            (100 * weight(own.filter((one) => panel.subjects.indexOf(one) % 2 === 1))) / weight(own)
          );
        };
        expect(rounds[0]?.stations.map(({ cut: own }) => own.estimate)).toEqual(
          panel.stations.map((station) => expect.closeTo(yes(station.id), 6)),
        );
      } else expect(rounds[0]?.cut.estimate).toBeCloseTo(cut, 6);
    }
  });

  it('Ebel gives each item the share of the cell that the judge put it in', async () => {
    const panel = await makePanel({ method: 'ebel' });
    const token = await seat(panel, 'Gwil Ashby');
    await act(panel, 'rounds');
    const easy = { difficulty: 'easy', relevance: 'essential' };
    const hard = { difficulty: 'hard', relevance: 'important' };
    const words = panel.subjects.map(({ key }, i) => word(key, null, i % 2 ? easy : hard));
    await say(token, 1, words).expect(200);
    await say(token, 1, [word('essential, easy', 0.9), word('important, hard', 0.4)]).expect(200);
    const straight = await say(token, 1, [word(panel.subjects[0]?.key ?? '', 0.5)]);
    expect(straight.body.errors[0].detail).toMatch(/placed in the grid/);
    await handIn(token, 1).expect(200);
    const { rounds } = await act(panel, 'closing');
    const own = panel.subjects.filter(({ station }) => station === panel.stations[0]?.id);
    const earned = own.reduce(
      (sum, one) => sum + one.weight * (panel.subjects.indexOf(one) % 2 ? 0.9 : 0.4),
      0,
    );
    const weight = own.reduce((sum, one) => sum + one.weight, 0);
    expect(rounds[0]?.stations[0]?.cut.estimate).toBeCloseTo((100 * earned) / weight, 6);
  });
});

describe('a seat', () => {
  it('is opened by the newest link alone, which is sent where there is an address', async () => {
    const panel = await makePanel({});
    const old = await seat(panel, 'Hedda Quill', 'hedda@another.example');
    const { seats } = await again(panel);
    const renew = async (): Promise<SeatLink> =>
      (await lead.call('POST', `/seats/${seats[0]?.id}/links`).expect(200)).body;
    const newest = () =>
      server
        .db('letter')
        .where({ recipient: 'hedda@another.example' })
        .orderBy('written_at', 'desc')
        .first();
    // Where nothing leaves, nobody says that it was sent, and nothing is kept to be read.
    const passedOn = await renew();
    expect(passedOn.code).toMatch(/^<svg/);
    expect(passedOn.sent).toBe(false);
    expect((await newest()).sealed).toBeNull();
    Object.assign(server.tools.house, { sends: true });
    const { link, sent } = await renew();
    Object.assign(server.tools.house, { sends: false });
    expect(sent).toBe(true);
    expect(JSON.stringify(await newest())).not.toContain(link);
    expect(textOf(SECRET_KEY, await newest())).toContain(link);
    const refused = await server.anyone.call('POST', '/sittings', { token: old });
    expect([refused.status, refused.body.title]).toEqual([410, 'There is a newer link']);
    await server
      .db('link')
      .where({ subject: seats[0]?.id })
      .update({ made_at: '2020-01-01', expires_at: '2020-01-31' });
    const expired = await server.anyone.call('POST', '/sittings', {
      token: link.split('#')[1],
    });
    expect([expired.status, expired.body.detail]).toEqual([
      410,
      'Ask whoever leads the panel for another one.',
    ]);
    const none = await server.anyone.call('POST', '/sittings', { token: 'x'.repeat(43) });
    expect(none.status).toBe(410);
    expect((await again(panel)).seats[0]?.linkUntil).toBeNull();
    const twice = await lead.call('POST', `/panels/${panel.id}/seats`, {
      name: 'Hedda Quill',
      email: null,
    });
    expect(twice.body.errors[0].detail).toMatch(/has a seat already/);
  });

  it('taken away ends the link and keeps what was handed in', async () => {
    const panel = await makePanel({});
    const [stays, goes] = [await seat(panel, 'Ivo Nettle'), await seat(panel, 'Jory Pike')];
    await act(panel, 'rounds');
    await sayAll(stays, 1, () => 0.5);
    await sayAll(goes, 1, () => 0.7);
    const { seats } = await again(panel);
    await lead.call('DELETE', `/seats/${seats[1]?.id}`).expect(200);
    await server.anyone.call('POST', '/sittings', { token: goes }).expect(410);
    const { rounds } = await act(panel, 'closing');
    expect(rounds[0]?.cut).toMatchObject({ n: 2, estimate: expect.closeTo(60, 6) });
  });

  it('is nobody’s who merely has another panel’s link', async () => {
    const [one, other] = [await makePanel({}), await makePanel({ level: 'station' })];
    const token = await seat(one, 'Kit Larch');
    await act(one, 'rounds');
    const strange = await say(token, 1, [word(other.subjects[0]?.key ?? '', 0.5)]);
    expect(strange.status).toBe(422);
    expect(strange.body.errors[0].detail).toMatch(/nothing that this panel judges/);
  });
});

describe('what is refused, with nothing changed', () => {
  it('a number outside the scale, a half yes, a place in no grid', async () => {
    const panel = await makePanel({ method: 'angoff-yes-no' });
    const token = await seat(panel, 'Lorne Beck');
    await act(panel, 'rounds');
    const key = panel.subjects[0]?.key ?? '';
    for (const [words, pointer, detail] of [
      [[word(key, 1), word(key, 60)], '/words/1/share', /above the scale/],
      [[word(key, -0.1)], '/words/0/share', /below the scale/],
      [[word(key, 0.5)], '/words/0', /yes \(1\) or no \(0\)/],
      [[word(key, null, { difficulty: 'easy', relevance: 'essential' })], '/words/0', /no.*grid/],
      [[word('lowestCut', 0.4)], '/words/0', /nothing that this panel judges/],
    ] as const) {
      const { status, body } = await say(token, 1, [...words]);
      expect(status).toBe(422);
      expect(body.errors[0].pointer).toBe(pointer);
      expect(body.errors[0].detail).toMatch(detail);
    }
    expect((await sit(token)).words).toEqual([]);
    const empty = await handIn(token, 1);
    expect([empty.status, empty.body.title]).toEqual([409, 'Nothing is judged yet']);
  });

  it('yes or no of whole stations, a station of elsewhere, a title that is there, a round too many', async () => {
    const panel = await makePanel({});
    const make = (wanted: object) =>
      lead.call('POST', `/examinations/${examination}/panels`, {
        title: 'T',
        method: 'angoff-percent',
        level: 'item',
        stations: [stations[0]?.id],
        asksHofstee: false,
        asksBeuk: false,
        showsFacilities: false,
        ...wanted,
      });
    expect((await make({ method: 'angoff-yes-no', level: 'station' })).body.errors[0]).toEqual({
      pointer: '/level',
      detail: 'yes or no is asked of items; of a whole station it says nothing',
    });
    expect((await make({ stations: [id()] })).body.errors[0].pointer).toBe('/stations');
    expect((await make({ title: panel.title })).body.errors[0].pointer).toBe('/title');
    const nobody = await lead.call('POST', `/panels/${panel.id}/rounds`);
    expect([nobody.status, nobody.body.title]).toEqual([409, 'Nobody sits on this panel']);
    const none = await lead.call('POST', `/panels/${panel.id}/closing`, {});
    expect(none.body.title).toBe('No round is open');
    const token = await seat(panel, 'Mabon Reed');
    await act(panel, 'rounds');
    const open = await lead.call('POST', `/panels/${panel.id}/rounds`);
    expect(open.body.title).toBe('Round 1 is open');
    const alone = await lead.call('POST', `/panels/${panel.id}/closing`, { withoutMissing: true });
    expect(alone.body.title).toBe('Nobody has handed in');
    const standing: Standing = (
      await server.anyone.call('POST', '/sittings/standing', { token }).expect(200)
    ).body;
    expect(standing).toEqual({
      round: { number: 1, open: true },
      progress: { handedIn: 0, seats: 1 },
      handedIn: false,
    });
  });

  it('a change of what was said, to the application itself', async () => {
    for (const sql of [
      'update panel_judgement set share = 1',
      'delete from panel_judgement',
      "update panel_round_event set reason = 'x'",
    ])
      await expect(server.tools.db.raw(sql)).rejects.toThrow(/permission denied/);
  });
});

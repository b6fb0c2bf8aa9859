import type { StandingPiece } from '@kritikos/contracts/drafts';
import { describe, expect, it } from 'vitest';
import { DraftSync } from './draftSync.ts';
import type { DraftServer } from './draftSync.ts';

/** A draft at a server, by the rule of the server: a piece is taken where it stands as it was seen. */
function serverOf(...names: string[]) {
  const pieces = new Map<string, StandingPiece>(
    names.map((piece) => [piece, { piece, value: `${piece} as begun`, sequence: 0, by: 'Begun' }]),
  );
  const answered = new Map<string, string[]>();
  const history: { piece: string; value: unknown; taken: boolean }[] = [];
  let sequence = 0;
  const as = (by: string, before: () => Promise<void> = () => Promise.resolve()): DraftServer => ({
    async send(changes, sending) {
      await before();
      let beside = answered.get(sending);
      if (!beside) {
        beside = [];
        for (const { piece, value, seen } of changes) {
          sequence++;
          const there = pieces.get(piece);
          const taken = (there?.sequence ?? 0) === seen || there?.value === value;
          history.push({ piece, value, taken });
          if (taken) pieces.set(piece, { piece, value, sequence, by });
          else beside.push(piece);
        }
        answered.set(sending, beside);
      }
      const named = changes.flatMap(({ piece }) => pieces.get(piece) ?? []);
      return { sequence, pieces: named, beside };
    },
    async news(since) {
      await before();
      const newer = [...pieces.values()].filter((own) => own.sequence > since);
      return { sequence, pieces: newer, others: [], closedAt: null };
    },
  });
  let ids = 0;
  const open = (server: DraftServer) =>
    new DraftSync({ pieces: [...pieces.values()], sequence }, server, () => `sending-${ids++}`);
  return { as, open, pieces, history };
}

describe('a draft that two people write', () => {
  it('shows each the other’s changes', async () => {
    const { as, open } = serverOf('a', 'b');
    const [mine, theirs] = [open(as('I')), open(as('They'))];
    mine.change([{ piece: 'a', value: 'mine' }]);
    theirs.change([{ piece: 'b', value: 'theirs' }]);
    await mine.save();
    await theirs.save();
    await mine.readNews();
    await theirs.readNews();
    expect(mine.pieces).toEqual({ a: 'mine', b: 'theirs' });
    expect(theirs.pieces).toEqual(mine.pieces);
    expect(mine.sequence).toBe(2);
  });

  it('keeps what was written on top of another’s change beside it, to be put in its place', async () => {
    const { as, open, history } = serverOf('a');
    const [mine, theirs] = [open(as('I')), open(as('They'))];
    theirs.change([{ piece: 'a', value: 'theirs' }]);
    await theirs.save();
    mine.change([{ piece: 'a', value: 'mine' }]);
    await mine.save();
    expect(mine.pieces.a).toBe('theirs');
    expect(mine.beside).toEqual([{ piece: 'a', by: 'They', mine: 'mine' }]);
    expect(history.map(({ value }) => value)).toEqual(['theirs', 'mine']);
    mine.insist(mine.beside[0] ?? { piece: '', by: '', mine: null });
    await mine.save();
    await theirs.readNews();
    expect(theirs.pieces.a).toBe('mine');
    expect(mine.beside).toEqual([]);
  });

  it('sends what is written while the news are read, and does not leave it for the next change', async () => {
    const { as, open, pieces } = serverOf('a', 'b');
    const server = as('I');
    let reads = 0;
    const mine: DraftSync = open({
      send: server.send,
      news: async (since) => {
        const news = await server.news(since);
        if (reads++ === 0) mine.change([{ piece: 'b', value: 'meanwhile' }]);
        return news;
      },
    });
    mine.change([{ piece: 'a', value: 'first' }]);
    await mine.exchange();
    expect([pieces.get('a')?.value, pieces.get('b')?.value]).toEqual(['first', 'meanwhile']);
    expect([mine.waiting, reads]).toEqual([0, 2]);
  });

  it('takes one’s own next letter for no one else’s', async () => {
    const { as, open } = serverOf('a');
    let typedOn = false;
    const mine: DraftSync = open(
      as('I', () => {
        if (!typedOn) mine.change([{ piece: 'a', value: 'two' }]);
        typedOn = true;
        return Promise.resolve();
      }),
    );
    mine.change([{ piece: 'a', value: 'one' }]);
    await mine.save();
    expect(mine.pieces.a).toBe('two');
    expect(mine.beside).toEqual([]);
    expect(mine.waiting).toBe(0);
  });

  it('does not miss what another changed just before one’s own change', async () => {
    const { as, open } = serverOf('a', 'b');
    const [mine, theirs] = [open(as('I')), open(as('They'))];
    theirs.change([{ piece: 'b', value: 'theirs' }]);
    await theirs.save();
    mine.change([{ piece: 'a', value: 'mine' }]);
    await mine.save();
    await mine.readNews();
    expect(mine.pieces).toEqual({ a: 'mine', b: 'theirs' });
  });

  it('sends again what was not answered, once, and loses nothing', async () => {
    const { as, open, history } = serverOf('a');
    let lost = true;
    const server = as('I');
    const mine = open({
      ...server,
      async send(changes, sending) {
        const answer = await server.send(changes, sending);
        if (lost) throw new Error('no network');
        return answer;
      },
    });
    mine.change([{ piece: 'a', value: 'one' }]);
    await expect(mine.save()).rejects.toThrow('no network');
    expect(mine.waiting).toBe(1);
    mine.change([{ piece: 'a', value: 'two' }]);
    lost = false;
    await mine.save();
    expect(history.map(({ value, taken }) => [value, taken])).toEqual([
      ['one', true],
      ['two', true],
    ]);
    expect(mine.waiting).toBe(0);
  });

  it('waits with what was refused until it is changed', async () => {
    const { as, open, history } = serverOf('a');
    const server = as('I');
    const mine = open({
      ...server,
      send: (changes, sending) =>
        changes.some(({ value }) => value === 'too long')
          ? Promise.reject(new Error('too long'))
          : server.send(changes, sending),
    });
    mine.change([{ piece: 'a', value: 'too long' }]);
    await expect(mine.save()).rejects.toThrow('too long');
    mine.takeBack();
    expect(mine.waiting).toBe(1);
    mine.change([{ piece: 'a', value: 'short' }]);
    await mine.save();
    expect(history.map(({ value }) => value)).toEqual(['short']);
  });

  it('brings three people who write at random to the same draft, with every word in the history', async () => {
    const names = ['a', 'b', 'c', 'd'];
    const { as, open, history, pieces } = serverOf(...names);
    // A small generator of its own, so that a failure can be played again.
    let state = 7;
    const next = (n: number) => {
      state = (state * 48271) % 2147483647;
      return state % n;
    };
    const pause = async () => {
      for (let i = next(4); i > 0; i--) await Promise.resolve();
    };
    const people = ['one', 'two', 'three'].map((who) => open(as(who, pause)));
    const written = new Set<string>();
    const working = people.map(async (own, who) => {
      for (let i = 0; i < 40; i++) {
        const value = `${who}:${i}`;
        own.change([{ piece: names[next(4)] ?? 'a', value }]);
        written.add(value);
        if (next(2) === 0) await own.readNews();
        await own.save();
      }
    });
    await Promise.all(working);
    for (const own of people) await own.readNews();
    const there = Object.fromEntries([...pieces].map(([name, { value }]) => [name, value]));
    for (const own of people) expect(own.pieces).toEqual(there);
    const kept = new Set(history.map(({ value }) => value));
    expect([...written].filter((value) => !kept.has(value))).toEqual([]);
  });
});

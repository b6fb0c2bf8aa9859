import { describe, expect, it } from 'vitest';
import { SECRET_KEY, startServer } from '../testing/startServer.ts';
import { firstWord, isFirstWord } from './firstWord.ts';

const empty = await startServer('empty');

describe('the first lead account', () => {
  // The browser tests, which must not import from here, type the same.
  const word = 'j64gc-dkdwn';
  const person = {
    ...{ email: 'First@Orrinmouth.example', name: 'Ana', password: 'a long enough one' },
    word,
  };

  it('asks for the word that was printed at the start, and counts guesses', async () => {
    const guess = (typed: string) =>
      empty.anyone.call('POST', '/accounts/first-administrator', { ...person, word: typed });
    for (const typed of ['aaaaa-aaaaa', 'x', ` ${word.slice(0, 9)}`]) {
      const refused = await guess(typed);
      expect([refused.status, refused.body.errors[0].pointer]).toEqual([422, '/word']);
    }
    for (let i = 0; i < 5; i++) await guess('aaaaa-aaaaa').expect(422);
    await guess(word).expect(429);
    expect(await empty.db('account')).toEqual([]);
    await empty.db('sign_in_attempt').delete();
    expect(firstWord(SECRET_KEY)).toBe(word);
    expect(isFirstWord(SECRET_KEY, word.toUpperCase().replace('-', ' '))).toBe(true);
    expect(isFirstWord('another key of thirty-two letters', word)).toBe(false);
  });

  it('can be made once, and only once', async () => {
    const session = await empty.anyone.call('GET', '/session');
    expect(session.body).toMatchObject({ account: null, needsFirstAdministrator: true });
    const both = await Promise.all([
      empty.agent().post('/api/accounts/first-administrator').send(person),
      empty
        .agent()
        .post('/api/accounts/first-administrator')
        .send({ ...person, email: 'b@orrinmouth.example' }),
    ]);
    expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
    expect(await empty.db('account').count('* as n').first()).toEqual({ n: 1 });
  });

  it('costs no more than looking once there is one: even a weak password is not looked at', async () => {
    const response = await empty
      .agent()
      .post('/api/accounts/first-administrator')
      .send({ ...person, password: 'password1234' });
    expect(response.status).toBe(409);
  });

  it('needs a password worth the name', async () => {
    const response = await empty.anyone.call('POST', '/accounts/first-administrator', {
      ...person,
      password: 'short',
    });
    expect(response.status).toBe(422);
    expect(response.body.errors).toEqual([
      { pointer: '/password', detail: 'needs 12 characters or more' },
    ]);
  });
});

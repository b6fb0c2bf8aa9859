import type { Invited, Letter, Person } from '@kritikos/contracts/accounts';
import { createServer } from 'node:net';
import type { AddressInfo, Socket } from 'node:net';
import { pino } from 'pino';
import { describe, expect, it } from 'vitest';
import { DEMO_PASSWORD, EXAMINERS, LEAD } from '../demo/people.ts';
import { textOf } from '../post/letters.ts';
import { PostOffice } from '../post/postOffice.ts';
import { SECRET_KEY, startServer } from '../testing/startServer.ts';

const server = await startServer('demo');
const administrator = await server.lead();
const GOOD = 'seven-quiet-herons';

const people = async (): Promise<Person[]> =>
  (await administrator.call('GET', '/accounts').expect(200)).body;
const letters = async (): Promise<Letter[]> =>
  (await administrator.call('GET', '/post').expect(200)).body.letters;

/** The secret of a link that whoever made it is told, where no letter leaves. */
function secretOf({ passOn }: Invited): string {
  const token = /^http:\/\/kritikos\.test\/welcome#([\w-]+)$/.exec(passOn ?? '')?.[1] ?? '';
  expect(token).not.toBe('');
  server.keepSecret(token);
  return token;
}
async function invite(email: string, roles: string[] = ['lead']): Promise<[Person, string]> {
  const { body } = await administrator
    .call('POST', '/accounts', { email, name: 'Maud Iqbal', roles })
    .expect(200);
  return [body.person, secretOf(body)];
}
async function newLink(id: string | undefined): Promise<string> {
  const { body } = await administrator.call('POST', `/accounts/${id}/link`).expect(200);
  return secretOf(body);
}
/** As where a mail server is set: letters carry the link, and nobody else is told it. */
async function whereLettersLeave<T>(act: () => Promise<T>): Promise<T> {
  Object.assign(server.tools.house, { sends: true });
  try {
    return await act();
  } finally {
    Object.assign(server.tools.house, { sends: false });
  }
}
const newestLetter = async (recipient: string) =>
  server.db('letter').where({ recipient }).orderBy('written_at', 'desc').first();
const look = (token: string) => server.anyone.call('POST', '/links/invitation/look', { token });
const choose = (token: string, password = GOOD) =>
  server.agent().post('/api/links/invitation').send({ token, password });

describe('an invitation', () => {
  it('is a link, by which somebody chooses a password and is signed in', async () => {
    const [person, token] = await invite('maud@orrinmouth.example', ['examiner', 'lead', 'lead']);
    expect(person).toMatchObject({ invited: true, roles: ['lead', 'examiner'] });
    await server
      .agent()
      .post('/api/session')
      .send({ email: person.email, password: '' })
      .expect(401);
    expect((await look(token).expect(200)).body).toMatchObject({ name: 'Maud Iqbal' });
    const weak = await choose(token, 'maudmaudmaud');
    expect([weak.status, weak.body.errors[0].pointer]).toEqual([422, '/password']);
    const { body } = await choose(token).expect(200);
    expect(body.account).toMatchObject({ id: person.id, roles: ['lead', 'examiner'] });
    expect((await people()).find((one) => one.id === person.id)?.invited).toBe(false);
    const again = await server
      .agent()
      .post('/api/session')
      .send({ email: person.email, password: GOOD });
    expect(again.status).toBe(200);
  });

  it('is told once to whoever made it where no letter leaves, and kept nowhere but as a hash', async () => {
    const [person, token] = await invite('hash@orrinmouth.example');
    const links = await server.db('link').where({ subject: person.id });
    const letter = await newestLetter(person.email);
    expect(JSON.stringify([links, letter])).not.toContain(token);
    expect(letter.sealed).toBeNull();
    const list = await administrator.call('GET', '/post').expect(200);
    expect(list.text).not.toContain(token);
    expect(list.body.sends).toBe(false);
    expect(list.body.letters[0]).toMatchObject({
      ...{ recipient: person.email, purpose: 'invitation', link: 'holds', waits: false },
    });
  });

  it('is a sealed letter where letters leave, and told to nobody', async () => {
    const email = 'told@orrinmouth.example';
    const { body } = await whereLettersLeave(() =>
      administrator.call('POST', '/accounts', { email, name: 'T', roles: ['lead'] }).expect(200),
    );
    expect(body.passOn).toBeNull();
    const letter = await newestLetter(email);
    const token = /#([\w-]+)$/m.exec(textOf(SECRET_KEY, letter) ?? '')?.[1] ?? '';
    server.keepSecret(token);
    expect(JSON.stringify(letter)).not.toContain(token);
    await choose(token).expect(200);
    expect((await newestLetter(email)).sealed).toBeNull();
    expect(await letters()).toContainEqual(
      expect.objectContaining({ recipient: email, link: 'used', waits: false }),
    );
  });

  it('goes to the address of the settings, whatever a request says of itself', async () => {
    const { body } = await administrator
      .call('POST', '/accounts', {
        ...{ email: 'door@orrinmouth.example', name: 'D', roles: ['lead'] },
      })
      .set('host', 'evil.example')
      .set('x-forwarded-host', 'evil.example')
      .expect(200);
    expect(body.passOn).toMatch(/^http:\/\/kritikos\.test\/welcome#/);
  });

  it('to somebody who was disabled since holds no longer', async () => {
    const [person, token] = await invite('gone@orrinmouth.example');
    const disable = (disabled: boolean) =>
      administrator.call('PUT', `/accounts/${person.id}/disabling`, { disabled }).expect(200);
    // A link of before, which was not revoked with the account.
    await server.db('account').where({ id: person.id }).update({ disabled_at: server.db.fn.now() });
    expect((await look(token)).status).toBe(410);
    expect((await choose(token)).status).toBe(410);
    expect((await server.db('account').where({ id: person.id }).first()).password_hash).toBeNull();
    await disable(false);
    await disable(true);
    await disable(false);
    expect((await look(token)).body.title).toBe('There is a newer link');
  });

  it('that was used, replaced, expired, or is none says so, and changes nothing', async () => {
    const [person, first] = await invite('often@orrinmouth.example');
    const second = await newLink(person.id);
    const why = async (token: string) => {
      const { status, body } = await choose(token);
      return [status, body.title];
    };
    expect(await why(first)).toEqual([410, 'There is a newer link']);
    await server
      .db('link')
      .where({ subject: person.id })
      .update({
        made_at: server.db.raw(`now() - interval '9 days'`),
        expires_at: server.db.raw(`now() - interval '2 days'`),
      });
    expect(await why(second)).toEqual([410, 'This link has expired']);
    expect(await why('x'.repeat(43))).toEqual([410, 'This link is none of ours']);
    const third = await newLink(person.id);
    const both = await Promise.all([choose(third), choose(third, 'nine-slow-otters')]);
    expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
    expect(await why(third)).toEqual([410, 'This link was used already']);
  });

  it('is for nobody who has an account, in whichever letters', async () => {
    const { body } = await administrator
      .call('POST', '/accounts', { email: LEAD.email.toUpperCase(), name: 'X', roles: ['lead'] })
      .expect(422);
    expect(body.errors[0].detail).toMatch(/has an account already/);
    await administrator
      .call('POST', '/accounts', { email: 'a@b.example', name: 'X', roles: [] })
      .expect(422);
  });
});

describe('a new password', () => {
  it('by link ends the sessions that there are', async () => {
    const examiner = await server.signIn(EXAMINERS[5].email);
    const token = await newLink(examiner.account?.id);
    expect((await letters())[0]?.subject).toMatch(/new password/);
    await examiner.call('GET', '/own/stations').expect(200); // until it is chosen, all goes on
    await choose(token).expect(200);
    await examiner.call('GET', '/own/stations').expect(401);
    await expect(server.signIn(EXAMINERS[5].email)).rejects.toThrow(/Could not sign in/);
  });

  it('that was forgotten is asked for by mail, where letters leave; nobody learns who has an account', async () => {
    const ask = (email: string) => server.agent().post('/api/links/new-password').send({ email });
    const refused = await ask(EXAMINERS[6].email).expect(409);
    expect(refused.body.detail).toBe('Ask an administrator for a link; they make it under People.');
    await whereLettersLeave(async () => {
      const known = await ask(EXAMINERS[6].email).expect(200);
      const unknown = await ask('nobody@orrinmouth.example').expect(200);
      expect([known.body, unknown.body]).toEqual([null, null]);
      expect(await newestLetter('nobody@orrinmouth.example')).toBeUndefined();
      const letter = textOf(SECRET_KEY, await newestLetter(EXAMINERS[6].email)) ?? '';
      expect(letter).toContain('If it was not you, leave this letter');
      const token = /#([\w-]+)$/m.exec(letter)?.[1] ?? '';
      server.keepSecret(token);
      await choose(token).expect(200);
      for (let i = 0; i < 2; i++) await ask(EXAMINERS[6].email).expect(200);
      const often = await ask(EXAMINERS[6].email).expect(429);
      expect(often.body.title).toBe('Too many attempts to get a letter');
    });
  });
});

describe('roles', () => {
  it('are given and taken, and hold from the next request on', async () => {
    const examiner = await server.signIn(EXAMINERS[4].email);
    const path = `/accounts/${examiner.account?.id}/roles`;
    await examiner.call('GET', '/examinations').expect(403);
    await administrator.call('PUT', path, { roles: ['examiner', 'lead'] }).expect(200);
    expect((await examiner.call('GET', '/examinations').expect(200)).body).toEqual([]);
    await administrator.call('PUT', path, { roles: ['judge'] }).expect(200);
    await examiner.call('GET', '/own/stations').expect(403);
    await administrator.call('PUT', path, { roles: ['examiner'] }).expect(200);
  });

  it('of the last administrator stay, by the service and by the database', async () => {
    const { id } = administrator.account ?? { id: '' };
    for (const [path, body] of [
      [`/accounts/${id}/roles`, { roles: ['lead'] }],
      [`/accounts/${id}/disabling`, { disabled: true }],
    ] as const) {
      const response = await administrator.call('PUT', path, body);
      expect([response.status, response.body.title]).toEqual([
        409,
        'This is the last administrator',
      ]);
    }
    await expect(
      server.db('account').where({ id }).update({ disabled_at: new Date() }),
    ).rejects.toThrow(/last administrator/);
    // Two who take it from each other at once: one of them stays.
    const [other] = await invite('second@orrinmouth.example', ['administrator']);
    const taken = await Promise.all(
      [id, other.id].map((one) =>
        server
          .db('account')
          .where({ id: one })
          .update({ roles: ['lead'] })
          .then(
            () => 'taken',
            () => 'kept',
          ),
      ),
    );
    expect(taken.sort()).toEqual(['kept', 'taken']);
    await server
      .db('account')
      .where({ id })
      .update({ roles: ['administrator', 'lead'] });
  });
});

describe('disabling', () => {
  it('ends the sessions at once, keeps what was done, and is taken back', async () => {
    const examiner = await server.signIn(EXAMINERS[3].email);
    const path = `/accounts/${examiner.account?.id}/disabling`;
    const own = (await examiner.call('GET', '/own/stations').expect(200)).body;
    await administrator.call('PUT', path, { disabled: true }).expect(200);
    await examiner.call('GET', '/own/stations').expect(401);
    await expect(server.signIn(EXAMINERS[3].email)).rejects.toThrow(/Could not sign in/);
    const link = await administrator.call('POST', `/accounts/${examiner.account?.id}/link`);
    expect(link.status).toBe(409);
    await administrator.call('PUT', path, { disabled: false }).expect(200);
    const back = await server.signIn(EXAMINERS[3].email);
    expect((await back.call('GET', '/own/stations')).body).toEqual(own);
  });
});

describe('who leads an examination', () => {
  it('is said by whoever leads it, and somebody always does', async () => {
    const id = await server.thisYears();
    const path = `/examinations/${id}/leads`;
    const [person, token] = await invite('reader@orrinmouth.example');
    await choose(token, DEMO_PASSWORD).expect(200);
    const reader = await server.signIn(person.email);
    await reader.call('GET', `/examinations/${id}`).expect(403);
    const own = { accountId: administrator.account?.id, may: 'lead' };
    const asReader = { accountId: person.id, may: 'read' };
    await administrator.call('PUT', path, { leads: [own, asReader] }).expect(200);
    await reader.call('GET', `/examinations/${id}`).expect(200);
    await reader.call('PUT', path, { leads: [{ ...asReader, may: 'lead' }] }).expect(403);
    const none = await administrator.call('PUT', path, { leads: [asReader] });
    expect(none.body.errors[0].detail).toBe('needs somebody who leads');
    const examiner = await server.db('account').where({ email: EXAMINERS[0].email }).first('id');
    const strange = { leads: [own, { accountId: examiner.id, may: 'read' }] };
    expect((await administrator.call('PUT', path, strange)).status).toBe(422);
    await administrator.call('PUT', path, { leads: [own] }).expect(200);
    await reader.call('GET', `/examinations/${id}`).expect(403);
  });
});

describe('the post', () => {
  it('goes to a mail server where there is one, each letter once, and says what went wrong', async () => {
    const logger = pino({ level: 'silent' });
    const received: string[] = [];
    const mailServer = createServer((socket) => answerMail(socket, received));
    await new Promise<void>((resolve) => mailServer.listen(0, '127.0.0.1', resolve));
    const { port } = mailServer.address() as AddressInfo;
    await server.db('letter').delete();
    await whereLettersLeave(() =>
      administrator
        .call('POST', '/accounts', {
          ...{ email: 'mail@orrinmouth.example', name: 'Maud Iqbal', roles: ['lead'] },
        })
        .expect(200),
    );
    const away = new PostOffice(server.tools.db, logger, {
      SECRET_KEY,
      SMTP_URL: 'smtp://127.0.0.1:1',
      MAIL_FROM: 'school@orrinmouth.example',
    });
    await away.send();
    away.stop();
    expect((await letters())[0]).toMatchObject({
      sentAt: null,
      problem: expect.stringMatching(/ECONNREFUSED/),
    });
    const office = new PostOffice(server.tools.db, logger, {
      SECRET_KEY,
      SMTP_URL: `smtp://127.0.0.1:${port}?ignoreTLS=true`,
      MAIL_FROM: 'school@orrinmouth.example',
    });
    await office.send();
    await office.send();
    office.stop();
    mailServer.close();
    expect((await letters())[0]).toMatchObject({ sentAt: expect.any(String), problem: null });
    expect(received).toHaveLength(1);
    expect(received[0]?.replace(/=\r?\n/g, '')).toContain('http://kritikos.test/welcome#');
    const [gone] = await server.db('letter');
    expect(gone.sealed).toBeNull();
    expect(received[0]).toContain('To: mail@orrinmouth.example');
    expect(received[0]).toContain('From: school@orrinmouth.example');
  });
});

/** As much of SMTP (RFC 5321) as a letter needs. */
function answerMail(socket: Socket, received: string[]): void {
  let data: string | null = null;
  let rest = '';
  socket.write('220 here\r\n');
  socket.on('error', () => undefined);
  socket.on('data', (chunk) => {
    rest += chunk.toString('utf8');
    for (let end = rest.indexOf('\r\n'); end >= 0; end = rest.indexOf('\r\n')) {
      const line = rest.slice(0, end);
      rest = rest.slice(end + 2);
      if (data !== null) {
        if (line === '.') {
          received.push(data);
          data = null;
          socket.write('250 taken\r\n');
        } else data += `${line}\n`;
      } else if (line === 'DATA') {
        data = '';
        socket.write('354 go on\r\n');
      } else if (line === 'QUIT') socket.end('221 bye\r\n');
      else socket.write('250 yes\r\n');
    }
  });
}

import { describe, expect, it } from 'vitest';
import { DEMO_PASSWORD, EXAMINERS, LEAD } from '../demo/people.ts';
import { startServer } from '../testing/startServer.ts';

const server = await startServer('demo');
const empty = await startServer('empty');

describe('signing in', () => {
  it('gives a cookie that scripts cannot read and other sites do not send', async () => {
    const response = await server
      .agent()
      .post('/api/session')
      .send({ email: LEAD.email, password: DEMO_PASSWORD });
    expect(response.status).toBe(200);
    const cookie = String(response.headers['set-cookie']);
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Strict/);
  });

  it('stores passwords only as argon2id hashes', async () => {
    const hashes = await server.db('account').pluck('password_hash');
    expect(hashes.length).toBe(7);
    for (const hash of hashes) expect(hash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
  });

  it('says the same for a wrong password and for nobody', async () => {
    const wrong = await server
      .agent()
      .post('/api/session')
      .send({ email: LEAD.email, password: 'not this one' });
    const nobody = await server
      .agent()
      .post('/api/session')
      .send({ email: 'nobody@orrinmouth.example', password: 'not this one' });
    expect(wrong.status).toBe(401);
    expect(nobody.body).toEqual(wrong.body);
  });

  it('stops after eight failures for one name, and says how long to wait', async () => {
    const attempt = () =>
      server.agent().post('/api/session').send({ email: EXAMINERS[5].email, password: 'guess' });
    for (let i = 0; i < 8; i++) expect((await attempt()).status).toBe(401);
    const ninth = await attempt();
    expect(ninth.status).toBe(429);
    expect(ninth.body.detail).toMatch(/Wait \d+ minutes/);
    const right = await server
      .agent()
      .post('/api/session')
      .send({ email: EXAMINERS[5].email, password: DEMO_PASSWORD });
    expect(right.status).toBe(429);
    await server.signIn(EXAMINERS[4].email);
  });

  it('gives a new session id at sign-in', async () => {
    const agent = server.agent();
    const first = await agent
      .post('/api/session')
      .send({ email: LEAD.email, password: DEMO_PASSWORD });
    const again = await agent
      .post('/api/session')
      .send({ email: LEAD.email, password: DEMO_PASSWORD })
      .set('x-csrf-token', first.body.csrfToken);
    expect(again.headers['set-cookie']).not.toEqual(first.headers['set-cookie']);
  });

  it('ends the session at sign-out', async () => {
    const lead = await server.lead();
    await lead.call('DELETE', '/session').expect(200);
    await lead.call('GET', '/examinations').expect(401);
  });
});

describe('forged requests', () => {
  it('are refused without the session’s token', async () => {
    const agent = server.agent();
    await agent.post('/api/session').send({ email: LEAD.email, password: DEMO_PASSWORD });
    const response = await agent.post('/api/examinations').send({});
    expect(response.status).toBe(403);
    expect(response.body.type).toBe('urn:kritikos:problem:forged-request');
  });

  it('are refused when another site sends them, signed in or not', async () => {
    const attempt = { email: LEAD.email, password: DEMO_PASSWORD };
    await server
      .agent()
      .post('/api/session')
      .set('origin', 'https://elsewhere.example')
      .send(attempt)
      .expect(403);
    await server
      .agent()
      .post('/api/session')
      .set('sec-fetch-site', 'cross-site')
      .send(attempt)
      .expect(403);
  });
});

describe('the first lead account', () => {
  const person = { email: 'First@Orrinmouth.example', name: 'Ana', password: 'a long enough one' };

  it('can be made once, and only once', async () => {
    const session = await empty.anyone.call('GET', '/session');
    expect(session.body).toMatchObject({ account: null, needsFirstLead: true });
    const both = await Promise.all([
      empty.agent().post('/api/accounts/first-lead').send(person),
      empty
        .agent()
        .post('/api/accounts/first-lead')
        .send({ ...person, email: 'b@orrinmouth.example' }),
    ]);
    expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
    expect(await empty.db('account').count('* as n').first()).toEqual({ n: 1 });
  });

  it('needs a password worth the name', async () => {
    const response = await empty.anyone.call('POST', '/accounts/first-lead', {
      ...person,
      password: 'short',
    });
    expect(response.status).toBe(422);
    expect(response.body.errors).toEqual([
      { pointer: '/password', detail: 'needs 12 characters or more' },
    ]);
  });
});

describe('accounts', () => {
  it('lets a lead add an examiner, who can sign in and change the password', async () => {
    const lead = await server.lead();
    const person = { email: 'new@orrinmouth.example', name: 'New One', password: DEMO_PASSWORD };
    await lead.call('POST', '/accounts/examiners', person).expect(200);
    const twice = await lead.call('POST', '/accounts/examiners', person);
    expect(twice.status).toBe(422);
    const examiner = await server.signIn(person.email);
    const wrong = await examiner.call('PUT', '/accounts/own/password', {
      current: 'x',
      next: 'another long one',
    });
    expect(wrong.status).toBe(422);
    await examiner
      .call('PUT', '/accounts/own/password', { current: DEMO_PASSWORD, next: 'another long one' })
      .expect(200);
    await expect(server.signIn(person.email)).rejects.toThrow(/Could not sign in/);
  });
});

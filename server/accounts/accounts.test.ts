import { createAccount } from './service.ts';
import { createHash } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { DEMO_PASSWORD, EXAMINERS, LEAD } from '../demo/people.ts';
import { startServer } from '../testing/startServer.ts';

const server = await startServer('demo');
const proxied = await startServer('demo', ['loopback']);

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
    expect(hashes.length).toBe(1 + EXAMINERS.length);
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

  it('counts before it checks: a hundred and fifty at once get no more tries than eight', async () => {
    const attempt = () =>
      server
        .agent()
        .post('/api/session')
        .send({ email: 'many@orrinmouth.example', password: 'guess' })
        .then((response) => response.status);
    const statuses = await Promise.all(Array.from({ length: 150 }, attempt));
    expect(statuses.filter((status) => status === 401)).toHaveLength(8);
    expect(statuses.filter((status) => status === 429)).toHaveLength(142);
  });

  it('lets in whoever knows the password, however many others failed from the same address', async () => {
    await server.db('sign_in_attempt').where('key', 'like', 'address:%').update({ points: 5000 });
    const stranger = () =>
      server
        .agent()
        .post('/api/session')
        .send({ email: 'somebody@orrinmouth.example', password: 'guess' });
    // One try a name is left, so that no list of names can be gone through with many passwords.
    expect((await stranger()).status).toBe(401);
    expect((await stranger()).status).toBe(429);
    await server.signIn(EXAMINERS[3].email);
    await server.signIn(EXAMINERS[3].email);
    await server.db('sign_in_attempt').where('key', 'like', 'address:%').delete();
  });

  it('keeps the session by its hash, so that reading the database opens none', async () => {
    const response = await server
      .agent()
      .post('/api/session')
      .send({ email: LEAD.email, password: DEMO_PASSWORD });
    const sid = /s%3A([^.]+)\./.exec(String(response.headers['set-cookie']))?.[1] ?? '';
    const hash = createHash('sha256').update(decodeURIComponent(sid)).digest();
    const { rows } = await server.db.raw('select to_jsonb(s)::text as row, id_hash from session s');
    expect(rows.some((row: { id_hash: Buffer }) => row.id_hash.equals(hash))).toBe(true);
    expect(rows.some((row: { row: string }) => row.row.includes(sid))).toBe(false);
  });

  it('takes a name that cannot be stored for a wrong one, not for a fault', async () => {
    const response = await server
      .agent()
      .post('/api/session')
      .send({ email: 'a\u0000b@orrinmouth.example', password: 'guess' });
    expect(response.status).toBe(422);
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

describe('behind a proxy', () => {
  const attempt = { email: LEAD.email, password: DEMO_PASSWORD };

  it('believes a trusted one on the address and on TLS', async () => {
    const response = await proxied
      .agent()
      .post('/api/session')
      .set('x-forwarded-for', '203.0.113.7')
      .set('x-forwarded-proto', 'https')
      .send(attempt)
      .expect(200);
    expect(String(response.headers['set-cookie'])).toMatch(/Secure/);
    const entry = await proxied.db('audit_entry').where({ action: 'signed in' }).first();
    expect(entry.detail.address).toBe('203.0.113.7');
  });

  it('believes nobody else', async () => {
    const response = await server
      .agent()
      .post('/api/session')
      .set('x-forwarded-for', '203.0.113.7')
      .set('x-forwarded-proto', 'https')
      .send(attempt)
      .expect(200);
    expect(String(response.headers['set-cookie'])).not.toMatch(/Secure/);
    const addresses = await server.db('audit_entry').pluck('detail');
    expect(JSON.stringify(addresses)).not.toContain('203.0.113.7');
  });

  it('counts the tries of one client, not of all behind the proxy', async () => {
    const guess = (address: string) =>
      proxied
        .agent()
        .post('/api/session')
        .set('x-forwarded-for', address)
        .send({ email: LEAD.email, password: 'guess' });
    for (let i = 0; i < 8; i++) await guess('203.0.113.9');
    expect((await guess('203.0.113.9')).status).toBe(429);
    expect((await guess('203.0.113.10')).status).toBe(401);
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

describe('the log', () => {
  it('says that somebody could not sign in, and nothing that opens a session', async () => {
    const somebody = await server.signIn(EXAMINERS[4].email);
    const before = server.logged.length;
    await somebody
      .call('POST', '/session', {
        email: 'somebody@else.example',
        password: 'an unheard-of secret',
      })
      .expect(401);
    server.keepSecret('an unheard-of secret');
    const lines = server.logged.slice(before).filter((line) => line.includes('sign-in failed'));
    expect(lines).toHaveLength(1);
    const { req } = JSON.parse(lines[0] ?? '{}') as { req: object };
    expect(Object.keys(req).sort()).toEqual(['id', 'method', 'url']);
    expect(lines[0]).not.toMatch(/kritikos\.sid|csrf/i);
  });
});

describe('accounts', () => {
  it('lets somebody change the own password, who knows the present one', async () => {
    const person = { email: 'new@orrinmouth.example', name: 'New One', password: DEMO_PASSWORD };
    await createAccount(server.db, person, ['examiner'], null);
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

describe('a password', () => {
  it.each([
    ['a common one', 'password1234', /too easy to guess/],
    ['a walk over the keyboard', 'qwertyuiop12', /too easy to guess/],
    ['the own name', 'TomaszAdeyemi', /too easy to guess/],
  ])('is refused where it is %s', async (_, next, why) => {
    const examiner = await server.signIn(EXAMINERS[0].email);
    const response = await examiner.call('PUT', '/accounts/own/password', {
      current: DEMO_PASSWORD,
      next,
    });
    expect(response.status).toBe(422);
    expect(response.body.errors[0]).toMatchObject({ pointer: '/next' });
    expect(response.body.errors[0].detail).toMatch(why);
  });

  it('cannot be guessed at in an open session', async () => {
    const examiner = await server.signIn(EXAMINERS[1].email);
    const guess = () =>
      examiner.call('PUT', '/accounts/own/password', {
        current: 'is it this',
        next: 'seven grey lanterns at noon',
      });
    const statuses = (await Promise.all(Array.from({ length: 20 }, guess))).map((r) => r.status);
    expect(statuses.filter((status) => status === 422)).toHaveLength(8);
    expect(statuses.filter((status) => status === 429)).toHaveLength(12);
  });

  it('that is new ends the other sessions and renews the own', async () => {
    const [here, there] = [
      await server.signIn(EXAMINERS[2].email),
      await server.signIn(EXAMINERS[2].email),
    ];
    const next = 'seven grey lanterns at noon';
    const changed = await here
      .call('PUT', '/accounts/own/password', { current: DEMO_PASSWORD, next })
      .expect(200);
    expect(changed.body.account.email).toBe(EXAMINERS[2].email);
    expect(changed.headers['set-cookie']).toBeDefined();
    await here.call('GET', '/own/stations').expect(200);
    await there.call('GET', '/own/stations').expect(401);
  });
});

import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import request from 'supertest';
import { describe, expect, it } from 'vitest';
import { startServer } from '../testing/startServer.ts';
import { application } from './application.ts';

const server = await startServer('empty');
const folder = mkdtempSync(join(tmpdir(), 'kritikos-web-'));
writeFileSync(
  join(folder, 'index.html'),
  '<meta property="csp-nonce" nonce="__CSP_NONCE__"><style nonce="__CSP_NONCE__"></style>',
);
writeFileSync(join(folder, 'seat.html'), '<title>A seat</title>');
const logger = pino({ level: 'silent' });
const settings = { TRUSTED_PROXIES: [], HSTS_SECONDS: 3600 };
const app = await application(server.tools, settings, logger, folder);

describe('an answer of the API', () => {
  it('is kept nowhere, and is never a page', async () => {
    const { headers } = await request(app).get('/api/session').expect(200);
    expect(headers['cache-control']).toBe('no-store');
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['content-security-policy']).toContain("default-src 'none'");
    expect(Math.abs(Number(headers['kritikos-time']) - Date.now())).toBeLessThan(60_000);
  });

  it('is kept nowhere when it is a problem either', async () => {
    const { headers, status } = await request(app).get('/api/examinations');
    expect([status, headers['cache-control']]).toEqual([401, 'no-store']);
  });

  it('says nothing of TLS unless it is told to', async () => {
    const { headers } = await server.anyone.call('GET', '/session');
    expect(headers['strict-transport-security']).toBeUndefined();
    const strict = await request(app).get('/api/session');
    // For this host alone, an answer like a page.
    expect(strict.headers['strict-transport-security']).toBe('max-age=3600');
    const { headers: ofPage } = await request(app).get('/sign-in');
    expect(ofPage['strict-transport-security']).toBe('max-age=3600');
  });
});

describe('a page', () => {
  it('takes styles from here or with its own nonce, a new one every time', async () => {
    const pages = [await request(app).get('/'), await request(app).get('/sheets/x')];
    const nonces = pages.map(({ text, headers }) => {
      const nonce = /nonce="([^"]+)"/.exec(text)?.[1] ?? '';
      const policy = String(headers['content-security-policy']);
      expect(policy).toContain(`style-src 'self' 'nonce-${nonce}'`);
      expect(policy).not.toContain('unsafe');
      expect(policy).toContain("font-src 'self'");
      expect(text).not.toContain('__CSP_NONCE__');
      return nonce;
    });
    expect(nonces[0]).not.toBe(nonces[1]);
  });

  it('asks the device for nothing', async () => {
    const { headers } = await request(app).get('/');
    expect(headers['permissions-policy']).toContain('camera=()');
    expect(headers['permissions-policy']).toContain('geolocation=()');
  });
});

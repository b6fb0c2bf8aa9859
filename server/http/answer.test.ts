import express from 'express';
import request from 'supertest';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { startServer } from '../testing/startServer.ts';
import { answer } from './answer.ts';
import type { Route } from './route.ts';

const { tools } = await startServer('empty');

/** A route that answers with this, whatever its contract says. */
function serverOf(result: unknown, answers: z.ZodType) {
  const route = {
    ...{ says: '', access: 'anyone', address: 'GET /post', method: 'get', path: '/' },
    ...{ params: z.object({}), answers },
    handle: () => Promise.resolve(result),
  } as const satisfies Route;
  const faults: unknown[] = [];
  const app = express();
  app.get('/', answer(route, tools));
  app.use(((error, _request, response, next) => {
    faults.push(error);
    if (response.headersSent) next(error);
    else response.status(500).end();
  }) satisfies express.ErrorRequestHandler);
  return { app, faults };
}

describe('an answer', () => {
  const contract = z.object({ name: z.string() });

  it('leaves the house with what its contract names, and nothing else', async () => {
    const { app } = serverOf({ name: 'Ada', passwordHash: '$argon2id$' }, contract);
    const { body } = await request(app).get('/').expect(200);
    expect(body).toEqual({ name: 'Ada' });
  });

  it('that is not what its contract says does not leave it, tests or not', async () => {
    const before = process.env.NODE_ENV;
    process.env.NODE_ENV = 'production';
    try {
      const { app, faults } = serverOf({ name: 7 }, contract);
      await request(app).get('/').expect(500);
      expect(String(faults[0])).toMatch(/expected string/);
    } finally {
      process.env.NODE_ENV = before;
    }
  });
});

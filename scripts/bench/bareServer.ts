import express from 'express';
import pg from 'pg';

/**
 * What a marking server is measured beside: one Express route that reads JSON and writes one row,
 * with nothing else in the way: no session, no check, no projection.
 */
const pool = new pg.Pool({ connectionString: process.env.DATABASE_URL, max: 20 });
await pool.query('create table if not exists bare (id uuid primary key, body jsonb not null)');
const app = express();
app.use(express.json());
app.get('/api/session', (_request, response) => void response.json({}));
app.post('/api/bare', async (request, response) => {
  const { id } = request.body as { id: string };
  await pool.query('insert into bare (id, body) values ($1, $2)', [id, request.body]);
  response.json({ id });
});
const server = app.listen(Number(process.env.PORT), '127.0.0.1');
server.keepAliveTimeout = 75_000;
process.on('SIGTERM', () => process.exit(0));

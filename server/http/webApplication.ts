import { readFileSync } from 'node:fs';
import { join, sep } from 'node:path';
import express from 'express';
import type { RequestHandler } from 'express';
import { notFound } from './problems.ts';
import { nonceOf } from './securityHeaders.ts';

/** Stands in the built page where the nonce of each answer goes; see web/vite.config.ts. */
const PLACE_OF_NONCE = /__CSP_NONCE__/g;

/** The built single-page application; every address that is not a file or the API is its own. */
export function webApplication(folder: string): RequestHandler {
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const files = express.static(folder, {
    index: false,
    setHeaders: (response, path) => {
      const hashed = path.includes(`${folder}${sep}assets${sep}`);
      response.setHeader(
        'cache-control',
        hashed ? 'public, max-age=31536000, immutable' : 'no-cache',
      );
    },
  });
  return (request, response, next) => {
    const show = () => {
      response.setHeader('cache-control', 'no-cache');
      response.type('html').send(page.replace(PLACE_OF_NONCE, nonceOf(response)));
    };
    if (request.path === '/index.html' && request.method === 'GET') return show();
    files(request, response, (error?: unknown) => {
      if (error) return next(error);
      if (request.method !== 'GET' || /\.\w+$/.test(request.path)) return next(notFound('file'));
      show();
    });
  };
}

import { randomBytes } from 'node:crypto';
import type { RequestHandler } from 'express';
import helmet from 'helmet';

/**
 * What a practical examination has no use for, no script of this page may ask the device for. Only
 * names that browsers know: an unknown one is a warning in every console.
 */
const UNUSED = [
  'accelerometer',
  'autoplay',
  'camera',
  'display-capture',
  'geolocation',
  'gyroscope',
  'hid',
  'magnetometer',
  'microphone',
  'midi',
  'payment',
  'serial',
  'usb',
];

const nonces = new WeakMap<object, string>();

/** The nonce of one answer: what its header allows and its page carries. */
export function nonceOf(response: object): string {
  const nonce = nonces.get(response) ?? randomBytes(16).toString('base64');
  nonces.set(response, nonce);
  return nonce;
}

/**
 * The headers of every page and file. Styles come from here or carry the nonce of their page, because
 * Vuetify writes its theme into a style element; scripts and fonts come from here only.
 */
export function pageHeaders(hstsSeconds: number): RequestHandler[] {
  const permissions: RequestHandler = (_request, response, next) => {
    response.setHeader('permissions-policy', UNUSED.map((name) => `${name}=()`).join(', '));
    next();
  };
  const others = helmet({
    contentSecurityPolicy: {
      directives: {
        styleSrc: ["'self'", (_request, response) => `'nonce-${nonceOf(response)}'`],
        fontSrc: ["'self'"],
        // The server speaks plain HTTP on loopback; a proxy in front adds TLS.
        upgradeInsecureRequests: null,
      },
    },
    // For this host alone: what else the school serves under its name is not ours to bind.
    strictTransportSecurity:
      hstsSeconds > 0 ? { maxAge: hstsSeconds, includeSubDomains: false } : false,
  });
  return [others, permissions];
}

/**
 * The headers of every answer of the API. They are about people: no cache on the way or in the
 * browser keeps them, and nothing in them is ever run or shown as a page.
 */
export function apiHeaders(hstsSeconds: number): RequestHandler {
  const headers = new Map([
    ['cache-control', 'no-store'],
    ['content-security-policy', "default-src 'none'; frame-ancestors 'none'"],
    ['x-content-type-options', 'nosniff'],
    ['referrer-policy', 'no-referrer'],
    ['cross-origin-resource-policy', 'same-origin'],
    ...(hstsSeconds > 0 ? ([['strict-transport-security', hsts(hstsSeconds)]] as const) : []),
  ]);
  return (_request, response, next) => {
    response.setHeaders(headers);
    // Devices measure from this how far their clocks are off.
    response.setHeader('kritikos-time', String(Date.now()));
    next();
  };
}

function hsts(seconds: number): string {
  return `max-age=${seconds}`;
}

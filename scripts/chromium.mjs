import { existsSync } from 'node:fs';
import { installDebianPackages } from './debian.mjs';

/** The browser that the tests drive: Debian's Chromium, installed where it is missing. */
export function ensureChromium() {
  const path = process.env.CHROMIUM ?? '/usr/bin/chromium';
  if (!existsSync(path)) installDebianPackages(['chromium']);
  return path;
}

import { RuleTester } from 'eslint';
import { describe, it } from 'vitest';
import { noFloatingCalls } from './noFloatingCalls.mjs';

RuleTester.describe = describe;
RuleTester.it = it;

new RuleTester().run('no floating calls', noFloatingCalls, {
  valid: [
    'async function load() { await call("GET /x"); }',
    'async function load() {} void load();',
    'const load = async () => {}; load().catch(tell);',
    'function plain() {} plain();',
    'async function load() {} function inner(load) { load(); }',
  ],
  invalid: [
    { code: 'call("GET /x");', errors: [{ messageId: 'floating', data: { name: 'call' } }] },
    { code: 'async function load() {} load();', errors: [{ messageId: 'floating' }] },
    { code: 'const load = async () => {}; if (now) load();', errors: [{ messageId: 'floating' }] },
  ],
});

import { describe, expect, it } from 'vitest';
import { file, run, SHROUT_FLEISS } from './testing/runCommand.ts';

describe('the command on reliability', () => {
  it('gives variance components with interactions', async () => {
    const rows = Array.from(
      { length: 240 },
      (_, i) =>
        `c${i % 20},s${Math.floor(i / 20) % 4},${50 + (i % 20) + 3 * (Math.floor(i / 20) % 4) + ((i * 37) % 11)}`,
    );
    const path = file('v.csv', ['candidate,station,mark', ...rows].join('\n'));
    const result = (
      await run(
        'variance',
        path,
        '--model',
        'candidate + station + candidate:station',
        '--fixed',
        '1',
        '--json',
      )
    ).json();
    expect(Object.keys(result.components)).toEqual([
      'candidate',
      'station',
      'candidate:station',
      'residual',
    ]);
    expect(result.components.candidate).toBeGreaterThan(20);
    expect(result).toMatchObject({ n: 240, fixed: { intercept: expect.any(Number) } });
    expect(result.logRestrictedLikelihood).toBeLessThan(0);
  });

  it('measures ability and severity, and refuses a design that falls apart', async () => {
    const rows = Array.from({ length: 120 }, (_, i) => {
      const [c, e] = [i % 20, Math.floor(i / 20) % 3];
      return `c${c},e${e},${Math.min(3, Math.max(0, ((c * 7 + i * 3) % 4) - (e === 2 ? 1 : 0)))}`;
    });
    const path = file('r.csv', ['candidate,examiner,mark', ...rows].join('\n'));
    const result = (await run('rasch', path, '--facets', 'candidate + examiner', '--json')).json();
    const severity = Object.fromEntries(
      result.facets.examiner.elements.map((e: { name: string; measure: number }) => [
        e.name,
        e.measure,
      ]),
    );
    expect(severity.e2).toBeGreaterThan(severity.e0);
    const apart = file('a.csv', 'candidate,examiner,mark\na,x,1\nb,x,0\nc,y,1\nd,y,0\n');
    const refused = await run('rasch', apart, '--facets', 'candidate + examiner');
    expect(refused.status).toBe(2);
    expect(refused.stderr).toMatch(/falls apart into 2 unconnected sets/);
  });

  it('says what designs are worth, and which is cheapest', async () => {
    const rows = SHROUT_FLEISS.flatMap((row, i) => row.map((x, j) => `${i},${j},${x}`));
    const path = file('d.csv', ['candidate,station,mark', ...rows].join('\n'));
    const result = (
      await run(
        'dstudy',
        path,
        '--facets',
        'candidate + station',
        '--sizes',
        'station=4,20',
        '--wished',
        '0.7',
        '--json',
      )
    ).json();
    expect(result.designs[0].dependability).toBeCloseTo(0.62, 2);
    expect(result.designs[0].generalizability).toBeCloseTo(0.91, 2);
    expect(result.cheapest.sizes).toEqual({ station: 20 });
    expect(
      (await run('dstudy', path, '--facets', 'candidate + station', '--sizes', 'room=4')).status,
    ).toBe(2);
  });
});

import { describe, expect, it } from 'vitest';
import { drawFigure } from './draw.ts';
import type { Drawing, Shape } from './drawing.ts';
import { framed } from './frame.ts';
import type { FigureSpec } from './spec.ts';
import { figureSvg } from './svg.ts';

const spec: FigureSpec = {
  position: 'supine',
  pose: { leg: { hipFlexion: 14, kneeFlexion: 25 } },
  decides: { angle: 'kneeFlexion', band: [20, 30] },
  hands: [
    { role: 'holds', segment: 'thigh', at: 0.85, surface: 'front' },
    { role: 'moves', segment: 'shank', at: 0.15, surface: 'back' },
  ],
  forces: [{ kind: 'straight', segment: 'shank', at: 0.15, surface: 'front', towards: 'front' }],
  region: ['thigh', 'shank'],
  closeUp: 'kneecap',
};
const drawingOf = (...shapes: Shape[]): Drawing => ({ ...framed(shapes), details: [], text: 'A' });
const numbers = (svg: string, attribute: string) =>
  (svg.match(new RegExp(`${attribute}="([^"]+)"`))?.[1] ?? '').split(' ').map(Number);

describe('a drawing as one SVG text', () => {
  const svg = figureSvg(drawFigure(spec, { side: 'right' }), 'f1');

  it('is well formed: every element that opens closes in its turn', () => {
    const open: string[] = [];
    for (const [, closing, name, own] of svg.matchAll(/<(\/?)([a-zA-Z]+)[^<>]*?(\/?)>/g)) {
      if (closing) expect(open.pop()).toBe(name);
      else if (!own) open.push(name ?? '');
    }
    expect(open).toEqual([]);
    expect(svg).not.toMatch(/NaN|undefined|Infinity/);
  });

  it('needs no style, script or address: a strict policy lets it through, paper takes it as it is', () => {
    expect(svg).not.toMatch(/<style|<script|style=|href|@import|var\(/);
    const painted = [...svg.matchAll(/<(path|circle|text) [^>]*>/g)].map(([element]) => element);
    expect(painted.length).toBeGreaterThan(40);
    for (const element of painted) expect(element).toMatch(/ (fill|stroke)="/);
  });

  it('says in words what it shows, and escapes them', () => {
    expect(svg).toMatch(/role="img" aria-labelledby="f1-text"/);
    expect(svg).toMatch(/<title id="f1-text">Lying on the back, right side tested/);
    const evil = figureSvg({ ...drawingOf(), box: [0, 0, 1, 1], text: '<b>"a" & b</b>' });
    expect(evil).toContain('&lt;b&gt;&quot;a&quot; &amp; b&lt;/b&gt;');
    expect(() => figureSvg(drawingOf(), 'a"b')).toThrow(/cannot be the id/);
  });

  it('uses every id once, and only ids that are there', () => {
    const ids = [...svg.matchAll(/ id="([^"]+)"/g)].map(([, id]) => id);
    expect(new Set(ids).size).toBe(ids.length);
    const used = [...svg.matchAll(/url\(#([^)]+)\)/g)].map(([, id]) => id);
    expect(used.length).toBeGreaterThan(0);
    for (const id of used) expect(ids).toContain(id);
  });

  it('lets a forearm fade from the wrist to its end, on the line that leads away from the hand', () => {
    const hand: Shape = {
      kind: 'hand',
      role: 'holds',
      at: [0.5, 0.25],
      away: [0, 1],
      faint: false,
    };
    const one = figureSvg(drawingOf(hand));
    const [x1, y1, x2, y2] = ['x1', 'y1', 'x2', 'y2'].map((name) => numbers(one, name)[0]);
    expect([x1, x2]).toEqual([200, 200]);
    // Paper counts downwards: the forearm rises from y = -100, where the hand lies.
    expect(y1).toBeLessThan(-100);
    expect(y2).toBeLessThan((y1 ?? 0) - 40);
    expect(one).toMatch(/stop-color="#fff"\/><stop offset="1" stop-color="#000"/);
    expect(one).not.toMatch(/opacity="0.55"/);
    expect(figureSvg(drawingOf({ ...hand, faint: true }))).toMatch(/opacity="0.55"/);
  });

  it('sets details to the right of the picture, inside the whole, each with its title', () => {
    const [left = 0, top = 0, width = 0, height = 0] = numbers(svg, 'viewBox');
    const picture = drawFigure(spec, { side: 'right' }).box;
    const detail = svg.match(
      /<g class="detail"><rect x="([-\d.]+)" y="([-\d.]+)" width="([\d.]+)"/,
    );
    const [x = 0, y = 0, size = 0] = (detail ?? []).slice(1).map(Number);
    expect(x).toBeGreaterThan((picture[0] + picture[2]) * 400);
    expect(x + size).toBeLessThanOrEqual(left + width + 0.1);
    expect(y).toBeGreaterThanOrEqual(top);
    expect(y + size).toBeLessThan(top + height);
    expect(svg).toMatch(/>The kneecap<\/text>/);
  });
});

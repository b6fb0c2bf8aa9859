import { describe, expect, it } from 'vitest';
import { isPrintable, text, textAsTyped } from './primitives.ts';

describe('text that can be stored', () => {
  it('may have line breaks, tabs and any script, but no control characters', () => {
    for (let code = 0; code < 0x20; code++) {
      const character = String.fromCharCode(code);
      expect(isPrintable(`a${character}b`), String(code)).toBe('\t\n\r'.includes(character));
    }
    expect(isPrintable('a\u007fb')).toBe(false);
    expect(isPrintable('Muñoz-Øster 李 🦵')).toBe(true);
    // Half of a pair: PostgreSQL cannot hold it.
    expect(isPrintable('a\ud83e')).toBe(false);
  });

  it('is trimmed where a person fills a field, and kept as typed on a sheet', () => {
    expect(text(10).parse('  Knee ')).toBe('Knee');
    expect(text(10).safeParse('   ').success).toBe(false);
    expect(textAsTyped(10).parse(' slow ')).toBe(' slow ');
    expect(textAsTyped(3).safeParse('slow').success).toBe(false);
  });
});

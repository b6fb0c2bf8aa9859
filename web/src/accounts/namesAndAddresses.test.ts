import { describe, expect, it } from 'vitest';
import { readNamesAndAddresses } from './namesAndAddresses.ts';

describe('a list of names and addresses', () => {
  it.each([
    'Ana Só, ana@school.example',
    'ana@school.example;Ana Só',
    'Ana Só\tana@school.example',
    'Ana  Só <ana@school.example>',
    '"Ana Só" <ana@school.example>,',
    '  Ana Só ana@school.example ',
  ])('takes a line as %j', (line) => {
    expect(readNamesAndAddresses(line)).toEqual({
      people: [{ name: 'Ana Só', email: 'ana@school.example' }],
      unreadable: [],
    });
  });

  it('takes several, passes over empty lines, and says which lines hold no address', () => {
    const text = 'Ana Só, ana@school.example\r\n\r\nBen\nSá, Cy <cy@school.example>\n';
    expect(readNamesAndAddresses(text)).toEqual({
      people: [
        { name: 'Ana Só', email: 'ana@school.example' },
        { name: 'Sá, Cy', email: 'cy@school.example' },
      ],
      unreadable: [3],
    });
  });

  it('names who has none by what stands before the @', () => {
    expect(readNamesAndAddresses('dee@school.example').people).toEqual([
      { name: 'dee', email: 'dee@school.example' },
    ]);
  });
});

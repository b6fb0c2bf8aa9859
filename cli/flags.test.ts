import { describe, expect, it } from 'vitest';
import { program } from './command.ts';
import './commandLine.ts';
import { named, number, numbers, places, whole } from './flags.ts';
import { file, run, wide } from './testing/runCommand.ts';

describe('every flag of every verb', () => {
  const flags = program.commands.flatMap((verb) =>
    verb.options
      .filter((option) => option.required || option.optional)
      .map((option) => ({ name: `${verb.name()} ${option.flags}`, option })),
  );

  it.each(flags)('$name says what it takes, by a reader or a list', ({ option }) => {
    const takes = option.argChoices ?? (option.parseArg as { takes?: string } | undefined)?.takes;
    expect(takes).toBeTruthy();
  });

  it('there are as many as the verbs show', () => expect(flags.length).toBeGreaterThan(150));
});

describe('a reader', () => {
  it('of numbers takes a point or a comma, and refuses what could be thousands or lies outside', () => {
    const read = number({ from: 0, to: 2000 });
    expect([read('0.5'), read('0,5'), read(' 7 '), read('2000')]).toEqual([0.5, 0.5, 7, 2000]);
    for (const text of ['', '1,000', 'Infinity', 'NaN', 'seven', '-1', '2001', '1e4']) {
      expect(() => read(text), text).toThrow(/takes a number from 0 to 2,000, not/);
    }
    expect(() => number({ from: 0, to: 1, open: true })('1')).toThrow(/above 0 and below 1/);
    expect(() => whole({ from: 1, to: 9 })('2.5')).toThrow(/a whole number from 1 to 9/);
  });

  it('of lists refuses holes, what is endless, and what stands there twice', () => {
    expect(numbers({ from: 0, to: 9 })('1, 2.5,3')).toEqual([1, 2.5, 3]);
    for (const text of ['1,,3', '1,Infinity,3', '1,', '', '1,10']) {
      expect(() => numbers({ from: 0, to: 9 })(text), text).toThrow(/numbers from 0 to 9/);
    }
    const cuts = named({ from: 0, to: 100 }, 'a=50', { bare: true });
    expect(cuts('a=50, b=60,70')).toEqual([
      ['a', 50],
      ['b', 60],
      ['70', 70],
    ]);
    for (const text of ['a=50=60', 'a=50,a=60', '=50', 'a=', 'a=101', 'a']) {
      expect(() => cuts(text), text).toThrow(/names, each once/);
    }
    expect(places('1=2,2=1')).toEqual([
      [1, 2],
      [2, 1],
    ]);
    for (const text of ['1=1,1=2', '1=1,2=1', '1=1=2', '0=1', '1.5=1', '1']) {
      expect(() => places(text), text).toThrow(/pairs of columns/);
    }
  });
});

describe('what used to give a wrong number with status 0', () => {
  const shares = 'judge,easy/essential,hard/essential,hard/useful\nA,.8,.6,.4\nB,.7,.5,.3\n';
  const scores =
    'candidate,score,grade\n' + [1, 2, 3, 4].map((i) => `${i},${48 + 7 * i},${i}`).join('\n');
  const stations = 'candidate,knee,hip,calf\nK1,80,60,70\nK2,50,60,40\nK3,90,60,80\n';
  const judges = 'judge,cut,pass-rate\nA,50,.6\nB,60,.8\n';
  const path = (name: string, content: string) => file(`wrong-${name}.csv`, content);
  const table = path('stations', stations);
  const other = path('scores', scores);
  const critical = (cell: string) =>
    path(`critical${cell}`, `candidate,knee,hip,calf\nK1,0,0,0\nK2,0,0,0\nK3,${cell},0,0\n`);
  const hofstee = (...words: string[]) => [
    ...['hofstee', other, '--lowest-cut', '50', '--highest-cut', '65', '--fewest-fails', '0.1'],
    ...['--most-fails', '0.5', ...words],
  ];

  it.each<readonly [why: RegExp, words: readonly string[]]>([
    [/numbers from 0/, ['ebel', path('e1', shares), '--weights', '1,Infinity,3']],
    [/numbers from 0/, ['ebel', path('e2', shares), '--weights', '1,,3']],
    [/look like shares/, ['ebel', path('e3', shares), '--weights', '1,2,3', '--percent']],
    [/look like shares/, ['rounds', path('r1', shares), '--percent']],
    [/look like shares/, ['angoff', path('a1', shares), '--percent']],
    [/Row 3, column "i": 1.4 is not a share/, ['angoff', path('a2', 'judge,i\nA,.5\nB,1.4\n')]],
    [/0\.001 to 1/, ['sample-size', '--kappa', '.6', '--half-width', '1e-200']],
    [/0\.001 to 1/, ['sample-size', '--kappa', '.6', '--half-width', '10']],
    [/from 100 to 100,000/, ['years', table, table, '--anchors', '1=1', '--resamples', '0']],
    [/from 100 to 100,000/, ['years', table, table, '--anchors', '1=1', '--resamples', '1e9']],
    [/each used once/, ['years', table, table, '--anchors', '1=1,1=2']],
    [/each used once/, ['years', table, table, '--anchors', '1=1=2']],
    [/columns 1 to 3 this year/, ['years', table, table, '--anchors', '4=1']],
    [/from 0 to 100/, ['exam-rule', table, '--cuts', '150']],
    [/from 0 to 100/, ['exam-rule', table, '--cuts', '-40']],
    [/1500 is not a percentage/, ['exam-rule', path('m', 'c,knee\n1,1500\n'), '--cuts', '50']],
    [/1500 is not a percentage/, ['trust', path('t', 'candidate,station,mark\n1,1,1500\n')]],
    [/-1 is not a count/, ['exam-rule', table, '--cuts', '50', '--critical', critical('-1')]],
    [/0.5 is not a count/, ['exam-rule', table, '--cuts', '50', '--critical', critical('.5')]],
    [/is not a count/, ['exam-rule', table, '--cuts', '50', '--critical', critical('1000000000')]],
    [/names, each once/, ['consequences', other, '--cuts', 'a=50=60']],
    [/names, each once/, ['consequences', other, '--cuts', 'a=50,a=60']],
    [/names, each once/, ['consequences', other, '--cuts', '=50']],
    [/does not lie on the scale/, ['consequences', other, '--cuts', 'a=6000']],
    [/from 0 to/, ['consequences', other, '--cuts', 'a=50', '--sem', '-4']],
    [/--lowest-cut 50 does not lie on the scale/, hofstee('--lowest', '51')],
    [/76 is not a score from 0 to 70/, hofstee('--highest', '70')],
    [
      /60 is not a cut from 0 to 59/,
      ['beuk', path('s', 'score\n40\n50\n'), path('j', judges), '--highest', '59'],
    ],
    [/from 0 to 1/, ['standard', other, '--method', 'cohen', '--percentile', '95']],
    [/from 0 to 1/, ['standard', other, '--method', 'cohen', '--percentile', '-1']],
    [/from 2 to 10,000/, ['huynh', other, '--items', '2e9', '--cut', '3']],
    [/from 1 to 100,000/, ['circuit', '--candidates', '1e9', '--stations', '3']],
    [/from 0 to 100/, ['circuit', '--candidates', '9', '--stations', '3', '--rests', '1e9']],
    [/of 1, 2/, ['agreement', path('w', wide), '--generator', '3']],
  ])('is refused: %s %j', async (why, words) => {
    const { status, stdout, stderr } = await run(...words);
    expect(stderr).toMatch(why);
    expect([status, stdout]).toEqual([2, '']);
  });
});

describe('tables are joined by name', () => {
  const stations = file('joined.csv', 'candidate,knee,hip\nK1,80,90\nK2,80,90\nK3,80,90\n');
  const outcomes = async (...words: string[]) => {
    const { candidates } = (
      await run('exam-rule', stations, '--cuts', '50', '--json', ...words)
    ).json();
    return Object.fromEntries(
      candidates.map((c: { candidate: string; outcome: string }) => [c.candidate, c.outcome]),
    );
  };

  it('so that a critical miss fails whoever missed, in whatever order', async () => {
    const critical = file('critical.csv', 'candidate,hip,knee\nK3,0,1\nK1,0,0\nK2,0,0\n');
    const all = ['--critical', critical, '--critical-fails', '--stations', '2'];
    expect(await outcomes(...all)).toEqual({ K1: 'pass', K2: 'pass', K3: 'fail' });
  });

  it('so that a part that was not reached fails whoever did not reach it', async () => {
    const parts = file('parts.csv', 'candidate,safety\nK2,90\nK3,40\nK1,90\n');
    expect(await outcomes('--parts', parts, '--reach', 'safety=60')).toEqual({
      K1: 'pass',
      K2: 'pass',
      K3: 'fail',
    });
  });

  it('and refused where a name stands in one of them only', async () => {
    const strange = file('strange.csv', 'candidate,knee,hip\nK1,0,0\nK2,0,0\nK4,0,0\n');
    const { status, stderr } = await run(
      'exam-rule',
      stations,
      '--cuts',
      '50',
      '--critical',
      strange,
    );
    expect([status, stderr]).toEqual([
      2,
      expect.stringMatching(/has a row "K3", .*strange\.csv has none/),
    ]);
    const fewer = file('fewer.csv', 'candidate,knee,hip,calf\nK1,0,0,0\nK2,0,0,0\nK3,0,0,0\n');
    expect((await run('exam-rule', stations, '--cuts', '50', '--critical', fewer)).stderr).toMatch(
      /fewer\.csv has a column "calf"/,
    );
  });

  it('so that nobody moved where judges and items only stand in another order', async () => {
    const first = file('round1.csv', 'judge,i,j\nA,.2,.5\nB,.9,.8\n');
    const second = file('round2.csv', 'judge,j,i\nB,.8,.9\nA,.5,.2\n');
    const { rounds } = (await run('rounds', first, second, '--json')).json();
    expect(rounds[1]).toMatchObject({ moved: 0, cut: rounds[0].cut });
    const renamed = file('round3.csv', 'judge,i,k\nA,.2,.5\nB,.9,.8\n');
    expect((await run('rounds', first, renamed)).status).toBe(2);
  });

  it('so that names with a colon are not taken for each other', async () => {
    // Two candidates and two stations whose names run together: "a:b" at "c", "a" at "b:c".
    const cells = ['a:b,c', 'a:b,b:c', 'a,c', 'a,b:c', 'd,c', 'd,b:c', 'e,c', 'e,b:c'];
    const marks = [10, 12, 40, 41, 20, 23, 70, 69, 5, 5, 25, 28, 33, 30, 14, 19];
    const components = async (renamed: (cell: string) => string) => {
      const rows = marks.map((mark, i) => `${renamed(cells[i >> 1] ?? '')},${mark}`);
      const path = file('colon.csv', `candidate,station,mark\n${rows.join('\n')}\n`);
      const model = 'candidate + station + candidate:station';
      return (await run('variance', path, '--model', model, '--json')).json().components;
    };
    const plain = (cell: string) => cell.replaceAll('a:b', 'x').replaceAll('b:c', 'y');
    expect(await components((cell) => cell)).toEqual(await components(plain));
  });

  it('trust: fewer stations than the file has are refused', async () => {
    const sheets = [1, 2, 3, 4].flatMap((c) =>
      [1, 2, 3].map((s) => `${c},${s},${50 + 7 * c - s * s}`),
    );
    const path = file('trust.csv', `candidate,station,mark\n${sheets.join('\n')}\n`);
    const { status, stderr } = await run('trust', path, '--stations', '2');
    expect([status, stderr]).toEqual([2, expect.stringMatching(/has sheets of 3 stations/)]);
    const own = (await run('trust', path, '--json')).json();
    const more = (await run('trust', path, '--stations', '5', '--json')).json();
    expect(more.alpha).toEqual(own.alpha);
    expect(more.notes.join(' ')).toMatch(/Nobody has a score at 2 of the 5 stations/);
  });
});

import { describe, expect, it } from 'vitest';
import { file, pathOf, run, runProcess, wide } from './testing/runCommand.ts';

describe('the command on files that do not fit', () => {
  it.each([
    [
      'a word among numbers',
      ['icc', 'wide'],
      'c,a,b\n1,2,x\n',
      /Row 2, column "b": "x" is not a number/,
    ],
    ['a row too short', ['icc', 'wide'], 'c,a,b\n1,2\n', /Row 2 has 2 cells, the header has 3/],
    [
      'the same mark twice',
      ['icc', 'long'],
      'candidate,examiner,mark\n1,a,2\n1,a,3\n',
      /Row 3, column "mark": a has marked this subject already/,
    ],
    [
      'a missing column',
      ['standard', 'wide'],
      'points,grade\n1,2\n',
      /no column "score"\. It has: points, grade/,
    ],
    ['nothing', ['reliability', 'wide'], '', /empty/],
  ])('refuses %s with status 2 and computes nothing', async (_, [verb], content, why) => {
    const { status, stdout, stderr } = await run(verb ?? '', file('bad.csv', content), '--json');
    expect(status).toBe(2);
    expect(stdout).toBe('');
    expect(stderr).toMatch(why);
  });

  it('refuses unknown flags and files, and helps with an example', async () => {
    expect((await run('icc', pathOf('not-there.csv'))).status).toBe(2);
    expect((await run('agreement', file('x.csv', wide), '--level', 'sideways')).status).toBe(2);
    const help = await run('agreement', '--help');
    expect(help.status).toBe(0);
    expect(help.stdout).toMatch(/Example:/);
  });
});

describe('the command in a process of its own', () => {
  it('writes its answer, its refusal and its exit status where a shell looks for them', () => {
    const counts = ['accuracy', '--tp', '24', '--fp', '3', '--fn', '6', '--tn', '70', '--json'];
    const answered = runProcess(...counts);
    expect(answered.status).toBe(0);
    expect(answered.json().sensitivity.estimate).toBeCloseTo(0.8, 12);
    const refused = runProcess('icc', pathOf('not-there.csv'));
    expect(refused).toMatchObject({ status: 2, stdout: '' });
    expect(refused.stderr).toMatch(/not-there\.csv/);
    expect(runProcess('--nonsense').status).toBe(2);
  });
});

describe('the catalogue as files', () => {
  it('writes a checklist that it takes again, and refuses a broken one by path', async () => {
    const written = await run('catalogue', 'elbow-valgus-stress', '--as', 'checklist');
    expect(written.status).toBe(0);
    const path = file('valgus.json', written.stdout);
    const taken = await run('check', path, '--json');
    expect(taken.json()).toMatchObject({ holds: 'checklist', procedure: 'elbow-valgus-stress' });

    const broken = written.json();
    broken.checklist.items[2].weight = -1;
    const refused = await run('check', file('broken.json', JSON.stringify(broken)));
    expect(refused.status).toBe(2);
    expect(refused.stderr).toMatch(/nothing of it is taken/);
    expect(refused.stderr).toMatch(/\/checklist\/items\/2\/weight/);
  });

  it('reads a checklist as a second examiner would, finished or not', async () => {
    const written = (await run('catalogue', 'thessaly-weight-bearing-twist', '--as', 'checklist'))
      .stdout;
    const reading = async (content: object, ...flags: string[]) => {
      const path = file('read.json', JSON.stringify(content));
      return (await run('check', path, '--read', '--json', ...flags)).json();
    };
    expect(await reading(JSON.parse(written), '--minutes', '8')).toEqual({ findings: [] });

    const bad = JSON.parse(written);
    const { items } = bad.checklist;
    items[0].text = 'Stabilises the femur and applies force at 30 degrees';
    items[1].text = 'Positions the patient correctly';
    bad.checklist.items = items
      .filter(
        ({ domain, kind }: { domain: string; kind: string }) =>
          domain !== 'comparison' && kind !== 'sides',
      )
      .map((item: { criticality: string }) =>
        item.criticality === 'none' ? item : { ...item, criticality: 'flag' },
      );
    // What a published checklist must have, a draft may lack.
    bad.checklist.stopRule = '';
    const { findings } = await reading(bad, '--minutes', '2');
    expect(findings.map(({ rule }: { rule: string }) => rule)).toEqual([
      'two-acts',
      'vague',
      'no-comparison',
      'critical-lost',
      'too-many',
    ]);
    expect(Object.keys(findings[0])).toEqual(['item', 'rule', 'words']);
    expect(findings[0].item).toBe(items[0].key);
    expect(findings[2].item).toBeNull();
    const untimed = await reading(bad);
    expect(untimed.findings).toHaveLength(4);
  });

  it('says what to do with a file of a newer version, and with minutes that are none', async () => {
    const newer = file('newer.json', JSON.stringify({ format: 'kritikos-checklist', version: 3 }));
    for (const flags of [[], ['--read']]) {
      const refused = await run('check', newer, ...flags);
      expect(refused.status).toBe(2);
      expect(refused.stderr).toMatch(
        /\/version: is 3, and this installation reads up to 2\. Save it/,
      );
    }
    expect((await run('check', newer, '--read', '--minutes', '0')).stderr).toMatch(
      /from 0\.1 to 1,440/,
    );
    expect((await run('check', newer, '--minutes', '8')).stderr).toMatch(/goes with --read/);
  });

  it('writes a Questionnaire, the whole catalogue and the schema', async () => {
    const fhir = (await run('catalogue', 'calf-squeeze', '--as', 'fhir')).json();
    expect(fhir.resourceType).toBe('Questionnaire');
    const whole = await run('catalogue');
    expect((await run('check', file('whole.json', whole.stdout), '--json')).json()).toEqual({
      holds: 'catalogue',
      procedures: whole.json().procedures.length,
      unsound: [],
    });
    const beyond = whole.json();
    const knee = beyond.procedures.find(
      ({ id }: { id: string }) => id === 'lachman-anterior-translation',
    );
    knee.figure.decides.band = [20, 200];
    const told = await run('check', file('beyond.json', JSON.stringify(beyond)), '--json');
    expect(told.json().unsound).toEqual([
      {
        procedure: 'lachman-anterior-translation',
        path: '/figure/decides/band/1',
        reason: 'is 200°, and kneeFlexion goes from -15° to 150°',
        nearest: '150°',
        instead: 150,
      },
    ]);
    expect((await run('catalogue', '--schema')).json().$schema).toMatch(/2020-12/);
    expect((await run('catalogue', 'no-such-test')).stderr).toMatch(/no procedure "no-such-test"/);
  });

  it('writes the drawing of a procedure, of either side and any of its schools', async () => {
    const drawn = (...flags: string[]) => run('figure', 'calf-squeeze', ...flags);
    const [right, left] = [(await drawn()).stdout, (await drawn('--side', 'left')).stdout];
    expect(right).toMatch(/^<svg [^>]*viewBox="[-\d. ]+"[^]*right side tested[^]*<\/svg>\n$/);
    expect(left).toMatch(/left side tested/);
    const refused = await drawn('--school', 'nobody');
    expect(refused.status).toBe(2);
    expect(refused.stderr).toMatch(/calf-squeeze has no school "nobody"\. It has: \w/);
  });
});

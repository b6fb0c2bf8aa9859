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

  it('writes a Questionnaire, the whole catalogue and the schema', async () => {
    const fhir = (await run('catalogue', 'calf-squeeze', '--as', 'fhir')).json();
    expect(fhir.resourceType).toBe('Questionnaire');
    const whole = await run('catalogue');
    expect((await run('check', file('whole.json', whole.stdout), '--json')).json()).toEqual({
      holds: 'catalogue',
      procedures: whole.json().procedures.length,
    });
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

import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

const root = join(import.meta.dirname, '..');
const lay = (...more: string[]) =>
  spawnSync(join(root, 'rocchetto'), ['lay', 'docs/example-spec.json', '--seconds', '0.2', ...more], {
    cwd: root,
    encoding: 'utf8',
  });

describe('./rocchetto lay', () => {
  it('says what the pieces take and where each lies; as JSON on request', () => {
    const ran = lay();
    expect([ran.stderr, ran.status]).toEqual(['', 0]);
    expect(ran.stdout).toMatch(/^The pieces take [\d.]+ cm; they cover \d+ % of it\.\n/);
    for (const piece of ['front', 'back', 'waistband'])
      expect(ran.stdout).toMatch(new RegExp(`\\d+ {2}${piece} .* from the cut end .* from the selvedge`));
    const json = JSON.parse(lay('--json', '--length', '3 m').stdout);
    expect(json).toMatchObject({ state: 'fits', lay: { way: 'open' } });
    expect(json.sentence).toMatch(/^It fits: .* cm of the cloth’s length are left over\.$/);
  });
  it.each([
    [['--width', '30 cm'], 1, 'out', /^It cannot be cut so: front is 54 cm wide as it lies/],
    [['--width', '30'], 1, 'err', /has no unit.*Nothing was laid/s],
    [['--selvedge', '80 cm'], 1, 'err', /selvedges are wider than the cloth/],
    [['--way', 'sideways'], 1, 'err', /^rocchetto: Usage/],
    [['--cloth', 'second'], 1, 'err', /cuts nothing from this cloth/],
    [['--seed', 'x'], 1, 'err', /the seed is a whole number/],
  ] as const)('%s ends with a sentence and no stack', (more, status, where, says) => {
    const ran = lay(...more);
    expect(ran.status).toBe(status);
    expect(where === 'out' ? ran.stdout : ran.stderr).toMatch(says);
    expect(ran.stderr).not.toMatch(/\n\s+at /);
  });
});

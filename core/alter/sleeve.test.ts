import { sheetOf } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { edgeLength, sewnLength } from '../draft/measure.ts';
import { edgeOf, type Panel } from '../draft/panel.ts';
import { asLines, randomBody, seeded } from '../garment/testing.ts';
import { formatSentence } from '../units/print.ts';
import { alike } from './apply.ts';
import type { Asked } from './asked.ts';
import { effectOf, finishedPoints } from './effect.ts';
import { ask } from './testing.ts';
import { tryAlteration } from './trial.ts';

const made = (fields: object = {}) =>
  sheetOf(
    garmentSpec('bodice', asLines(randomBody(seeded(5))), {
      garment: { parts: [{ part: 'darted-bodice' }, { part: 'sleeve', ...fields }] },
    }),
  );
const tried = (asked: Asked, sheet = made()) => tryAlteration(sheet, alike(sheet.panels), asked, false);
const says = (asked: Asked, sheet = made()) =>
  tried(asked, sheet)
    .effect.says.map((s) => formatSentence(s, 'cm'))
    .join(' ');
const find = (of: readonly Panel[], id: string) => of.find((p) => p.id === id)!;
/** Armhole and cap measured again by this test, front and back together. */
const sewn = (of: readonly Panel[]) => ({
  armhole: sewnLength(find(of, 'bodice.front'), 'armhole') + sewnLength(find(of, 'bodice.back'), 'armhole'),
  cap: sewnLength(find(of, 'sleeve.sleeve'), 'cap'),
});

describe('a lining against its outer', () => {
  it('is measured too: left as it was while the outer is taken in, it no longer agrees, and it is said', () => {
    const sheet = sheetOf(
      garmentSpec('bodice', asLines(randomBody(seeded(5))), {
        garment: { parts: [{ part: 'darted-bodice' }, { part: 'sleeve' }], lining: 'cupro' },
      }),
    );
    const { applied, effect } = tried(ask('side-seams', 'in', 4), sheet);
    const told = (e: typeof effect) => e.says.map((s) => formatSentence(s, 'cm')).join(' ');
    expect(told(effect)).not.toContain('its lining');
    const forgotten = applied.right.map((p, i) => (p.layer === 'lining' ? sheet.panels[i]! : p));
    const without = effectOf(sheet, alike(sheet.panels), { right: forgotten, left: forgotten });
    expect(told(without)).toMatch(/The bodice front and its lining at the waist: /);
  });
});

describe('a sleeve against its armhole', () => {
  it('says when the armhole no longer takes it, with both lengths, and nothing while it does', () => {
    const { applied } = tried(ask('armhole-raise', 'higher', 3));
    const now = sewn(applied.right);
    expect(now.cap - now.armhole).toBeGreaterThan(4);
    const told = says(ask('armhole-raise', 'higher', 3));
    expect(told).toContain(`The armhole is ${Math.round(now.armhole * 100) / 100} cm now`);
    expect(told).toContain('wanted are 2 cm to 4 cm. The cap must follow.');
    expect(says(ask('armhole-raise', 'higher', 0.3))).not.toContain('armhole is');
    expect(says(ask('sleeve-length', 'shorter', 2))).not.toContain('armhole is');
  });
  it('tells a gathered cap how much more or less to gather', () => {
    const puffed = made({ head: 'gathered' });
    expect(says(ask('armhole-raise', 'higher', 2), puffed)).toMatch(/gather the cap by .* more/);
  });
  it('takes a sleeve in along its underarm and shortens it at its wrist, lining with it', () => {
    const narrow = tried(ask('sleeve-width', 'in', 2));
    const [before, after] = [made().panels, narrow.applied.right];
    const width = (of: readonly Panel[]) => {
      const p = find(of, 'sleeve.sleeve');
      const [a, b] = [edgeOf(p, 'underarm').path.at(-1)!.at(-1)!, edgeOf(p, 'underarm-back').path[0]![0]];
      return Math.hypot(a[0] - b[0], a[1] - b[1]);
    };
    expect(width(after)).toBeLessThan(width(before) - 0.5);
    expect(narrow.effect.moved.map((m) => m.id)).toContain('sleeve.upper-arm');
    const short = tried(ask('sleeve-length', 'shorter', 2));
    expect(
      edgeLength(find(before, 'sleeve.sleeve'), 'underarm') -
        edgeLength(find(short.applied.right, 'sleeve.sleeve'), 'underarm'),
    ).toBeGreaterThan(1.5);
  });
  it('is measured again before it leaves: upper arm, underarm and wrist of one sleeve', () => {
    const sheet = made();
    const points = new Map(finishedPoints(alike(sheet.panels)).map((p) => [p.id, p.target]));
    const upper = sheet.figures.find((f) => f.id === 'sleeve.upper-arm')!.marked!;
    expect(points.get('sleeve.upper-arm')).toBeCloseTo(upper, 6);
    expect(points.get('sleeve.sleeve/underarm')).toBeGreaterThan(20);
    expect(points.get('sleeve.sleeve/wrist')).toBeGreaterThan(15);
  });
});

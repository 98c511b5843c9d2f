import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { edgeLength, sewnLength } from '../../../draft/measure.ts';
import { markedGirth } from '../../../figure/build.ts';
import { garmentProblems } from '../../joins.ts';

const BODY = ['waist 70 cm', 'hip 96 cm', 'waist-to-hip 20 cm', 'waist-to-floor 104 cm'];
const made = (fields: object, lines: readonly string[] = BODY) =>
  sheetOf(
    garmentSpec('circle-skirt', lines, {
      garment: {
        parts: [
          { part: 'circle-skirt', circle: '1/4', length: '60 cm' },
          { part: 'overskirt', ...fields },
        ],
      },
      house: { rounding: EXACT },
    }),
  );

describe('an overskirt', () => {
  it.each([
    [0, 2, 0],
    [16, 1.5, 30],
    [40, 3, 0],
  ])('open by %d, %d : 1, train %d: gathered it is the band less the opening', (gap, ratio, train) => {
    const s = made({ gap: `${gap} cm`, ratio, train: `${train} cm` });
    const waist = markedGirth(figure(s, 'waist'))!;
    const [front, back] = ['front', 'back'].map((f) => s.panels.find((p) => p.id === `overskirt.${f}`)!);
    const round = 2 * (sewnLength(front!, 'waist') + sewnLength(back!, 'waist'));
    expect(round).toBeCloseTo(waist + 1 - gap, 6);
    const cloth = 2 * (edgeLength(front!, 'waist') + edgeLength(back!, 'waist'));
    expect(cloth).toBeCloseTo(ratio * (waist + 1 - gap), 6);
    // Its sides are as long as each other; only the middle of the back goes on into the train.
    expect(edgeLength(front!, 'side')).toBeCloseTo(edgeLength(back!, 'side'), 9);
    expect(edgeLength(back!, 'centre') - edgeLength(front!, 'centre')).toBeCloseTo(train, 6);
  });
  it('lies on another garment and is none by itself; without a waist it waits', () => {
    expect(garmentProblems(['overskirt'])).not.toEqual([]);
    expect(garmentProblems(['boned-bodice', 'gored-skirt', 'overskirt'])).toEqual([]);
    const s = made({}, BODY.slice(1));
    expect(s.checks.find((k) => k.code === 'absent-overskirt.seam')).toMatchObject({ state: 'warned' });
  });
  it('opened nearly all the way it says so; long, it warns of the floor', () => {
    const slim = ['waist 50 cm', ...BODY.slice(1)];
    expect(made({ gap: '45 cm' }, slim).checks.find((k) => k.code === 'overskirt.open')).toMatchObject({
      state: 'warned',
    });
    expect(made({ length: '103 cm' }).cautions.map((k) => k.code)).toContain('trip');
  });
});

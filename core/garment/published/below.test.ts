import { readFileSync } from 'node:fs';
import { sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { endOf } from '../../draft/curve.ts';
import { edgeLength, sewnLength, widthAt } from '../../draft/measure.ts';
import { edgeOf, type Panel } from '../../draft/panel.ts';
import type { Sheet } from '../../sheet/compute.ts';

/**
 * Skirt and trouser blocks of three sizes after a metric pattern-cutting handbook (Aldrich; from memory, redrawn), each row
 * with how sure it is: sure ones are met within half a centimetre, the rest within one. Bodies, eases, darts and shares
 * are the block's, set as a house sets them; what is drafted is ours.
 */
const SIZES = ['size 8', 'size 12', 'size 16'] as const;
const rows = readFileSync(new URL('./reference-block.csv', import.meta.url), 'utf8')
  .trim()
  .split('\n')
  .slice(1)
  .map((line) => line.match(/("[^"]*"|[^,]+)/g)!);
const find = (part: string, name: string) => rows.find((r) => r[0] === part && r[1] === name)!;
const row = (part: string, name: string, size: number) => Number(find(part, name)[2 + size]);
const lines = (body: Readonly<Record<string, number>>) =>
  Object.entries(body).map(([id, n]) => `${id} ${Math.round(n * 100) / 100} cm`);
const by = { by: 'F', at: '', reason: 'the block’s own' };
const hand = (figure: string, value: number) => ({ figure, target: 'finished', value: `${value} cm`, ...by });
const DARTS = { front: { count: 1, intake: '2 cm' }, back: { count: 2, intake: '2 cm' } };
const panel = (s: Sheet, id: string): Panel => s.panels.find((p) => p.id === id)!;
const intake = (p: Panel) => p.darts.filter((d) => d.edge === 'waist').reduce((a, d) => a + d.intake, 0);

describe.each(SIZES.map((name, size) => [name, size] as const))('%s below the waist', (_, size) => {
  const m = (name: string) => row('measurement', name, size);
  const near = (part: string, name: string, ours: number) =>
    expect(Math.abs(ours - row(part, name, size)), `${name}: ${ours.toFixed(2)}`).toBeLessThanOrEqual(
      find(part, name)[5]!.startsWith('sure') ? 0.5 : 1,
    );

  it('a straight skirt', () => {
    const k = (name: string) => row('skirt', name, size);
    const s = sheetOf(
      garmentSpec(
        [{ part: 'straight-skirt', taper: '0 cm', zip: 'left-side' }],
        lines({ waist: m('waist'), hip: m('hip'), 'waist-to-hip': m('waistToHip') }),
        {
          house: {
            rounding: EXACT,
            darts: DARTS,
            shape: { sideRise: '1.25 cm', backDrop: '0 cm' },
            balance: { bust: '0 cm', waist: '0 cm', hip: `${(k('hipFront') - k('hipBack')) / 2} cm` },
          },
          fields: { length: `${m('skirtLength')} cm` },
          rest: { overrides: [hand('hip', 2 * k('halfHip')), hand('waist', k('waistSewnWhole'))] },
        },
      ),
    );
    const [f, b] = [panel(s, 'skirt.front'), panel(s, 'skirt.back')];
    const level = m('waistToHip');
    const our: Readonly<Record<string, number>> = {
      hipFront: widthAt(f, level)!,
      hipBack: widthAt(b, level)!,
      waistFrontDrafted: edgeLength(f, 'waist'),
      waistBackDrafted: edgeLength(b, 'waist'),
      frontDartSum: intake(f),
      backDartSum: intake(b),
      sideTakeFront: widthAt(f, level)! - edgeLength(f, 'waist'),
      sideTakeBack: widthAt(b, level)! - edgeLength(b, 'waist'),
      waistSewnWhole: 2 * (sewnLength(f, 'waist') + sewnLength(b, 'waist')),
      sideSeamFront: edgeLength(f, 'side'),
      sideSeamBack: edgeLength(b, 'side'),
    };
    for (const [name, ours] of Object.entries(our)) near('skirt', name, ours);
  });

  it('trousers', () => {
    const t = (name: string) => row('trousers', name, size);
    const s = sheetOf(
      garmentSpec(
        [{ part: 'trousers', zip: 'left-side', knee: `${t('kneeWhole')} cm`, hem: `${t('hemWhole')} cm` }],
        lines({
          waist: m('waist'),
          hip: m('hip'),
          'waist-to-hip': m('waistToHip'),
          rise: m('bodyRise'),
          inseam: t('inseamFront'),
          'waist-to-knee': t('kneeBelowWaist'),
        }),
        {
          house: {
            rounding: EXACT,
            darts: DARTS,
            // The block’s front fork is a sixteenth of the hip and half a centimetre.
            shape: { sideRise: '0.5 cm', forkForward: '0.5 cm' },
            ease: { rise: { fitted: '0 cm' } },
            balance: { bust: '0 cm', waist: '0 cm', hip: `${(t('hipFront') - t('hipBackDrafted')) / 2} cm` },
          },
          rest: {
            overrides: [
              hand('hip', 2 * (t('hipFront') + t('hipBackDrafted'))),
              hand('waist', t('waistSewnWhole')),
              hand('trousers.back-rise', t('backRaise')),
            ],
          },
        },
      ),
    );
    const [f, b] = [panel(s, 'trousers.front'), panel(s, 'trousers.back')];
    const fork = (p: Panel) => endOf(edgeOf(p, 'inseam').path.at(-1)!);
    const notch = (p: Panel) => p.marks.find((x) => x.name === 'crotch level')!.at[0];
    const our: Readonly<Record<string, number>> = {
      crotchFront: edgeLength(f, 'crotch'),
      crotchBack: edgeLength(b, 'crotch'),
      crotchWhole: edgeLength(f, 'crotch') + edgeLength(b, 'crotch'),
      backForkDrop: fork(b)[1] - fork(f)[1],
      forkWhole: -fork(f)[0] - fork(b)[0],
      thighFront: notch(f) - fork(f)[0],
      thighBack: notch(b) - fork(b)[0],
      thighWhole: notch(f) - fork(f)[0] + notch(b) - fork(b)[0],
      frontForkExtension: -fork(f)[0],
      waistFrontDrafted: edgeLength(f, 'waist'),
      waistBackDrafted: edgeLength(b, 'waist'),
      hipFront: widthAt(f, m('waistToHip'))!,
      hipBackDrafted: widthAt(b, m('waistToHip'))!,
      hemFront: edgeLength(f, 'hem'),
      hemBack: edgeLength(b, 'hem'),
      inseamFront: edgeLength(f, 'inseam'),
      inseamBack: edgeLength(b, 'inseam'),
      sideFront: edgeLength(f, 'side'),
      sideBack: edgeLength(b, 'side'),
    };
    for (const [name, ours] of Object.entries(our)) near('trousers', name, ours);
  });
});

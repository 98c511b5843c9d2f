import { readFileSync } from 'node:fs';
import { AskedWire, SpecFile, toAsked } from '@rocchetto/contract';
import { sheetOf } from '@rocchetto/contract/testing.ts';
import { describe, expect, it } from 'vitest';
import { alike } from './apply.ts';
import { tryAlteration } from './trial.ts';

interface Worked {
  readonly asked: object;
  /** off (−) or on (+) each edge at its most, by piece, cm */
  readonly edges: Readonly<Record<string, number>>;
  /** measures afterwards, cm */
  readonly after: Readonly<Record<string, number>>;
}
const text = (file: string) => readFileSync(new URL(`../../docs/${file}`, import.meta.url), 'utf8');
const cases = JSON.parse(
  /```json\n([\s\S]*?)```/.exec(text('worked/alterations/straight-skirt.md'))![1]!,
) as Worked[];
const sheet = sheetOf(SpecFile.parse(JSON.parse(text('example-spec.json'))));

describe('alterations worked by hand (docs/worked/alterations/straight-skirt.md)', () => {
  it('there are six', () => expect(cases).toHaveLength(6));
  it.each(cases.map((c) => [JSON.stringify(c.asked), c] as const))('%s', (_, c) => {
    const { applied, effect } = tryAlteration(
      sheet,
      alike(sheet.panels),
      toAsked(AskedWire.parse(c.asked)),
      false,
    );
    for (const [piece, each] of Object.entries(c.edges)) {
      const box = applied.boxes.find((b) => b.piece === piece && b.layer !== 'interfacing');
      expect(box?.each, piece).toBeCloseTo(each, 3);
    }
    for (const [id, after] of Object.entries(c.after))
      expect(effect.moved.find((m) => m.id === id)?.after, id).toBeCloseTo(after, 1.8);
  });
});

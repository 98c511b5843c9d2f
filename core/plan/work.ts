import { hoursWord } from '../diary/load.ts';
import { edgeLength } from '../draft/measure.ts';
import type { Panel } from '../draft/panel.ts';
import { clothsFor } from '../garment/other-cloths.ts';
import { partFor } from '../garment/registry.ts';
import { isMain, kindOf } from '../garment/seams.ts';
import { wholePanels } from '../pattern/whole-panels.ts';
import type { Sheet } from '../sheet/compute.ts';
import { type HouseTimes, type Per, TIMES, timeCount, timeRead, type WorkStep } from './times.ts';

/** How much of each thing a garment has that takes time, by what times are multiplied with. */
export interface Work {
  readonly counts: Readonly<Record<Per, number>>;
  /** cloth on the bias hangs before its hem is levelled */
  readonly hangs: boolean;
}

/** What is reckoned with while no sheet can be drafted: a plain lined skirt (house figure, no source). */
export const PLAIN_WORK: Work = {
  hangs: false,
  counts: {
    garment: 1,
    drawn: 6,
    panel: 3,
    piece: 9,
    dart: 4,
    bone: 0,
    sleeve: 0,
    collar: 0,
    lining: 3,
    zip: 1,
    buttons: 0,
    lacing: 0,
    metre: 1,
  },
};

/** Pieces of cloth a panel is sewn from: one cut on the fold is one. */
const sewn = (p: Panel): number => p.count;
const sum = <T>(of: readonly T[], f: (x: T) => number): number => of.reduce((all, x) => all + f(x), 0);

/** What the sheet has of each. Pure; counted on the panels, metres rounded up to tenths. */
export function workOf(sheet: Sheet): Work {
  const panels = wholePanels(sheet);
  const main = panels.filter(isMain);
  // On the fold or as a pair, a panel is drawn as a half: what it has once lies twice.
  const twice = (p: Panel): number =>
    p.cut === 'single' ? p.count : p.cut === 'fold' ? 2 * p.count : p.count;
  const takes = (edge: 'armhole' | 'neck') =>
    sheet.input.brief.parts.filter((b) => partFor(b.part).joins.takes.some((j) => j.edge === edge)).length;
  const hem = sum(main, (p) =>
    sum(
      p.edges.filter((e) => kindOf(p, e) === 'hem'),
      (e) => edgeLength(p, e.id) * twice(p),
    ),
  );
  const closed = (by: 'zip' | 'buttons' | 'loops' | 'lacing') => (sheet.closes === by ? 1 : 0);
  return {
    hangs:
      clothsFor(sheet.input.brief).some(({ cloth }) => cloth.bias === true) ||
      sheet.cautions.some((c) => c.code === 'bias'),
    counts: {
      garment: 1,
      drawn: panels.length,
      panel: sum(main, sewn),
      piece: sum(panels, sewn),
      dart: sum(main, (p) => (p.darts.length + (p.inner?.length ?? 0)) * twice(p)),
      // A bone in a seam is marked on both panels: as many are sewn in as the sheet has cut.
      bone: sum(sheet.notions, (n) => (n.name.startsWith('bones, ') ? (n.count ?? 1) : 0)),
      sleeve: 2 * takes('armhole'),
      collar: takes('neck'),
      lining: sum(
        panels.filter((p) => p.layer === 'lining'),
        sewn,
      ),
      zip: closed('zip'),
      buttons: closed('buttons') + closed('loops'),
      lacing: closed('lacing'),
      metre: Math.ceil(hem / 10) / 10,
    },
  };
}

/** Minutes of a step for a garment, in fives, with what they are made of: "4 bones at 10 min: 40 min". */
export function minutesOf(
  step: WorkStep,
  work: Work,
  house: HouseTimes,
): { readonly minutes: number; readonly why: readonly string[] } {
  const lines = TIMES.filter((t) => t.step === step).flatMap((t) => {
    const each = house.minutes[t.id] ?? t.minutes;
    const n = work.counts[t.per];
    if (n === 0 || each === 0) return [];
    const own = house.minutes[t.id] === undefined ? '' : ', the studio’s own time';
    const name = t.name.replace(/, each.*$/, '');
    const unit = house.unit ?? 'cm';
    const read = timeRead(t, each, unit);
    return [
      {
        minutes: each * n,
        says:
          t.per === 'garment'
            ? `${name}: ${hoursWord(each)}${own}`
            : `${name}: ${counted(timeCount(t.per, n, unit), read.per)} at ${read.minutes} min${own}, ${hoursWord(Math.round(each * n))}`,
      },
    ];
  });
  const all = sum(lines, (l) => l.minutes);
  return { minutes: Math.ceil(all / 5) * 5, why: lines.map((l) => l.says) };
}

/** "3 bones", "1 zip", "2.4 metres of hem". */
function counted(n: number, word: string): string {
  if (n === 1) return `1 ${word}`;
  const many = word.replace(/^(panel|piece|metre|yard)\b(?=.)/, '$1s');
  return `${n} ${many === word ? `${word}s` : many}`;
}

import { distance } from '../draft/curve.ts';
import type { Panel } from '../draft/panel.ts';
import { type RawCheck, warn } from '../figure/check.ts';
import type { Figure } from '../figure/figure.ts';
import { cm } from '../units/length.ts';
import { say as p } from '../units/print.ts';

/** Two legs of a dart that lie further apart than this are not eased into one another, cm (house figure, no source). */
const EASED = 0.5;

/** Darts as they are drafted: both legs are sewn to one another, so they are as long as each other or it is said. */
export const legChecks = (panels: readonly Panel[], figures: readonly Figure[]): RawCheck[] =>
  panels
    .filter((panel) => panel.layer === 'outer')
    .flatMap((panel) =>
      panel.darts.flatMap((d) => {
        const [a, b] = d.legs.map((leg) => distance(leg, d.tip)) as [number, number];
        if (Math.abs(a - b) <= EASED) return [];
        const [long, other] = [a, b].map((x) => p(cm(Math.round(x * 10) / 10)));
        const name = figures.find((f) => f.id === d.figure)?.name.split(',')[0] ?? 'dart';
        return [
          warn(
            `legs-${d.id}`,
            d.figure,
            `The legs of the ${name} on the ${panel.name} are ${long} and ${other} long: too far apart to be eased. Fold it closed and true its seam before cutting, or give it less to hold.`,
          ),
        ];
      }),
    );

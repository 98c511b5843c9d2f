import type { SizesView } from '@rocchetto/contract/compare.ts';
import { printLength } from '@rocchetto/core';
import { easeWords, type LevelSeen, standsOff } from '@rocchetto/core/compare/ease-seen.ts';
import { scaleLinear } from 'd3-scale';
import { area, curveMonotoneY, line } from 'd3-shape';
import { useMe } from '../../shared/me.ts';

const SCALE = 4;
/** The way from body to cloth is drawn so many times as far: as it is, a hand would not see it. */
const FARTHER = 3;
type At = readonly [x: number, y: number];
type Room = readonly [body: number, cloth: number, y: number];
const between = area<Room>()
  .x0((p) => p[0] * SCALE)
  .x1((p) => p[1] * SCALE)
  .y((p) => -p[2] * SCALE)
  .curve(curveMonotoneY);
const through = line<At>(
  (p) => p[0] * SCALE,
  (p) => -p[1] * SCALE,
).curve(curveMonotoneY);

interface Props {
  readonly body: SizesView['body'];
  readonly size: SizesView['sizes'][number];
}

/** The body as it was measured and a size around it, from in front and from the side: where the ease is, and what it is for. */
export function EaseSeen({ body, size }: Props) {
  const { unit } = useMe();
  const { levels } = body;
  if (levels.length < 2) return null;
  const zone = (id: string) => size.zones.find((z) => z.id === id);
  const known = levels.filter((l) => zone(l.id));
  if (known.length === 0) return null;
  const [top, low] = [levels[0]!.height + 5, levels.at(-1)!.height - 5];
  const only = known.length === 1 ? zone(known[0]!.id)!.ease : null;
  const scaled = scaleLinear(
    known.map((l) => l.height),
    known.map((l) => zone(l.id)!.ease),
  ).clamp(true);
  const easeAt = (height: number) => only ?? scaled(height);
  const off = (l: LevelSeen) => FARTHER * standsOff(easeAt(l.height));
  const widest = Math.max(...levels.map((l) => Math.max(l.half, l.front, l.back) + off(l))) + 2;
  const along = (of: (l: LevelSeen) => number): At[] => [
    [of(levels[0]!), top],
    ...levels.map((l): At => [of(l), l.height]),
    [of(levels.at(-1)!), low],
  ];
  const view = (name: string, sides: readonly (readonly [of: (l: LevelSeen) => number, out: 1 | -1])[]) => (
    <svg
      role="img"
      aria-label={`${name}: the body and size ${size.name} around it`}
      viewBox={`${-widest * SCALE} ${-top * SCALE} ${2 * widest * SCALE} ${(top - low) * SCALE}`}
    >
      {levels.map((l) => (
        <line
          key={l.id}
          className="level"
          x1={-widest * SCALE}
          x2={widest * SCALE}
          y1={-l.height * SCALE}
          y2={-l.height * SCALE}
        />
      ))}
      {sides.map(([of, out]) => (
        <g key={out}>
          <path
            className="room"
            d={
              between(
                along(of).map(([x, y], i): Room => [out * x, out * along((l) => of(l) + off(l))[i]![0], y]),
              ) ?? ''
            }
          />
          <path className="bodyline" d={through(along((l) => out * of(l))) ?? ''} />
          <path className="clothline" d={through(along((l) => out * (of(l) + off(l)))) ?? ''} />
          {levels.map((l) => (
            <circle
              key={l.id}
              className={l.guessed.length > 0 ? 'at guessed' : 'at'}
              cx={out * of(l) * SCALE}
              cy={-l.height * SCALE}
              r={3}
            />
          ))}
        </g>
      ))}
    </svg>
  );
  return (
    <section aria-label={`Ease of size ${size.name}`} className="easeseen">
      <h3>Where the ease of size {size.name} is</h3>
      <div className="views">
        <figure>
          {view('From in front', [
            [(l) => l.half, 1],
            [(l) => l.half, -1],
          ])}
          <figcaption>from in front</figcaption>
        </figure>
        <figure>
          {view('From the side', [
            [(l) => l.front, 1],
            [(l) => l.back, -1],
          ])}
          <figcaption>from the side, the front at the right</figcaption>
        </figure>
        <dl>
          {known.map((l) => {
            const z = zone(l.id)!;
            return (
              <div key={l.id}>
                <dt>{l.name}</dt>
                <dd className={z.underFloor || z.ease < 0 ? 'tight' : undefined}>
                  {z.ease < 0 ? '−' : ''}
                  {printLength(Math.abs(z.ease) as typeof z.ease, unit)}{' '}
                  {easeWords(l.id, z.ease, z.wish.least)}
                </dd>
              </div>
            );
          })}
        </dl>
      </div>
      <p className="soft later">
        The inner line is the body by its measurements, the outer one the cloth as it would stand off evenly,
        drawn three times as far. It shows no drape. At an open point the height, or how much of the girth
        lies in front, was not measured.
      </p>
    </section>
  );
}

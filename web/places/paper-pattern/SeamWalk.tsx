import { cm, printWithUnit, type SheetUnit } from '@rocchetto/core';
import type { SeamWalked } from '@rocchetto/core/pattern/seam-walk.ts';

/** Below this two sides are one to a hand, cm. */
const ALIKE = 0.05;

/** Both sides of a seam laid along each other from the end they share, each with its notches, and what they differ by. */
export function SeamWalk({ seam, unit }: { readonly seam: SeamWalked; readonly unit: SheetUnit }) {
  const longest = Math.max(...seam.sides.map((s) => s.sewn)) || 1;
  const at = (x: number) => 20 + (x / longest) * 560;
  const apart = Math.abs(seam.apart);
  const names = seam.sides.map((s) => [...new Set(s.names)].join(', '));
  return (
    <figure className="seamwalk">
      <svg viewBox="0 0 600 96" aria-hidden="true">
        {seam.sides.map((s, i) => {
          const y = i === 0 ? 36 : 60;
          return (
            <g key={i}>
              <path d={`M20 ${y}H${at(s.sewn)}`} fill="none" stroke="var(--ink)" strokeWidth="2" />
              {s.notches.map((n, k) => (
                <path
                  key={k}
                  d={`M${at(n.at)} ${y}v${i === 0 ? -10 : 10}`}
                  stroke="var(--thread)"
                  strokeWidth="2"
                />
              ))}
              <text x="20" y={i === 0 ? 18 : 88} fontSize="13" fill="var(--ink)">
                {names[i]} {printWithUnit(s.sewn, unit)}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption>
        {names[0]} {printWithUnit(seam.sides[0].sewn, unit)}, {names[1]}{' '}
        {printWithUnit(seam.sides[1].sewn, unit)}, as sewn:{' '}
        {apart < ALIKE
          ? 'as long as each other.'
          : `the ${seam.apart > 0 ? 'first' : 'second'} is ${printWithUnit(cm(apart), unit)} longer: ease it in, or true them.`}{' '}
        <Notches seam={seam} unit={unit} />
      </figcaption>
    </figure>
  );
}

/** How far along each side its notches lie. */
function Notches({ seam, unit }: { readonly seam: SeamWalked; readonly unit: SheetUnit }) {
  const [a, b] = seam.sides.map((s) => s.notches.map((n) => printWithUnit(n.at, unit)).join(', '));
  if (!a && !b) return <>It has no notches.</>;
  return a === b ? (
    <>Notches at {a} on both.</>
  ) : (
    <>
      Notches at {a || 'no place'} and at {b || 'no place'}.
    </>
  );
}

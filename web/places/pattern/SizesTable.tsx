import type { SizesView } from '@rocchetto/contract/compare.ts';
import { printLength, printSigned } from '@rocchetto/core';
import { useState } from 'react';
import { useMe } from '../../shared/me.ts';
import { ActionButton, Ledger } from '../../shared/pieces.tsx';
import { Told } from './Told.tsx';

const FIRST = 6;

interface Props {
  readonly view: SizesView;
  readonly onChoose: ((size: string) => void) | undefined;
  readonly busy: boolean | undefined;
}

/** Every size of a chart, the least work first: what it measures, the ease that is left, and what is wrong with it. */
export function SizesTable({ view, onChoose, busy }: Props) {
  const { unit } = useMe();
  const [all, setAll] = useState(false);
  const zones = view.sizes[0]!.zones;
  const shown = all ? view.sizes : view.sizes.slice(0, FIRST);
  return (
    <>
      <div className="scroll">
        <Ledger className="figures sizes">
          <caption className="hidden">Sizes, in {unit === 'cm' ? 'centimetres' : 'inches'}</caption>
          <thead>
            <tr>
              <th scope="col">Size</th>
              {zones.map((z) => (
                <th key={z.id} scope="col">
                  {z.name}
                  <span className="soft"> body {printLength(z.body, unit)}</span>
                </th>
              ))}
              {onChoose && (
                <th scope="col">
                  <span className="hidden">Choose</span>
                </th>
              )}
            </tr>
          </thead>
          <tbody>
            {shown.map((s, i) => (
              <tr key={s.name} className={i === 0 ? 'best' : undefined}>
                <th scope="row">
                  <strong>{s.name}</strong>
                  {i === 0 && <span className="soft"> least work</span>}
                </th>
                {zones.map(({ id }) => {
                  const z = s.zones.find((x) => x.id === id);
                  return (
                    <td key={id}>
                      {z ? (
                        <>
                          {printLength(z.finished, unit)}
                          <span className={`off ${z.off === 0 ? 'agreed' : 'tight'}`}>
                            ease {printSigned(z.ease, unit).replace(/ (cm|in)$/, '')}
                            {z.off !== 0 &&
                              `, ${printLength(Math.abs(z.off) as typeof z.off, unit)} ${z.off < 0 ? 'too little' : 'too much'}`}
                          </span>
                        </>
                      ) : (
                        '—'
                      )}
                    </td>
                  );
                })}
                {onChoose && (
                  <td>
                    {view.chosen?.size === s.name && view.chosen.chart === view.chart ? (
                      <span className="soft">chosen</span>
                    ) : (
                      <ActionButton
                        look={i === 0 ? 'take' : 'quiet'}
                        busy={busy}
                        onClick={() => onChoose(s.name)}
                      >
                        Choose size<span className="hidden"> {s.name}</span>
                      </ActionButton>
                    )}
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </Ledger>
      </div>
      {view.sizes.length > FIRST && !all && (
        <ActionButton look="plain" onClick={() => setAll(true)}>
          Show all {view.sizes.length} sizes
        </ActionButton>
      )}
      <h3 className="later">Why in this order</h3>
      <dl className="whysize">
        {shown.slice(0, FIRST).map((s) => (
          <div key={s.name}>
            <dt>{s.name}</dt>
            <dd>
              <Told text={s.says} />
            </dd>
          </div>
        ))}
      </dl>
    </>
  );
}

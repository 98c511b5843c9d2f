import type { SheetUnit } from '@rocchetto/core';
import { Tick } from '../../shared/pieces.tsx';
import type { Draft, LegTexts } from './draft.ts';
import { Text } from './fields.tsx';

interface Props {
  readonly draft: Draft;
  readonly unit: SheetUnit;
  /** the garment has legs: each is marked for itself */
  readonly legs: boolean;
  readonly set: (more: Partial<Draft>) => void;
}

/** Marks round a hem, each as the pin stands; of trousers on each leg. */
export function HemMarks({ draft: d, unit, legs, set }: Props) {
  if (legs)
    return (
      <>
        <Leg
          draft={d}
          unit={unit}
          set={set}
          leg="left"
          legend={d.alike ? 'Marks at both hems' : 'Marks at the left hem'}
        />
        {!d.alike && <Leg draft={d} unit={unit} set={set} leg="right" legend="Marks at the right hem" />}
        <p>
          <label>
            <Tick checked={d.alike} onChange={(e) => set({ alike: e.target.checked })} /> both legs alike
          </label>
        </p>
      </>
    );
  const four = (which: 'hem' | 'control', legend: string) => (
    <fieldset>
      <legend>{legend}</legend>
      <div className="fields narrow">
        {(['front', 'left', 'right', 'back'] as const).map((at) => (
          <Text
            key={at}
            id={`${which}-${at}`}
            label={at}
            value={d[which][at]}
            unit={unit}
            on={(t) => set({ [which]: { ...d[which], [at]: t } })}
          />
        ))}
      </div>
    </fieldset>
  );
  return (
    <>
      {four('hem', 'Marks at the hem, each as pinned')}
      <details>
        <summary>Check against a control line</summary>
        <p className="soft">
          Pin a line all round at one height from the floor. From it to each mark the distance must be the
          same.
        </p>
        {four('control', 'From the line to each mark')}
      </details>
    </>
  );
}

function Leg({
  draft: d,
  unit,
  set,
  leg,
  legend,
}: Omit<Props, 'legs'> & { leg: 'left' | 'right'; legend: string }) {
  const own: LegTexts = d.legs[leg];
  return (
    <fieldset>
      <legend>{legend}, each as pinned</legend>
      <div className="fields narrow">
        {(['front', 'inside', 'back', 'outside'] as const).map((at) => (
          <Text
            key={at}
            id={`leg-${leg}-${at}`}
            label={at}
            value={own[at]}
            unit={unit}
            on={(t) => set({ legs: { ...d.legs, [leg]: { ...own, [at]: t } } })}
          />
        ))}
      </div>
    </fieldset>
  );
}

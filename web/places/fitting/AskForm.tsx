import { formatSentence, type SheetUnit } from '@rocchetto/core';
import { type AlterationKind, type As, findKind, isFold } from '@rocchetto/core/alter/index.ts';
import { AskDetails, Follows } from './AskDetails.tsx';
import { byMarks, countedAs, type Draft, wayOf, waysToCount, withSide } from './draft.ts';
import { Choice, Text } from './fields.tsx';
import { HemMarks } from './HemMarks.tsx';
import { KindChoice, type Offer } from './KindChoice.tsx';

interface Props {
  readonly draft: Draft;
  readonly unit: SheetUnit;
  readonly parts: readonly string[];
  readonly offer: Offer | null;
  /** what the amount comes to, in a sentence; '' while it is not known */
  readonly said: string;
  /** the garment has legs */
  readonly legs: boolean;
  /** the garment was brought in: there is no sheet, so the amount may follow from two readings */
  readonly came: boolean;
  readonly lined: boolean;
  readonly set: (more: Partial<Draft>) => void;
}

/** What is done, how much and where: each field as the hand writes it. */
export function AskForm({ draft: d, unit, parts, offer, said, legs, came, lined, set }: Props) {
  const kind = findKind(d.kind);
  return (
    <>
      <div className="fields">
        <KindChoice
          chosen={d.kind}
          offer={offer}
          unit={unit}
          onChoose={(k) =>
            set({
              kind: k?.id ?? '',
              direction: k?.directions[0]?.id ?? '',
              face: k?.usual ?? '',
              details: {},
            })
          }
        />
        {kind && kind.amount !== 'none' && (
          <div>
            <Text
              id="amount"
              label="How much"
              value={d.amount}
              unit={unit}
              on={(amount) => set({ amount })}
            />
            {said && (
              <p className="comes-to" aria-live="polite">
                {said}
              </p>
            )}
          </div>
        )}
      </div>
      {kind && (
        <>
          {came && kind.group === 'girth' && <Follows kind={kind} unit={unit} set={set} />}
          <HowMuch draft={d} kind={kind} set={set} />
          <Where draft={d} kind={kind} parts={parts} unit={unit} set={set} />
          {byMarks(d.kind) ? (
            <HemMarks draft={d} unit={unit} legs={legs} set={set} />
          ) : (
            kind.tapers && <Along draft={d} kind={kind} unit={unit} set={set} />
          )}
          {kind.note && <p className="soft">{formatSentence(kind.note, unit)}</p>}
          {lined && kind.liningNote && <p className="soft">{formatSentence(kind.liningNote, unit)}</p>}
          <AskDetails draft={d} kind={kind} unit={unit} set={set} />
        </>
      )}
      <div className="fields">
        <Text id="words" label="The client’s words" value={d.words} on={(words) => set({ words })} />
        <Text id="note" label="Note for the bench" value={d.note} on={(note) => set({ note })} />
      </div>
    </>
  );
}

type Of = Pick<Props, 'draft' | 'set'> & { readonly kind: AlterationKind };

/** Which way, and of what the amount is the amount. */
function HowMuch({ draft: d, kind, set }: Of) {
  const way = wayOf(d)!;
  const each = kind.moves.some((m) => m.do === 'edge') ? 'seam' : 'dart';
  const fold = isFold({ kind, direction: way });
  const counted = waysToCount(kind, way);
  const words: Record<As, string> = {
    pinned:
      counted.length === 2
        ? 'pinned, in the fold (takes twice)'
        : fold
          ? `pinned, at each ${each}`
          : 'at each edge',
    seam: `in all, at each ${each}`,
    side: 'in all, on each side',
    total: counted.length === 2 ? 'in all' : d.side === 'both' ? 'in all, round the garment' : 'in all',
    fold: 'pinned, shared over all seams (older entry)',
  };
  const shown: readonly As[] = d.as === 'fold' ? ['fold', ...counted] : counted;
  return (
    <>
      <Choice
        label="Do what"
        options={kind.directions.map((w) => [w.id, w.word] as const)}
        chosen={way.id}
        onChoose={(direction) => set({ direction })}
      />
      {counted.length > 0 && kind.amount !== 'none' && (
        <Choice
          label="The amount is"
          options={shown.map((as) => [as, words[as]] as const)}
          chosen={countedAs(d, kind, way)}
          onChoose={(as) => set({ as })}
        />
      )}
    </>
  );
}

/** Which side, part and face. */
function Where({ draft: d, kind, parts, unit, set }: Of & Pick<Props, 'parts' | 'unit'>) {
  return (
    <>
      <Choice
        label="Side"
        options={[
          ['both', 'both sides alike'],
          ['left', 'left only'],
          ['right', 'right only'],
        ]}
        chosen={d.side}
        onChoose={(side) => set(withSide(d, side, unit))}
      />
      {parts.length > 1 && kind.moves.length > 0 && (
        <Choice
          label="On"
          options={[['', 'the whole garment'] as const, ...parts.map((p) => [p, `the ${p}`] as const)]}
          chosen={d.part}
          onChoose={(part) => set({ part })}
        />
      )}
      {kind.moves.length > 0 && !kind.moves.some((m) => 'face' in m && m.face) && (
        <Choice
          label="At"
          options={[
            ['', 'front and back'],
            ['front', 'the front'],
            ['back', 'the back'],
          ]}
          chosen={d.face}
          onChoose={(face) => set({ face })}
        />
      )}
    </>
  );
}

/** Where along the seam it is full, and where nothing. */
function Along({ draft: d, kind, unit, set }: Of & Pick<Props, 'unit'>) {
  const dart = kind.moves.some((m) => m.do === 'dart-new');
  const fields = dart
    ? ([
        ['begins', 'its middle, from the centre'],
        ['fullFrom', 'its end above the waist'],
        ['zero', 'its end below'],
      ] as const)
    : ([
        ['begins', 'from nothing at'],
        ['fullFrom', 'full from'],
        ['fullTo', 'full to'],
        ['zero', 'to nothing at'],
      ] as const);
  return (
    <details>
      <summary>{dart ? 'Where' : 'Where along the seam'}</summary>
      {!dart && (
        <p className="soft">
          Measured from the start of the seam, at the top or the centre. Leave empty for the usual place.
        </p>
      )}
      <div className="fields narrow">
        {fields.map(([id, label]) => (
          <Text
            key={id}
            id={id === 'fullFrom' ? 'full-from' : id === 'fullTo' ? 'full-to' : id}
            label={label}
            value={d[id]}
            unit={unit}
            on={(text) => set({ [id]: text, drawnWay: false })}
          />
        ))}
      </div>
      {kind.moves.some((m) => m.do === 'edge' && m.amount === 'shared') && (
        <Text
          id="front-share"
          label="front share, %"
          value={d.frontShare}
          on={(t) => set({ frontShare: t.replace(/\D/g, '').slice(0, 3) })}
        />
      )}
    </details>
  );
}

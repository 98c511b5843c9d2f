import type { ClothView, ClothWire } from '@rocchetto/contract/cloth-lay.ts';
import { formatSentence } from '@rocchetto/core';
import { answerOf } from '@rocchetto/core/lay/answer.ts';
import type { Lay } from '@rocchetto/core/lay/lay.ts';
import type { Way } from '@rocchetto/core/lay/ways.ts';
import { type ReactNode, useCallback, useDeferredValue, useMemo, useState } from 'react';
import { useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Place } from '../../shared/Place.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
import { Ladder, LeftOver, Places } from './Beside.tsx';
import { ClothForm } from './ClothForm.tsx';
import { Keeping } from './Keeping.tsx';
import { Table } from './Table.tsx';
import { type ClothPrice, useClothPrice } from './useClothPrice.ts';
import { TIME, useTable } from './useTable.ts';

/** How long each other way is looked for, ms. */
const RUNG = 900;
/** Widths that cloth is sold in, cm (common practice, no source). */
const WIDTHS = { cm: [115, 140, 150], in: [45 * 2.54, 54 * 2.54, 60 * 2.54] } as const;

type Cloth = ClothView['cloths'][number];
type OnTable = ReturnType<typeof useTable>;
interface Props {
  readonly id: number;
  readonly cloth: Cloth;
  readonly thread: ReactNode;
  readonly children: ReactNode;
}

/** The cloth on its table, what a hand does to it, what is looked for and kept. */
export function Laying({ id, cloth: of, thread, children }: Props) {
  const { unit, id: by } = useMe();
  const at = useMemo(() => ({ by, order: id, of: of.of, panels: of.panels }), [by, id, of.of, of.panels]);
  const t = useTable(at, of, unit);
  const { hand, faults } = t;
  const settled = useSettledLay(t);
  const price = useClothPrice(id, of.of);
  return (
    <Place title="Cloth" thread={thread} margin={<Beside t={t} cloth={of} price={price} />}>
      {children}
      {of.kept?.stale && (
        <Notice>
          The lay “{of.kept.name}” was made for other panels than the sheet has now. Lay the pieces again.
        </Notice>
      )}
      {faults.map((f) => (
        <Notice key={f} tone="bad">
          {f}
        </Notice>
      ))}
      <Buttons t={t} />
      {t.search.failed && <Notice tone="bad">{t.search.failed}</Notice>}
      <Answered t={t} cloth={of} price={price} />
      {hand.lay ? (
        <>
          <Table
            lay={hand.lay}
            pieces={t.pieces}
            cloth={t.cloth}
            unit={unit}
            chosen={t.chosen}
            pinned={hand.pinned}
            wrong={t.wrong}
            acts={t.acts}
          />
          <p role="status" className="soft lay-said">
            {t.said}
          </p>
          {t.search.state !== 'laying' && (
            <Keeping
              at={at}
              cloth={of}
              hand={hand}
              inTheWay={t.wrong.size > 0 || faults.length > 0}
              onShow={({ cloth, lay }) => t.put({ cloth, lay, way: lay.way, pinned: [] })}
            />
          )}
          <Places
            lay={settled ?? hand.lay}
            pieces={t.all}
            cloth={t.cloth}
            unit={unit}
            chosen={t.chosen}
            wrong={t.wrong}
            onChoose={t.setChosen}
          />
        </>
      ) : (
        t.search.state === 'idle' && (
          <p>
            {t.all.reduce((sum, p) => sum + p.count, 0)} pieces of {of.name}. Say what cloth there is, then
            lay the pieces: the shortest lay found is shown, and every piece can be moved by hand.
          </p>
        )
      )}
    </Place>
  );
}

/** The lay once the search or the hand rests: lists beside the table are told then, and do not hold up what moves. */
function useSettledLay({ hand: { lay }, search }: OnTable): Lay | null {
  const later = useDeferredValue(lay);
  const [rested, setRested] = useState(later);
  if (search.state !== 'laying' && rested !== later) setRested(later);
  return rested && rested.way === lay?.way ? rested : lay;
}

/** Pieces of which not all lie on the cloth, and why. */
const missingFrom = ({ wrong, all }: OnTable) => all.filter((p) => wrong.has(p.id));

function Buttons({ t }: { t: OnTable }) {
  const { hand, search } = t;
  const placed = hand.lay?.stages.flatMap((s) => s.strips.flatMap((x) => x.pieces.map((l) => l.id))) ?? [];
  const isLaying = search.state === 'laying';
  return (
    <div className="row lay-acts noprint">
      {isLaying ? (
        <ActionButton look="take" onClick={search.stop}>
          Stop the search
        </ActionButton>
      ) : (
        <ActionButton
          look={hand.lay ? 'quiet' : 'take'}
          disabled={t.faults.length > 0}
          onClick={() => t.lay(hand.pinned)}
        >
          {hand.lay ? 'Lay the pieces again' : 'Lay the pieces'}
        </ActionButton>
      )}
      {missingFrom(t).length > 0 && placed.length > 0 && !isLaying && (
        <ActionButton look="take" onClick={() => t.lay(placed)}>
          Lay the rest
        </ActionButton>
      )}
      <ActionButton look="quiet" disabled={t.undo === null} onClick={() => t.undo?.()}>
        Undo
      </ActionButton>
    </div>
  );
}

/** Whether it fits, in a sentence with its figure; or what does not lie on the cloth yet. */
function Answered({ t, cloth, price }: { t: OnTable; cloth: Cloth; price: ClothPrice | null }) {
  const { unit } = useMe();
  const { hand, search } = t;
  if (t.faults.length > 0 || (!hand.lay && search.seconds === 0)) return null;
  const missing = missingFrom(t);
  if (missing.length > 0)
    return <Notice>Not on the cloth: {missing.map((p) => t.wrong.get(p.id)![0]).join('; ')}.</Notice>;
  if (t.wrong.size > 0)
    return (
      <Notice tone="bad">
        {t.wrong.size === 1 ? 'One piece lies' : `${t.wrong.size} pieces lie`} where it may not be cut. The
        list below says why.
      </Notice>
    );
  const answer = answerOf(hand.lay, hand.way, t.all, t.cloth, search.seconds || TIME / 1000);
  return (
    <p className="lay-answer" data-state={answer.state}>
      <strong>{formatSentence(answer.sentence, unit)}</strong>
      {cloth.rows !== null && hand.lay && answer.takes !== null && (
        <span className="soft"> In rows, as the sheet reckons without a lay: {t.print(cloth.rows)}.</span>
      )}
      {price && answer.state === 'to-buy' && answer.takes !== null && (
        <>
          {' '}
          It costs {price.print(price.cost(answer.takes))}, at {price.rate}.
        </>
      )}
    </p>
  );
}

function Beside({ t, cloth: of, price }: { t: OnTable; cloth: Cloth; price: ClothPrice | null }) {
  const { unit } = useMe();
  const { hand, cloth, search } = t;
  const settled = useSettledLay(t);
  const { change } = t;
  const lines = useMemo(() => linesOf(of), [of]);
  const onCloth = useCallback((next: ClothWire) => change({ cloth: next }), [change]);
  const onWay = useCallback((way: Way) => change({ way, lay: null, pinned: [] }), [change]);
  return (
    <>
      <ClothForm
        cloth={hand.cloth}
        way={hand.way}
        unit={unit}
        lines={lines}
        onCloth={onCloth}
        onWay={onWay}
      />
      {hand.lay && (
        <>
          <h2>What is left over</h2>
          <LeftOver lay={settled ?? hand.lay} pieces={t.all} cloth={cloth} unit={unit} />
          <h2>What else could be done</h2>
          <Ladder
            rungs={search.rungs}
            now={hand.lay.length}
            cloth={cloth}
            unit={unit}
            price={price}
            onTake={(r) =>
              t.put({
                way: r.way,
                lay: r.lay,
                pinned: [],
                cloth: r.width === null ? hand.cloth : { ...hand.cloth, width: t.print(r.width), flaws: [] },
              })
            }
          />
          <ActionButton
            look="quiet"
            disabled={search.state !== 'idle'}
            onClick={() =>
              search.start(
                {
                  kind: 'ladder',
                  pieces: t.all,
                  cloth,
                  way: hand.way,
                  time: RUNG,
                  seed: 1,
                  widths: WIDTHS[unit],
                },
                () => undefined,
              )
            }
          >
            {search.state === 'ladder' ? 'Looking for other ways …' : 'Look for other ways'}
          </ActionButton>
        </>
      )}
    </>
  );
}

/** Body lines that more than one piece has: a repeat is matched on one of them. */
function linesOf(of: Cloth) {
  const seen = new Map<string, { id: string; name: string; times: number }>();
  for (const l of of.pieces.flatMap((p) => p.lines)) {
    const own = seen.get(l.id);
    seen.set(l.id, { id: l.id, name: l.name, times: (own?.times ?? 0) + 1 });
  }
  return [...seen.values()].filter((l) => l.times > 1);
}

import {
  type HouseRulesView,
  HouseRulesWire,
  type RuleTexts,
  rulesMoved,
  rulesOf,
  textsOf,
} from '@rocchetto/contract';
import { wouldMoveWords } from '@rocchetto/contract/would-move.ts';
import { RULE_CELLS, RULE_TABLES } from '@rocchetto/core/house/rule-tables.ts';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useChangeHouseRulesMutation, useHouseRulesQuery } from '../../api/house.ts';
import { MovedOrders } from '../../parts/would-move/MovedOrders.tsx';
import { useDays, useMay, useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
import { useSectionOfAddress } from '../../shared/useSectionOfAddress.ts';
import { RuleTable } from './RuleTable.tsx';
import { usePrepared, useWouldMove } from './useWouldMove.ts';

/** Everything the house goes by, as tables: what holds here, what is usual, who changed it, and what a change would move. */
export function Component() {
  const { data, error, refetch } = useHouseRulesQuery();
  if (!data) return <Place title="Studio rules" waiting={{ what: 'the rules', error, again: refetch }} />;
  return <Rules view={data} refetch={refetch} />;
}

function Rules({ view, refetch }: { view: HouseRulesView; refetch: () => unknown }) {
  const may = useMay('house.write');
  const { unit } = useMe();
  usePrepared(view.rules, may);
  useSectionOfAddress(true);
  const [change, changing] = useChangeHouseRulesMutation();
  /** the rules as they were when the tables were opened; null while they are only read */
  const [opened, setOpened] = useState<HouseRulesWire | null>(null);
  const editing = opened !== null;
  const theirs = opened ? rulesMoved(opened, view.rules, unit) : [];
  const kept = useMemo(() => textsOf(view.rules), [view.rules]);
  const [written, write] = useState<RuleTexts>({});
  const texts = editing ? { ...kept, ...written } : kept;
  const read = HouseRulesWire.safeParse(rulesOf(texts, unit));
  const wrong = new Map(
    read.success ? [] : read.error.issues.map((i) => [cellOf(i.path), i.message] as const),
  );
  const moved = editing && read.success ? rulesMoved(view.rules, read.data, unit) : [];
  const stop = () => {
    changing.reset();
    write({});
    setOpened(null);
  };
  // What somebody else saved meanwhile stands below what is written here, cell by cell: saved is on top of both.
  const keep = async () => {
    if (!read.success) return;
    const done = await change({ version: view.version, rules: read.data });
    if ('data' in done) stop();
    else refetch();
  };
  return (
    <Place
      title="Studio rules"
      margin={
        <>
          {theirs.length > 0 && (
            <section>
              <Notice>
                <p>Someone else just saved rules. Your text is safe. Their changes:</p>
                <ul>
                  {theirs.map((m) => (
                    <li key={m.path}>
                      {m.name}: {m.from || 'usual'} → {m.to || 'usual'}
                      {written[m.path] !== undefined && ', which yours would replace'}
                    </li>
                  ))}
                </ul>
              </Notice>
            </section>
          )}
          {editing && read.success && moved.length > 0 && <Effect rules={read.data} />}
          <nav aria-label="Tables">
            <h2>Tables</h2>
            <ul className="why">
              {RULE_TABLES.map((t) => (
                <li key={t.id}>
                  <a href={`#${t.id}`}>{t.name}</a>
                </li>
              ))}
            </ul>
          </nav>
          <History changes={view.changes} />
        </>
      }
    >
      <p className="crumb">
        <Link to="/house">Studio settings</Link>
      </p>
      <h1>Studio rules</h1>
      <Problem error={changing.error} />
      {may && !editing && (
        <div className="row acts">
          <ActionButton
            look="plain"
            onClick={() => {
              write({});
              setOpened(view.rules);
            }}
          >
            Edit rules
          </ActionButton>
        </div>
      )}
      {editing && (
        <div className="row acts held">
          <ActionButton
            look="take"
            disabled={changing.isLoading || moved.length === 0}
            onClick={() => void keep()}
          >
            Save {moved.length === 0 ? 'the rules' : `${moved.length} change${moved.length === 1 ? '' : 's'}`}
          </ActionButton>
          <ActionButton look="quiet" onClick={stop}>
            Cancel
          </ActionButton>
          <span className="soft" role="status">
            {wrong.size > 0 ? [...wrong.values()][0] : moved.length === 0 ? 'Nothing changed yet.' : ''}
          </span>
        </div>
      )}
      {RULE_TABLES.map((t) => (
        <RuleTable
          key={t.id}
          table={t}
          texts={texts}
          changes={view.changes}
          wrong={wrong}
          onWrite={editing ? (path, text) => write({ ...written, [path]: text }) : null}
        />
      ))}
    </Place>
  );
}

/** The cell an issue belongs to: its own path, or the first one below it. */
function cellOf(path: readonly PropertyKey[]): string {
  const own = path.join('.');
  return RULE_CELLS.has(own) ? own : ([...RULE_CELLS.keys()].find((p) => p.startsWith(own)) ?? own);
}

/** What the change would move in every open order, as far as they have been looked at. */
function Effect({ rules }: { rules: HouseRulesWire }) {
  const { so, state, error, stop, again } = useWouldMove(rules);
  return (
    <section>
      <h2>What this would change</h2>
      {error ? (
        <Problem error={error} again={again} />
      ) : state === 'going' && so.looked === 0 ? (
        <p className="soft" role="status">
          Working out the open orders …
        </p>
      ) : (
        <p role={state === 'going' ? undefined : 'status'}>{wouldMoveWords(so)}</p>
      )}
      {state === 'going' && so.all > 0 && (
        <p className="row">
          <progress aria-label="Open orders looked at" value={so.looked} max={so.all} />
          <span className="soft">
            {so.looked} of {so.all}
          </span>
          <ActionButton look="quiet" onClick={stop}>
            Stop looking
          </ActionButton>
        </p>
      )}
      {state === 'stopped' && (
        <ActionButton look="quiet" onClick={again}>
          Look at all {so.all} open orders
        </ActionButton>
      )}
      <MovedOrders orders={so.orders} />
    </section>
  );
}

function History({ changes }: Pick<HouseRulesView, 'changes'>) {
  const { long } = useDays();
  return (
    <section>
      <h2>Changes</h2>
      {changes.length === 0 && <p className="soft">No changes yet. The usual figures apply.</p>}
      <ol className="bare">
        {changes.slice(0, 12).map((c) => (
          <li key={c.at}>
            {long(c.at)}, {c.by}
            {c.moved.map((m) => (
              <div key={m.path} className="soft">
                {m.name}: {m.from || 'usual'} → {m.to || 'usual'}
              </div>
            ))}
          </li>
        ))}
      </ol>
    </section>
  );
}

import { Ledger, TextField } from '../../shared/pieces.tsx';
import '../../shared/forms.css';
import '../../parts/signs/signs.css';
import './signs.css';
import type { HouseBench, HouseBenchView } from '@rocchetto/contract';
import { HouseBench as HouseBenchSchema } from '@rocchetto/contract/bench-rules.ts';
import { sentencesOf } from '@rocchetto/contract/problems.ts';
import { ALTERATION_KINDS } from '@rocchetto/core/alter/index.ts';
import { readMoney } from '@rocchetto/core/units/money.ts';
import { useState } from 'react';
import { Link } from 'react-router';
import { useChangeHouseBenchMutation, useHouseBenchQuery } from '../../api/house.ts';
import { useDays, useMay } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { problemOf } from '../../shared/problem-of.ts';
import { usePrice } from '../../shared/usePrice.ts';
import { EditActs } from './EditActs.tsx';
import { RatesTable } from './RatesTable.tsx';
import { SignsEditor } from './SignsEditor.tsx';
import { TimesTable } from './TimesTable.tsx';

/** What the house reckons for its bench: minutes and prices of every kind of alteration, and its own words for signs. */
export function Component() {
  const { data, error, refetch } = useHouseBenchQuery();
  if (!data)
    return <Place title="Bench times and prices" waiting={{ what: 'the figures', error, again: refetch }} />;
  return <Figures view={data} refetch={refetch} />;
}

/** Minutes and prices as they are being written, by kind. */
type Texts = Readonly<Record<string, { readonly minutes: string; readonly price: string }>>;
const textsOf = (b: HouseBench): Texts =>
  Object.fromEntries(
    ALTERATION_KINDS.map((k) => [
      k.id,
      {
        minutes: b.kinds[k.id]?.minutes?.toString() ?? '',
        price: b.kinds[k.id]?.price?.toFixed(2) ?? '',
      },
    ]),
  );
const numberOf = (text: string) => (text.trim() === '' ? undefined : Number(text.trim()));
const kindsOf = (texts: Texts) =>
  Object.fromEntries(
    Object.entries(texts).flatMap(([id, t]) => {
      const sum = readMoney(t.price);
      const [minutes, price] = [numberOf(t.minutes), sum.ok ? (sum.amount ?? undefined) : Number.NaN];
      return minutes === undefined && price === undefined ? [] : [[id, { minutes, price }]];
    }),
  );

function Figures({ view, refetch }: { view: HouseBenchView; refetch: () => unknown }) {
  const price = usePrice();
  const may = useMay('house.write');
  const mayPrice = useMay('money.read');
  const { long } = useDays();
  const [change, changing] = useChangeHouseBenchMutation();
  const [texts, write] = useState<Texts | null>(null);
  const [says, setSays] = useState('');
  const keep = async (bench: unknown) => {
    const read = HouseBenchSchema.safeParse(bench);
    setSays(read.success ? '' : sentencesOf(read.error)[0]!);
    if (!read.success) return false;
    const done = await change({ version: view.version, bench: read.data });
    if (!('data' in done)) {
      refetch();
      return false;
    }
    return true;
  };
  return (
    <Place
      title="Bench times and prices"
      margin={
        <section>
          <h2>Changes</h2>
          {view.changes.length === 0 && <p className="soft">No changes yet. The usual figures apply.</p>}
          <ol className="bare">
            {view.changes.slice(0, 12).map((c) => (
              <li key={c.at}>
                {long(c.at)}, {c.by}
                {c.says.map((s) => (
                  <div key={s} className="soft">
                    {s}
                  </div>
                ))}
              </li>
            ))}
          </ol>
        </section>
      }
    >
      <p className="crumb">
        <Link to="/house">Studio settings</Link>
      </p>
      <h1>Bench times, prices and fitting signs</h1>
      {problemOf(changing.error).status === 409 ? (
        <Notice tone="bad">
          Someone else just changed these figures. Your text is safe; save again to apply yours on top of
          theirs.
        </Notice>
      ) : (
        <Problem error={changing.error} />
      )}
      {says && <Notice tone="bad">{says}</Notice>}
      <h2>Times and prices</h2>
      <p className="soft">
        Times plan the bench; prices are offered when an alteration is agreed. Leave empty for the usual time
        and no price.
      </p>
      {may && (
        <EditActs
          what="times and prices"
          editing={texts !== null}
          busy={changing.isLoading}
          onEdit={() => write(textsOf(view.bench))}
          onSave={async () => {
            const written = texts ?? textsOf(view.bench);
            const unread = Object.values(written).flatMap((t) => {
              const sum = readMoney(t.price);
              return sum.ok ? [] : [sum.sentence];
            });
            if (unread[0]) setSays(unread[0]);
            else if (await keep({ ...view.bench, kinds: kindsOf(written) })) write(null);
          }}
          onCancel={() => {
            changing.reset();
            setSays('');
            write(null);
          }}
        />
      )}
      <div className="scroll">
        <Ledger className="rules figures">
          <thead>
            <tr>
              <th scope="col">Alteration</th>
              <th scope="col">Minutes</th>
              <th scope="col">Usual</th>
              <th scope="col">Price</th>
            </tr>
          </thead>
          <tbody>
            {ALTERATION_KINDS.map((k) => {
              const own = view.bench.kinds[k.id];
              const field = (what: 'minutes' | 'price') => (
                <TextField
                  className="short"
                  inputMode="decimal"
                  aria-label={`${k.name}: ${what}`}
                  placeholder={what === 'minutes' ? String(k.minutes) : 'none'}
                  value={texts![k.id]![what]}
                  onChange={(e) => write({ ...texts!, [k.id]: { ...texts![k.id]!, [what]: e.target.value } })}
                />
              );
              return (
                <tr key={k.id}>
                  <th scope="row">{k.name}</th>
                  <td>{texts ? field('minutes') : <strong>{own?.minutes ?? ''}</strong>}</td>
                  <td className="soft">{k.minutes}</td>
                  <td>
                    {texts
                      ? field('price')
                      : own?.price === undefined || own.price === null
                        ? ''
                        : price(own.price)}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </Ledger>
      </div>
      <TimesTable
        own={view.bench}
        busy={changing.isLoading}
        onKeep={may ? ({ times, waits }) => keep({ ...view.bench, times, waits }) : null}
      />
      {mayPrice && (
        <RatesTable
          own={view.bench.rates}
          busy={changing.isLoading}
          onKeep={may ? (rates) => keep({ ...view.bench, rates }) : null}
        />
      )}
      <SignsEditor
        signs={view.bench.signs}
        busy={changing.isLoading}
        onKeep={may ? (signs) => keep({ ...view.bench, signs }) : null}
      />
    </Place>
  );
}

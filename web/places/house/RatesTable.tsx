import type { HouseRates } from '@rocchetto/contract/estimate.ts';
import { SKILLS } from '@rocchetto/core/diary/kinds.ts';
import { SOLD, type Sold } from '@rocchetto/core/estimate/sold.ts';
import { readMoney } from '@rocchetto/core/units/money.ts';
import { useState } from 'react';
import { useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Ledger, TextField } from '../../shared/pieces.tsx';
import { usePrice } from '../../shared/usePrice.ts';
import { EditActs } from './EditActs.tsx';

/** Rates as they are being written, by what they are of. */
type Texts = Readonly<Record<string, string>>;
const KINDS = Object.keys(SOLD) as Sold[];
const OTHERS = {
  'share-work': 'studio’s share on work, %',
  'share-goods': 'studio’s share on cloth and notions, %',
  deposit: 'deposit, % of the price',
  step: 'prices go up to the next',
} as const;

const textsOf = (r: HouseRates): Texts => ({
  ...Object.fromEntries(SKILLS.map((s) => [`hour-${s}`, r.hour[s]?.toFixed(2) ?? ''])),
  ...Object.fromEntries(KINDS.map((k) => [`notion-${k}`, r.notions[k]?.toFixed(2) ?? ''])),
  'share-work': r.share.work === 0 ? '' : String(r.share.work),
  'share-goods': r.share.goods === 0 ? '' : String(r.share.goods),
  deposit: r.deposit === 0 ? '' : String(r.deposit),
  step: r.step === 0 ? '' : r.step.toFixed(2),
});

/** What was written as it is kept, or the sentence that says what cannot be read. */
function ratesIn(texts: Texts): { readonly rates: HouseRates } | { readonly wrong: string } {
  const wrong: string[] = [];
  const money = (id: string) => {
    const read = readMoney(texts[id] ?? '');
    if (!read.ok) wrong.push(read.sentence);
    return read.ok && read.amount !== null ? read.amount : undefined;
  };
  const percent = (id: string) => {
    const text = (texts[id] ?? '').replace('%', '').replace(',', '.').trim();
    if (text !== '' && !/^\d+(\.\d+)?$/.test(text))
      wrong.push(`“${text}” can’t be read as per cent. Type 20.`);
    return text === '' ? 0 : Number(text);
  };
  const of = <K extends string>(ids: readonly K[], before: string) =>
    Object.fromEntries(
      ids.flatMap((id) => {
        const amount = money(`${before}-${id}`);
        return amount === undefined ? [] : [[id, amount]];
      }),
    );
  const rates: HouseRates = {
    hour: of(SKILLS, 'hour'),
    notions: of(KINDS, 'notion'),
    share: { work: percent('share-work'), goods: percent('share-goods') },
    deposit: percent('deposit'),
    step: money('step') ?? 0,
  };
  return wrong.length > 0 ? { wrong: wrong[0]! } : { rates };
}

/** What estimates are reckoned with: an hour of each skill, notions, the house's share, deposit, rounding. */
export function RatesTable({
  own,
  busy,
  onKeep,
}: {
  own: HouseRates;
  busy: boolean;
  /** null for who may not change them; true once it is kept */
  onKeep: ((rates: HouseRates) => Promise<boolean>) | null;
}) {
  const price = usePrice();
  const { unit } = useMe();
  const [texts, write] = useState<Texts | null>(null);
  const [says, setSays] = useState('');
  const shown = textsOf(own);
  const perLength = unit === 'in' ? 'a yard' : 'a metre';
  const row = (id: string, name: string, of: string, money: boolean) => (
    <tr key={id}>
      <th scope="row">{name}</th>
      <td>
        {texts ? (
          <TextField
            className="short"
            inputMode="decimal"
            aria-label={`${name}: ${money ? 'price' : 'per cent'}`}
            placeholder={money ? '0.00' : '0'}
            value={texts[id]}
            onChange={(e) => write({ ...texts, [id]: e.target.value })}
          />
        ) : shown[id] === '' ? (
          ''
        ) : (
          <strong>{money ? price(Number(shown[id])) : `${shown[id]} %`}</strong>
        )}
      </td>
      <td className="soft">{of}</td>
    </tr>
  );
  return (
    <section aria-labelledby="house-rates">
      <h2 id="house-rates">Rates of estimates</h2>
      <p className="soft">
        An order’s estimate takes its hours from its plan and its cloth and notions from its sheet, and prices
        them with these. What is left empty is not in an estimate, and the estimate says so. Cloth is priced
        in each estimate.
      </p>
      {says && <Notice tone="bad">{says}</Notice>}
      {onKeep && (
        <EditActs
          what="rates"
          editing={texts !== null}
          busy={busy}
          onEdit={() => write(shown)}
          onSave={async () => {
            const read = ratesIn(texts ?? shown);
            if ('wrong' in read) return setSays(read.wrong);
            setSays('');
            if (await onKeep(read.rates)) write(null);
          }}
          onCancel={() => {
            setSays('');
            write(null);
          }}
        />
      )}
      <div className="scroll">
        <Ledger className="rules figures">
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col">Rate</th>
              <th scope="col">For</th>
            </tr>
          </thead>
          <tbody>
            {SKILLS.map((s) => row(`hour-${s}`, s, 'an hour', true))}
            {KINDS.map((k) =>
              row(`notion-${k}`, SOLD[k].name, SOLD[k].by === 'length' ? perLength : 'a piece', true),
            )}
            {Object.entries(OTHERS).map(([id, name]) => row(id, name, '', id === 'step'))}
          </tbody>
        </Ledger>
      </div>
    </section>
  );
}

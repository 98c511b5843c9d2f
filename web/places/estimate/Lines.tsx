import type { EstimateView } from '@rocchetto/contract/estimate.ts';
import { ActionButton, Ledger, TextField, Tick } from '../../shared/pieces.tsx';
import { usePrice } from '../../shared/usePrice.ts';
import { PART_NAME } from './PriceTape.tsx';
import type { Texts } from './texts.ts';

export interface Edit {
  readonly texts: Texts;
  readonly set: (more: Partial<Texts>) => void;
}
type Line = EstimateView['estimate']['lines'][number];

/** Every line with its reason; the prices of cloth and notions, and lines of one's own, are written here. */
export function Lines({ view, edit }: { view: EstimateView; edit: Edit | null }) {
  const price = usePrice();
  const { lines, sums } = view.estimate;
  const sumOf = (part: Line['part']) => sums.find((s) => s.part === part);
  const parts = (['work', 'cloth', 'notions', 'more'] as const).filter(
    (part) => lines.some((l) => l.part === part) || (part === 'more' && edit),
  );
  return (
    <section aria-labelledby="estimate-lines">
      <h2 id="estimate-lines">Line by line</h2>
      <div className="scroll">
        <Ledger className="estimate-lines">
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col">How much</th>
              <th scope="col">At</th>
              <th scope="col">Comes to</th>
            </tr>
          </thead>
          {parts.map((part) => (
            <tbody key={part}>
              <tr className="part">
                <th scope="rowgroup" colSpan={3}>
                  {PART_NAME[part]}
                </th>
                <td className="amount">{price(sumOf(part)?.amount ?? 0)}</td>
              </tr>
              {part === 'more' && edit ? (
                <More edit={edit} />
              ) : (
                lines.filter((l) => l.part === part).map((l) => <Row key={l.id} line={l} edit={edit} />)
              )}
              {(sumOf(part)?.share ?? 0) > 0 && (
                <tr>
                  <th scope="row" colSpan={3} className="soft">
                    studio’s share on it
                  </th>
                  <td className="amount">{price(sumOf(part)!.share)}</td>
                </tr>
              )}
            </tbody>
          ))}
        </Ledger>
      </div>
    </section>
  );
}

function Row({ line, edit }: { line: Line; edit: Edit | null }) {
  const price = usePrice();
  const cloth = line.part === 'cloth' ? edit?.texts.cloths[line.name] : undefined;
  const notion = line.part === 'notions' ? edit?.texts.notions[line.name] : undefined;
  const perWord = line.of === 'hour' ? 'an hour' : line.of ? `a ${line.of}` : '';
  return (
    <tr>
      <th scope="row" aria-label={line.name}>
        <details>
          <summary>{line.name}</summary>
          <ul className="why">
            {line.why.map((w) => (
              <li key={w}>{w}</li>
            ))}
          </ul>
        </details>
      </th>
      <td data-as="how much">
        {(cloth ?? notion) && edit ? (
          <TextField
            className="short"
            inputMode="decimal"
            aria-label={`${line.name}: how much`}
            placeholder={line.quantity || 'how much'}
            value={(cloth ?? notion)!.quantity}
            onChange={(e) => {
              const quantity = e.target.value;
              edit.set(
                cloth
                  ? { cloths: { ...edit.texts.cloths, [line.name]: { ...cloth, quantity } } }
                  : { notions: { ...edit.texts.notions, [line.name]: { ...notion!, quantity } } },
              );
            }}
          />
        ) : (
          line.quantity
        )}
      </td>
      <td data-as="at">
        {cloth && edit ? (
          <>
            <TextField
              className="short"
              inputMode="decimal"
              aria-label={`${line.name}: price ${perWord}`}
              placeholder="0.00"
              disabled={cloth.theirs}
              value={cloth.price}
              onChange={(e) =>
                edit.set({
                  cloths: { ...edit.texts.cloths, [line.name]: { ...cloth, price: e.target.value } },
                })
              }
            />{' '}
            <span className="soft">{perWord}</span>
            <label className="theirs">
              <Tick
                checked={cloth.theirs}
                onChange={(e) =>
                  edit.set({
                    cloths: { ...edit.texts.cloths, [line.name]: { ...cloth, theirs: e.target.checked } },
                  })
                }
              />{' '}
              the client brings it
            </label>
          </>
        ) : notion && edit ? (
          <>
            <TextField
              className="short"
              inputMode="decimal"
              aria-label={`${line.name}: price ${perWord}`}
              placeholder={line.rate?.toFixed(2) ?? '0.00'}
              value={notion.price}
              onChange={(e) =>
                edit.set({
                  notions: { ...edit.texts.notions, [line.name]: { ...notion, price: e.target.value } },
                })
              }
            />{' '}
            <span className="soft">{perWord}</span>
          </>
        ) : line.rate === null ? (
          ''
        ) : (
          `${price(line.rate)} ${perWord}`
        )}
      </td>
      <td className="amount" data-as="comes to">
        {line.amount === null ? <span className="soft">not in it</span> : price(line.amount)}
      </td>
    </tr>
  );
}

/** Lines that nobody can count off a sheet. */
function More({ edit }: { edit: Edit }) {
  const { more } = edit.texts;
  const change = (i: number, row: Partial<(typeof more)[number]>) =>
    edit.set({ more: more.map((m, k) => (k === i ? { ...m, ...row } : m)) });
  return (
    <>
      {more.map((m, i) => (
        <tr key={i}>
          <th scope="row" colSpan={3}>
            <TextField
              aria-label={`Line ${i + 1}: what for`}
              placeholder="e.g. lace, beads, a journey"
              maxLength={200}
              value={m.name}
              onChange={(e) => change(i, { name: e.target.value })}
            />
            <ActionButton
              look="quiet"
              aria-label={`Remove line ${i + 1}`}
              onClick={() => edit.set({ more: more.filter((_, k) => k !== i) })}
            >
              Remove
            </ActionButton>
          </th>
          <td className="amount">
            <TextField
              className="short"
              inputMode="decimal"
              aria-label={`Line ${i + 1}: amount`}
              placeholder="0.00"
              value={m.amount}
              onChange={(e) => change(i, { amount: e.target.value })}
            />
          </td>
        </tr>
      ))}
      <tr>
        <td colSpan={4}>
          <ActionButton
            look="plain"
            disabled={more.length >= 40}
            onClick={() => edit.set({ more: [...more, { name: '', amount: '' }] })}
          >
            Add line
          </ActionButton>
        </td>
      </tr>
    </>
  );
}

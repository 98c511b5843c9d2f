import type { HouseBench } from '@rocchetto/contract';
import {
  ALTERATION_KINDS,
  type Cause,
  findKind,
  findSign,
  type HouseSign,
  OWN_SIGN,
  SIGNS,
  signsWith,
} from '@rocchetto/core/alter/index.ts';
import { useState } from 'react';
import { SignDrawing } from '../../parts/signs/SignDrawing.tsx';
import { ActionButton, SelectField, TextField, Tick } from '../../shared/pieces.tsx';

type Signs = HouseBench['signs'];
interface Props {
  readonly signs: Signs;
  readonly busy: boolean;
  /** null where they are only read; false when it was not kept */
  readonly onKeep: ((signs: Signs) => Promise<boolean>) | null;
}

/** The signs at the mirror as the house words them: names, causes in order, hidden ones, and some of its own. */
export function SignsEditor({ signs, busy, onKeep }: Props) {
  const [open, setOpen] = useState<string | null>(null);
  const all = signsWith(signs, true);
  const done = async (id: string, sign: HouseSign | null) => {
    const { [id]: _, ...others } = signs;
    const next = (sign === null ? others : { ...signs, [id]: sign }) as Signs;
    if (await onKeep!(next)) setOpen(null);
  };
  return (
    <>
      <h2>Fitting signs</h2>
      <p className="soft">
        What you see on the cloth, with likely causes in the order to try them. Describe the cloth, never the
        body.
      </p>
      {onKeep && open === null && (
        <div className="row acts">
          <ActionButton look="plain" onClick={() => setOpen('')}>
            Add fitting sign
          </ActionButton>
        </div>
      )}
      {open === '' && (
        <SignForm
          key="new"
          sign={{ name: '', like: SIGNS[0]!.id, hidden: false, causes: [NEW_CAUSE] }}
          choosesDrawing
          busy={busy}
          onKeep={(sign) => done(`own-${crypto.randomUUID().slice(0, 8)}`, sign)}
          onLeave={() => setOpen(null)}
        />
      )}
      <ul className="signlist">
        {all.map((s) => {
          const own = signs[s.id];
          return (
            <li key={s.id} className={own?.hidden ? 'soft' : ''}>
              <div className="row">
                <SignDrawing sign={s} />
                <div className="grow">
                  <strong>{s.name}</strong>
                  {own && <span className="soft"> own words{own.hidden && ', hidden'}</span>}
                  <div className="soft">{s.causes.map((c) => c.cause).join('; ')}</div>
                </div>
                {onKeep && (
                  <ActionButton
                    look="quiet"
                    aria-expanded={open === s.id}
                    aria-label={`Edit sign ${s.name}`}
                    onClick={() => setOpen(open === s.id ? null : s.id)}
                  >
                    {open === s.id ? 'Close' : 'Edit'}
                  </ActionButton>
                )}
              </div>
              {open === s.id && (
                <SignForm
                  sign={own ?? { name: s.name, like: s.id, hidden: false, causes: s.causes }}
                  choosesDrawing={OWN_SIGN.test(s.id)}
                  busy={busy}
                  onKeep={(sign) => done(s.id, sign)}
                  onReset={own ? () => done(s.id, null) : undefined}
                  resetWord={OWN_SIGN.test(s.id) ? 'Remove sign' : 'Reset to the usual sign'}
                  onLeave={() => setOpen(null)}
                />
              )}
            </li>
          );
        })}
      </ul>
    </>
  );
}

const NEW_CAUSE: Cause = { cause: '', try: '', kind: null, direction: '' };

interface FormProps {
  readonly sign: HouseSign;
  readonly choosesDrawing: boolean;
  readonly busy: boolean;
  readonly onKeep: (sign: HouseSign) => void;
  readonly onReset?: (() => void) | undefined;
  readonly resetWord?: string;
  readonly onLeave: () => void;
}

function SignForm({ sign: of, choosesDrawing, busy, onKeep, onReset, resetWord, onLeave }: FormProps) {
  const [sign, set] = useState(of);
  const cause = (i: number, more: Partial<Cause>) =>
    set({ ...sign, causes: sign.causes.map((c, n) => (n === i ? { ...c, ...more } : c)) });
  const move = (i: number, by: number) => {
    const causes = [...sign.causes];
    const [one] = causes.splice(i, 1);
    causes.splice(i + by, 0, one!);
    set({ ...sign, causes });
  };
  return (
    <form
      className="slip"
      aria-label="Fitting sign"
      onSubmit={(e) => {
        e.preventDefault();
        onKeep(sign);
      }}
    >
      <div className="row">
        <SignDrawing sign={findSign(sign.like)!} />
        <div className="grow stack">
          <label htmlFor="sign-name">What is seen</label>
          <TextField
            id="sign-name"
            className="grow"
            maxLength={120}
            value={sign.name}
            onChange={(e) => set({ ...sign, name: e.target.value })}
          />
          {choosesDrawing && (
            <>
              <label htmlFor="sign-like">Drawing</label>
              <SelectField
                id="sign-like"
                value={sign.like}
                onChange={(e) => set({ ...sign, like: e.target.value })}
              >
                {SIGNS.map((s) => (
                  <option key={s.id} value={s.id}>
                    {s.name}
                  </option>
                ))}
              </SelectField>
            </>
          )}
          <label>
            <Tick checked={sign.hidden} onChange={(e) => set({ ...sign, hidden: e.target.checked })} /> Hide
            at fittings
          </label>
        </div>
      </div>
      <ol className="causerows">
        {sign.causes.map((c, i) => {
          const kind = c.kind === null ? undefined : findKind(c.kind);
          const n = `cause ${i + 1}`;
          return (
            <li key={i} className="row">
              <TextField
                className="grow"
                aria-label={`The ${n}`}
                placeholder="likely cause"
                maxLength={120}
                value={c.cause}
                onChange={(e) => cause(i, { cause: e.target.value })}
              />
              <TextField
                className="grow"
                aria-label={`What to try, ${n}`}
                placeholder="what to try"
                maxLength={200}
                value={c.try}
                onChange={(e) => cause(i, { try: e.target.value })}
              />
              <SelectField
                aria-label={`Alteration, ${n}`}
                value={c.kind ?? ''}
                onChange={(e) => {
                  const next = findKind(e.target.value);
                  cause(i, { kind: next?.id ?? null, direction: next?.directions[0]?.id ?? '' });
                }}
              >
                <option value="">nothing to sew</option>
                {ALTERATION_KINDS.map((k) => (
                  <option key={k.id} value={k.id}>
                    {k.name}
                  </option>
                ))}
              </SelectField>
              {kind && kind.directions.length > 1 && (
                <SelectField
                  aria-label={`Do what, ${n}`}
                  value={c.direction}
                  onChange={(e) => cause(i, { direction: e.target.value })}
                >
                  {kind.directions.map((d) => (
                    <option key={d.id} value={d.id}>
                      {d.word}
                    </option>
                  ))}
                </SelectField>
              )}
              <ActionButton
                look="quiet"
                disabled={i === 0}
                aria-label={`Earlier: ${n}`}
                onClick={() => move(i, -1)}
              >
                Move up
              </ActionButton>
              <ActionButton
                look="quiet"
                disabled={sign.causes.length === 1}
                aria-label={`Remove ${n}`}
                onClick={() => set({ ...sign, causes: sign.causes.filter((_, x) => x !== i) })}
              >
                Remove
              </ActionButton>
            </li>
          );
        })}
      </ol>
      <div className="row acts">
        <ActionButton look="plain" type="submit" busy={busy}>
          Save sign
        </ActionButton>
        {sign.causes.length < 10 && (
          <ActionButton look="quiet" onClick={() => set({ ...sign, causes: [...sign.causes, NEW_CAUSE] })}>
            Add cause
          </ActionButton>
        )}
        {onReset && (
          <ActionButton look="quiet" onClick={onReset}>
            {resetWord}
          </ActionButton>
        )}
        <ActionButton look="quiet" onClick={onLeave}>
          Cancel
        </ActionButton>
      </div>
    </form>
  );
}

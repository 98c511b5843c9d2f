import { type FactorBegun, newPassphrase, ROLE_WORD } from '@rocchetto/contract';
import { toString as toQr } from 'qrcode';
import { type FormEvent, useEffect, useState } from 'react';
import { useDispatch } from 'react-redux';
import {
  useAccountQuery,
  useBeginFactorMutation,
  useChangePassphraseMutation,
  useChangeUnitMutation,
  useConfirmFactorMutation,
  useDropFactorMutation,
  useEndSignInMutation,
} from '../../api/account.ts';
import { api } from '../../api/base.ts';
import { useHouseQuery } from '../../api/house.ts';
import { Facts } from '../../shared/Facts.tsx';
import { useDays, useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, Ledger, SelectField, TextField } from '../../shared/pieces.tsx';
import { deviceWords } from './device.ts';

/** One's own account: where one is signed in, passphrase, second factor. */
export function Component() {
  const me = useMe();
  const { data, error, refetch } = useAccountQuery();
  if (!data) return <Place title="Your account" waiting={{ what: 'your account', error, again: refetch }} />;
  return (
    <Place
      title="Your account"
      margin={
        <section>
          <h2>Signed in as</h2>
          <Facts
            facts={[
              ['Name', me.name],
              ['Role', ROLE_WORD[me.role]],
              [
                'Screen locks',
                me.idleMinutes === 0 ? 'never' : `after ${me.idleMinutes} minutes without use`,
              ],
            ]}
          />
        </section>
      }
    >
      <h1>Your account</h1>
      {me.factorOwed && (
        <Notice>The studio requires a second factor for your role. Set it up below to open the rest.</Notice>
      )}
      <OwnUnit />
      <SecondFactor since={data.factorSince} left={data.codesLeft} asked={data.factorAsked} />
      <Passphrase />
      <SignIns />
    </Place>
  );
}

/** In what one measures and reads, where it is not what the studio does. */
function OwnUnit() {
  const { ownUnit } = useMe();
  const { data: house } = useHouseQuery();
  const [change, { error, isLoading }] = useChangeUnitMutation();
  return (
    <section>
      <h2>Unit</h2>
      <Problem error={error} />
      <label htmlFor="own-unit">You measure and read in</label>{' '}
      <SelectField
        id="own-unit"
        value={ownUnit ?? ''}
        disabled={isLoading}
        onChange={(e) => void change((e.target.value || null) as 'cm' | 'in' | null)}
      >
        <option value="">
          {house ? `as the studio: ${house.unit === 'in' ? 'inches' : 'centimetres'}` : 'as the studio'}
        </option>
        <option value="cm">centimetres</option>
        <option value="in">inches</option>
      </SelectField>
    </section>
  );
}

function SignIns() {
  const { data } = useAccountQuery();
  const [end, { error, isLoading }] = useEndSignInMutation();
  const { short } = useDays();
  return (
    <section aria-labelledby="sign-ins">
      <h2 id="sign-ins">Where you are signed in</h2>
      <Problem error={error} />
      <Ledger>
        <thead>
          <tr>
            <th scope="col">Device</th>
            <th scope="col">Since</th>
            <th scope="col">Last used</th>
            <th scope="col">
              <span className="hidden">End</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {data?.signIns.map((s) => (
            <tr key={s.id}>
              <td>
                {deviceWords(s.device)}
                {s.isThis && <span className="agreed"> this one</span>}
                {s.isLocked && <span className="soft"> locked</span>}
              </td>
              <td>{short(s.madeAt)}</td>
              <td>{short(s.seenAt)}</td>
              <td>
                {!s.isThis && (
                  <ActionButton
                    look="quiet"
                    busy={isLoading}
                    aria-label={`Sign out ${deviceWords(s.device)}`}
                    onClick={() => void end(s.id)}
                  >
                    Sign out
                  </ActionButton>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </Ledger>
    </section>
  );
}

function Passphrase() {
  const [change, { error, isLoading, isSuccess, reset }] = useChangePassphraseMutation();
  const [wrong, setWrong] = useState('');
  const save = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const form = e.currentTarget;
    const read = new FormData(form);
    const [current, next] = [String(read.get('current')), String(read.get('next'))];
    const checked = newPassphrase.safeParse(next);
    setWrong(checked.success ? '' : checked.error.issues[0]!.message);
    reset();
    if (checked.success && 'data' in (await change({ current, next }))) form.reset();
  };
  return (
    <section aria-labelledby="passphrase-title">
      <h2 id="passphrase-title">Passphrase</h2>
      <form className="stack" onSubmit={save} noValidate>
        <Problem error={error} />
        {wrong && <Notice tone="bad">{wrong}</Notice>}
        {isSuccess && <Notice tone="good">Passphrase changed. You were signed out everywhere else.</Notice>}
        <label htmlFor="current">Current passphrase</label>
        <TextField id="current" name="current" type="password" autoComplete="current-password" />
        <label htmlFor="next">New passphrase</label>
        <TextField
          id="next"
          name="next"
          type="password"
          autoComplete="new-password"
          aria-describedby="next-help"
        />
        <p id="next-help" className="soft">
          12 characters or more. Four or five unrelated plain words work well.
        </p>
        <ActionButton look="plain" type="submit" busy={isLoading}>
          Change passphrase
        </ActionButton>
      </form>
    </section>
  );
}

function SecondFactor({ since, left, asked }: { since: string | null; left: number; asked: boolean }) {
  const { long } = useDays();
  const [begin, beginning] = useBeginFactorMutation();
  const [drop, dropping] = useDropFactorMutation();
  const [begun, setBegun] = useState<FactorBegun | null>(null);
  const [passphrase, setPassphrase] = useState('');
  // Shown once: they stay until the hand has them, whatever the page hears meanwhile.
  const [codes, setCodes] = useState<readonly string[] | null>(null);
  if (codes)
    return (
      <section aria-labelledby="factor">
        <h2 id="factor">Second factor</h2>
        <Codes codes={codes} onDone={() => setCodes(null)} />
      </section>
    );
  if (since !== null)
    return (
      <section aria-labelledby="factor">
        <h2 id="factor">Second factor</h2>
        <p>
          <span className="agreed">✓ On since {long(since)}.</span> {left} recovery codes left.
        </p>
        {asked ? (
          <p className="soft">The studio requires it for your role.</p>
        ) : (
          <form
            className="row"
            aria-label="Turn it off"
            onSubmit={async (e) => {
              e.preventDefault();
              if ('data' in (await drop(passphrase))) setPassphrase('');
            }}
          >
            <Problem error={dropping.error} />
            <label htmlFor="off-passphrase">Passphrase</label>
            <TextField
              id="off-passphrase"
              type="password"
              autoComplete="current-password"
              value={passphrase}
              onChange={(e) => setPassphrase(e.target.value)}
            />
            <ActionButton look="quiet" type="submit" disabled={dropping.isLoading || passphrase === ''}>
              Turn off second factor
            </ActionButton>
          </form>
        )}
      </section>
    );
  return (
    <section aria-labelledby="factor">
      <h2 id="factor">Second factor</h2>
      {begun === null ? (
        <>
          <p className="soft">
            An authenticator app on your phone shows six digits that change every half minute. You type them
            after the passphrase when you sign in.
          </p>
          <Problem error={beginning.error} />
          <ActionButton
            look="plain"
            busy={beginning.isLoading}
            onClick={async () => {
              const made = await begin();
              if ('data' in made && made.data) setBegun(made.data);
            }}
          >
            Set up second factor
          </ActionButton>
        </>
      ) : (
        <Confirm begun={begun} onCodes={setCodes} />
      )}
    </section>
  );
}

/** The key as a square that an authenticator scans. */
function Square({ address }: { address: string }) {
  const [svg, setSvg] = useState('');
  useEffect(() => {
    void toQr(address, { type: 'svg', margin: 2 }).then(setSvg);
  }, [address]);
  return svg === '' ? null : (
    <img
      src={`data:image/svg+xml,${encodeURIComponent(svg)}`}
      width="180"
      height="180"
      alt="QR code of the key"
    />
  );
}

function Codes({ codes, onDone }: { codes: readonly string[]; onDone: () => void }) {
  const dispatch = useDispatch();
  return (
    <>
      <Notice tone="good">
        The second factor is on. Write these recovery codes down and keep them away from your phone. Each
        works once. They are not shown again.
      </Notice>
      <ol className="codes figures">
        {codes.map((c) => (
          <li key={c}>{c}</li>
        ))}
      </ol>
      <div className="row acts noprint">
        <ActionButton look="plain" onClick={() => window.print()}>
          Print codes
        </ActionButton>
        <ActionButton
          look="take"
          onClick={() => {
            onDone();
            dispatch(api.util.invalidateTags(['Staff', 'Me']));
          }}
        >
          I’ve written them down
        </ActionButton>
      </div>
    </>
  );
}

function Confirm({ begun, onCodes }: { begun: FactorBegun; onCodes: (codes: readonly string[]) => void }) {
  const [confirm, { error, isLoading }] = useConfirmFactorMutation();
  const [code, setCode] = useState('');
  return (
    <>
      <p>Scan this with an authenticator app, or type the key into it.</p>
      <div className="row">
        <Square address={begun.uri} />
        <p className="figures">{begun.secret.match(/.{1,4}/g)?.join(' ')}</p>
      </div>
      <form
        className="row"
        aria-label="Confirm"
        onSubmit={async (e) => {
          e.preventDefault();
          const done = await confirm(code);
          if ('data' in done && done.data) onCodes(done.data.codes);
        }}
      >
        <Problem error={error} />
        <label htmlFor="factor-code">Six digits from the app</label>
        <TextField
          id="factor-code"
          className="short"
          inputMode="numeric"
          autoComplete="one-time-code"
          value={code}
          onChange={(e) => setCode(e.target.value)}
        />
        <ActionButton look="take" type="submit" disabled={isLoading || code.trim() === ''}>
          Turn on second factor
        </ActionButton>
      </form>
    </>
  );
}

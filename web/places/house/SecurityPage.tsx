import { type DoorsWrite, ROLE_WORD, ROLES, SECURITY_WORDS } from '@rocchetto/contract';
import { timeIn } from '@rocchetto/core/dates/studio-day.ts';
import { type FormEvent, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useChangeDoorsMutation, useDoorsQuery, useSecurityEventsQuery } from '../../api/account.ts';
import { useDays, useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, Ledger, TextField, Tick } from '../../shared/pieces.tsx';

const BAD: readonly string[] = [
  'sign-in-failed',
  'code-failed',
  'slowed-down',
  'unlock-failed',
  'refused',
  'other-author',
];

/** How the house keeps its doors, and what happened at them. */
export function Component() {
  const { data: doors, error, refetch } = useDoorsQuery();
  const [change, changing] = useChangeDoorsMutation();
  if (!doors) return <Place title="Security" waiting={{ what: 'the settings', error, again: refetch }} />;
  return (
    <Place title="Security">
      <p className="crumb">
        <Link to="/house">Studio settings</Link>
      </p>
      <h1>Security</h1>
      {changing.isSuccess && <Notice tone="good">Saved.</Notice>}
      <Problem error={changing.error} />
      {/* Begins anew with what somebody else saved. */}
      <DoorsForm key={JSON.stringify(doors)} doors={doors} busy={changing.isLoading} save={change} />
      <Events />
    </Place>
  );
}

interface FormProps {
  readonly doors: DoorsWrite;
  readonly busy: boolean;
  readonly save: (doors: DoorsWrite) => unknown;
}
function DoorsForm({ doors, busy, save }: FormProps) {
  const submit = (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const form = new FormData(e.currentTarget);
    const minutes = String(form.get('idle')).trim();
    void save({
      idleMinutes: minutes === '' ? Number.NaN : Number(minutes),
      secondFactor: ROLES.filter((r) => form.get(`factor-${r}`) !== null),
    });
  };
  return (
    <form className="stack" onSubmit={submit} noValidate aria-label="Lock and second factor">
      <label htmlFor="idle">Lock a screen after this many minutes without use (0 = never)</label>
      <div>
        <TextField
          id="idle"
          name="idle"
          className="short"
          inputMode="numeric"
          defaultValue={doors.idleMinutes}
        />
      </div>
      <fieldset className="choices">
        <legend>Require a second factor</legend>
        {ROLES.map((r) => (
          <label key={r}>
            <Tick name={`factor-${r}`} defaultChecked={doors.secondFactor.includes(r)} /> {ROLE_WORD[r]}
          </label>
        ))}
      </fieldset>
      <p className="soft">Anyone without one is asked to set it up next; nothing else opens until then.</p>
      <ActionButton look="plain" type="submit" busy={busy}>
        Save security settings
      </ActionButton>
    </form>
  );
}

function Events() {
  const [params] = useSearchParams();
  const before = Number(params.get('before')) || null;
  const { data, error, refetch } = useSecurityEventsQuery(before);
  const { timeZone } = useMe();
  const { short } = useDays();
  const [bad, setBad] = useState(false);
  if (!data) return <Problem error={error} again={refetch} />;
  const shown = data.events.filter((e) => !bad || BAD.includes(e.what));
  return (
    <section aria-labelledby="events">
      <h2 id="events">Sign-ins and refusals</h2>
      <label className="row">
        <Tick checked={bad} onChange={(e) => setBad(e.target.checked)} /> Failed or refused only
      </label>
      {shown.length === 0 && <p className="soft">Nothing to show.</p>}
      <div className="scroll">
        <Ledger>
          <thead>
            <tr>
              <th scope="col">When</th>
              <th scope="col">What</th>
              <th scope="col">Who</th>
              <th scope="col">From</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((e) => (
              <tr key={e.id}>
                <td>
                  {short(e.at)}, {timeIn(timeZone, e.at)}
                </td>
                <td className={BAD.includes(e.what) ? 'tight' : ''}>
                  {SECURITY_WORDS[e.what]}
                  {e.words && <span className="soft"> {e.words}</span>}
                </td>
                <td>{e.name}</td>
                <td>{e.address}</td>
              </tr>
            ))}
          </tbody>
        </Ledger>
      </div>
      <div className="row further">
        {before !== null && <Link to="?">First page</Link>}
        {data.more && <Link to={`?before=${data.events.at(-1)!.id}`}>Next page</Link>}
      </div>
    </section>
  );
}

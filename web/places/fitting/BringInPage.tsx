import { ActionButton, SelectField, TextField, TextLines } from '../../shared/pieces.tsx';
import '../../shared/forms.css';
import './fitting.css';
import { GARMENT_KINDS } from '@rocchetto/core/alter/index.ts';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { useBringInMutation, useLazyTicketQuery } from '../../api/brought-in.ts';
import { useClientQuery } from '../../api/clients.ts';
import { ClientChoice } from '../../parts/people/ClientChoice.tsx';
import { DateField } from '../../shared/DateField.tsx';
import { Notice } from '../../shared/Notice.tsx';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { Choice } from './fields.tsx';

/** At the desk: a garment that is brought in, how it came, and its claim ticket; or a ticket that is brought back. */
export function Component() {
  const [params] = useSearchParams();
  const [clientId, setClientId] = useState(Number(params.get('client')) || 0);
  const { data: client } = useClientQuery(clientId, { skip: clientId === 0 });
  const [bring, { error, isLoading }] = useBringInMutation();
  const [kind, setKind] = useState('coat');
  const [what, setWhat] = useState('');
  const [lined, setLined] = useState<boolean | null>(null);
  const [label, setLabel] = useState('');
  const [condition, setCondition] = useState('');
  const [dueOn, setDueOn] = useState('');
  const [wrong, setWrong] = useState('');
  const navigate = useNavigate();
  const keep = async () => {
    if (clientId === 0) return setWrong('Choose the client.');
    if (condition.trim() === '')
      return setWrong('Enter the condition: stains, worn places, or “nothing found”.');
    if (lined === null) return setWrong('Look inside and choose whether it has a lining.');
    setWrong('');
    const name = GARMENT_KINDS.find((k) => k.id === kind)!.name;
    const done = await bring({
      clientId,
      kind,
      what: what.trim() || `${name[0]!.toUpperCase()}${name.slice(1)}, brought in`,
      lined,
      label,
      condition: condition.trim(),
      dueOn: dueOn === '' ? null : dueOn,
    });
    if ('data' in done && done.data) navigate(`/orders/${done.data.orderId}/fitting`);
  };
  return (
    <Place title="Brought in" margin={<Claim />}>
      <h1>Garment brought in{client ? ` by ${client.name}` : ''}</h1>
      <form
        className="asking"
        aria-label="Garment brought in"
        onSubmit={(e) => {
          e.preventDefault();
          void keep();
        }}
      >
        {!client && <ClientChoice onChoose={setClientId} />}
        <div className="fields">
          <div>
            <label htmlFor="garment-kind">Garment</label>
            <SelectField id="garment-kind" value={kind} onChange={(e) => setKind(e.target.value)}>
              {GARMENT_KINDS.map((k) => (
                <option key={k.id} value={k.id}>
                  {k.name}
                </option>
              ))}
            </SelectField>
          </div>
          <div>
            <label htmlFor="garment-what">Description for the ticket</label>
            <TextField
              id="garment-what"
              maxLength={200}
              value={what}
              onChange={(e) => setWhat(e.target.value)}
            />
          </div>
          <div>
            <label htmlFor="garment-label">Label, cloth, care</label>
            <TextField
              id="garment-label"
              maxLength={200}
              value={label}
              onChange={(e) => setLabel(e.target.value)}
            />
          </div>
          <div>
            <label htmlFor="garment-due">Ready by</label>
            <DateField id="garment-due" value={dueOn} onChange={setDueOn} />
          </div>
        </div>
        <Choice
          label="Inside"
          options={[
            ['yes', 'lined'],
            ['no', 'unlined'],
          ]}
          chosen={lined === null ? '' : lined ? 'yes' : 'no'}
          onChoose={(v) => setLined(v === 'yes')}
        />
        <label htmlFor="garment-condition">Condition when brought in</label>
        <TextLines
          id="garment-condition"
          className="wide"
          rows={2}
          maxLength={500}
          placeholder="e.g. stains, worn places, missing buttons; or: nothing found"
          value={condition}
          onChange={(e) => setCondition(e.target.value)}
        />
        {wrong && <Notice tone="bad">{wrong}</Notice>}
        <Problem error={error} />
        <div className="row acts">
          <ActionButton look="take" type="submit" busy={isLoading}>
            Create order
          </ActionButton>
        </div>
      </form>
    </Place>
  );
}

/** A ticket that is brought back: its code leads to the garment. */
function Claim() {
  const [code, setCode] = useState('');
  const [find, { error }] = useLazyTicketQuery();
  const navigate = useNavigate();
  return (
    <section>
      <h2>Find by ticket</h2>
      <form
        className="stack"
        aria-label="Find by ticket"
        onSubmit={async (e) => {
          e.preventDefault();
          const found = await find(code);
          if (found.data) navigate(`/orders/${found.data.orderId}/fitting`);
        }}
      >
        <label htmlFor="ticket-code">Ticket code</label>
        <TextField
          id="ticket-code"
          autoComplete="off"
          value={code}
          onChange={(e) => setCode(e.target.value)}
        />
        <Problem error={error} />
        <ActionButton look="plain" type="submit" disabled={code.trim() === ''}>
          Find the garment
        </ActionButton>
      </form>
    </section>
  );
}

import type { SheetView } from '@rocchetto/contract';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { useAgreeSheetMutation, useCutSheetMutation } from '../api/api.ts';
import { Problem } from '../shared/Problem.tsx';

/** Draft, then agreed by name, then cut: what stands in the way, and the button when nothing does. */
export function Decide({
  id,
  view,
  open,
  may,
}: {
  id: number;
  view: SheetView;
  open: readonly string[];
  may: boolean;
}) {
  const [agree, agreeing] = useAgreeSheetMutation();
  const [cut, cutting] = useCutSheetMutation();
  const [name, setName] = useState('');
  const [sure, setSure] = useState(false);
  if (view.status === 'cut')
    return (
      <section>
        <h2>Cut</h2>
        <p className="soft">This sheet’s figures stay. What is still to change is an alteration.</p>
      </section>
    );
  if (!may) return null;
  if (view.status === 'agreed')
    return (
      <section>
        <h2>Cut</h2>
        <Problem error={cutting.error} />
        <p className="soft">
          A change now begins revision {view.revision + 1}. Once it is cut, the figures stay.
        </p>
        {sure ? (
          <div className="row">
            <Button
              type="primary"
              loading={cutting.isLoading}
              onClick={() => void cut({ id, version: view.version })}
            >
              Yes, the cloth is cut
            </Button>
            <Button onClick={() => setSure(false)}>Not yet</Button>
          </div>
        ) : (
          <Button onClick={() => setSure(true)}>The cloth is cut …</Button>
        )}
      </section>
    );
  return (
    <section>
      <h2>Agree</h2>
      <Problem error={agreeing.error} />
      {open.length > 0 ? (
        <>
          <p>Before it can be agreed:</p>
          <ul className="why">
            {open.map((o) => (
              <li key={o}>{o}</li>
            ))}
          </ul>
          {view.sessionId === null && <Link to={`/orders/${id}/measure`}>Measure</Link>}
        </>
      ) : (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            if (name.trim()) void agree({ id, version: view.version, name: name.trim() });
          }}
        >
          <Input
            aria-label="Agreed by"
            placeholder="agreed by (name)"
            value={name}
            maxLength={200}
            onChange={(e) => setName(e.target.value)}
            style={{ marginBottom: 6 }}
          />
          <Button type="primary" htmlType="submit" disabled={!name.trim()} loading={agreeing.isLoading}>
            Agree revision {view.revision}
          </Button>
        </form>
      )}
    </section>
  );
}

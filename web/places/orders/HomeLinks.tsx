import type { HomeLinkView } from '@rocchetto/contract';
import { useState } from 'react';
import { useAddHomeLinkMutation, useCloseHomeLinkMutation, useHomeLinksQuery } from '../../api/home-links.ts';
import { useDays } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, TextField } from '../../shared/pieces.tsx';

const WORD: Readonly<Record<HomeLinkView['state'], string>> = {
  open: 'open until',
  sent: 'sent',
  closed: 'closed',
  over: 'ended',
};

/** The page behind a private link with which the client measures at home. */
export function HomeLinks({ orderId, client }: { orderId: number; client: string }) {
  const { data: links, error } = useHomeLinksQuery(orderId);
  const [add, adding] = useAddHomeLinkMutation();
  const [close, closing] = useCloseHomeLinkMutation();
  const [made, setMade] = useState('');
  const [copied, setCopied] = useState(false);
  const { short } = useDays();
  const make = async () => {
    setCopied(false);
    const done = await add(orderId);
    if ('data' in done) setMade(new URL(done.data!.path, window.location.href).toString());
  };
  const copy = () => void navigator.clipboard.writeText(made).then(() => setCopied(true));
  const open = links?.find((l) => l.state === 'open');
  return (
    <section>
      <h2>Measuring at home</h2>
      <Problem error={error ?? adding.error ?? closing.error} />
      {links?.length === 0 && (
        <p className="soft">
          {client} can measure at home with a private link and pictures. What comes back is flagged until it
          is confirmed here.
        </p>
      )}
      <ul className="why">
        {links?.map((l) => (
          <li key={l.id}>
            {WORD[l.state]} {short(l.state === 'sent' ? l.sentAt : l.expiresAt)},{' '}
            <span className="soft">asked by {l.madeBy}</span>{' '}
            {l.state === 'open' && (
              <ActionButton
                look="quiet"
                onClick={() => {
                  setMade('');
                  void close({ id: l.id, orderId });
                }}
              >
                Close link
              </ActionButton>
            )}
          </li>
        ))}
      </ul>
      {made && open && (
        <div className="notice good" role="status">
          <p>Send this link to {client}. It is shown once.</p>
          <TextField readOnly aria-label="Link for measuring at home" value={made} />
          <ActionButton look="quiet" onClick={copy}>
            {copied ? 'Copied' : 'Copy link'}
          </ActionButton>
        </div>
      )}
      <ActionButton look="quiet" busy={adding.isLoading} onClick={() => void make()}>
        {open ? 'Create new link (closes the old one)' : 'Create link for two weeks'}
      </ActionButton>
    </section>
  );
}

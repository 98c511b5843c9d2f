import { ROLE_WORD } from '@rocchetto/contract/may.ts';
import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import { useMe } from '../shared/me.ts';
import { ActionButton } from '../shared/pieces.tsx';

const initials = (name: string) =>
  name
    .split(/\s+/)
    .map((w) => w[0])
    .slice(0, 2)
    .join('');

/** Who is signed in, and what they can do about it. Closes once something is chosen, on a press outside and on Escape. */
export function WhoCard({ lock, leave }: { readonly lock: () => void; readonly leave: () => void }) {
  const me = useMe();
  const card = useRef<HTMLDetailsElement>(null);
  const close = () => card.current?.removeAttribute('open');
  useEffect(() => {
    const outside = (e: PointerEvent) => {
      if (!card.current?.contains(e.target as Node)) card.current?.removeAttribute('open');
    };
    document.addEventListener('pointerdown', outside);
    return () => document.removeEventListener('pointerdown', outside);
  }, []);
  return (
    <details
      ref={card}
      className="who"
      onKeyDown={(e) => {
        if (e.key !== 'Escape' || !card.current?.open) return;
        close();
        card.current.querySelector('summary')?.focus();
      }}
    >
      <summary
        className="initials"
        aria-label={`Signed in: ${me.name}, ${ROLE_WORD[me.role]}`}
        title={`${me.name}, ${ROLE_WORD[me.role]}`}
      >
        {initials(me.name)}
      </summary>
      <div className="card">
        <p>
          {me.name} <span className="soft">{ROLE_WORD[me.role]}</span>
        </p>
        <Link to="/account" onClick={close}>
          Your account
        </Link>
        <ActionButton
          look="quiet"
          onClick={() => {
            close();
            lock();
          }}
        >
          Lock screen
        </ActionButton>
        <ActionButton look="quiet" onClick={leave}>
          Sign out
        </ActionButton>
      </div>
    </details>
  );
}

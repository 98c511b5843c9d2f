import { HELP, helpFor, keysOf } from '@rocchetto/contract/help.ts';
import { useEffect, useRef } from 'react';
import { useLocation } from 'react-router';
import { Facts } from '../shared/Facts.tsx';
import { openHelp } from '../shared/help.ts';
import { ActionButton } from '../shared/pieces.tsx';

/** Every place's picture, by its name: where it lies once built. */
const PICTURES = import.meta.glob<string>(['../../docs/screenshots/*.png', '../help/*.png'], {
  query: '?url',
  import: 'default',
  eager: true,
});

/** What a place is for, how it goes, its keys and its picture; and the way to every other page. */
export default function HelpBody({ id, close }: { id: string | null; close: () => void }) {
  const { pathname } = useLocation();
  const page = HELP.find((h) => h.id === id) ?? helpFor(pathname);
  const picture = PICTURES[page.picture.replace(/^web\//, '../').replace(/^docs\//, '../../docs/')];
  const head = useRef<HTMLHeadingElement>(null);
  // Another page is read from its beginning.
  // biome-ignore lint/correctness/useExhaustiveDependencies: at each page
  useEffect(() => head.current?.focus(), [page.id]);
  return (
    <article>
      <div className="spread">
        <h2 ref={head} tabIndex={-1}>
          {page.title}
        </h2>
        <ActionButton look="quiet" onClick={close}>
          Close
        </ActionButton>
      </div>
      <p>{page.purpose}</p>
      <ol className="why">
        {page.steps.map((s) => (
          <li key={s}>{s}</li>
        ))}
      </ol>
      <h3>Keys</h3>
      <Facts facts={keysOf(page.id).map(({ keys, does }) => [does, <kbd key={keys}>{keys}</kbd>])} />
      {picture && <img src={picture} alt={`${page.title}, with sample data`} loading="lazy" />}
      <h3>Other pages</h3>
      <p className="row helpto">
        {HELP.filter((h) => h !== page).map((h) => (
          <ActionButton look="quiet" key={h.id} onClick={() => openHelp(h.id)}>
            {h.title}
          </ActionButton>
        ))}
      </p>
      <p>
        <a href="/api/manual.pdf" target="_blank" rel="noreferrer">
          Print the manual (PDF)
        </a>
      </p>
    </article>
  );
}

import { useRef, useState } from 'react';
import { csrfToken } from '../api/base.ts';
import { useDays, useMay } from '../app/me.ts';
import { Notice } from '../shared/Notice.tsx';
import { useDropPhotoMutation, usePhotosQuery } from './api.ts';

/** Photographs of the garment and of its fittings; what says where one was taken is not kept. */
export function Photos({ orderId }: { orderId: number }) {
  const { data = [], refetch } = usePhotosQuery(orderId);
  const [drop] = useDropPhotoMutation();
  const [mayAdd, mayDrop] = [useMay('alter.work'), useMay('alter.accept')];
  const { short } = useDays();
  const [words, setWords] = useState('');
  const [says, setSays] = useState('');
  const [busy, setBusy] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const add = async (files: readonly File[]) => {
    setBusy(true);
    setSays('');
    for (const file of files) {
      try {
        const res = await fetch(`/api/orders/${orderId}/photos?words=${encodeURIComponent(words)}`, {
          method: 'POST',
          headers: { 'x-csrf-token': csrfToken(), 'content-type': file.type || 'application/octet-stream' },
          body: file,
        });
        if (!res.ok) {
          const { detail = 'It was refused.' } = (await res.json().catch(() => ({}))) as { detail?: string };
          setSays(`${file.name}: ${detail}`);
        }
      } catch {
        setSays(`${file.name} could not be sent; the studio cannot be reached just now. Choose it again.`);
      }
    }
    if (field.current) field.current.value = '';
    setWords('');
    setBusy(false);
    void refetch();
  };
  return (
    <>
      <h2>Photographs</h2>
      {says && <Notice is="bad">{says}</Notice>}
      {data.length === 0 && (
        <p className="soft">
          Pictures of the garment stand here: pins as they were set, how it came, what it became.
        </p>
      )}
      <ul className="photos">
        {data.map((p) => (
          <li key={p.id}>
            <a href={`/api/photos/${p.id}/picture.jpg`} target="_blank" rel="noreferrer">
              <img
                src={`/api/photos/${p.id}/thumb.jpg`}
                alt={p.words || `Photograph of ${short(p.at)}`}
                loading="lazy"
              />
            </a>
            <span className="soft">
              {short(p.at)}, {p.by}
              {p.words && `: ${p.words}`}
            </span>
            {mayDrop && (
              <button
                type="button"
                className="quiet"
                aria-label={`Take the photograph of ${short(p.at)} off`}
                onClick={() => void drop({ id: p.id, orderId })}
              >
                take off
              </button>
            )}
          </li>
        ))}
      </ul>
      {mayAdd && (
        <div className="row">
          <label htmlFor="photo-words">What it shows</label>
          <input
            id="photo-words"
            className="field"
            maxLength={200}
            value={words}
            onChange={(e) => setWords(e.target.value)}
          />
          <input
            ref={field}
            type="file"
            accept="image/*"
            multiple
            aria-label="Photographs to keep"
            disabled={busy}
            onChange={(e) => void add([...(e.target.files ?? [])])}
          />
          {busy && <span role="status">Keeping …</span>}
        </div>
      )}
    </>
  );
}

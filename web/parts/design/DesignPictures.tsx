import { PHOTO_OF, type PhotoOf } from '@rocchetto/contract/design.ts';
import { useState } from 'react';
import { usePhotosQuery } from '../../api/photos.ts';
import { useMay } from '../../shared/me.ts';
import { SelectField, TextField } from '../../shared/pieces.tsx';
import { PictureField } from '../pictures/PictureField.tsx';
import { PictureList } from '../pictures/PictureList.tsx';

const SHOWS: readonly PhotoOf[] = PHOTO_OF.filter((p) => p !== 'garment');
const WORD: Readonly<Record<PhotoOf, string>> = {
  garment: 'garment',
  sketch: 'sketch',
  picture: 'picture',
  swatch: 'swatch',
  trim: 'trim',
};

/** What the garment should become: sketch, pictures, swatch and trims. `look` only shows them, where there are any. */
export function DesignPictures({ orderId, look = false }: { orderId: number; look?: boolean }) {
  const { data = [], refetch } = usePhotosQuery(orderId);
  const mayAdd = useMay('alter.work') && !look;
  const [about, setAbout] = useState<PhotoOf>('sketch');
  const [words, setWords] = useState('');
  const shown = data
    .filter((p) => p.about !== 'garment')
    .sort((a, b) => SHOWS.indexOf(a.about) - SHOWS.indexOf(b.about));
  if (look && shown.length === 0) return null;
  const list = (
    <PictureList
      orderId={orderId}
      photos={shown}
      uncut
      head={(p) => WORD[p.about][0]!.toUpperCase() + WORD[p.about].slice(1)}
    />
  );
  if (look)
    return (
      <details>
        <summary>The design: {shown.map((p) => p.words || WORD[p.about]).join(', ')}</summary>
        {list}
      </details>
    );
  return (
    <section aria-label="The design in pictures">
      <h2>The design in pictures</h2>
      {shown.length === 0 && (
        <p className="soft">
          No pictures yet. Add the client’s sketch, a photograph, or the swatches of cloth and trims; they
          also show at the fitting.
        </p>
      )}
      {list}
      {mayAdd && (
        <div className="row">
          <label htmlFor="design-about">Shows</label>
          <SelectField id="design-about" value={about} onChange={(e) => setAbout(e.target.value as PhotoOf)}>
            {SHOWS.map((s) => (
              <option key={s} value={s}>
                {WORD[s]}
              </option>
            ))}
          </SelectField>
          <label htmlFor="design-words">Caption</label>
          <TextField
            id="design-words"
            maxLength={200}
            placeholder="e.g. lace for the hem"
            value={words}
            onChange={(e) => setWords(e.target.value)}
          />
          <PictureField
            orderId={orderId}
            label="Add pictures"
            keep={{ about, ...(words ? { words } : {}) }}
            onKept={() => {
              setWords('');
              void refetch();
            }}
          />
        </div>
      )}
    </section>
  );
}

import type { AlterationView } from '@rocchetto/contract';
import { formatSentence, type SheetUnit } from '@rocchetto/core';
import { useState } from 'react';
import { usePhotosQuery } from '../../api/photos.ts';
import { useMay } from '../../shared/me.ts';
import { SelectField, TextField } from '../../shared/pieces.tsx';
import { PictureField } from './PictureField.tsx';
import { PictureList } from './PictureList.tsx';

interface Props {
  readonly orderId: number;
  readonly unit: SheetUnit;
  /** the marks one can belong to */
  readonly alterations: readonly AlterationView[];
}

/** Photographs of the garment and of its marks; what says where one was taken is not kept. */
export function Photos({ orderId, unit, alterations }: Props) {
  const { data = [], refetch } = usePhotosQuery(orderId);
  const mayAdd = useMay('alter.work');
  const [words, setWords] = useState('');
  const [mark, setMark] = useState('');
  const shown = data.filter((p) => p.about === 'garment');
  const numberOf = new Map(alterations.map((a, i) => [a.id, i + 1]));
  return (
    <>
      <h2>Photographs</h2>
      {shown.length === 0 && (
        <p className="soft">
          No photographs yet. Add the pins as they were set, how the garment came in, and how it turned out.
        </p>
      )}
      <PictureList
        orderId={orderId}
        photos={shown}
        head={(p) => (p.alterationId === null ? '' : `Mark ${numberOf.get(p.alterationId) ?? '?'}`)}
      />
      {mayAdd && (
        <div className="row">
          {alterations.length > 0 && (
            <>
              <label htmlFor="photo-mark">Shows</label>
              <SelectField id="photo-mark" value={mark} onChange={(e) => setMark(e.target.value)}>
                <option value="">the whole garment</option>
                {alterations.map((a, i) => (
                  <option key={a.id} value={a.id}>
                    mark {i + 1}: {formatSentence(a.sentence, unit).slice(0, 60)}
                  </option>
                ))}
              </SelectField>
            </>
          )}
          <label htmlFor="photo-words">Caption</label>
          <TextField
            id="photo-words"
            maxLength={200}
            value={words}
            onChange={(e) => setWords(e.target.value)}
          />
          <PictureField
            orderId={orderId}
            label="Add photographs"
            keep={{ ...(words ? { words } : {}), ...(mark ? { alteration: mark } : {}) }}
            onKept={() => {
              setWords('');
              void refetch();
            }}
          />
        </div>
      )}
    </>
  );
}

/** Those of one mark, on the page of its work. */
export function MarkPhotos({ orderId, alterationId }: { orderId: number; alterationId: number }) {
  const { data = [] } = usePhotosQuery(orderId);
  return <PictureList orderId={orderId} photos={data.filter((p) => p.alterationId === alterationId)} />;
}

import { ActionButton } from '../../shared/pieces.tsx';
import './pictures.css';
import type { PhotoView } from '@rocchetto/contract';
import { useDropPhotoMutation } from '../../api/photos.ts';
import { useDays, useMay } from '../../shared/me.ts';

interface Props {
  readonly orderId: number;
  readonly photos: readonly PhotoView[];
  /** what stands before the words of each */
  readonly head?: (p: PhotoView) => string;
  /** shown to their edges, not cut to one size */
  readonly uncut?: boolean;
}

/** Pictures with when, by whom and what they show; each opens whole. */
export function PictureList({ orderId, photos, head, uncut }: Props) {
  const [drop] = useDropPhotoMutation();
  const mayDrop = useMay('alter.accept');
  const { short } = useDays();
  if (photos.length === 0) return null;
  return (
    <ul className={uncut ? 'photos uncut' : 'photos'}>
      {photos.map((p) => {
        const says = [head?.(p), p.words].filter(Boolean).join(': ');
        return (
          <li key={p.id}>
            <a href={`/api/photos/${p.id}/picture.jpg`} target="_blank" rel="noreferrer">
              <img
                src={`/api/photos/${p.id}/thumb.jpg`}
                alt={says || `Photograph of ${short(p.at)}`}
                loading="lazy"
              />
            </a>
            <span className="soft">
              {says && `${says}. `}
              {short(p.at)}, {p.by}
            </span>
            {mayDrop && (
              <ActionButton
                look="quiet"
                aria-label={`Remove the photograph of ${short(p.at)}`}
                onClick={() => void drop({ id: p.id, orderId })}
              >
                Remove
              </ActionButton>
            )}
          </li>
        );
      })}
    </ul>
  );
}

import './pictures.css';
import { useId, useRef, useState } from 'react';
import { csrfToken } from '../api/base.ts';
import { Notice } from '../shared/Notice.tsx';

interface Props {
  readonly orderId: number;
  readonly label: string;
  /** what is kept with each picture: words, what it shows, which mark */
  readonly keep: Readonly<Record<string, string>>;
  readonly onKept: () => void;
}

/** Takes pictures from the device, or from its camera, and sends each; one that is refused says why. */
export function PictureField({ orderId, label, keep, onKept }: Props) {
  const id = useId();
  const [says, setSays] = useState<readonly string[]>([]);
  const [busy, setBusy] = useState(0);
  const field = useRef<HTMLInputElement>(null);
  const add = async (files: readonly File[]) => {
    const wrong: string[] = [];
    setSays([]);
    for (const [i, file] of files.entries()) {
      setBusy(files.length - i);
      try {
        const res = await fetch(`/api/orders/${orderId}/photos?${new URLSearchParams(keep)}`, {
          method: 'POST',
          headers: { 'x-csrf-token': csrfToken(), 'content-type': file.type || 'application/octet-stream' },
          body: file,
        });
        if (!res.ok) {
          const { detail = 'It was refused.' } = (await res.json().catch(() => ({}))) as { detail?: string };
          wrong.push(`${file.name}: ${detail}`);
        }
      } catch {
        wrong.push(`${file.name} could not be sent; the studio cannot be reached just now. Choose it again.`);
      }
    }
    if (field.current) field.current.value = '';
    setSays(wrong);
    setBusy(0);
    onKept();
  };
  return (
    <>
      {says.map((s) => (
        <Notice key={s} is="bad">
          {s}
        </Notice>
      ))}
      <span className="picturefield">
        <input
          ref={field}
          id={id}
          type="file"
          accept="image/*"
          multiple
          disabled={busy > 0}
          onChange={(e) => void add([...(e.target.files ?? [])])}
        />
        <label htmlFor={id} className="plain">
          {busy > 0 ? `Keeping ${busy} …` : label}
        </label>
      </span>
    </>
  );
}

import { FileField } from '../../shared/pieces.tsx';
import './pictures.css';
import { useId, useRef, useState } from 'react';
import { Notice } from '../../shared/Notice.tsx';
import { writes } from '../outbox/queue.ts';

interface Props {
  readonly orderId: number;
  readonly label: string;
  /** what is kept with each picture: words, what it shows, which mark */
  readonly keep: Readonly<Record<string, string>>;
  readonly onKept: () => void;
}

/** Takes pictures from the device, or from its camera: each is saved here first and then sent; one that is refused says why. */
export function PictureField({ orderId, label, keep, onKept }: Props) {
  const id = useId();
  const [says, setSays] = useState<readonly string[]>([]);
  const [waiting, setWaits] = useState(0);
  const [busy, setBusy] = useState(0);
  const field = useRef<HTMLInputElement>(null);
  const add = async (files: readonly File[]) => {
    const wrong: string[] = [];
    let waits = 0;
    setSays([]);
    setWaits(0);
    for (const [i, file] of files.entries()) {
      setBusy(files.length - i);
      const sent = await writes().keep({
        orderId,
        is: 'photo',
        path: `/orders/${orderId}/photos?${new URLSearchParams(keep)}`,
        body: file,
        says: `Photograph ${[keep.words, file.name].filter(Boolean).join(', ')}`,
      });
      if (sent.is === 'refused') wrong.push(`${file.name}: ${sent.sentence}`);
      if (sent.is === 'waits' && !sent.safe)
        wrong.push(
          `${file.name} could not be sent, and this browser can’t store it. Keep this page open until the server can be reached, then choose it again.`,
        );
      if (sent.is === 'waits' && sent.safe) waits++;
    }
    if (field.current) field.current.value = '';
    setSays(wrong);
    setWaits(waits);
    setBusy(0);
    onKept();
  };
  return (
    <>
      {says.map((s) => (
        <Notice key={s} tone="bad">
          {s}
        </Notice>
      ))}
      {waiting > 0 && (
        <Notice>
          {waiting === 1 ? 'The photograph is' : `${waiting} photographs are`} saved on this device and will
          be sent when the server can be reached.
        </Notice>
      )}
      <span className="picturefield">
        <FileField
          ref={field}
          id={id}
          accept="image/*"
          multiple
          disabled={busy > 0}
          onChange={(e) => void add([...(e.target.files ?? [])])}
        />
        <label htmlFor={id} className="plain">
          {busy > 0 ? `Saving ${busy} …` : label}
        </label>
      </span>
    </>
  );
}

import type { GarmentRow, PartWire } from '@rocchetto/contract';
import { GARMENTS } from '@rocchetto/core';
import { Input, Popconfirm } from 'antd';
import { useState } from 'react';
import { useDropGarmentMutation, useGarmentsQuery, useSaveGarmentMutation } from '../../api/garments.ts';
import { ChoiceByTyping } from '../../shared/ChoiceByTyping.tsx';
import { useMay } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';

type Parts = readonly Readonly<Record<string, unknown>>[];
interface Props {
  readonly value: string;
  readonly disabled: boolean;
  readonly onChoose: (id: string, parts: Parts) => void;
  /** the parts as they stand in the form, for saving */
  readonly parts: () => readonly PartWire[];
}

/** What is made: a garment of the house or one it has saved. The fields of its parts follow. */
export function GarmentChoice({ value, disabled, onChoose, parts }: Props) {
  const { data: own = [] } = useGarmentsQuery();
  const [drop, dropping] = useDropGarmentMutation();
  const mayHouse = useMay('house.write');
  const all = [
    ...GARMENTS,
    ...own.map((g) => ({ id: `own-${g.id}`, name: g.name, parts: g.parts as Parts })),
  ];
  const chosen = own.find((g) => `own-${g.id}` === value);
  return (
    <>
      <h2>Garment</h2>
      <div className="fields">
        <div className="full">
          <ChoiceByTyping
            listHeight={440}
            aria-label="Garment"
            className="wide-select"
            disabled={disabled}
            value={all.some((g) => g.id === value) ? value : null}
            placeholder="your own combination of parts"
            onChange={(id) => onChoose(id, all.find((g) => g.id === id)!.parts)}
            options={[
              ...(own.length > 0
                ? [
                    {
                      label: 'Saved here',
                      options: own.map((g) => ({ value: `own-${g.id}`, label: g.name })),
                    },
                  ]
                : []),
              {
                label: 'Standard garments',
                options: GARMENTS.map((g) => ({ value: g.id, label: g.name })),
              },
            ]}
          />{' '}
          {chosen && mayHouse && (
            <Popconfirm
              title={`Remove “${chosen.name}” from the saved garments?`}
              description="Briefs made with it stay as they are."
              okText="Remove"
              cancelText="Cancel"
              onConfirm={() => void drop(chosen.id)}
            >
              <ActionButton look="quiet">Remove from the list</ActionButton>
            </Popconfirm>
          )}
          <Problem error={dropping.error} />
        </div>
      </div>
      {!disabled && <Save parts={parts} />}
    </>
  );
}

/** The parts as they stand, saved under a name for the whole house. */
function Save({ parts }: { parts: () => readonly PartWire[] }) {
  const [save, saving] = useSaveGarmentMutation();
  const [name, setName] = useState<string | null>(null);
  const [done, setDone] = useState<GarmentRow | null>(null);
  const keep = async () => {
    const answer = await save({ name: (name ?? '').trim(), parts: [...parts()] });
    if (!('data' in answer) || !answer.data) return;
    setDone(answer.data);
    setName(null);
  };
  if (name === null)
    return (
      <p>
        <ActionButton look="quiet" onClick={() => setName('')}>
          Save these parts as a garment
        </ActionButton>
        {done && <Notice>“{done.name}” was saved to your garments.</Notice>}
      </p>
    );
  return (
    <div className="row">
      <Input
        aria-label="Garment name"
        placeholder="e.g. choir skirt, long"
        value={name}
        maxLength={80}
        autoFocus
        onChange={(e) => setName(e.target.value)}
        onPressEnter={(e) => {
          e.preventDefault();
          if (name.trim()) void keep();
        }}
      />
      <ActionButton look="plain" disabled={!name.trim()} busy={saving.isLoading} onClick={() => void keep()}>
        Save garment
      </ActionButton>
      <ActionButton look="quiet" onClick={() => setName(null)}>
        Cancel
      </ActionButton>
      <Problem error={saving.error} />
    </div>
  );
}

import type { AppointmentView, DiaryRules } from '@rocchetto/contract';
import { contactOf, messageValues } from '@rocchetto/contract/message-values.ts';
import { dayIn } from '@rocchetto/core';
import {
  DEFAULT_WORDS,
  fillWords,
  MESSAGE_FIELDS,
  MESSAGE_KINDS,
  type MessageKind,
  type MessageWords,
  unknownFields,
} from '@rocchetto/core/diary/words.ts';
import { Input } from 'antd';
import { useState } from 'react';
import { useDiaryQuery } from '../../api/diary.ts';
import { useChangeRulesMutation, useDiaryHouseQuery } from '../../api/hours.ts';
import { useHouseQuery } from '../../api/house.ts';
import { useClock } from '../../shared/clock.ts';
import { useDays, useMay, useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';

/** What clients are told, in the house's own words: with the fields there are, read as a real client would read it. */
export function WordsTable() {
  const { data: house, error, refetch } = useDiaryHouseQuery();
  const may = useMay('house.write');
  const [kind, setKind] = useState<MessageKind | null>(null);
  if (!house) return <Problem error={error} again={refetch} />;
  return (
    <>
      <h2>Message texts</h2>
      <div className="row">
        {MESSAGE_KINDS.map((k) => (
          <button
            key={k}
            type="button"
            className="ask"
            aria-pressed={kind === k}
            onClick={() => setKind(kind === k ? null : k)}
          >
            {k.replace('-', ' ')}
          </button>
        ))}
      </div>
      {kind && (
        <Words
          key={`${kind} ${house.version}`}
          kind={kind}
          version={house.version}
          rules={house.rules}
          may={may}
          roomName={(id) => house.rooms.find((r) => r.id === id)?.name ?? ''}
        />
      )}
    </>
  );
}

interface Props {
  readonly kind: MessageKind;
  readonly version: number;
  readonly rules: DiaryRules;
  readonly may: boolean;
  readonly roomName: (id: number | null) => string;
}

function Words({ kind, version, rules, may, roomName }: Props) {
  const [change, { error, isLoading }] = useChangeRulesMutation();
  const [words, setWords] = useState<MessageWords>(rules.words[kind] ?? DEFAULT_WORDS[kind]);
  const { today } = useDays();
  const { studio } = useMe();
  const { data } = useDiaryQuery({ day: today, days: 14 });
  const real = data?.appointments.find((a) => a.status === (kind === 'offered' ? 'offered' : 'confirmed'));
  const strange = unknownFields(words.subject + words.body);
  const save = (next: DiaryRules['words']) => change({ version, rules: { ...rules, words: next } });
  return (
    <form
      className="slip"
      aria-label={`Text of ${kind.replace('-', ' ')}`}
      onSubmit={(e) => {
        e.preventDefault();
        void save({ ...rules.words, [kind]: words });
      }}
    >
      <Problem error={error} />
      <label htmlFor="words-subject">Subject</label>
      <Input
        id="words-subject"
        value={words.subject}
        maxLength={200}
        readOnly={!may}
        onChange={(e) => setWords({ ...words, subject: e.target.value })}
      />
      <label htmlFor="words-body">Text</label>
      <Input.TextArea
        id="words-body"
        value={words.body}
        maxLength={4000}
        readOnly={!may}
        rows={11}
        onChange={(e) => setWords({ ...words, body: e.target.value })}
      />
      <p className="soft">
        Fields:{' '}
        {Object.entries(MESSAGE_FIELDS)
          .map(([f, what]) => `{${f}} ${what}`)
          .join('; ')}
        . A line whose field is empty is left out.
      </p>
      {strange.length > 0 && (
        <Notice is="bad">Unknown field {strange.map((f) => `{${f}}`).join(', ')}.</Notice>
      )}
      {may && (
        <div className="row acts">
          <button type="submit" className="take" disabled={isLoading || strange.length > 0}>
            Save text
          </button>
          {rules.words[kind] && (
            <button
              type="button"
              className="quiet"
              onClick={() => {
                const { [kind]: _, ...rest } = rules.words;
                void save(rest);
              }}
            >
              Reset to the usual text
            </button>
          )}
        </div>
      )}
      {real && strange.length === 0 && (
        <section aria-label="Preview">
          <h3>As {real.clientName} would read it</h3>
          <Preview words={words} of={real} studio={studio} roomName={roomName} />
        </section>
      )}
    </form>
  );
}

function Preview({
  words,
  of: a,
  studio,
  roomName,
}: {
  words: MessageWords;
  of: AppointmentView;
  studio: string;
  roomName: Props['roomName'];
}) {
  const slot = a.slots.find((s) => s.state === 'taken') ?? a.slots.find((s) => s.state === 'offered');
  const { timeZone } = useMe();
  const clock = useClock();
  const { data: house } = useHouseQuery();
  const wall = (at: number) => ({ day: dayIn(timeZone, new Date(at * 60_000)), time: clock(at) });
  const values = messageValues(a, slot, { studio, contact: house ? contactOf(house) : [], wall, roomName });
  return (
    <>
      <strong>{fillWords(words.subject, values)}</strong>
      <p className="letter">{fillWords(words.body, values)}</p>
    </>
  );
}

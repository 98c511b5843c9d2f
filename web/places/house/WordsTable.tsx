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
import { ActionButton } from '../../shared/pieces.tsx';
import { isPage, Languages, PAGE_NAMES, type PageKind, PageTexts } from './Languages.tsx';

/** What clients are told, in the house's own words and languages: with the fields there are, read as a client would read it. */
export function WordsTable() {
  const { data: house, error, refetch } = useDiaryHouseQuery();
  const may = useMay('house.write');
  const [kind, setKind] = useState<MessageKind | PageKind | null>(null);
  /** in which language; empty for the house's own */
  const [language, setLanguage] = useState('');
  if (!house) return <Problem error={error} again={refetch} />;
  return (
    <>
      <h2>Message texts</h2>
      <Languages
        rules={house.rules}
        version={house.version}
        may={may}
        chosen={language}
        onChoose={(tag) => {
          setLanguage(tag);
          if (tag === '' && isPage(kind)) setKind(null);
        }}
      />
      <div className="row">
        {([...MESSAGE_KINDS, ...(language ? (['page', 'home', 'kinds'] as const) : [])] as const).map((k) => (
          <ActionButton
            look="ask"
            key={k}
            aria-pressed={kind === k}
            onClick={() => setKind(kind === k ? null : k)}
          >
            {isPage(k) ? PAGE_NAMES[k] : k.replace('-', ' ')}
          </ActionButton>
        ))}
      </div>
      {isPage(kind) && language && (
        <PageTexts
          key={`${language} ${kind} ${house.version}`}
          which={kind}
          language={language}
          version={house.version}
          rules={house.rules}
          may={may}
        />
      )}
      {kind && !isPage(kind) && (
        <Words
          key={`${language} ${kind} ${house.version}`}
          kind={kind}
          language={language}
          version={house.version}
          rules={house.rules}
          may={may}
          roomName={(id) => house.rooms.find((r) => r.id === id)?.name ?? ''}
        />
      )}
    </>
  );
}

/** The rules with other texts of one kind, in the house's own words or in a language; null takes them away. */
function withWords(
  rules: DiaryRules,
  language: string,
  kind: MessageKind,
  words: MessageWords | null,
): DiaryRules {
  const { [kind]: _, ...rest } = language ? (rules.languages[language]?.words ?? {}) : rules.words;
  const next = words ? { ...rest, [kind]: words } : rest;
  if (!language) return { ...rules, words: next };
  const of = rules.languages[language] ?? { page: {}, home: {}, kinds: {} };
  return { ...rules, languages: { ...rules.languages, [language]: { ...of, words: next } } };
}

interface Props {
  readonly kind: MessageKind;
  readonly language: string;
  readonly version: number;
  readonly rules: DiaryRules;
  readonly may: boolean;
  readonly roomName: (id: number | null) => string;
}

function Words({ kind, language, version, rules, may, roomName }: Props) {
  const [change, { error, isLoading }] = useChangeRulesMutation();
  const kept = language ? rules.languages[language]?.words[kind] : rules.words[kind];
  const [words, setWords] = useState<MessageWords>(kept ?? rules.words[kind] ?? DEFAULT_WORDS[kind]);
  const { today } = useDays();
  const { studio } = useMe();
  const { data } = useDiaryQuery({ day: today, days: 14 });
  const real = data?.appointments.find((a) => a.status === (kind === 'offered' ? 'offered' : 'confirmed'));
  const strange = unknownFields(words.subject + words.body);
  const save = (next: MessageWords | null) =>
    change({ version, rules: withWords(rules, language, kind, next) });
  return (
    <form
      className="slip"
      aria-label={`Text of ${kind.replace('-', ' ')}`}
      onSubmit={(e) => {
        e.preventDefault();
        void save(words);
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
        <Notice tone="bad">Unknown field {strange.map((f) => `{${f}}`).join(', ')}.</Notice>
      )}
      {may && (
        <div className="row acts">
          <ActionButton look="take" type="submit" disabled={isLoading || strange.length > 0}>
            Save text
          </ActionButton>
          {kept && (
            <ActionButton look="quiet" onClick={() => void save(null)}>
              {language ? 'Use the studio’s own text' : 'Reset to the usual text'}
            </ActionButton>
          )}
        </div>
      )}
      {real && strange.length === 0 && (
        <section aria-label="Preview">
          <h3>As {real.clientName} would read it</h3>
          <Preview words={words} language={language} appointment={real} studio={studio} roomName={roomName} />
        </section>
      )}
    </form>
  );
}

function Preview({
  words,
  language,
  appointment: a,
  studio,
  roomName,
}: {
  words: MessageWords;
  language: string;
  appointment: AppointmentView;
  studio: string;
  roomName: Props['roomName'];
}) {
  const slot = a.slots.find((s) => s.state === 'taken') ?? a.slots.find((s) => s.state === 'offered');
  const { timeZone, dateOrder } = useMe();
  const clock = useClock();
  const { data: house } = useHouseQuery();
  const wall = (at: number) => ({ day: dayIn(timeZone, new Date(at * 60_000)), time: clock(at) });
  const values = messageValues(a, slot, {
    studio,
    contact: house ? contactOf(house) : [],
    wall,
    roomName,
    language,
    dateOrder,
  });
  // The page behind the link is made when the letter goes.
  const shown = { ...values, link: '…' };
  return (
    <>
      <strong>{fillWords(words.subject, shown)}</strong>
      <p className="letter">{fillWords(words.body, shown)}</p>
    </>
  );
}

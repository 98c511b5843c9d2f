import type { DiaryRules } from '@rocchetto/contract';
import { languageName } from '@rocchetto/contract/language.ts';
import { kindsOf } from '@rocchetto/core/diary/house.ts';
import {
  MESSAGE_FIELDS,
  PAGE_WORD_IDS,
  PAGE_WORDS,
  type PageWord,
  unknownFields,
} from '@rocchetto/core/diary/words.ts';
import { HOME_FIELDS, HOME_WORD_IDS, homeWord } from '@rocchetto/core/measures/guide/home-words.ts';
import { Input } from 'antd';
import { useState } from 'react';
import { useChangeRulesMutation } from '../../api/hours.ts';
import { ChoiceByTyping } from '../../shared/ChoiceByTyping.tsx';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';

/** Languages that are offered; any other is written in by its sign through the interface for programs. */
const OFFERED =
  'ar bg ca cs cy da de el es et eu fa fi fr ga gl he hi hr hu hy id is it ja ka ko lt lv mk ms mt nb nl pl pt pt-BR ro ru sk sl sq sr sv th tr uk ur vi zh'.split(
    ' ',
  );

interface Props {
  readonly rules: DiaryRules;
  readonly version: number;
  readonly may: boolean;
  readonly chosen: string;
  readonly onChoose: (tag: string) => void;
}

/** In which languages the house has texts. A client is written to in the one on their card. */
export function Languages({ rules, version, may, chosen, onChoose }: Props) {
  const [change, { error }] = useChangeRulesMutation();
  const tags = Object.keys(rules.languages);
  if (!may && tags.length === 0) return null;
  const add = async (tag: string) => {
    const languages = { ...rules.languages, [tag]: { words: {}, page: {}, home: {}, kinds: {} } };
    if ('data' in (await change({ version, rules: { ...rules, languages } }))) onChoose(tag);
  };
  const remove = async () => {
    const { [chosen]: _, ...languages } = rules.languages;
    if ('data' in (await change({ version, rules: { ...rules, languages } }))) onChoose('');
  };
  return (
    <>
      <Problem error={error} />
      <div className="row">
        {tags.length > 0 &&
          ['', ...tags].map((tag) => (
            <ActionButton look="ask" key={tag} aria-pressed={chosen === tag} onClick={() => onChoose(tag)}>
              {tag ? languageName(tag) : 'studio’s own'}
            </ActionButton>
          ))}
        {may && (
          <ChoiceByTyping
            aria-label="Add language"
            placeholder="Add language"
            style={{ width: '14rem' }}
            value={null}
            onChange={(tag) => void add(tag)}
            options={OFFERED.filter((t) => !tags.includes(t)).map((t) => ({
              value: t,
              label: languageName(t),
            }))}
          />
        )}
        {may && chosen && (
          <ActionButton look="quiet" onClick={() => void remove()}>
            Remove {languageName(chosen)}
          </ActionButton>
        )}
      </div>
      {chosen && (
        <p className="soft">
          Clients whose card says {languageName(chosen)} get these texts. What is not written here is sent in
          the studio’s own words.
        </p>
      )}
    </>
  );
}

/** The pages of a client's own that can be written in a language. */
export const PAGE_NAMES = {
  page: 'the client’s page',
  home: 'measuring at home',
  kinds: 'appointment types',
} as const;
export type PageKind = keyof typeof PAGE_NAMES;
export const isPage = (kind: string | null): kind is PageKind =>
  kind !== null && Object.hasOwn(PAGE_NAMES, kind);
/** The texts there are to write, each with the studio's own beneath, and what they may name. */
const textsOf = (rules: DiaryRules) => ({
  page: {
    ids: PAGE_WORD_IDS as readonly string[],
    ours: (id: string): string => PAGE_WORDS[id as PageWord],
    known: MESSAGE_FIELDS,
  },
  home: { ids: HOME_WORD_IDS, ours: homeWord, known: HOME_FIELDS },
  kinds: {
    ids: kindsOf(rules.kinds).map((k) => k.id),
    ours: (id: string) => kindsOf(rules.kinds).find((k) => k.id === id)?.name ?? id,
    known: {},
  },
});

interface PageProps {
  readonly which: PageKind;
  readonly language: string;
  readonly version: number;
  readonly rules: DiaryRules;
  readonly may: boolean;
}

/** What stands on a page of the client's own, text by text, beneath the English that it says until one is written. */
export function PageTexts({ which, language, version, rules, may }: PageProps) {
  const [change, { error, isLoading }] = useChangeRulesMutation();
  const of = rules.languages[language] ?? { words: {}, page: {}, home: {}, kinds: {} };
  const [texts, setTexts] = useState<Readonly<Partial<Record<string, string>>>>(of[which]);
  const { ids, ours, known } = textsOf(rules)[which];
  const strange = unknownFields(Object.values(texts).join(' '), known);
  const written = ids.filter((id) => texts[id]?.trim()).length;
  return (
    <form
      className="slip"
      aria-label={`${PAGE_NAMES[which]} in ${languageName(language)}`}
      onSubmit={(e) => {
        e.preventDefault();
        const kept = Object.fromEntries(Object.entries(texts).filter(([, t]) => t?.trim()));
        void change({
          version,
          rules: { ...rules, languages: { ...rules.languages, [language]: { ...of, [which]: kept } } },
        });
      }}
    >
      <Problem error={error} />
      <p className="soft">
        {written} of {ids.length} written.
        {Object.keys(known).length > 0 &&
          ` A text can use ${Object.keys(known)
            .map((f) => `{${f}}`)
            .join(' ')}.`}
      </p>
      {ids.map((id) => (
        <div key={id}>
          <label htmlFor={`page-${id}`}>{ours(id)}</label>
          <Input.TextArea
            id={`page-${id}`}
            lang={language}
            rows={ours(id).length > 70 ? 3 : 1}
            value={texts[id] ?? ''}
            maxLength={{ page: 300, home: 600, kinds: 60 }[which]}
            readOnly={!may}
            onChange={(e) => setTexts({ ...texts, [id]: e.target.value })}
          />
        </div>
      ))}
      {strange.length > 0 && (
        <Notice tone="bad">Unknown field {strange.map((f) => `{${f}}`).join(', ')}.</Notice>
      )}
      {may && (
        <div className="row acts">
          <ActionButton look="take" type="submit" disabled={isLoading || strange.length > 0}>
            Save texts
          </ActionButton>
        </div>
      )}
    </form>
  );
}

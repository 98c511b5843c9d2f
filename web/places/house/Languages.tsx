import type { DiaryRules } from '@rocchetto/contract';
import { languageName } from '@rocchetto/contract/language.ts';
import { PAGE_WORD_IDS, PAGE_WORDS, type PageWord, unknownFields } from '@rocchetto/core/diary/words.ts';
import { Input } from 'antd';
import { useState } from 'react';
import { useChangeRulesMutation } from '../../api/hours.ts';
import { ChoiceByTyping } from '../../shared/ChoiceByTyping.tsx';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';

/** Languages that are offered; any other is written in by its sign through the interface for programs. */
const OFFERED =
  'ar bg ca cs cy da de el es et eu fa fi fr ga gl he hi hr hu hy id is it ja ka ko lt lv mk ms mt nb nl pl pt pt-BR ro ru sk sl sq sr sv th tr uk ur vi zh'.split(
    ' ',
  );

interface Props {
  readonly of: DiaryRules;
  readonly version: number;
  readonly may: boolean;
  readonly chosen: string;
  readonly onChoose: (tag: string) => void;
}

/** In which languages the house has texts. A client is written to in the one on their card. */
export function Languages({ of: rules, version, may, chosen, onChoose }: Props) {
  const [change, { error }] = useChangeRulesMutation();
  const tags = Object.keys(rules.languages);
  if (!may && tags.length === 0) return null;
  const add = async (tag: string) => {
    const languages = { ...rules.languages, [tag]: { words: {}, page: {} } };
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
            <button
              key={tag}
              type="button"
              className="ask"
              aria-pressed={chosen === tag}
              onClick={() => onChoose(tag)}
            >
              {tag ? languageName(tag) : 'studio’s own'}
            </button>
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
          <button type="button" className="quiet" onClick={() => void remove()}>
            Remove {languageName(chosen)}
          </button>
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

interface PageProps {
  readonly language: string;
  readonly version: number;
  readonly rules: DiaryRules;
  readonly may: boolean;
}

/** What stands on the client's own page, line by line. */
export function PageTexts({ language, version, rules, may }: PageProps) {
  const [change, { error, isLoading }] = useChangeRulesMutation();
  const of = rules.languages[language] ?? { words: {}, page: {} };
  const [texts, setTexts] = useState<Partial<Record<PageWord, string>>>(of.page);
  const strange = unknownFields(Object.values(texts).join(' '));
  return (
    <form
      className="slip"
      aria-label={`The client’s page in ${languageName(language)}`}
      onSubmit={(e) => {
        e.preventDefault();
        const page = Object.fromEntries(Object.entries(texts).filter(([, t]) => t.trim() !== ''));
        void change({
          version,
          rules: { ...rules, languages: { ...rules.languages, [language]: { ...of, page } } },
        });
      }}
    >
      <Problem error={error} />
      {PAGE_WORD_IDS.map((id) => (
        <div key={id}>
          <label htmlFor={`page-${id}`}>{PAGE_WORDS[id]}</label>
          <Input
            id={`page-${id}`}
            lang={language}
            value={texts[id] ?? ''}
            maxLength={300}
            readOnly={!may}
            onChange={(e) => setTexts({ ...texts, [id]: e.target.value })}
          />
        </div>
      ))}
      {strange.length > 0 && (
        <Notice is="bad">Unknown field {strange.map((f) => `{${f}}`).join(', ')}.</Notice>
      )}
      {may && (
        <div className="row acts">
          <button type="submit" className="take" disabled={isLoading || strange.length > 0}>
            Save texts
          </button>
        </div>
      )}
    </form>
  );
}

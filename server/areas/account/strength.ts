import { HttpError } from '../../http/problem.ts';
import { TEXTS } from './texts.ts';

/** The least of zxcvbn's five steps that is taken: its 3 is “safely unguessable, protects against slow offline guessing”. */
const LEAST = 3;

/** Made when somebody first sets a passphrase: the lists of words are long. */
let judge: Promise<(passphrase: string, own: string[]) => { score: number; warning: string }> | undefined;
const makeJudge = async () => {
  const [{ ZxcvbnFactory }, common, en] = await Promise.all([
    import('@zxcvbn-ts/core'),
    import('@zxcvbn-ts/language-common'),
    import('@zxcvbn-ts/language-en'),
  ]);
  const factory = new ZxcvbnFactory({
    translations: en.translations,
    graphs: common.adjacencyGraphs,
    dictionary: { ...common.dictionary, ...en.dictionary },
  });
  return (passphrase: string, own: string[]) => {
    // A space between known words makes them no harder to guess.
    const [spaced, joined] = [passphrase, passphrase.replace(/[^\p{L}\p{N}]+/gu, '')].map((p) =>
      factory.check(p, own),
    );
    const { score, feedback } = joined!.score < spaced!.score ? joined! : spaced!;
    return { score, warning: feedback.warning ?? '' };
  };
};

/** Words of a name that a guesser would try first. */
const wordsOf = (text: string) => [text, ...text.split(/[^\p{L}\p{N}]+/u).filter((w) => w.length > 2)];

/**
 * Refuses a passphrase that is soon guessed: common words and patterns, and whatever is made of the studio's or the
 * person's own name. @throws HttpError 422 with what makes it weak
 */
export async function refuseWeak(passphrase: string, ...names: readonly string[]): Promise<void> {
  judge ??= makeJudge();
  const own = [...names.flatMap(wordsOf), 'rocchetto'].map((w) => w.toLowerCase());
  const { score, warning } = (await judge)(passphrase.normalize('NFKC').slice(0, 100), own);
  if (score < LEAST)
    throw new HttpError(422, 'weak-passphrase', TEXTS.weakPassphrase(warning ? `${warning} ` : ''));
}

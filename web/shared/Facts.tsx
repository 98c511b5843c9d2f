import { Fragment, type ReactNode } from 'react';

export type Fact = readonly [label: string, value: ReactNode];

/** What is known, label beside value. Empty ones are left out. */
export function Facts({ facts }: { facts: readonly (Fact | null | false | undefined)[] }) {
  return (
    <dl className="facts">
      {facts.map(
        (fact) =>
          fact &&
          fact[1] !== null &&
          fact[1] !== undefined &&
          fact[1] !== '' &&
          fact[1] !== false && (
            <Fragment key={fact[0]}>
              <dt>{fact[0]}</dt>
              <dd>{fact[1]}</dd>
            </Fragment>
          ),
      )}
    </dl>
  );
}
